package words

import (
	"math"

	"billow/core/paint"
)

// Course is a path along which lines run, in units about the block's centre, and how far
// they are moved on along it, as a share of its length.
type Course struct {
	Path  paint.Path
	Shift float64
}

// bends tells whether lines are not straight.
func (s *setter) bends() bool {
	return s.at.Arch != 0 || s.at.Along != nil && len(s.at.Along.Path) > 0
}

// curve is where what is so wide about a place x of a straight line, of which the feet of
// letters are at y, comes to lie; ok is false beyond the ends of a path.
type curve func(x, y, wide float64) (m paint.Affine, ok bool)

// curve is that along which words run, and how much room all take then, units.
func (s *setter) curve(l laid) (along curve, wide, high float64) {
	wide, high = l.wide*l.k, l.high*l.k
	c := s.at.Along
	if c == nil || len(c.Path) == 0 {
		return arch(s.at.Arch*math.Pi/180, wide, high, s.caps()*l.k/2)
	}
	way := c.Path.Measured(0.1)
	begin := way.Length() / 2
	switch s.words.Align {
	case "left":
		begin = wide / 2
	case "right":
		begin = way.Length() - wide/2
	}
	// The baseline lies on the path, not the middle of the letters.
	down := 0.0
	if len(l.lines) == 1 {
		down = l.places[0].y * l.places[0].k
	}
	// Filling, they are spread all along it.
	spread := 1.0
	if s.words.Filling && wide > 0 {
		spread = way.Length() / wide
		begin = way.Length() / 2
	}
	along = func(x, _, wide float64) (paint.Affine, bool) {
		// A letter stands on the chord from where it begins to where it ends.
		at := begin + c.Shift*way.Length() + x*spread
		x0, y0, on := way.At(at - wide/2)
		x1, y1, still := way.At(at + wide/2)
		turn := math.Atan2(y1-y0, x1-x0) * 180 / math.Pi
		return paint.Translate(-x, -down).Then(paint.Rotate(turn)).Then(paint.Translate((x0+x1)/2, (y0+y1)/2)), on && still
	}
	box := c.Path.Bounds()
	return along, 2*max(-box[0], box[2]) + 2*l.k*em, 2*max(-box[1], box[3]) + 2*l.k*em
}

// arch is a circle of which lines span an angle, in radians, with what stands on it in the
// middle. Letters of all lines are as far apart as they are on straight ones, halfway up.
func arch(angle, wide, high, up float64) (along curve, w, h float64) {
	r := wide / angle // of the middle of all lines; below them where it is positive
	half := math.Abs(angle) / 2
	outer, inner := math.Abs(r)+high/2, math.Abs(r)-high/2
	// From the circle's centre, letters lie as far to both sides, and between -outer and low.
	side, low := outer, -outer*math.Cos(half)
	if half < math.Pi/2 {
		side, low = outer*math.Sin(half), -inner*math.Cos(half)
	}
	middle := (low - outer) / 2
	if angle < 0 {
		middle = -middle
	}
	return func(x, y, _ float64) (paint.Affine, bool) {
		own := r - (y - up)
		if least := r / 5; math.Abs(own) < math.Abs(least) || own*r < 0 {
			own = least
		}
		return paint.Translate(-x, -r).Then(paint.Rotate(x / own * 180 / math.Pi)).Then(paint.Translate(0, -middle)), true
	}, 2 * side, low + outer
}

// bend turns each letter so that straight lines follow their curve.
func (s *setter) bend(b *Block, l laid) {
	var along curve
	along, b.W, b.H = s.curve(l)
	for i := range b.Shapes {
		b.bendShape(i, along)
	}
}

// bendShape bends the letters of a shape, or the line through them, along a curve.
func (b *Block) bendShape(i int, along curve) {
	s := &b.Shapes[i]
	if !s.Letter {
		s.Path = s.Path.Mapped(b.Size/8, func(x, y float64) (float64, float64) {
			m, _ := along(x, y, b.Size/8)
			return m.Apply(x, y)
		})
		return
	}
	for n := range b.Glyphs {
		g := &b.Glyphs[n]
		if g.Shape != i {
			continue
		}
		m, ok := along(g.X+g.Advance/2, g.Y, max(g.Advance, b.Size/100))
		if !ok {
			m = paint.Affine{}
		}
		copy(s.Path[g.From:g.To], s.Path[g.From:g.To].Transformed(m))
		g.X, g.Y = m.Apply(g.X, g.Y)
		g.Turn = math.Atan2(m.B, m.A) * 180 / math.Pi
	}
}
