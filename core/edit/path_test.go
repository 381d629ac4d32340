package edit

import (
	"math"
	"testing"

	"billow/core/clip"
	"billow/core/motion"
	"billow/core/timing"
)

// curveAt is a point of the curve from one point of a path to another, by Bernstein's polynomials.
func curveAt(a, b clip.PathPoint, t float64) (x, y float64) {
	s := 1 - t
	of := func(p0, out, in, p3 float64) float64 {
		return s*s*s*p0 + 3*s*s*t*(p0+out) + 3*s*t*t*(p3+in) + t*t*t*p3
	}
	return of(a.X, a.Out[0], b.In[0], b.X), of(a.Y, a.Out[1], b.In[1], b.Y)
}

// A point that is added changes nothing of the path's course; one that is taken away takes its
// keys with it.
func TestPointsOfAPathComeAndGo(t *testing.T) {
	c := three()
	p := clip.DrawnPath{Points: []clip.PathPoint{
		{ID: 1, X: -50, Out: [2]float64{30, -60}}, {ID: 2, X: 10, Y: 20, In: [2]float64{-20, 5}, Out: [2]float64{20, -5}}, {ID: 3, X: 50, In: [2]float64{0, 40}},
	}}
	l := clip.Drawn(c, "Line", p, 400, 100)
	l.ID = "line"
	l.Tracks["point2"] = motion.Track{{At: timing.At(0), Value: []float64{10, 20}, Ease: motion.Ease{Kind: motion.Linear}}}
	c.Layers = append(c.Layers, l)
	out := do(t, c, `{"type":"addPoint","layer":"line","number":1}`)
	got := out.Layer("line").Card.Path.Points
	if len(got) != 4 || got[1].ID != 4 {
		t.Fatalf("the points are %+v", got)
	}
	for i := range 21 {
		at := float64(i) / 20
		wx, wy := curveAt(p.Points[0], p.Points[1], at)
		a, b, part := got[0], got[1], 2*at
		if at > 0.5 {
			a, b, part = got[1], got[2], 2*at-1
		}
		if x, y := curveAt(a, b, part); math.Abs(x-wx)+math.Abs(y-wy) > 1e-9 {
			t.Fatalf("at %g the path goes through %g,%g, not %g,%g", at, x, y, wx, wy)
		}
	}
	out = do(t, out, `{"type":"removePoint","layer":"line","number":2}`)
	if l := out.Layer("line"); len(l.Card.Path.Points) != 3 || len(l.Tracks) != 0 {
		t.Errorf("after it is gone the path has %d points and %d tracks", len(l.Card.Path.Points), len(l.Tracks))
	}
	for _, wrong := range []string{
		`{"type":"addPoint","layer":"line","number":3}`, `{"type":"addPoint","layer":"line","number":9}`, `{"type":"addPoint","layer":"a","number":1}`,
		`{"type":"removePoint","layer":"line","number":9}`,
	} {
		if _, err := Apply(c, []byte(wrong)); err == nil {
			t.Errorf("%s is taken", wrong)
		}
	}
}
