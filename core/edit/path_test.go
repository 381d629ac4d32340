package edit

import (
	"encoding/json"
	"fmt"
	"math"
	"strings"
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

// A figure changes into another on the way to a frame: a beat before it is still itself, then
// it is the other; a second change goes on from there.
func TestAFigureChangesIntoAnother(t *testing.T) {
	c := sketched()
	into := clip.DrawnPath{Closed: true}
	for i, at := range [][2]float64{{0, -50}, {50, 0}, {0, 50}, {-50, 0}} {
		into.Points = append(into.Points, clip.PathPoint{ID: i + 1, X: at[0], Y: at[1]})
	}
	whole := func(v any) string {
		b, err := json.Marshal(v)
		if err != nil {
			t.Fatal(err)
		}
		return string(b)
	}
	own := whole(c.Layer("blob").Card.Path)
	change := func(c *clip.Clip, into string, frame int) *clip.Clip {
		return do(t, c, fmt.Sprintf(`{"type":"changeInto","layer":"blob","path":%s,"into":%s,"frame":%d}`, own, into, frame))
	}
	beat := c.Rate.Frame(60 / c.Tempo.BPM)
	out := change(c, whole(into), 2*beat)
	k := out.Layer("blob").Tracks["point1"]
	if len(k) != 2 || k[0].At.Frames != beat || k[1].At.Frames != 2*beat || k[0].Value[0] != -50 || k[1].Value[0] != 0 || k[1].Value[1] != -50 {
		t.Fatalf("its first point has the keys %+v", k)
	}
	if b := out.Layer("blob").Tracks["bend1"]; len(b) != 2 || b[0].Value[2] != 10 || b[1].Value[2] != 0 {
		t.Errorf("its first bend has the keys %+v", b)
	}
	out = change(out, own, 4*beat)
	if k := out.Layer("blob").Tracks["point1"]; len(k) != 3 || k[2].Value[0] != -50 {
		t.Errorf("changed back it has the keys %+v", k)
	}
	into.Points = into.Points[:3]
	for says, wrong := range map[string]string{
		"same number": fmt.Sprintf(`{"type":"changeInto","layer":"blob","path":%s,"into":%s,"frame":30}`, own, whole(into)),
		"later":       fmt.Sprintf(`{"type":"changeInto","layer":"blob","path":%s,"into":%s,"frame":0}`, own, own),
		"3":           fmt.Sprintf(`{"type":"changeInto","layer":"blob","path":%s,"into":%s,"frame":30}`, whole(into), whole(into)),
	} {
		if _, err := Apply(out, []byte(wrong)); err == nil || !strings.Contains(err.Error(), says) {
			t.Errorf("%s: %v", says, err)
		}
	}
}
