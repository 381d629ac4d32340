package graph

import (
	"image"
	"math"

	"billow/core/paint"
)

// MaskPart is one of several masks that are put together.
type MaskPart struct {
	Path    paint.Path // before At of the whole
	Mode    string     // add, subtract or intersect
	Invert  bool
	Feather float64 // standard deviation, units of the space
	Rim     float64 // units by which its edge lies further out, or further in
	Nums    []float64
}

// Masked is what masks leave of a picture.
type Masked struct {
	Parts  []MaskPart
	At     paint.Affine // to the space
	Finest float64      // pixels a unit beyond which detail is of no use; 0 is all
}

// Key adds the masks; Nums are what the paths are made of.
func (m Masked) Key(k Key) Key {
	k = k.Text("masked").Nums(m.Finest).Matrix(m.At)
	for _, p := range m.Parts {
		k = k.Text(p.Mode).Nums(p.Feather, p.Rim).Nums(p.Nums...)
		if p.Invert {
			k = k.Word(1)
		}
	}
	return k
}

// Reach is nothing.
func (m Masked) Reach() float64 { return 0 }

// Apply masks. What the first one does not add to is all there is.
func (m Masked) Apply(in *paint.Sheet, mine bool, pool *paint.Pool) *paint.Sheet {
	s := in.Reduced(m.Finest)
	b := s.Picture
	at := m.At.Then(paint.Scale(s.Per, s.Per)).Then(paint.Translate(-s.X, -s.Y))
	parts, shows := m.planes(at, s.Per, image.Rect(0, 0, b.W, b.H))
	if shows.Empty() {
		shows = image.Rect(0, 0, 1, 1)
	}
	mask := together(parts, shows)
	out := pool.Get(shows.Dx(), shows.Dy())
	for y := range out.H {
		copy(out.Pix[y*out.W:(y+1)*out.W], b.Pix[(y+shows.Min.Y)*b.W+shows.Min.X:])
	}
	out.Cut(mask)
	if mine {
		pool.Put(in.Picture)
	}
	return paint.NewSheet(out, s.X+float64(shows.Min.X), s.Y+float64(shows.Min.Y), s.Per)
}

// cover is how much of each pixel of a part of a plane the masks leave, where at maps their units to
// pixels of the space; nil is nothing.
func (m Masked) cover(at paint.Affine, of image.Rectangle) *paint.Mask {
	parts, shows := m.planes(at, 1, of)
	if shows.Empty() {
		return nil
	}
	return together(parts, of)
}

// planes are the parts on the pixels of a plane, and where something is left of it.
func (m Masked) planes(at paint.Affine, per float64, all image.Rectangle) (parts []maskPlane, shows image.Rectangle) {
	parts, shows = make([]maskPlane, len(m.Parts)), all
	for i, p := range m.Parts {
		parts[i] = maskPlane{MaskPart: p, path: p.Path.Transformed(at), sigma: p.Feather * per, rim: p.Rim * per}
		shows = parts[i].leaves(shows, i == 0).Intersect(all)
	}
	return parts, shows
}

// together puts parts together.
func together(parts []maskPlane, of image.Rectangle) (mask *paint.Mask) {
	for i, p := range parts {
		one := p.cover(of)
		switch {
		case i == 0 && p.Mode == "subtract":
			one.Invert()
			mask = one
		case i == 0:
			mask = one
		default:
			mask.Combine(one, p.Mode)
		}
	}
	return mask
}

// maskPlane is a part on the pixels of a picture.
type maskPlane struct {
	MaskPart
	path  paint.Path
	sigma float64 // pixels
	rim   float64 // pixels
}

// box is the pixels that the part's path covers, at least faintly.
func (p maskPlane) box() image.Rectangle {
	b := p.path.Bounds()
	whole := func(v float64) int { return int(min(max(v, -far), far)) }
	margin := math.Ceil(3*p.sigma+max(p.rim, 0)) + 1
	if !(b[0] <= b[2]) {
		return image.Rectangle{}
	}
	return image.Rect(whole(math.Floor(b[0]-margin)), whole(math.Floor(b[1]-margin)), whole(math.Ceil(b[2]+margin)), whole(math.Ceil(b[3]+margin)))
}

// leaves is what may still be seen of what may be seen before the part.
func (p maskPlane) leaves(shows image.Rectangle, first bool) image.Rectangle {
	everywhere := image.Rect(-far, -far, far, far)
	box := p.box()
	if p.Invert {
		box = everywhere
	}
	switch {
	case p.Mode == "subtract" && first:
		return everywhere
	case p.Mode == "subtract":
		return shows
	case p.Mode == "intersect" || first:
		return box.Intersect(shows)
	}
	return shows.Union(box)
}

// softest is the largest standard deviation, in pixels, with which a plane is blurred; what is
// softer is made from a smaller one.
const softest = 6

// cover is how much of each pixel of a part of the plane the part shows.
func (p maskPlane) cover(of image.Rectangle) *paint.Mask {
	sigma, octaves := p.sigma, 0
	for sigma > softest {
		sigma, octaves = sigma/2, octaves+1
	}
	var one *paint.Mask
	if sigma == 0 {
		one = p.filled(paint.Translate(-float64(of.Min.X), -float64(of.Min.Y)), 1, of.Dx(), of.Dy())
	} else {
		margin := int(math.Ceil(3*sigma)) + 2
		scale := math.Ldexp(1, -octaves)
		m := paint.Translate(-float64(of.Min.X), -float64(of.Min.Y)).Then(paint.Scale(scale, scale)).
			Then(paint.Translate(float64(margin), float64(margin)))
		w, h := of.Dx()>>octaves+1, of.Dy()>>octaves+1
		one = p.filled(m, scale, w+2*margin, h+2*margin)
		one.Blur(sigma)
		by := float64(margin << octaves)
		one = one.Enlarged(octaves, by, by, of.Dx(), of.Dy())
	}
	if p.Invert {
		one.Invert()
	}
	return one
}

// filled is the part on a plane to which m maps its pixels, scaled so.
func (p maskPlane) filled(m paint.Affine, scale float64, w, h int) *paint.Mask {
	path := p.path.Transformed(m)
	one := paint.PathMask(path, w, h)
	if p.rim != 0 {
		how := "add"
		if p.rim < 0 {
			how = "subtract"
		}
		along := paint.Pen{Width: 2 * math.Abs(p.rim) * scale, End: 1}
		one.Combine(paint.PathMask(path.Drawn(along, 0.1), w, h), how)
	}
	return one
}
