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

// Blur is a Gaussian blur with a standard deviation in pixels, as blur() of CSS
// filters has it: three passes of averages in each direction. Beyond the edges lies
// nothing. Between the passes there are 16 bits, so that their rounding cannot be
// seen.
func (m *Mask) Blur(sigma float64) {
	if sigma < 0.3 {
		return
	}
	over := averageOf(sigma)
	n := max(m.W, m.H)
	a, b := make([]uint16, m.W*m.H), make([]uint16, max(n, m.W*m.H))
	for y := range m.H {
		row, line := a[y*m.W:][:m.W], b[:m.W]
		for x, v := range m.Pix[y*m.W:][:m.W] {
			row[x] = uint16(v) << 8
		}
		over.across(line, row)
		over.across(row, line)
		over.across(line, row)
		copy(row, line)
	}
	sums := make([]uint32, m.W)
	for range 3 {
		over.down(b, a, m.W, m.H, sums)
		a, b = b, a
	}
	for i := range m.Pix {
		m.Pix[i] = uint8((uint32(a[i]) + 128) >> 8)
	}
}

// average is a box filter whose two ends count less than the rest, so that it can
// be of any width (Gwosdek et al., "Theoretical Foundations of Gaussian Convolution
// by Extended Box Filtering", 2011).
type average struct {
	r        int    // how far to each side pixels count whole
	one, end uint64 // how much a whole one counts, and those just beyond; 1<<24 in all
}

// averageOf is the average of which three in a row blur with a standard deviation
// in pixels. CSS filters ask for boxes of the width d that the Filter Effects Module
// gives, which blur 6 percent less than a Gaussian; for small deviations browsers
// take the Gaussian itself, and between both we go over smoothly.
func averageOf(sigma float64) average {
	d := sigma * 3 * math.Sqrt(2*math.Pi) / 4
	gauss, css := sigma*sigma/3, (d*d-1)/12
	variance := gauss + (css-gauss)*min(max((sigma-1.6)/0.6, 0), 1)
	r := math.Floor((math.Sqrt(12*variance+1) - 1) / 2)
	whole, second := 2*r+1, r*(r+1)*(2*r+1)/3
	part := (variance*whole - second) / (2 * ((r+1)*(r+1) - variance))
	one := (1 << 24) / (whole + 2*part)
	return average{int(r), uint64(math.Round(one)), uint64(math.Round(one * part))}
}

// of is the average of whole ones' sum and both ends.
func (a average) of(sum, ends uint32) uint16 {
	return uint16(min((uint64(sum)*a.one+uint64(ends)*a.end+1<<23)>>24, 255<<8))
}

// across averages a row.
func (a average) across(dst, src []uint16) {
	n, r := len(src), a.r
	sum := uint32(0)
	for _, v := range src[:min(r, n)] {
		sum += uint32(v)
	}
	for i := range dst[:n] {
		if i+r < n {
			sum += uint32(src[i+r])
		}
		var ends uint32
		if i+r+1 < n {
			ends = uint32(src[i+r+1])
		}
		if i > r {
			ends += uint32(src[i-r-1])
		}
		dst[i] = a.of(sum, ends)
		if i >= r {
			sum -= uint32(src[i-r])
		}
	}
}

// down averages all columns; sums is room for a row.
func (a average) down(dst, src []uint16, w, h int, sums []uint32) {
	clear(sums)
	n, r := len(sums), a.r
	for y := range min(r, h) {
		for x, v := range src[y*w:][:n] {
			sums[x] += uint32(v)
		}
	}
	none := make([]uint16, n)
	row := func(y int) []uint16 {
		if y < 0 || y >= h {
			return none
		}
		return src[y*w:][:n]
	}
	for y := range h {
		out, in, next, last, old := dst[y*w:][:n], row(y+r), row(y+r+1), row(y-r-1), row(y-r)
		for x, sum := range sums {
			sum += uint32(in[x])
			out[x] = a.of(sum, uint32(next[x])+uint32(last[x]))
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
