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
