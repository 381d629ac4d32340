package paint

import (
	"math"
	"math/bits"
)

// Streaked is the mean of the bitmap at 2^passes places, each (dx, dy) pixels from the one before, so
// that what is seen is drawn out along a line. Each pass takes the mean of two pictures, of which one
// is moved by whole pixels, half as far as the next. The first of the places is the bitmap's own; at is
// by how many pixels its own corner lies within the result, which is in the pool's memory.
func (b *Bitmap) Streaked(dx, dy float64, passes int, pool *Pool) (out *Bitmap, atX, atY int) {
	n := float64(int(1) << passes)
	farX, farY := closest(dx*(n-1)), closest(dy*(n-1))
	atX, atY = max(-farX, 0)+passes, max(-farY, 0)+passes
	out = pool.Get(b.W+abs(farX)+2*passes, b.H+abs(farY)+2*passes)
	out.Put(b, atX, atY)
	scratch := pool.Any(out.W, out.H)
	none := make([]uint32, out.W)
	if farY == 0 { // each row by itself, while it is at hand
		for y := range out.H {
			row, other := out.row(y), scratch.row(y)
			for pass := range passes {
				meansWith(other, row, row, closest(dx*float64(int(1)<<pass)), none, pass%2 == 1)
				row, other = other, row
			}
		}
		if passes%2 == 1 {
			out, scratch = scratch, out
		}
		pool.Put(scratch)
		return out, atX, atY
	}
	for pass := range passes {
		k := float64(int(1) << pass)
		moveX, moveY := closest(dx*k), closest(dy*k)
		for y := range out.H {
			there := out.row(y - moveY)
			if there == nil {
				there = none
			}
			meansWith(scratch.row(y), out.row(y), there, moveX, none, pass%2 == 1)
		}
		out, scratch = scratch, out
	}
	pool.Put(scratch)
	return out, atX, atY
}

// meansWith makes each pixel of a row the mean of two: that at its place, and that dx before it in another
// row. Beyond that lies nothing. Halves are rounded up or down.
func meansWith(row, here, there []uint32, dx int, none []uint32, up bool) {
	w := len(row)
	x0 := min(max(dx, 0), w)
	x1 := max(min(w+dx, w), x0)
	means(row[:x0], here[:x0], none, up)
	if x0 < x1 {
		means(row[x0:x1], here[x0:x1], there[x0-dx:], up)
	}
	means(row[x1:], here[x1:], none, up)
}

// means makes each pixel the mean of two.
func means(row, p, q []uint32, up bool) {
	p, q = p[:len(row)], q[:len(row)]
	if up {
		for x, a := range p {
			b := q[x]
			row[x] = (a | b) - (a^b)>>1&0x7F7F7F7F
		}
		return
	}
	for x, a := range p {
		b := q[x]
		row[x] = a&b + (a^b)>>1&0x7F7F7F7F
	}
}

// mean is that of two pixels, of all four channels at once.
func mean(p, q uint32, up bool) uint32 {
	if up {
		return (p | q) - (p^q)>>1&0x7F7F7F7F
	}
	return p&q + (p^q)>>1&0x7F7F7F7F
}

// Rushed is the mean of the bitmap at 2^passes sizes about a place in pixels, each k times as large as
// the one before, from its own on: as if it rushed at whoever looks.
func (b *Bitmap) Rushed(x, y, k float64, passes int, pool *Pool) *Bitmap {
	out, scratch := pool.Any(b.W, b.H), pool.Any(b.W, b.H)
	copy(out.Pix, b.Pix)
	columns := make([]int, b.W)
	for pass := range passes {
		scratch.meanSized(out, x, y, 1/k, columns, pass%2 == 1)
		out, scratch = scratch, out
		k *= k
	}
	pool.Put(scratch)
	return out
}

// meanSized makes each pixel the mean of two of another bitmap: that at its place, and that which lies
// there when everything's way to a place is divided by k.
func (b *Bitmap) meanSized(o *Bitmap, cx, cy, k float64, columns []int, up bool) {
	place := func(i int, c float64, n int) int { return min(max(closest(c+(float64(i)+0.5-c)*k-0.5), 0), n-1) }
	for x := range columns {
		columns[x] = place(x, cx, b.W)
	}
	for y := range b.H {
		row, here := b.Pix[y*b.W:][:b.W], o.Pix[y*o.W:][:b.W]
		there := o.Pix[place(y, cy, b.H)*o.W:][:b.W]
		for x, at := range columns[:len(row)] {
			row[x] = mean(here[x], there[at], up)
		}
	}
}

func closest(v float64) int { return int(math.Round(v)) }

func abs(v int) int { return max(v, -v) }

// Passes is after how many doublings so many steps are reached.
func Passes(steps float64) int { return bits.Len(uint(min(max(steps, 1), 1<<20)+0.999) - 1) }
