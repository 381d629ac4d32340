package paint

// Base is what a picture stands on, in its pixels, and how far it reaches down however
// it is turned.
type Base struct {
	X0, X1, Y float64      // from its left to its right end, and where its lowest rows end
	Rim       [][2]float64 // points on its left and right side that no other reaches beyond, nearly
}

const (
	// Lowest is the share of a picture's height that counts as what it stands on.
	Lowest = 0.04
	// bands is in how many bands of rows the rim is taken.
	bands = 48
	// solidFrom is the alpha from which a pixel counts.
	solidFrom = 128
)

// Base finds what the opaque part of a bitmap stands on; ok is false when there is
// none.
func (b *Bitmap) Base() (base Base, ok bool) {
	type row struct{ x0, x1 int }
	rows := make([]row, b.H)
	top, bottom := -1, -1
	for y := range rows {
		r := row{-1, -1}
		for x, p := range b.Pix[y*b.W : (y+1)*b.W] {
			if p>>24 >= solidFrom {
				if r.x0 < 0 {
					r.x0 = x
				}
				r.x1 = x + 1
			}
		}
		if rows[y] = r; r.x0 >= 0 {
			if top < 0 {
				top = y
			}
			bottom = y + 1
		}
	}
	if top < 0 {
		return base, false
	}
	high := bottom - top
	base.X0, base.X1, base.Y = float64(b.W), 0, float64(bottom)
	for y := bottom - max(1, int(float64(high)*Lowest)); y < bottom; y++ {
		if r := rows[y]; r.x0 >= 0 {
			base.X0, base.X1 = min(base.X0, float64(r.x0)), max(base.X1, float64(r.x1))
		}
	}
	for i := range bands {
		from, to := top+high*i/bands, max(top+high*(i+1)/bands, top+high*i/bands+1)
		left, right := [2]float64{float64(b.W), 0}, [2]float64{-1, 0}
		for y := from; y < min(to, bottom); y++ {
			r := rows[y]
			if r.x0 < 0 {
				continue
			}
			// Of a band in the upper half its upper edge reaches out, in the lower its lower.
			edge := float64(y)
			if 2*y > top+bottom {
				edge++
			}
			if float64(r.x0) < left[0] || 2*y > top+bottom && float64(r.x0) == left[0] {
				left = [2]float64{float64(r.x0), edge}
			}
			if float64(r.x1) > right[0] || 2*y > top+bottom && float64(r.x1) == right[0] {
				right = [2]float64{float64(r.x1), edge}
			}
		}
		if right[0] >= 0 {
			base.Rim = append(base.Rim, left, right)
		}
	}
	last := rows[bottom-1]
	base.Rim = append(base.Rim, [2]float64{float64(last.x0), base.Y}, [2]float64{float64(last.x1), base.Y})
	return base, true
}

// FadedRows is the bitmap as it is on row from and gone on row to and beyond it, which
// may lie above or below.
func (b *Bitmap) FadedRows(from, to float64) *Bitmap {
	out := NewBitmap(b.W, b.H)
	for y := range b.H {
		share := 1 - (float64(y)+0.5-from)/(to-from)
		a := uint8(min(max(share, 0), 1)*255 + 0.5)
		src, dst := b.Pix[y*b.W:(y+1)*b.W], out.Pix[y*b.W:(y+1)*b.W]
		if a > 0 {
			for x, p := range src {
				dst[x] = faded(p, a)
			}
		}
	}
	return out
}

// Glow is a disc that is full in its middle and fades to nothing at its rim, (1-d²)²
// at a share d of the way: side pixels wide.
func Glow(side int, pixel uint32) *Bitmap {
	b := NewBitmap(side, side)
	r := float64(side) / 2
	for y := range side {
		for x := range side {
			dx, dy := (float64(x)+0.5-r)/r, (float64(y)+0.5-r)/r
			if d := 1 - dx*dx - dy*dy; d > 0 {
				b.Pix[y*side+x] = faded(pixel, uint8(d*d*255+0.5))
			}
		}
	}
	return b
}
