package layout

import (
	"math"
	"testing"

	"billow/core/clip"
)

func TestGuidesOfAFrame(t *testing.T) {
	tall, _ := clip.StandardShape("tall")
	at := map[string]map[float64]string{"x": {}, "y": {}}
	for _, g := range Guides(tall) {
		at[g.Axis][math.Round(g.At*10)/10] = g.To
	}
	// Tall is 1000 by 1777.8 units; the safe area leaves 5 percent on each side.
	for _, want := range []struct {
		axis string
		at   float64
		to   string
	}{
		{"x", 0, "the centre"}, {"x", -500, "the left edge"}, {"x", 500, "the right edge"}, {"x", 166.7, "a third"}, {"x", -450, "the safe area"},
		{"y", 0, "the centre"}, {"y", -888.9, "the upper edge"}, {"y", 888.9, "the lower edge"}, {"y", -296.3, "a third"}, {"y", 800, "the safe area"},
	} {
		if got := at[want.axis][want.at]; got != want.to {
			t.Errorf("at %s = %g there is %q, want %q", want.axis, want.at, got, want.to)
		}
	}
}

func TestSnapTakesTheNearestLineOnEachAxis(t *testing.T) {
	lines := []Guide{{"x", 0, "centre"}, {"x", 108, "far"}, {"y", 50, "low"}}
	box := Box{-47, 0, 53, 44} // its middle is at 3, its right at 53, its foot at 44
	dx, dy, on := Snap(box, lines, 10)
	if dx != -3 || dy != 6 || len(on) != 2 || on[0].To != "centre" || on[1].To != "low" {
		t.Errorf("it goes by %g, %g onto %v", dx, dy, on)
	}
	if dx, dy, on := Snap(box, lines, 2); dx != 0 || dy != 0 || on != nil {
		t.Errorf("out of reach it goes by %g, %g onto %v", dx, dy, on)
	}
	// The edge is nearer to its line than the middle to another.
	if dx, _, on := Snap(Box{0, 0, 107, 10}, lines, 60); math.Abs(dx) > 1 || on[0].Axis != "x" {
		t.Errorf("it goes by %g onto %v", dx, on)
	}
	other := Box{10, 20, 30, 60}
	if n := len(other.Lines("it")); n != 6 {
		t.Errorf("another thing has %d lines", n)
	}
}

func TestBeyondIsJustOutside(t *testing.T) {
	square, _ := clip.StandardShape("square")
	b := Box{-30, -20, 70, 60}
	for _, want := range []struct {
		axis, side int
		by         float64
	}{{0, -1, -570}, {0, 1, 530}, {1, -1, -560}, {1, 1, 520}} {
		if got := Beyond(want.axis, want.side, b, square); got != want.by {
			t.Errorf("axis %d, side %d: %g, want %g", want.axis, want.side, got, want.by)
		}
	}
}

func TestAGroupDoesNotShrinkTwice(t *testing.T) {
	tall, _ := clip.StandardShape("tall")
	c := clip.New("x", tall, 30, 30)
	square, _ := c.Shape("square")
	g := clip.NewGroup("g", "G")
	g.Rest.Y = 177.78
	if r := RestIn(c, &g, square); r.Size != 1000 || math.Abs(r.Y-100) > 0.01 {
		t.Errorf("in Square the group rests at %+v", r)
	}
}
