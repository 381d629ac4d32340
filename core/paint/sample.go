package paint

import "unsafe"

// line is where the samples of a row lie in a bitmap: from (u, v) on in steps of
// (du, dv), in fixed point with 32 fractional bits, so that errors do not add up
// along the row. Whole numbers are centres of pixels.
type line struct{ u, v, du, dv int64 }

const (
	fraction = 32
	one      = 1 << fraction
)

// lineOf is the line of n samples. It is near when it stays so near to the
// picture that numbers are exact.
func lineOf(u, v, du, dv float64, n int) (l line, near bool) {
	const most = 1 << 28
	fits := func(from, step float64) bool {
		to := from + step*float64(n)
		return -most < from && from < most && -most < to && to < most
	}
	return line{int64(u * one), int64(v * one), int64(du * one), int64(dv * one)}, fits(u, du) && fits(v, dv)
}

// after is the line from its sample i on.
func (l line) after(i int) line {
	l.u += int64(i) * l.du
	l.v += int64(i) * l.dv
	return l
}

// inside is which of n samples have all of their four pixels in a bitmap so large.
func (l line) inside(n, w, h int) (i0, i1 int) {
	a0, a1 := within(l.u, l.du, int64(w-1)<<fraction, n)
	b0, b1 := within(l.v, l.dv, int64(h-1)<<fraction, n)
	i0 = max(a0, b0)
	return i0, max(i0, min(a1, b1))
}

// within is for which of the first n numbers i 0 <= at + i step < size.
func within(at, step, size int64, n int) (i0, i1 int) {
	if step < 0 {
		at, step = size-1-at, -step
	}
	if step == 0 {
		if at < 0 || at >= size {
			return 0, 0
		}
		return 0, n
	}
	up := func(v int64) int { return int(min((max(v, 0)+step-1)/step, int64(n))) }
	return up(-at), up(size - at)
}

// sample mixes the share, in 256ths, of bilinear samples of a bitmap into a row.
// Beyond its edge the picture goes on with its last pixels; what shows of it is
// cut there.
func (br *Brush) sample(row []uint32, b *Bitmap, u, v, du, dv float64, share uint64) {
	l, near := lineOf(u, v, du, dv, len(row))
	switch {
	case !near:
		b.clamped(row, l, share)
	case l.dv == 0 && -2*one < l.du && l.du < 2*one:
		br.level(row, b, l, share)
	default:
		i0, i1 := l.inside(len(row), b.W, b.H)
		b.clamped(row[:i0], l, share)
		b.sloping(row[i0:i1], l.after(i0), share)
		b.clamped(row[i1:], l.after(i1), share)
	}
}

// level is sample for a line along the rows: each column is mixed once, whatever
// number of samples lie on it.
func (br *Brush) level(row []uint32, b *Bitmap, l line, share uint64) {
	first, last := l.u>>fraction, (l.u+int64(len(row)-1)*l.du)>>fraction
	x0, x1 := int(min(first, last)), int(max(first, last))+2
	if len(br.columns) < x1-x0 {
		br.columns = make([]uint64, x1-x0)
	}
	columns := br.columns[:x1-x0]
	b.mixRows(columns, x0, l.v)
	l.u -= int64(x0) << fraction
	if share == 256 && l.du == one {
		t := uint64(l.u>>24) & 0xFF
		columns = columns[l.u>>fraction:][:len(row)+1]
		left := columns[0]
		for i, right := range columns[1:] {
			row[i] = packed(lerp(left, right, t))
			left = right
		}
		return
	}
	if share == 256 {
		for i := range row {
			two := columns[l.u>>fraction:][:2]
			row[i] = packed(lerp(two[0], two[1], uint64(l.u>>24)&0xFF))
			l.u += l.du
		}
		return
	}
	for i, p := range row {
		two := columns[l.u>>fraction:][:2]
		row[i] = packed(lerp(spread(p), lerp(two[0], two[1], uint64(l.u>>24)&0xFF), share))
		l.u += l.du
	}
}

