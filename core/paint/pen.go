package paint

import (
	"math"
	"slices"
)

// Pen is how a line along a path is drawn. Lengths are in the path's units.
type Pen struct {
	Width      float64
	Start, End float64 // only what lies between these shares of each contour's length is drawn, 0..1
	Cap        Cap
	Join       Join
	// Dash and Gap are how long what is drawn and what is left out take turns; no dash
	// draws all. Then are further such lengths, in pairs. Along a closed contour they are
	// stretched a little, so that a whole number of them fits. Shift moves them along.
	Dash, Gap, Shift float64
	Then             []float64
	Miter            float64 // how many times its half width a corner of MiterJoin may reach out before it is cut off; 0 is 4, as in SVG
	// Each lets every contour have its line where others, or itself, lie over it; else
	// only the edge of what they fill together has one.
	Each bool
}

// Scaled is the pen for a path that is so many times as large.
func (p Pen) Scaled(k float64) Pen {
	p.Width, p.Dash, p.Gap, p.Shift, p.Then = p.Width*k, p.Dash*k, p.Gap*k, p.Shift*k, slices.Clone(p.Then)
	for i := range p.Then {
		p.Then[i] *= k
	}
	return p
}

// Reach is how far it draws beyond its path.
func (p Pen) Reach() float64 {
	switch {
	case p.Join == MiterJoin:
		return p.Width / 2 * p.miter()
	case p.Cap == SquareCap:
		return p.Width / math.Sqrt2
	}
	return p.Width / 2
}

func (p Pen) miter() float64 {
	if p.Miter == 0 {
		return miterLimit
	}
	return p.Miter
}

// Cap is how a line ends, as in SVG.
type Cap int

// Line ends.
const (
	RoundCap Cap = iota
	ButtCap
	SquareCap
)

// Join is how a line goes around a corner, as in SVG.
type Join int

// Corners of lines.
const (
	RoundJoin Join = iota
	MiterJoin
	BevelJoin
)

const (
	miterLimit = 4
	// mostDashes is how many dashes a contour has at most; more could not be told apart.
	mostDashes = 4000
)

// Drawn is the outline of a line drawn along the path. It consists of pieces that all
// turn the same way and share their edges, so that they fill as one and no edge is
// covered twice.
func (p Path) Drawn(pen Pen, tolerance float64) Path {
	pen.Start, pen.End = min(max(pen.Start, 0), 1), min(max(pen.End, 0), 1)
	if pen.Width <= 0 || pen.End <= pen.Start {
		return nil
	}
	st := stroker{r: pen.Width / 2, pen: pen}
	lines := p.flattened(tolerance)
	if !pen.Each {
		lines = joined(lines)
	}
	for _, l := range lines {
		st.contour(l)
	}
	return st.out
}

// stroker collects the pieces of a stroke with half its width.
type stroker struct {
	r   float64
	pen Pen
	out Path
}

func (s *stroker) contour(l polyline) {
	all := s.pen.Start <= 0 && s.pen.End >= 1
	length := 0.0
	if !all || s.pen.Dash > 0 {
		length = l.length()
	}
	from, to := s.pen.Start*length, s.pen.End*length
	lengths := append([]float64{s.pen.Dash, max(s.pen.Gap, 0)}, s.pen.Then...)
	period := 0.0
	for _, n := range lengths {
		period += n
	}
	switch {
	case s.pen.Dash > 0 && s.pen.Gap > 0 && length/period*float64(len(lengths)/2) <= mostDashes:
		s.dashes(l, length, from, to, period, lengths)
	case all:
		s.line(l.points, l.closed)
	default:
		s.line(l.part(from, to).points, false)
	}
}

// dashes draws those of a contour that lie between two lengths along it.
func (s *stroker) dashes(l polyline, length, from, to, period float64, lengths []float64) {
	k := 1.0
	if l.closed {
		k = length / (max(1, math.Round(length/period)) * period)
		period *= k
	}
	first := -math.Mod(s.pen.Shift, period)
	if first > 0 {
		first -= period
	}
	for i := 0; ; i++ {
		a := first + float64(i)*period
		// Around a closed one, those that begin before it are the last ones.
		if a >= length-1e-9 || l.closed && a+period > length+1e-9 && first < 0 {
			return
		}
		for n, long := range lengths {
			if n%2 == 0 {
				s.dash(l, length, from, to, a, a+long*k)
			}
			a += long * k
		}
	}
}

// dash draws what goes from a to b along a contour; one that is closed goes on before its
// beginning.
func (s *stroker) dash(l polyline, length, from, to, a, b float64) {
	part := l.part(max(a, from), min(b, to))
	if l.closed && a < 0 && from <= 0 && to >= length {
		before := l.part(length+a, min(length, length+b))
		part.points = append(before.points, part.points...)
	} else if l.closed && a < 0 {
		s.line(l.part(max(length+a, from), min(length+b, to)).points, false)
	}
	s.line(part.points, false)
}
