package paint

import (
	"math"

	"billow/core/colour"
)

// ColourPoint is a colour at a place, 0..1 of a box.
type ColourPoint struct {
	X, Y   float64
	Colour colour.Colour
}

// FreeGradient is colours that pass into each other between points. Each place has the
// mean of all colours in OKLab, weighed by the third power of how near their points
// are (Shepard, "A two-dimensional interpolation function", 1968); within nearness of
// a point its colour has the place to itself.
type FreeGradient []ColourPoint

const (
	// nearness is the distance within which a point's colour hardly changes, a share of
	// the box's shorter side.
	nearness = 0.07
	// cells is how many squares there are at least along the shorter side, at whose corners
	// the colours are worked out; between them they are mixed evenly. With so many that is
	// within a step or so of the truth.
	cells = 67
	// largestCell is the side of the largest squares, pixels.
	largestCell = 8
)

// Shader is the gradient over a box.
func (g FreeGradient) Shader(box Box) Shader {
	short := min(box.W, box.H)
	if len(g) == 0 || short <= 0 {
		return plain(0)
	}
	s := &free{box: box, points: make([]freePoint, len(g))}
	for i, p := range g {
		c := p.Colour
		s.points[i] = freePoint{p.X * box.W / short, p.Y * box.H / short, colour.OKLab(float64(c.R), float64(c.G), float64(c.B)), float64(c.A)}
	}
	s.scale, s.cell = 1/short, 2
	for s.cell < largestCell && s.cell*2*cells <= int(short) {
		s.cell *= 2
	}
	return s
}

type freePoint struct {
	x, y  float64 // of the shorter side, from the box's corner
	lab   colour.Lab
	alpha float64
}

type free struct {
	box    Box
	scale  float64
	points []freePoint
	cell   int // the side of a square, pixels

	band         int          // of which cells are known, whether any is
	known        bool         //
	from, to     int          // the cells' columns
	above, below [][4]float64 // the colours at the corners of the band
	first, step  []tint       // at each column of corners: on the band's first row, and to the next
}

// Row mixes the corners of the cells that the row crosses. Rows that follow each other
// share them, so a shader serves one goroutine.
func (s *free) Row(x, y int, dst []uint32) {
	cell := s.cell
	band := floorDiv(y, cell)
	from, to := floorDiv(x, cell), floorDiv(x+len(dst)-1, cell)+1
	s.corners(band, from, to)
	d := dithers(y)
	row := tint(y - band*cell)
	// A corner counts in sixteenths, so that sixteen shares of it fill a lane.
	corner := func(c int) tint { return (s.first[c] + row*s.step[c]) >> 4 & (each * 0xFFF) }
	share := tint(16 / cell) // of the next corner, more with each pixel
	left := corner(0)
	for c := from; c < to; c++ {
		right := corner(c - from + 1)
		first, end := max(c*cell, x), min((c+1)*cell, x+len(dst))
		// The difference of all lanes is one number, which carries what is negative.
		by := share * (right - left)
		t := 16*left + share/2*(right-left) + tint(first-c*cell)*by
		for px := first; px < end; px++ {
			dst[px-x] = t.pixel(d[px&3])
			t += by
		}
		left = right
	}
}

// stretch is the tint of the first of so many rows from one colour to another, and the
// step to the next.
func stretch(from, to [4]float64, rows int) (first, step tint) {
	n := float64(rows)
	for k := range from {
		// This way of rounding is one instruction everywhere.
		by := math.RoundToEven((to[k] - from[k]) * 256 / n)
		begin := math.RoundToEven(from[k]*256 + by/2)
		// Rounded, the steps must not lead out of the channel. (The minimum of two numbers
		// is a call in a browser, these comparisons are not.)
		least, most := 0.0, 255*256.0
		if by < 0 {
			least = -by * (n - 1)
		} else {
			most -= by * (n - 1)
		}
		if begin < least {
			begin = least
		}
		if begin > most {
			begin = most
		}
		first += tint(int64(begin)) << laneAt[k]
		step += tint(int64(by)) << laneAt[k]
	}
	return first, step
}

// corners works out the colours above and below a band of cells.
func (s *free) corners(band, from, to int) {
	same := s.known && from == s.from && to == s.to
	if same && band == s.band {
		return
	}
	n := to - from + 1
	if len(s.above) != n {
		s.above, s.below, same = make([][4]float64, n), make([][4]float64, n), false
		s.first, s.step = make([]tint, n), make([]tint, n)
	}
	if same && band == s.band+1 {
		s.above, s.below = s.below, s.above
	} else {
		s.line(s.above, from, band)
	}
	s.line(s.below, from, band+1)
	for i := range s.first {
		s.first[i], s.step[i] = stretch(s.above[i], s.below[i], s.cell)
	}
	s.band, s.from, s.to, s.known = band, from, to, true
}

func (s *free) line(out [][4]float64, from, row int) {
	y := (float64(row*s.cell) - s.box.Y) * s.scale
	for i := range out {
		out[i] = s.at((float64((from+i)*s.cell)-s.box.X)*s.scale, y)
	}
}

func (s *free) at(x, y float64) [4]float64 {
	var sum, alpha float64
	var lab colour.Lab
	for i := range s.points {
		p := &s.points[i]
		dx, dy := x-p.x, y-p.y
		near := dx*dx + dy*dy + nearness*nearness
		w := 1 / (near * math.Sqrt(near))
		// Colours count by how much of them there is, as in premultiplied mixing.
		a := w * p.alpha
		lab.L, lab.A, lab.B = lab.L+a*p.lab.L, lab.A+a*p.lab.A, lab.B+a*p.lab.B
		alpha, sum = alpha+a, sum+w
	}
	if alpha == 0 {
		return [4]float64{}
	}
	r, g, b := colour.Lab{L: lab.L / alpha, A: lab.A / alpha, B: lab.B / alpha}.NearSRGB()
	alpha /= sum
	k := alpha / 255
	return [4]float64{r * k, g * k, b * k, alpha}
}

// Opaque tells that all points are.
func (s *free) Opaque() bool {
	for _, p := range s.points {
		if p.alpha < 255 {
			return false
		}
	}
	return true
}

func floorDiv(a, b int) int {
	q := a / b
	if a%b < 0 {
		q--
	}
	return q
}
