package paint

import (
	"math"
	"slices"
)

// edge is where a transformed picture ends: a parallelogram, of which each pixel
// of the frame is covered exactly as far as it lies on it.
type edge struct {
	corners [4][2]float64 // in order around it
	lo, hi  float64       // the highest and the lowest of them

	// Of the row that was asked for last:
	y        int
	x0, x1   int // pixels that it touches
	in0, in1 int // those of them that lie on it as a whole
	r        raster
}

// edgeOf is the edge of a picture.
func edgeOf(b *Bitmap, m Affine) *edge {
	w, h := float64(b.W), float64(b.H)
	e := &edge{lo: math.Inf(1), hi: math.Inf(-1)}
	for i, c := range [4][2]float64{{0, 0}, {w, 0}, {w, h}, {0, h}} {
		x, y := m.Apply(c[0], c[1])
		e.corners[i] = [2]float64{x, y}
		e.lo, e.hi = min(e.lo, y), max(e.hi, y)
	}
	return e
}

// rows are the rows of a frame so high that it touches.
func (e *edge) rows(h int) (y0, y1 int) {
	clamp := func(v float64) int { return int(min(max(v, 0), float64(h))) }
	return clamp(math.Floor(e.lo)), clamp(math.Ceil(e.hi))
}

// row is the pixels of a row of a frame so wide that it touches.
func (e *edge) row(y, w int) (x0, x1 int) {
	e.y = y
	lo, hi := math.Inf(1), math.Inf(-1)     // of all of the row
	inLo, inHi := math.Inf(-1), math.Inf(1) // where both the upper and the lower side of the row are on it
	for _, at := range [2]float64{float64(y), float64(y + 1)} {
		l, r, on := e.across(at)
		if on {
			lo, hi = min(lo, l), max(hi, r)
			inLo, inHi = max(inLo, l), min(inHi, r)
		} else {
			inLo, inHi = math.Inf(1), math.Inf(-1)
		}
	}
	for _, c := range e.corners {
		if c[1] >= float64(y) && c[1] <= float64(y+1) {
			lo, hi = min(lo, c[0]), max(hi, c[0])
		}
	}
	clamp := func(v float64) int { return int(min(max(v, 0), float64(w))) }
	e.x0, e.x1 = clamp(math.Floor(lo)), clamp(math.Ceil(hi))
	if e.in0, e.in1 = max(clamp(math.Ceil(inLo)), e.x0), min(clamp(math.Floor(inHi)), e.x1); e.in0 >= e.in1 {
		e.in0, e.in1 = e.x1, e.x1
	}
	if !(lo < hi) {
		return 0, 0
	}
	return e.x0, e.x1
}

// across is between which x it is crossed by a horizontal line.
func (e *edge) across(y float64) (l, r float64, on bool) {
	l, r = math.Inf(1), math.Inf(-1)
	a := e.corners[3]
	for _, b := range e.corners {
		if lo, hi := min(a[1], b[1]), max(a[1], b[1]); y >= lo && y <= hi {
			x := a[0]
			if hi > lo {
				x = a[0] + (b[0]-a[0])*((y-a[1])/(b[1]-a[1]))
			} else {
				l, r = min(l, b[0]), max(r, b[0])
			}
			l, r, on = min(l, x), max(r, x), true
		}
		a = b
	}
	return l, r, on
}

// cover leaves of the pixels of the row, which is all that it touches of it, as
// much as lies on it.
func (e *edge) cover(row []uint32) {
	if e.in0 == e.x1 {
		e.coverPart(row, e.x0)
		return
	}
	e.coverPart(row[:e.in0-e.x0], e.x0)
	e.coverPart(row[e.in1-e.x0:], e.in1)
}

// coverPart is cover for pixels from x on.
func (e *edge) coverPart(row []uint32, x int) {
	n := len(row)
	if !slices.ContainsFunc(row, func(p uint32) bool { return p != 0 }) {
		return // most pictures have nothing at their edge
	}
	if len(e.r.acc) < n+1 {
		e.r.acc = make([]int32, n+1)
	}
	e.r.w, e.r.h = n, 1
	acc := e.r.acc[:n+1]
	clear(acc)
	ax, ay := e.fixed(e.corners[3], x)
	for _, c := range e.corners {
		bx, by := e.fixed(c, x)
		e.r.edge(ax, ay, bx, by)
		ax, ay = bx, by
	}
	sum := int32(0)
	for i, v := range acc[:n] {
		sum += v
		if c := min(max(sum, -sum), whole); c < whole {
			row[i] = thinned(row[i], uint64(c>>8))
		}
	}
}

// fixed is a corner in 65536ths of a pixel from (x, y of the row) on.
func (e *edge) fixed(c [2]float64, x int) (fx, fy int64) {
	const most = 1 << 30
	round := func(v float64) int64 { return int64(min(max(math.Round(v*whole), -most), most)) }
	return round(c[0] - float64(x)), round(c[1] - float64(e.y))
}
