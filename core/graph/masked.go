package graph

import (
	"math"

	"billow/core/paint"
)

// MaskPart is one of several masks that are put together.
type MaskPart struct {
	Path    paint.Path // before At of the whole
	Mode    string     // add, subtract or intersect
	Invert  bool
	Feather float64 // standard deviation, units of the space
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
		k = k.Text(p.Mode).Nums(p.Feather).Nums(p.Nums...)
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
	b := s.Levels[0]
	at := m.At.Then(paint.Scale(s.Per, s.Per)).Then(paint.Translate(-s.X, -s.Y))
	var all *paint.Mask
	for i, p := range m.Parts {
		one := p.cover(at, s.Per, b.W, b.H)
		switch {
		case i == 0 && p.Mode == "subtract":
			one.Invert()
			all = one
		case i == 0:
			all = one
		default:
			all.Combine(one, p.Mode)
		}
	}
	out := pool.Get(b.W, b.H)
	copy(out.Pix, b.Pix)
	out.Cut(all)
	if mine {
		pool.Put(in.Levels[0])
	}
	return paint.NewSheet(out, s.X, s.Y, s.Per)
}

// cover is how much of each pixel of a plane a part shows.
func (p MaskPart) cover(at paint.Affine, per float64, w, h int) *paint.Mask {
	sigma := p.Feather * per
	margin := 0
	if sigma > 0 {
		margin = int(math.Ceil(3*sigma)) + 1
	}
	far := paint.Translate(float64(margin), float64(margin))
	one := paint.PathMask(p.Path.Transformed(at.Then(far)), w+2*margin, h+2*margin)
	if sigma > 0 {
		one.Blur(sigma)
		one = one.Within(margin)
	}
	if p.Invert {
		one.Invert()
	}
	return one
}
