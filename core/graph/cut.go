package graph

import (
	"math"

	"billow/core/paint"
)

// Cut is what lies within a rectangle with round corners, turned and sized by At.
type Cut struct {
	Left, Top, Right, Bottom float64      // before At
	Radius                   float64      // of the corners, before At
	At                       paint.Affine // to the space
	Finest                   float64      // pixels a unit beyond which detail is of no use; 0 is all
}

// Key adds the cut.
func (c Cut) Key(k Key) Key {
	return k.Text("cut").Nums(c.Left, c.Top, c.Right, c.Bottom, c.Radius, c.Finest).Matrix(c.At)
}

// Reach is nothing.
func (c Cut) Reach() float64 { return 0 }

// Apply cuts.
func (c Cut) Apply(in *paint.Sheet, mine bool, pool *paint.Pool) *paint.Sheet {
	s := in.Reduced(c.Finest)
	w, h := max(c.Right-c.Left, 0), max(c.Bottom-c.Top, 0)
	m := paint.Translate((c.Left+c.Right)/2, (c.Top+c.Bottom)/2).Then(c.At).
		Then(paint.Scale(s.Per, s.Per)).Then(paint.Translate(-s.X, -s.Y))
	b := s.Picture
	// The pixels that the rectangle touches.
	ex, ey := (math.Abs(m.A)*w+math.Abs(m.C)*h)/2, (math.Abs(m.B)*w+math.Abs(m.D)*h)/2
	x0, y0 := max(int(math.Floor(max(m.E-ex, 0))), 0), max(int(math.Floor(max(m.F-ey, 0))), 0)
	x1, y1 := int(math.Ceil(min(m.E+ex, float64(b.W)))), int(math.Ceil(min(m.F+ey, float64(b.H))))
	if w == 0 || h == 0 || x1 <= x0 || y1 <= y0 {
		return paint.NewSheet(pool.Get(1, 1), s.X, s.Y, s.Per)
	}
	out := pool.Get(x1-x0, y1-y0)
	for y := range out.H {
		copy(out.Pix[y*out.W:(y+1)*out.W], b.Pix[(y+y0)*b.W+x0:])
	}
	path := paint.RoundRect(w, h, c.Radius).Transformed(m.Then(paint.Translate(-float64(x0), -float64(y0))))
	out.Cut(paint.PathMask(path, out.W, out.H))
	if mine {
		pool.Put(b)
	}
	return paint.NewSheet(out, s.X+float64(x0), s.Y+float64(y0), s.Per)
}
