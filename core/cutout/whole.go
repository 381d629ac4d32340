package cutout

import (
	"image"

	"billow/core/paint"
)

// sides is what is known around the border at the working size: the colours of both
// sides, and opacity as a linear function of colour, which holds for the photo's own
// pixels too (K. He, J. Sun, "Fast Guided Filter", 2015).
type sides struct {
	slot          []int32 // of each pixel of the view, from 1; 0 is not open
	thing, ground []colour
	slope         []colour
	base          []float32
}

func sidesOf(v *view, t *trimap, l *lookedUp, alpha []float32) *sides {
	s := &sides{slot: make([]int32, len(t.mask)), thing: l.thing, ground: l.ground}
	for k, i := range t.list {
		s.slot[i] = int32(k) + 1
	}
	if v.across == 1 && v.down == 1 {
		return s
	}
	n := len(t.list)
	s.slope, s.base = make([]colour, n), make([]float32, n)
	count := make([]float32, n)
	for _, w := range windowsOf(v, t) {
		mean, slope := w.line(v, alpha)
		base := mean - slope.dot(w.mean)
		for y := -v.w; y <= v.w; y += v.w {
			for x := -1; x <= 1; x++ {
				if k := s.slot[int(w.at)+y+x]; k > 0 {
					s.slope[k-1] = s.slope[k-1].add(slope)
					s.base[k-1] += base
					count[k-1]++
				}
			}
		}
	}
	for k := range count {
		if count[k] > 0 {
			s.slope[k] = s.slope[k].by(1 / count[k])
			s.base[k] /= count[k]
		}
	}
	return s
}

// Whole is the whole cut, in the photo's own pixels.
func (d *Desk) Whole() *paint.Bitmap {
	return d.Part(image.Rect(0, 0, d.photo.W, d.photo.H))
}

// Part is a part of the cut in the photo's own pixels.
func (d *Desk) Part(part image.Rectangle) *paint.Bitmap {
	part = part.Intersect(image.Rect(0, 0, d.photo.W, d.photo.H))
	if d.near != nil {
		return d.near.part(part)
	}
	reach := d.order.Edge.reach()
	wide := part.Inset(-reach).Intersect(image.Rect(0, 0, d.photo.W, d.photo.H))
	m := d.opacityOf(wide)
	m.change(d.order.Edge)
	out := paint.NewBitmap(part.Dx(), part.Dy())
	for y := range out.H {
		from := (y+part.Min.Y-wide.Min.Y)*m.w + part.Min.X - wide.Min.X
		d.colourRow(out.Pix[y*out.W:(y+1)*out.W], m.a[from:from+out.W], part.Min.X, part.Min.Y+y)
	}
	return out
}

// opacityOf is the opacity of a part of the photo, before its edge is changed.
func (d *Desk) opacityOf(part image.Rectangle) *opacity {
	if len(d.order.Pen) > 0 {
		return d.penned(part)
	}
	m := &opacity{part.Dx(), part.Dy(), make([]uint8, part.Dx()*part.Dy())}
	for y := range m.h {
		d.alphaRow(m.a[y*m.w:(y+1)*m.w], part.Min.X, part.Min.Y+y)
	}
	return m
}

// alphaRow is the opacity of some pixels of a row of the photo.
func (d *Desk) alphaRow(out []uint8, x0, y int) {
	v := d.v
	if d.clear != nil && d.sides == nil {
		for k := range out {
			out[k] = uint8(d.clear.Pix[y*d.photo.W+x0+k] >> 24)
		}
		return
	}
	if d.sides == nil {
		return
	}
	same := v.across == 1 && v.down == 1
	vy := min(int(float64(y)/v.down), v.h-1)
	for k := range out {
		vx := min(int(float64(x0+k)/v.across), v.w-1)
		i := vy*v.w + vx
		if same || d.sides.slot[i] == 0 {
			out[k] = uint8(d.alpha[i]*255 + .5)
		} else {
			out[k] = uint8(d.carried(x0+k, y)*255 + .5)
		}
		if d.clear != nil {
			out[k] = uint8(uint32(out[k]) * (d.clear.Pix[y*d.photo.W+x0+k] >> 24) / 255)
		}
	}
}

