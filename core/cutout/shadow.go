package cutout

import (
	"image"
	"slices"

	"billow/core/paint"
)

// A shadow on a plain ground is kept as black that is seen through: laid over a ground it
// takes as much of its light as it took of the photo's. Beneath the thing, where it is not
// seen, it goes on smoothly, so that the thing can be moved off it.

// leastShade is what of a ground's light is taken for grain and unevenness, less than which
// is no shadow.
const leastShade = .012

// surelyShade is from how much on it is taken as it is; below that it begins softly.
const surelyShade = .05

// HasShadow tells whether the photo's shadow can be kept: its ground is plain, and it was
// not taken apart by a line around a part.
func (d *Desk) HasShadow() bool {
	return d.near == nil && d.plainGround() != nil && d.sides != nil
}

// shade is how much light the thing takes from its ground, 0..1, at the working size.
func (d *Desk) shade() []float32 {
	if d.shaded == nil {
		d.shaded = d.findShade()
	}
	return d.shaded
}

func (d *Desk) findShade() []float32 {
	v, g := d.v, d.plainGround()
	out, sure := make([]float32, len(d.alpha)), make([]float32, len(d.alpha))
	thing := make([]bool, len(d.alpha))
	for y := range v.h {
		for x := range v.w {
			i := y*v.w + x
			if d.alpha[i] > 0 {
				thing[i] = true
				continue
			}
			b := g.at(x, y)
			light, off := split(d.even[i], b)
			grain := g.sigma / max(b.length(), 1)
			if shade := 1 - light - grain; shade > leastShade && off < 12+4*g.sigma+.2*shade*b.length() {
				t := min(shade/surelyShade, 1)
				out[i] = min((shade+grain)*t*(2-t), .9)
			}
		}
	}
	near := slices.Clone(thing) // and what of its shadow hangs together with it
	joined(near, out, v.w, v.h)
	for i := range out {
		if !near[i] {
			out[i] = 0
		}
	}
	// Where hair or an edge mixes with the ground, nothing is sure.
	for i, in := range widened(widened(thing, v.w, v.h), v.w, v.h) {
		if !in {
			sure[i] = 1
		}
	}
	return filledIn(out, sure, v.w, v.h)
}

// joined lets near grow through what is in shade.
func joined(near []bool, shade []float32, w, h int) {
	var open []int32
	for i, in := range near {
		if in {
			open = append(open, int32(i))
		}
	}
	for len(open) > 0 {
		i := int(open[len(open)-1])
		open = open[:len(open)-1]
		x, y := i%w, i/w
		for _, d := range around {
			nx, ny := x+d[0], y+d[1]
			if nx < 0 || ny < 0 || nx >= w || ny >= h {
				continue
			}
			if j := ny*w + nx; !near[j] && shade[j] > 0 {
				near[j] = true
				open = append(open, int32(j))
			}
		}
	}
}

// filledIn gives places that are not sure what is around them, from ever smaller pictures
// (S. Gortler and others, "The Lumigraph", 1996: pull and push).
func filledIn(of, sure []float32, w, h int) []float32 {
	if w < 2 && h < 2 {
		return of
	}
	hw, hh := (w+1)/2, (h+1)/2
	small, weight := make([]float32, hw*hh), make([]float32, hw*hh)
	for y := range h {
		for x := range w {
			i, j := y*w+x, y/2*hw+x/2
			small[j] += of[i] * sure[i]
			weight[j] += sure[i]
		}
	}
	for j, k := range weight {
		if k > 0 {
			small[j] /= k
			weight[j] = min(k, 1)
		}
	}
	small = filledIn(small, weight, hw, hh)
	out := make([]float32, len(of))
	rough := &greys{hw, hh, small}
	for y := range h {
		for x := range w {
			i := y*w + x
			out[i] = of[i]
			if k := sure[i]; k < 1 {
				out[i] = of[i]*k + rough.at((float32(x)-.5)/2, (float32(y)-.5)/2)*(1-k)
			}
		}
	}
	return out
}

// Shade lays a cut over a shadow of the same size.
func Shade(cut, shadow *paint.Bitmap) {
	for i, s := range shadow.Pix {
		p := cut.Pix[i]
		cut.Pix[i] = p + scale(s>>24, 255-p>>24)<<24
	}
}

// ShadowDraft is the shadow at the working size, on nothing.
func (d *Desk) ShadowDraft() *paint.Bitmap {
	out := paint.NewBitmap(d.v.w, d.v.h)
	if d.HasShadow() {
		for i, s := range d.shade() {
			out.Pix[i] = uint32(s*255+.5) << 24
		}
	}
	return out
}

// Shadow is a part of the shadow in the photo's own pixels, on nothing.
func (d *Desk) Shadow(part image.Rectangle) *paint.Bitmap {
	part = part.Intersect(image.Rect(0, 0, d.photo.W, d.photo.H))
	out := paint.NewBitmap(part.Dx(), part.Dy())
	if !d.HasShadow() {
		return out
	}
	shade := &greys{d.v.w, d.v.h, d.shade()}
	for y := range out.H {
		v := (float32(part.Min.Y+y)+.5)/float32(d.v.down) - .5
		for x := range out.W {
			u := (float32(part.Min.X+x)+.5)/float32(d.v.across) - .5
			out.Pix[y*out.W+x] = uint32(shade.at(u, v)*255+.5) << 24
		}
	}
	return out
}
