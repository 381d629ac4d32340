package paint

import (
	"math"
	"slices"
)

// Waves are how an edge swings to either side of where it was.
type Waves struct {
	Height float64 // units to either side
	Length float64 // units from one wave to the next
	Shift  float64 // waves by which they have moved on along the edge
}

// mostWaved is how many places of a contour are moved at most.
const mostWaved = 20000

// Waved is the path with waves along its contours. On a closed one they are stretched a little,
// so that a whole number of them fits; at the ends of an open one they die away.
func (p Path) Waved(w Waves) Path {
	if w.Height == 0 || !(w.Length > 0) {
		return p
	}
	var out Path
	for _, l := range p.flattened(0.1) {
		out = append(out, l.waved(w)...)
	}
	return out
}

func (l polyline) waved(w Waves) Path {
	l.points = slices.CompactFunc(slices.Clone(l.points), func(p, q [2]float64) bool {
		return square(p[0]-q[0])+square(p[1]-q[1]) < 1e-18
	})
	whole := 0.0
	for i := 1; i < len(l.points); i++ {
		whole += math.Sqrt(square(l.points[i][0]-l.points[i-1][0]) + square(l.points[i][1]-l.points[i-1][1]))
	}
	if whole == 0 {
		return nil
	}
	long := w.Length
	if l.closed {
		long = whole / max(1, math.Round(whole/long))
	}
	n := int(min(math.Ceil(whole/long*24), mostWaved)) + 1
	out := make(Path, 0, n+1)
	i, done := 1, 0.0 // the piece that a place is on, and the length before it
	for k := range n + 1 {
		at := whole * float64(k) / float64(n)
		for i+1 < len(l.points) && done+l.piece(i) < at {
			done += l.piece(i)
			i++
		}
		a, b, d := l.points[i-1], l.points[i], l.piece(i)
		t := min((at-done)/d, 1)
		by := w.Height * math.Sin(2*math.Pi*(at/long-w.Shift))
		if !l.closed {
			by *= min(1, at/long, (whole-at)/long)
		}
		nx, ny := l.normal(i, t)
		pt := [2]float64{a[0] + (b[0]-a[0])*t + nx*by, a[1] + (b[1]-a[1])*t + ny*by}
		op := byte('L')
		switch {
		case len(out) > 0:
		case l.closed:
			op = 'M'
		default:
			op = 'O'
		}
		out = append(out, Segment{Op: op, P: [3][2]float64{pt}})
	}
	return out
}

func square(v float64) float64 { return v * v }

// piece is the length of the piece that ends at a point.
func (l polyline) piece(i int) float64 {
	return math.Sqrt(square(l.points[i][0]-l.points[i-1][0]) + square(l.points[i][1]-l.points[i-1][1]))
}

// normal is the direction across the line at a share of a piece, turned evenly from the middle of
// each piece to the next, so that curves of many pieces stay smooth.
func (l polyline) normal(i int, t float64) (x, y float64) {
	across := func(i int) (x, y float64) {
		if l.closed {
			i = (i-1+len(l.points)-1)%(len(l.points)-1) + 1
		}
		i = min(max(i, 1), len(l.points)-1)
		d := max(l.piece(i), 1e-12)
		return -(l.points[i][1] - l.points[i-1][1]) / d, (l.points[i][0] - l.points[i-1][0]) / d
	}
	x, y = across(i)
	other, share := i+1, t-0.5
	if t < 0.5 {
		other, share = i-1, 0.5-t
	}
	ox, oy := across(other)
	if x*ox+y*oy < 0.7 { // a corner stays one
		return x, y
	}
	x, y = x+(ox-x)*share, y+(oy-y)*share
	d := math.Sqrt(x*x + y*y)
	return x / d, y / d
}
