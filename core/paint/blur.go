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
// Gaussian Filtering", 2010). Beyond the edges lies nothing.
func (m *Mask) Blur(sigma float64) {
	if sigma < 0.3 {
		return
	}
	from := make([]uint8, max(m.W, m.H))
	for _, width := range boxes(sigma) {
		for y := range m.H {
			boxLine(m.Pix[y*m.W:], 1, m.W, width, from)
		}
		for x := range m.W {
			boxLine(m.Pix[x:], m.W, m.H, width, from)
		}
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

// boxLine averages a line of n pixels, stride apart, over an odd width.
func boxLine(line []uint8, stride, n, width int, from []uint8) {
	if width <= 1 {
		return
	}
	from = from[:n]
	for i := range from {
		from[i] = line[i*stride]
	}
	r, sum := width/2, uint32(0)
	for i := 0; i < min(r, n); i++ {
		sum += uint32(from[i])
	}
	// Division by the width as a multiplication, rounded to the nearest.
	scale := uint32((1<<22 + width/2) / width)
	for i := range n {
		if i+r < n {
			sum += uint32(from[i+r])
		}
		line[i*stride] = uint8(min((uint64(sum)*uint64(scale)+1<<21)>>22, 255))
		if i-r >= 0 {
			sum -= uint32(from[i-r])
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
