package paint

import (
	"math"
	"slices"
)

// edge is where a transformed picture ends: a parallelogram, of which each pixel
// of the frame is covered exactly as far as it lies on it.
type edge struct {
	corners [4][2]float64 // in order around it
	sides   [4]side
	lo, hi  float64 // the highest and the lowest of the corners

	// Of the row that was asked for last:
	y        int
	x0, x1   int  // pixels that it touches
	in0, in1 int  // those of them that lie on it as a whole
	below    span // of its lower border
	r        raster
}

// side goes from its upper end at (x, y0) down to y1, with so much of x to one of y.
type side struct{ x, y0, y1, slope float64 }

// span is between which x a horizontal line lies on the picture, if on it does.
type span struct {
	l, r float64
	on   bool
}

// edgeOf is the edge of a picture.
func edgeOf(b *Bitmap, m Affine) *edge {
	w, h := float64(b.W), float64(b.H)
	e := &edge{lo: math.Inf(1), hi: math.Inf(-1), y: math.MinInt}
	for i, c := range [4][2]float64{{0, 0}, {w, 0}, {w, h}, {0, h}} {
		x, y := m.Apply(c[0], c[1])
		e.corners[i] = [2]float64{x, y}
		e.lo, e.hi = min(e.lo, y), max(e.hi, y)
	}
	a := e.corners[3]
	for i, b := range e.corners {
		up, low := a, b
		if up[1] > low[1] {
			up, low = low, up
		}
		s := side{x: up[0], y0: up[1], y1: low[1]}
		if s.y1 > s.y0 {
			s.slope = (low[0] - up[0]) / (s.y1 - s.y0)
		}
		e.sides[i], a = s, b
	}
	return e
}

// rows are the rows of a frame so high that it touches.
func (e *edge) rows(h int) (y0, y1 int) {
	return whole0(math.Floor(e.lo), h), whole0(math.Ceil(e.hi), h)
}

// whole0 is a whole number as one from 0 to most.
func whole0(v float64, most int) int {
	switch {
	case !(v > 0):
		return 0
	case v > float64(most):
		return most
	}
	return int(v)
}

// row is the pixels of a row of a frame so wide that it touches.
func (e *edge) row(y, w int) (x0, x1 int) {
	above := e.below
	if e.y != y-1 {
		above = e.across(float64(y))
	}
	e.y, e.below = y, e.across(float64(y+1))
	touched, on := above, above // by any of the row, and by all of it
	touched.join(e.below)
	on.meet(e.below)
	for _, c := range e.corners {
		if c[1] >= float64(y) && c[1] <= float64(y+1) {
			touched.join(span{c[0], c[0], true})
		}
	}
	if !touched.on || !(touched.l < touched.r) {
		e.x0, e.x1, e.in0, e.in1 = 0, 0, 0, 0
		return 0, 0
	}
	e.x0, e.x1 = whole0(math.Floor(touched.l), w), whole0(math.Ceil(touched.r), w)
	e.in0, e.in1 = e.x1, e.x1
	if on.on {
		if in0, in1 := max(whole0(math.Ceil(on.l), w), e.x0), min(whole0(math.Floor(on.r), w), e.x1); in0 < in1 {
			e.in0, e.in1 = in0, in1
		}
	}
	return e.x0, e.x1
}

// across is between which x the picture is crossed by a horizontal line.
func (e *edge) across(y float64) (c span) {
	for i := range e.sides {
		s := &e.sides[i]
		if y < s.y0 || y > s.y1 {
			continue
		}
		x := s.x + s.slope*(y-s.y0)
		c.join(span{x, x, true})
	}
	return c
}

// join lets a span reach over another too. (The minimum of two numbers is a call
// in a browser, these comparisons are not.)
func (c *span) join(o span) {
	if !c.on {
		*c = o
		return
	}
	if !o.on {
		return
	}
	if o.l < c.l {
		c.l = o.l
	}
	if o.r > c.r {
		c.r = o.r
	}
}

// meet leaves of a span what lies on another too.
func (c *span) meet(o span) {
	if o.l > c.l {
		c.l = o.l
	}
	if o.r < c.r {
		c.r = o.r
	}
	c.on = c.on && o.on
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
		e.r.acc, e.r.touched = make([]int32, n+1), make([][2]int32, 1)
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
