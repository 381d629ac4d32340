package frame

import (
	"math"
	"testing"

	"billow/core/clip"
	"billow/core/motion"
	"billow/core/paint"
	"billow/core/timing"
)

// A closed path is filled; with keys on its points it changes into another figure, halfway it is
// between both.
func TestAPathChangesIntoAnotherByKeys(t *testing.T) {
	path := clip.DrawnPath{Closed: true}
	for i, at := range [][2]float64{{-50, -50}, {50, -50}, {50, 50}, {-50, 50}} {
		path.Points = append(path.Points, clip.PathPoint{ID: i + 1, X: at[0], Y: at[1]})
	}
	c := repeatedCard(func(c *clip.Clip, l *clip.Layer) {
		*l = clip.Drawn(c, "Square", path, 400, 400)
		l.Lift = 0
		l.Card.Fill.R, l.Card.Fill.G, l.Card.Fill.B = 255, 255, 255
		even := motion.Ease{Kind: motion.Linear}
		for name, to := range map[string][]float64{"point1": {0, -50}, "point2": {50, 0}, "point3": {0, 50}, "point4": {-50, 0}} {
			from := l.Base(name)
			l.Tracks[name] = motion.Track{{At: timing.At(0), Value: from, Ease: even}, {At: timing.At(60), Value: to, Ease: even}}
		}
	})
	square, between, diamond := lit(t, c, 0), lit(t, c, 30), lit(t, c, 60)
	for _, at := range []struct {
		x, y                  int
		first, halfway, later bool
	}{{0, 0, true, true, true}, {-195, -195, true, false, false}, {-90, -130, true, true, false}, {190, 190, true, false, false}, {0, -190, true, false, true}} {
		for n, f := range map[string]func(x, y int) bool{"first": square, "halfway": between, "later": diamond} {
			want := map[string]bool{"first": at.first, "halfway": at.halfway, "later": at.later}[n]
			if f(at.x, at.y) != want {
				t.Errorf("%s there is something at %d,%d: %v", n, at.x, at.y, !want)
			}
		}
	}
}

// An open path is a line alone, and is drawn on along its way.
func TestAnOpenPathIsDrawnOn(t *testing.T) {
	path := clip.DrawnPath{Points: []clip.PathPoint{{ID: 1, X: -50, Y: 0}, {ID: 2, X: 50, Y: 0}}}
	white := lit(t, repeatedCard(func(c *clip.Clip, l *clip.Layer) {
		*l = clip.Drawn(c, "Line", path, 600, 20)
		l.Lift = 0
		l.Card.Outline.R, l.Card.Outline.G, l.Card.Outline.B = 255, 255, 255
		l.Values = map[string][]float64{clip.Outline: {20}, clip.DrawEnd: {50}}
	}), 0)
	if !white(-290, 0) || !white(-10, 0) || white(30, 0) || white(-200, 14) {
		t.Error("half of the line is not drawn")
	}
}

// Waves swing an edge to either side by their height, in their rhythm, and move on with their
// shift.
func TestAnEdgeWaves(t *testing.T) {
	line := paint.Line(0, 100, 400, 100).Waved(paint.Waves{Height: 20, Length: 100})
	for _, s := range line {
		x, y := s.P[0][0], s.P[0][1]
		fade := min(1, x/100, (400-x)/100)
		if want := 100 + 20*math.Sin(2*math.Pi*x/100)*fade; math.Abs(y-want) > 0.01 {
			t.Fatalf("at %g it is %g, not %g", x, y, want)
		}
	}
	moved := paint.Line(0, 0, 400, 0).Waved(paint.Waves{Height: 20, Length: 100, Shift: 0.25})
	for _, s := range moved {
		x, y := s.P[0][0], s.P[0][1]
		if x > 100 && x < 300 && math.Abs(y-20*math.Sin(2*math.Pi*(x/100-0.25))) > 0.01 {
			t.Fatalf("moved on by a quarter, at %g it is %g", x, y)
		}
	}
	// Around a circle a whole number of waves fits, so that it has no seam.
	ring := paint.Ellipse(200, 200).Waved(paint.Waves{Height: 10, Length: 50})
	most, least := 0.0, 1000.0
	for _, s := range ring {
		r := math.Sqrt(s.P[0][0]*s.P[0][0] + s.P[0][1]*s.P[0][1])
		most, least = max(most, r), min(least, r)
	}
	if math.Abs(most-110) > 0.5 || math.Abs(least-90) > 0.5 {
		t.Errorf("it swings from %.2f to %.2f", least, most)
	}
	first, last := ring[0].P[0], ring[len(ring)-1].P[0]
	if d := math.Abs(first[0]-last[0]) + math.Abs(first[1]-last[1]); d > 0.5 {
		t.Errorf("its end is %.2f from its beginning", d)
	}
}