// carried is the opacity of one pixel of the photo from the linear functions around it,
// bilinearly. As far as it differs from that of the working size, from nothing and from all
// by no more than grain would make it, it does not (non-negative garrote: L. Breiman, Technometrics 37, 1995).
func (d *Desk) carried(x, y int) float32 {
	c := colourOf(d.lookedAt().Pix[y*d.photo.W+x]).by(1. / 255)
	var sum, mean, steep float32
	d.four(x, y, func(i int, w float32) {
		mean += w * d.alpha[i]
		if k := d.sides.slot[i]; k > 0 {
			slope := d.sides.slope[k-1]
			sum += w * min(max(slope.dot(c)+d.sides.base[k-1], 0), 1)
			steep += w * slope.length()
		} else {
			sum += w * d.alpha[i]
		}
	})
	grain := min(steep*d.fineGrain()*(grainSpan/255), .2)
	a := min(max(mean+beyondGrain(sum-mean, grain), 0), 1)
	if a > .5 {
		return 1 - beyondGrain(1-a, grain)
	}
	return beyondGrain(a, grain)
}

// beyondGrain is what of a difference is more than grain.
func beyondGrain(v, grain float32) float32 {
	if v*v <= grain*grain {
		return 0
	}
	return v - grain*grain/v
}

// grainSpan is how many deviations of grain are taken for grain.
const grainSpan = 1.6

// fineGrain is the deviation of the grain in the photo's own pixels, in levels.
func (d *Desk) fineGrain() float32 {
	if d.fine == 0 {
		d.fine = max(grainOf(d.photo), .01)
	}
	return d.fine
}

// four calls with the four pixels of the view around a pixel of the photo.
func (d *Desk) four(x, y int, with func(i int, w float32)) {
	v := d.v
	u := (float64(x)+.5)/v.across - .5
	t := (float64(y)+.5)/v.down - .5
	x0, y0 := int(max(u, 0)), int(max(t, 0))
	fx, fy := float32(max(u, 0))-float32(x0), float32(max(t, 0))-float32(y0)
	x0, y0 = min(x0, v.w-1), min(y0, v.h-1)
	x1, y1 := min(x0+1, v.w-1), min(y0+1, v.h-1)
	with(y0*v.w+x0, (1-fx)*(1-fy))
	with(y0*v.w+x1, fx*(1-fy))
	with(y1*v.w+x0, (1-fx)*fy)
	with(y1*v.w+x1, fx*fy)
}

func colourOf(p uint32) colour {
	return colour{float32(p & 255), float32(p >> 8 & 255), float32(p >> 16 & 255)}
}

// colourRow makes pixels of the photo's colours and opacity. Where a pixel is seen
// through, what it has of the ground is taken away.
func (d *Desk) colourRow(out []uint32, alpha []uint8, x0, y int) {
	if d.clear != nil && d.sides == nil && len(d.order.Pen) == 0 {
		if d.mended.photo == nil {
			copy(out, d.clear.Pix[y*d.photo.W+x0:])
			return
		}
	}
	v := d.v
	same := v.across == 1 && v.down == 1
	for k := range out {
		a := uint32(alpha[k])
		if a == 0 {
			continue
		}
		c := colourOf(d.shown().Pix[y*d.photo.W+x0+k])
		if a < 255 && d.sides != nil {
			var thing, ground colour
			var weight float32
			add := func(i int, w float32) {
				if s := d.sides.slot[i]; s > 0 {
					weight += w
					thing = thing.add(d.sides.thing[s-1].by(w))
					ground = ground.add(d.sides.ground[s-1].by(w))
				}
			}
			if same {
				add(y*v.w+x0+k, 1)
			} else {
				d.four(x0+k, y, add)
			}
			if weight > 0 {
				c = own(c, thing.by(1/weight), ground.by(1/weight), float32(a)/255)
			}
		}
		out[k] = premultiplied(c, a)
	}
}

func scale(c, a uint32) uint32 { return (c*a + 127) / 255 }

// own is the colour of the thing in a pixel that is a mixture of it and the ground: what
// is left when the ground's share is taken, and the more what was looked up the less of
// the thing there is.
func own(c, thing, ground colour, a float32) colour {
	left := c.sub(ground.by(1 - a)).by(1 / max(a, .02))
	mix := min(max((a-.15)/.6, 0), 1)
	return thing.by(1 - mix).add(left.by(mix))
}
