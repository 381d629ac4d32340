package paint

import "math"

// MaskRows gives the rows of a mask: row y as far as the row that is given is long.
type MaskRows func(y int, row []uint8)

// Enlarged is the first rows of what Enlarging gives.
func (m *Mask) Enlarged(octaves int, dx, dy float64, w, h int) *Mask {
	out := &Mask{W: w, H: h, Pix: make([]uint8, w*h)}
	rows := m.Enlarging(octaves, dx, dy)
	for y := range h {
		rows(y, out.Pix[y*w:][:w])
	}
	return out
}

// Enlarging is a plane of which pixel (x, y) shows what lies (x+dx, y+dy) pixels
// from the mask's corner when that is 2^octaves times as large: mixed between its pixels,
// as soft masks can be without being seen to be made small. Beyond the mask its last
// pixels go on.
func (m *Mask) Enlarging(octaves int, dx, dy float64) MaskRows {
	if m.W == 0 || m.H == 0 {
		return func(_ int, row []uint8) { clear(row) }
	}
	e := enlarge(octaves, dx, dy)
	line := make([]uint32, m.W+2) // in 256ths, the first and the last twice
	return func(y int, row []uint8) {
		m.betweenRows(line[1:], e.v+y*e.step)
		line[0] = line[1]
		for x := 0; x < len(row); {
			if from, to := e.inside(x, len(row), m.W); from == x && from < to {
				u := e.u + x*e.step
				for k := range row[x:to] {
					i, part := u>>16, uint32(u>>8)&255
					a, b := line[i+1], line[i+2]
					row[x+k] = uint8((a<<8 + (b-a)*part + 1<<15) >> 16)
					u += e.step
				}
				x = to
				continue
			}
			i, part, n := e.run(x, len(row), m.W)
			i = min(max(i, 0), m.W)
			a, b := line[i], line[i+1]
			v, by := a*(256-part)+b*part+1<<15, (b-a)*uint32(e.step>>8)
			for k := range row[x : x+n] {
				row[x+k] = uint8(v >> 16)
				v += by
			}
			x += n
		}
	}
}

// enlarged says which pixels of a smaller picture show between which of a larger one's: the
// place of the first of these, and how far the next one lies, in 65536ths of the smaller ones,
// which is 2^bits.
type enlarged struct{ u, v, step, bits int }

func enlarge(octaves int, dx, dy float64) enlarged {
	const most = 1 << 24
	begin := func(d float64) int {
		return int(math.Round(min(max(math.Ldexp(d+0.5, -octaves)-0.5, -most), most) * whole))
	}
	bits := max(16-octaves, 0)
	return enlarged{begin(dx), begin(dy), 1 << bits, bits}
}

// run is how many pixels from x on, of a row up to end, lie between the same two pixels of one
// of w, and with a share of the right one that grows by as much each time. i is the number of
// the right one, from 0, which has nothing to its left, to w, which lies just beyond them; -1
// and w+1 are farther away. part is the share of the right one in the first, in 256ths.
func (e enlarged) run(x, end, w int) (i int, part uint32, n int) {
	u := e.u + x*e.step
	if u < -whole { // before it
		return -1, 0, min((-whole-u+e.step-1)>>e.bits, end-x)
	}
	at := u >> 16
	if at >= w {
		return w + 1, 0, end - x
	}
	next := (at + 1) << 16
	if e.step < 256 {
		next = min(next, (u>>8+1)<<8) // the share stays for a while
	}
	return at + 1, uint32(u>>8) & 255, min((next-u+e.step-1)>>e.bits, end-x)
}

// inside is from and up to which of the pixels from x on, of a row up to end, all lie between two
// of w, where such runs are too short to be looked for.
func (e enlarged) inside(x, end, w int) (from, to int) {
	if e.bits < 14 {
		return end, end
	}
	from = max(x, (-e.u+e.step-1)>>e.bits)
	return from, min(end, ((w-1)<<16-e.u+e.step-1)>>e.bits)
}

// betweenRows is a row at a height in 65536ths of a pixel, in 256ths of its values; its last
// pixel stands twice.
func (m *Mask) betweenRows(out []uint32, v int) {
	y, part := v>>16, uint32(v>>8)&255
	a := m.Pix[min(max(y, 0), m.H-1)*m.W:][:m.W]
	b := m.Pix[min(max(y+1, 0), m.H-1)*m.W:][:m.W]
	for x, p := range a {
		out[x] = uint32(p)*(256-part) + uint32(b[x])*part
	}
	out[m.W] = out[m.W-1]
}

// Rows gives the rows of a picture: row y as far as the row that is given is long.
type Rows func(y int, row []uint32)

// Enlarging is what Mask.Enlarging is, of pixels: beyond the bitmap lies nothing.
func (b *Bitmap) Enlarging(octaves int, dx, dy float64) Rows {
	e := enlarge(octaves, dx, dy)
	line := make([]uint64, b.W+2) // with nothing on either side
	return func(y int, row []uint32) {
		b.spreadBetween(line[1:b.W+1], e.v+y*e.step)
		for x := 0; x < len(row); {
			if from, to := e.inside(x, len(row), b.W); from == x && from < to {
				u := e.u + x*e.step
				for k := range row[x:to] {
					i := u >> 16
					p, q := line[i+1], line[i+2]
					if p|q == 0 {
						row[x+k] = 0
					} else {
						row[x+k] = packed(lerp(p, q, uint64(u>>8)&255))
					}
					u += e.step
				}
				x = to
				continue
			}
			i, part, n := e.run(x, len(row), b.W)
			var p, q uint64
			if i >= 0 && i <= b.W {
				p, q = line[i], line[i+1]
			}
			// The lanes of by may borrow from each other, but not those of what it makes.
			v, by := p<<8+(q-p)*uint64(part)+0x80*lanes, (q-p)*uint64(e.step>>8)
			for k := range row[x : x+n] {
				row[x+k] = packed(v >> 8 & byteLanes)
				v += by
			}
			x += n
		}
	}
}

// spreadBetween is a row at a height in 65536ths of a pixel, spread; above and below lies nothing.
func (b *Bitmap) spreadBetween(out []uint64, v int) {
	y, part := v>>16, uint64(v>>8)&255
	upper, lower := b.row(y), b.row(y+1)
	for x := range out {
		var p, q uint64
		if upper != nil {
			p = spread(upper[x])
		}
		if lower != nil {
			q = spread(lower[x])
		}
		out[x] = lerp(p, q, part)
	}
}
