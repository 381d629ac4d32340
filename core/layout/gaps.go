package layout

import (
	"cmp"
	"math"
	"slices"
)

// Gap is the distance between two things beside or above each other: a level or
// upright line between them, units from the frame's centre.
type Gap struct {
	X0    float64 `json:"x0"`
	Y0    float64 `json:"y0"`
	X1    float64 `json:"x1"`
	Y1    float64 `json:"y1"`
	Equal bool    `json:"equal"` // as wide as another one beside it
}

// alikeGap is how much gaps may differ that count as equal, units.
const alikeGap = 0.05

// row are the boxes that share a stretch of the other axis with b, in order.
func row(b Box, others []Box, axis int) []Box {
	from, to := b.along(1 - axis)
	var out []Box
	for _, o := range others {
		if f, t := o.along(1 - axis); f < to && t > from {
			out = append(out, o)
		}
	}
	slices.SortStableFunc(out, func(p, q Box) int {
		a, _ := p.along(axis)
		b, _ := q.along(axis)
		return cmp.Compare(a, b)
	})
	return out
}

// Even is how far a box has to go on each axis so that its gaps to others are
// equal, where one such place is within reach.
func Even(b Box, others []Box, reach float64) (by [2]float64, found [2]bool) {
	for axis := range 2 {
		best := reach
		from, to := b.along(axis)
		try := func(place float64) {
			if d := math.Abs(place - from); d < best {
				best, by[axis], found[axis] = d, place-from, true
			}
		}
		line := row(b, others, axis)
		for i, p := range line {
			for _, q := range line[i+1:] {
				pf, pt := p.along(axis)
				qf, qt := q.along(axis)
				gap := qf - pt
				if gap <= 0 {
					continue
				}
				try(qt + gap)               // behind both
				try(pf - gap - (to - from)) // before both
				if gap > to-from {
					try(pt + (gap-(to-from))/2) // between them
				}
			}
		}
	}
	return by, found
}

// Gaps are the distances from a box to its next neighbours on each side, or to
// the frame's edge where there is none; those that match a neighbour's next gap
// or each other are equal, and the neighbour's is told too.
func Gaps(b Box, others []Box, frame Box) []Gap {
	var out []Gap
	for axis := range 2 {
		line := row(b, others, axis)
		from, to := b.along(axis)
		edge, end := frame.along(axis)
		var before, behind *Box
		for i := range line {
			f, t := line[i].along(axis)
			if t <= from+alikeGap && (before == nil || t > high(*before, axis)) {
				before = &line[i]
			}
			if f >= to-alikeGap && (behind == nil || f < low(*behind, axis)) {
				behind = &line[i]
			}
		}
		if before != nil {
			edge = high(*before, axis)
		}
		if behind != nil {
			end = low(*behind, axis)
		}
		a, z := from-edge, end-to
		equal := before != nil && behind != nil && math.Abs(a-z) < alikeGap
		left, right := gap(axis, edge, from, b), gap(axis, to, end, b)
		left.Equal, right.Equal = equal, equal
		if before != nil && !equal {
			out = next(out, &left, *before, line, axis, -1)
		}
		if behind != nil && !equal {
			out = next(out, &right, *behind, line, axis, 1)
		}
		for _, g := range []Gap{left, right} {
			if g.X1-g.X0+g.Y1-g.Y0 > alikeGap {
				out = append(out, g)
			}
		}
	}
	return out
}

func low(b Box, axis int) float64  { v, _ := b.along(axis); return v }
func high(b Box, axis int) float64 { _, v := b.along(axis); return v }

// next looks whether the gap behind a neighbour is as wide as the one before it.
func next(out []Gap, g *Gap, by Box, line []Box, axis, way int) []Gap {
	for _, o := range line {
		a, b := high(by, axis), low(o, axis)
		if way < 0 {
			a, b = high(o, axis), low(by, axis)
		}
		if wide := g.X1 - g.X0 + g.Y1 - g.Y0; b > a && math.Abs(b-a-wide) < alikeGap {
			g.Equal = true
			other := gap(axis, a, b, by)
			other.Equal = true
			return append(out, other)
		}
	}
	return out
}

// gap is a line along an axis, through the middle of a box.
func gap(axis int, from, to float64, b Box) Gap {
	if axis == 0 {
		y := (b.Y0 + b.Y1) / 2
		return Gap{X0: from, Y0: y, X1: to, Y1: y}
	}
	x := (b.X0 + b.X1) / 2
	return Gap{X0: x, Y0: from, X1: x, Y1: to}
}
