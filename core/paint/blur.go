package paint

import "math"

// Mask is a plane of coverage, 0..255.
type Mask struct {
	W, H int
	Pix  []uint8
}

// AlphaMask is the alpha of a bitmap with an empty margin around it.
func AlphaMask(b *Bitmap, margin int) *Mask {
	m := &Mask{b.W + 2*margin, b.H + 2*margin, nil}
	m.Pix = make([]uint8, m.W*m.H)
	for y := range b.H {
		at := (y+margin)*m.W + margin
		for x, p := range b.Pix[y*b.W : (y+1)*b.W] {
			m.Pix[at+x] = uint8(p >> 24)
		}
	}
	return m
}

// Blur is a Gaussian blur with a standard deviation in pixels, approximated by
// three passes of box filters in each direction. The widths of the boxes are
// chosen so that their variances add up to the Gaussian's (Kovesi, "Fast Almost-
// Gaussian Filtering", 2010). Beyond the edges lies nothing. Between the passes there
// are 16 bits, so that their rounding cannot be seen.
func (m *Mask) Blur(sigma float64) {
	if sigma < 0.3 {
		return
	}
	widths := boxes(sigma)
	n := max(m.W, m.H)
	a, b := make([]uint16, m.W*m.H), make([]uint16, max(n, m.W*m.H))
	for y := range m.H {
		row, line := a[y*m.W:][:m.W], b[:m.W]
		for x, v := range m.Pix[y*m.W:][:m.W] {
			row[x] = uint16(v) << 8
		}
		boxAcross(line, row, widths[0])
		boxAcross(row, line, widths[1])
		boxAcross(line, row, widths[2])
		copy(row, line)
	}
	sums := make([]uint32, m.W)
	for _, width := range widths {
		boxDown(b, a, m.W, m.H, width, sums)
		a, b = b, a
	}
	for i := range m.Pix {
		m.Pix[i] = uint8((uint32(a[i]) + 128) >> 8)
	}
}

// boxes is three odd widths.
func boxes(sigma float64) [3]int {
	ideal := math.Sqrt(12*sigma*sigma/3 + 1)
	lower := int(ideal)
	if lower%2 == 0 {
		lower--
	}
	l := float64(lower)
	small := int(math.Round((12*sigma*sigma - 3*l*l - 12*l - 9) / (-4*l - 4)))
	var out [3]int
	for i := range out {
		out[i] = lower
		if i >= small {
			out[i] = lower + 2
		}
	}
	return out
}

// A box divides by its width with a multiplication, rounded to the nearest.
func boxScale(width int) uint64 { return uint64((1<<24 + width/2) / width) }

func boxMean(sum uint32, scale uint64) uint16 {
	return uint16(min((uint64(sum)*scale+1<<23)>>24, 255<<8))
}

// boxAcross averages a row over an odd width.
func boxAcross(dst, src []uint16, width int) {
	n, r, scale := len(src), width/2, boxScale(width)
	sum := uint32(0)
	for _, v := range src[:min(r, n)] {
		sum += uint32(v)
	}
	for i := range dst[:n] {
		if i+r < n {
			sum += uint32(src[i+r])
		}
		dst[i] = boxMean(sum, scale)
		if i >= r {
			sum -= uint32(src[i-r])
		}
	}
}

// boxDown averages all columns over an odd width; sums is room for a row.
func boxDown(dst, src []uint16, w, h, width int, sums []uint32) {
	clear(sums)
	r, scale := width/2, boxScale(width)
	add := func(y int) {
		for x, v := range src[y*w:][:len(sums)] {
			sums[x] += uint32(v)
		}
	}
	for y := range min(r, h) {
		add(y)
	}
	for y := range h {
		if y+r < h {
			add(y + r)
		}
		out := dst[y*w:][:len(sums)]
		if y < r {
			for x, sum := range sums {
				out[x] = boxMean(sum, scale)
			}
			continue
		}
		old := src[(y-r)*w:][:len(sums)]
		for x, sum := range sums {
			out[x] = boxMean(sum, scale)
			sums[x] = sum - uint32(old[x])
		}
	}
}

// Coloured is the mask filled with an opaque pixel's colour.
func (m *Mask) Coloured(pixel uint32) *Bitmap {
	b := NewBitmap(m.W, m.H)
	c := spread(pixel | 0xFF000000)
	for i, a := range m.Pix {
		if a != 0 {
			t := c*uint64(a) + 0x80*lanes
			b.Pix[i] = packed((t + t>>8&byteLanes) >> 8 & byteLanes)
		}
	}
	return b
}
