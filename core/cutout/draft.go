package cutout

import (
	"slices"

	"billow/core/paint"
)

// Draft is the cut at the working size: what is looked at while strokes are painted. It
// costs a small part of the whole one.
func (d *Desk) Draft() *paint.Bitmap {
	v := d.v
	if d.near != nil {
		return d.near.draft(v)
	}
	out := paint.NewBitmap(v.w, v.h)
	if d.alpha == nil {
		return out
	}
	m := &opacity{v.w, v.h, make([]uint8, len(d.alpha))}
	for i, a := range d.alpha {
		m.a[i] = uint8(a*255 + .5)
	}
	m.change(d.order.Edge.smaller(v.across))
	for i, a := range m.a {
		if a == 0 {
			continue
		}
		c := d.mended.small(v)[i]
		if a < 255 && d.sides != nil {
			if s := d.sides.slot[i]; s > 0 {
				c = own(c, d.sides.thing[s-1], d.sides.ground[s-1], float32(a)/255)
			}
		}
		out.Pix[i] = premultiplied(c, uint32(a))
	}
	return out
}

// DraftSize is the size of a draft in pixels.
func (d *Desk) DraftSize() (w, h int) { return d.v.w, d.v.h }

// Empty tells whether nothing stays.
func (d *Desk) Empty() bool {
	return !slices.ContainsFunc(d.alpha, func(a float32) bool { return a > 0 })
}

// smaller is the same border in a photo that is so many times smaller.
func (e Edge) smaller(k float64) Edge {
	return Edge{e.Shift / k, e.Smooth / k, e.Feather / k, e.Specks / k}
}

// premultiplied is a pixel of a colour and an opacity.
func premultiplied(c colour, a uint32) uint32 {
	at := func(i int) uint32 { return scale(uint32(min(max(c[i], 0), 255)+.5), a) }
	return at(0) | at(1)<<8 | at(2)<<16 | a<<24
}
