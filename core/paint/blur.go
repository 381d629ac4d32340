package paint

import "math"

// Mask is a plane of coverage, 0..255.
type Mask struct {
	W, H int
	Pix  []uint8
}

// AlphaMask is the alpha of a bitmap with an empty margin around it.
func AlphaMask(b *Bitmap, margin int) *Mask { return HalvedAlpha(b, 0, margin) }

// HalvedAlpha is the alpha of a bitmap at half its size so many times, each value the mean of
// what it covers, with an empty margin around it.
func HalvedAlpha(b *Bitmap, octaves, margin int) *Mask {
	side := 1 << octaves
	m := &Mask{(b.W+side-1)>>octaves + 2*margin, (b.H+side-1)>>octaves + 2*margin, nil}
	m.Pix = make([]uint8, m.W*m.H)
	if octaves > 0 {
		m.means(b, octaves, margin)
		return m
	}
	for y := range b.H {
		at := (y+margin)*m.W + margin
		for x, p := range b.Pix[y*b.W : (y+1)*b.W] {
			m.Pix[at+x] = uint8(p >> 24)
		}
	}
	return m
}

// means fills the mask, but for its margin, with the means of the bitmap's alpha.
func (m *Mask) means(b *Bitmap, octaves, margin int) {
	side, in := 1<<octaves, m.W-2*margin
	sums := make([]uint32, in)
	for y := range m.H - 2*margin {
		clear(sums)
		for row := y << octaves; row < min((y+1)<<octaves, b.H); row++ {
			pix := b.Pix[row*b.W:][:b.W]
			for i := range sums {
				for _, p := range pix[i<<octaves : min((i+1)<<octaves, len(pix))] {
					sums[i] += p >> 24
				}
			}
		}
		to := m.Pix[(y+margin)*m.W+margin:][:in]
		for i, v := range sums {
			to[i] = uint8((v + uint32(side*side/2)) >> (2 * octaves))
		}
	}
}

// Blur is a Gaussian blur with a standard deviation in pixels: three passes of
// averages in each direction. Beyond the edges lies nothing.
func (m *Mask) Blur(sigma float64) {
	if sigma < 0.3 || m.W == 0 || m.H == 0 {
		return
	}
	over := averageOf(sigma)
	// Two rows are done at once, and then the left half of all columns with the right one.
	p := newPair((m.W+1)/2, m.H)
	l := over.lines(m.W)
	for y := 0; y < m.H; y += 2 {
		upper, lower := m.Pix[y*m.W:][:m.W], m.Pix[min(y+1, m.H-1)*m.W:][:m.W]
		for x, v := range upper {
			l.row[x] = uint64(v)<<8 | uint64(lower[x])<<(8+32)
		}
		l.blur()
		left, right := l.row[:p.w], l.row[p.w:] // one shorter where the width is odd
		up, low := p.at[y*p.w:][:p.w], p.at[min(y+1, m.H-1)*p.w:][:p.w]
		for x, v := range left {
			low[x] = v >> 32
		}
		for x, v := range right {
			low[x] |= v &^ firstLane
		}
		for x, v := range left {
			up[x] = v & firstLane
		}
		for x, v := range right {
			up[x] |= v << 32
		}
	}
	p.down(over)
	for y := range m.H {
		row := m.Pix[y*m.W:][:m.W]
		left, right := row[:p.w], row[p.w:]
		from := p.at[y*p.w:][:p.w]
		for x, v := range from {
			left[x] = uint8((v&firstLane + 128) >> 8)
		}
		for x := range right {
			right[x] = uint8((from[x]>>32 + 128) >> 8)
		}
	}
}

// pair is two planes of a size in one: half of each number belongs to either. Values
// have 16 bits, so that what passes round off cannot be seen, and so their sums fit.
type pair struct {
	w, h int
	at   []uint64
}

const firstLane = 1<<32 - 1

func newPair(w, h int) *pair { return &pair{w, h, make([]uint64, w*h)} }

// down blurs the columns.
func (p *pair) down(over average) {
	const together = 4 // that many of them are read at once, as they lie
	var lines [together]lines
	for i := range lines {
		lines[i] = over.lines(p.h)
	}
	for x := 0; x < p.w; x += together {
		n := min(together, p.w-x)
		for y := range p.h {
			for i, v := range p.at[y*p.w+x:][:n] {
				lines[i].row[y] = v
			}
		}
		for i := range n {
			lines[i].blur()
		}
		for y := range p.h {
			to := p.at[y*p.w+x:][:n]
			for i := range to {
				to[i] = lines[i].row[y]
			}
		}
	}
}

// average is a box filter whose two ends count less than the rest, so that it can
// be of any width (Gwosdek et al., "Theoretical Foundations of Gaussian Convolution
// by Extended Box Filtering", 2011).
type average struct {
	r        int    // how far to each side pixels count whole
	one, end uint64 // how much a whole one counts, and those just beyond; 1<<16 in all
}

// averageOf is the average of which three in a row blur with a standard deviation
// in pixels.
func averageOf(sigma float64) average {
	variance := sigma * sigma / 3
	r := math.Floor((math.Sqrt(12*variance+1) - 1) / 2)
	whole, second := 2*r+1, r*(r+1)*(2*r+1)/3
	part := (variance*whole - second) / (2 * ((r+1)*(r+1) - variance))
	// An even number, so that both ends make up exactly what is left.
	one := 2 * math.Round((1<<15)/(whole+2*part))
	for one*whole > 1<<16 {
		one -= 2
	}
	return average{int(r), uint64(one), (1<<16 - uint64(one*whole)) / 2}
}

// lines is room for a row to be blurred in, with what lies around it: nothing.
type lines struct {
	over average
	row  []uint64 // the row
	a, b []uint64 // r+1 numbers, the row, and as many again; row is that of a
}

func (over average) lines(n int) lines {
	a, b := make([]uint64, n+2*over.r+2), make([]uint64, n+2*over.r+2)
	return lines{over, a[over.r+1:][:n], a, b}
}

// blur passes the average over the row three times.
func (l *lines) blur() {
	n := len(l.row)
	on := l.b[l.over.r+1:][:n]
	l.over.across(on, l.a)
	l.over.across(l.row, l.b)
	l.over.across(on, l.a)
	copy(l.row, on)
}

// across averages a row, of which src has r+1 numbers more at either end, in both
// halves at once.
func (over average) across(dst, src []uint64) {
	n, r := len(dst), over.r
	sum := uint64(0)
	for _, v := range src[1 : 2*r+2] {
		sum += v
	}
	before, first, after := src[:n], src[1:][:n], src[2*r+2:][:n]
	const half = 1<<15 | 1<<(15+32)
	const both = 0xFFFF_0000_FFFF
	for i, in := range after {
		dst[i] = (sum*over.one + (before[i]+in)*over.end + half) >> 16 & both
		// A half may borrow from the other on the way, but not in the end.
		sum += in - first[i]
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
