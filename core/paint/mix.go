package paint

import "math"

// MixIn makes so much of a bitmap what another one of the same size shows, 0..1.
func (b *Bitmap) MixIn(o *Bitmap, share float64) {
	w := uint64(math.Round(min(max(share, 0), 1) * 256))
	for i, p := range b.Pix {
		if q := o.Pix[i]; p != q {
			b.Pix[i] = packed(lerp(spread(p), spread(q), w))
		}
	}
}

// MixPart is MixIn for the part of the bitmap on which another one lies whose corner is put at (x, y), as
// far as a mask of the other's size shows it; nil shows all.
func (b *Bitmap) MixPart(o *Bitmap, m *Mask, x, y int, share float64) {
	w := uint64(math.Round(min(max(share, 0), 1) * 256))
	for row := range o.H {
		here, there := b.Pix[(row+y)*b.W+x:][:o.W], o.Pix[row*o.W:][:o.W]
		if m == nil && w == 256 {
			copy(here, there)
			continue
		}
		for i, q := range there {
			part := w
			if m != nil {
				c := uint64(m.Pix[row*m.W+i])
				part = (w*(c+c>>7) + 128) >> 8
			}
			if p := here[i]; p != q && part > 0 {
				here[i] = packed(lerp(spread(p), spread(q), part))
			}
		}
	}
}
