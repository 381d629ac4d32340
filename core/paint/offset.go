package paint

import (
	"math"

	"billow/core/alike"
)

// Offset is the edge of the area that closed contours fill together, so far outwards, or
// inwards where by is below zero. Outer corners are made as Join says; what open contours
// are there stay out. What is too thin vanishes; what is far too tangled stays as it is.
func (p Path) Offset(by float64, join Join, tolerance float64) Path {
	if by == 0 {
		return p
	}
	o := offsetter{by: by, join: join}
	clean := joined(p.flattened(tolerance))
	var solid []polyline
	for _, l := range clean {
		if l.closed && len(l.points) > 3 {
			solid = append(solid, l)
		}
	}
	if len(solid) == 0 {
		return nil
	}
	filled := newJoiner(solid, false)
	if filled.tangled() {
		return p
	}
	var lines []polyline
	for i := range filled.lines {
		// Lines of several contours that would lie on one another are kept apart, too little to
		// be seen: so each is in or out.
		o.by = by + 0.001*float64(i%16)
		if points := o.contour(filled.inside(i)); len(points) > 0 {
			lines = append(lines, polyline{points, true})
		}
	}
	moved := newJoiner(lines, true)
	if moved.tangled() {
		return p
	}
	var pieces [][][2]float64
	for i := range moved.lines {
		pieces = append(pieces, moved.edges(moved.cuts(i))...)
	}
	var out Path
	for _, l := range linked(pieces) {
		if l.closed {
			out = append(out, l.path()...)
		}
	}
	return out
}

// inside is a contour's points, each once, in the order
// in which what is filled lies on the side to which isEdge looks first.
func (j *joiner) inside(i int) [][2]float64 {
	var points [][2]float64
	apart := func(a, b [2]float64) bool { return alike.Hypot(a[0]-b[0], a[1]-b[1]) > 1e-6 }
	for _, pt := range j.lines[i].points {
		if n := len(points); n == 0 || apart(pt, points[n-1]) {
			points = append(points, pt)
		}
	}
	if n := len(points); n > 1 && !apart(points[0], points[n-1]) {
		points = points[:n-1]
	}
	longest, at := 0.0, 0
	for k, a := range points {
		b := points[(k+1)%len(points)]
		if d := alike.Hypot(b[0]-a[0], b[1]-a[1]); d > longest {
			longest, at = d, k
		}
	}
	a, b := points[at], points[(at+1)%len(points)]
	n := normal(a, b)
	const beside = 0.02
	if j.winding((a[0]+b[0])/2+n[0]*beside, (a[1]+b[1])/2+n[1]*beside) != 0 {
		return points
	}
	turned := make([][2]float64, len(points))
	for k, pt := range points {
		turned[len(points)-1-k] = pt
	}
	return turned
}

// normal is of length 1, or 0 where two points are the same.
func normal(a, b [2]float64) vec {
	d := alike.Hypot(b[0]-a[0], b[1]-a[1])
	if d == 0 {
		return vec{}
	}
	return vec{(a[1] - b[1]) / d, (b[0] - a[0]) / d}
}

// offsetter moves contours of which the inside lies where normals point.
type offsetter struct {
	by   float64
	join Join
}

// contour is a contour whose lines have each been moved outwards. At inner corners it goes by
// the old corner, so that the loops there wind the other way.
func (o offsetter) contour(points [][2]float64) [][2]float64 {
	n := len(points)
	var out [][2]float64
	for i := range n {
		before, at, after := vec(points[(i+n-1)%n]), vec(points[i]), vec(points[(i+1)%n])
		n1, n2 := normal(before, at), normal(at, after)
		from, to := at.plus(n1, -o.by), at.plus(n2, -o.by)
		cross, dot := n1[0]*n2[1]-n1[1]*n2[0], n1[0]*n2[0]+n1[1]*n2[1]
		k := -o.by / (1 + dot)
		between := at.plus(n1, k).plus(n2, k) // where the moved lines meet
		if dot > 0 && (cross*o.by <= 0 || math.Abs(cross) < 1e-9) {
			// Both lines are long enough to meet there.
			far := math.Abs(k * cross)
			if 2*far < min(alike.Hypot(at[0]-before[0], at[1]-before[1]), alike.Hypot(at[0]-after[0], at[1]-after[1])) {
				out = append(out, between)
				continue
			}
		}
		out = append(out, from)
		switch outer := cross*o.by > 0; {
		case !outer:
			out = append(out, at, to)
			continue
		case o.join == MiterJoin && 2/(1+dot) <= miterLimit*miterLimit:
			out = append(out, between)
		case o.join == RoundJoin:
			out = o.round(out, at, n1, n2)
		}
		out = append(out, to)
	}
	if len(out) > 0 {
		out = append(out, out[0])
	}
	return out
}

// round goes around a corner in steps that are a tenth of a pixel off at most.
func (o offsetter) round(out [][2]float64, at, n1, n2 vec) [][2]float64 {
	angle := math.Atan2(n1[0]*n2[1]-n1[1]*n2[0], n1[0]*n2[0]+n1[1]*n2[1])
	most := 2 * math.Acos(1-min(0.1/math.Abs(o.by), 1))
	steps := int(min(math.Ceil(math.Abs(angle)/most), 64))
	for i := 1; i < steps; i++ {
		sin, cos := math.Sincos(angle * float64(i) / float64(steps))
		turned := vec{n1[0]*cos - n1[1]*sin, n1[0]*sin + n1[1]*cos}
		out = append(out, at.plus(turned, -o.by))
	}
	return out
}