// mixRows is the row at v, in fixed point, from pixel x on, spread.
func (b *Bitmap) mixRows(out []uint64, x int, v int64) {
	y, t := int(v>>fraction), uint64(v>>24)&0xFF
	top := b.Pix[min(max(y, 0), b.H-1)*b.W:][:b.W]
	low := b.Pix[min(max(y+1, 0), b.H-1)*b.W:][:b.W]
	on0 := min(max(-x, 0), len(out)) // of out on the picture
	on1 := max(min(b.W-x, len(out)), on0)
	if on0 < on1 {
		top, low := top[x+on0:][:on1-on0], low[x+on0:][:on1-on0]
		on := out[on0:on1]
		if t == 0 {
			for i, p := range top {
				on[i] = spread(p)
			}
			top = nil
		}
		for i, p := range top {
			on[i] = lerp(spread(p), spread(low[i]), t)
		}
	}
	for i := range out[:on0] {
		out[i] = lerp(spread(top[0]), spread(low[0]), t)
	}
	for i := on1; i < len(out); i++ {
		out[i] = lerp(spread(top[b.W-1]), spread(low[b.W-1]), t)
	}
}

// sloping is sample for a line that is inside.
func (b *Bitmap) sloping(row []uint32, l line, share uint64) {
	if len(row) == 0 {
		return
	}
	// The line was found to be inside, so no number is looked at again.
	pix, w := unsafe.Pointer(&b.Pix[0]), b.W
	if share == 256 {
		for i := range row {
			at := int(l.v>>fraction)*w + int(l.u>>fraction)
			tx, ty := uint64(l.u>>24)&0xFF, uint64(l.v>>24)&0xFF
			p00, p10, p01, p11 := pixel(pix, at), pixel(pix, at+1), pixel(pix, at+w), pixel(pix, at+w+1)
			l.u += l.du
			l.v += l.dv
			if p00 == p10 && p00 == p01 && p00 == p11 { // within a figure of one colour, or beside it
				row[i] = p00
				continue
			}
			row[i] = packed(bilinear(spread(p00), spread(p10), spread(p01), spread(p11), tx, ty))
		}
		return
	}
	for i, p := range row {
		at := int(l.v>>fraction)*w + int(l.u>>fraction)
		tx, ty := uint64(l.u>>24)&0xFF, uint64(l.v>>24)&0xFF
		p00, p10, p01, p11 := pixel(pix, at), pixel(pix, at+1), pixel(pix, at+w), pixel(pix, at+w+1)
		l.u += l.du
		l.v += l.dv
		if p00 == p10 && p00 == p01 && p00 == p11 {
			if p != p00 {
				row[i] = packed(lerp(spread(p), spread(p00), share))
			}
			continue
		}
		row[i] = packed(lerp(spread(p), bilinear(spread(p00), spread(p10), spread(p01), spread(p11), tx, ty), share))
	}
}

// pixel is number i of those from pix on.
func pixel(pix unsafe.Pointer, i int) uint32 { return *(*uint32)(unsafe.Add(pix, 4*i)) }

// clamped is sample for a line anywhere.
func (b *Bitmap) clamped(row []uint32, l line, share uint64) {
	w, h := b.W, b.H
	for i := range row {
		x, y := int(l.u>>fraction), int(l.v>>fraction)
		tx, ty := uint64(l.u>>24)&0xFF, uint64(l.v>>24)&0xFF
		l.u += l.du
		l.v += l.dv
		x0, x1 := min(max(x, 0), w-1), min(max(x+1, 0), w-1)
		y0, y1 := min(max(y, 0), h-1)*w, min(max(y+1, 0), h-1)*w
		s := bilinear(spread(b.Pix[y0+x0]), spread(b.Pix[y0+x1]), spread(b.Pix[y1+x0]), spread(b.Pix[y1+x1]), tx, ty)
		row[i] = packed(lerp(spread(row[i]), s, share))
	}
}

// bilinear mixes four spread pixels; tx and ty are the shares of the right and
// the lower ones in 256ths.
func bilinear(p00, p10, p01, p11, tx, ty uint64) uint64 {
	both := (tx*ty + 0x80) >> 8
	low := ty - both
	return (p00*(256-tx-low) + p10*(tx-both) + p01*low + p11*both + 0x80*lanes) >> 8 & byteLanes
}

// lerp is a with the share t, in 256ths, of b in all lanes at once. A lane of the
// difference may borrow from the next, but not in the end.
func lerp(a, b, t uint64) uint64 { return (a<<8 + (b-a)*t + 0x80*lanes) >> 8 & byteLanes }
