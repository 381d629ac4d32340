package paint

import (
	"math"
	"sort"

	"billow/core/alike"
)

// Measured is the longest contour of a path, of which each place is known by its length from
// the beginning.
type Measured struct {
	line  polyline
	until []float64 // the length up to each point
}

// Measured measures the path, whose curves become lines that stay within tolerance of them.
func (p Path) Measured(tolerance float64) Measured {
	var m Measured
	longest := -1.0
	for _, l := range p.flattened(tolerance) {
		if long := l.length(); long > longest {
			m.line, longest = l, long
		}
	}
	sum := 0.0
	for i, pt := range m.line.points {
		if i > 0 {
			last := m.line.points[i-1]
			sum += alike.Hypot(pt[0]-last[0], pt[1]-last[1])
		}
		m.until = append(m.until, sum)
	}
	return m
}

// Length is that of the contour.
func (m Measured) Length() float64 {
	if len(m.until) == 0 {
		return 0
	}
	return m.until[len(m.until)-1]
}

// At is the place at a length. A closed contour goes round for ever; an open one goes on
// straight beyond its ends, where on is false.
func (m Measured) At(length float64) (x, y float64, on bool) {
	long := m.Length()
	if long == 0 {
		return 0, 0, false
	}
	if m.line.closed {
		if length = math.Mod(length, long); length < 0 {
			length += long
		}
	}
	i := min(max(sort.SearchFloat64s(m.until, length), 1), len(m.until)-1)
	// Points that lie upon each other lead nowhere.
	for i < len(m.until)-1 && m.until[i] == m.until[i-1] {
		i++
	}
	for i > 1 && m.until[i] == m.until[i-1] {
		i--
	}
	a, b := m.line.points[i-1], m.line.points[i]
	t := (length - m.until[i-1]) / (m.until[i] - m.until[i-1])
	return a[0] + (b[0]-a[0])*t, a[1] + (b[1]-a[1])*t, length >= 0 && length <= long
}

// Mapped is the path with every place moved by f, as lines no longer than step.
func (p Path) Mapped(step float64, f func(x, y float64) (float64, float64)) (out Path) {
	for _, l := range p.flattened(step / 16) {
		for i, pt := range l.points {
			op, n := byte('L'), 1
			last := pt
			if i == 0 {
				if op = 'M'; !l.closed {
					op = 'O'
				}
			} else {
				last = l.points[i-1]
				n = int(min(max(1, math.Ceil(alike.Hypot(pt[0]-last[0], pt[1]-last[1])/step)), 1000))
			}
			for k := 1; k <= n; k++ {
				t := float64(k) / float64(n)
				x, y := f(last[0]+(pt[0]-last[0])*t, last[1]+(pt[1]-last[1])*t)
				out = append(out, Segment{op, [3][2]float64{{x, y}}})
			}
		}
	}
	return out
}
