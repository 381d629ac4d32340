package layout

import (
	"math"
	"testing"

	"billow/core/clip"
)

func TestShapesHaveAShorterSideOfAThousand(t *testing.T) {
	tall, _ := clip.StandardShape("9:16")
	if w, h := Extent(tall); w != 1000 || math.Abs(h-1777.78) > 0.01 {
		t.Errorf("Tall is %g by %g", w, h)
	}
}

func TestADerivedRestKeepsItsEdgeAndItsShare(t *testing.T) {
	tall, _ := clip.StandardShape("tall")
	c := clip.New("x", tall, 30, 30)
	l := clip.NewWords("w", "W", clip.KindWords, "a")
	l.Rest = clip.Rest{Pin: "top", X: 100, Y: 200, Size: 80}
	square, _ := c.Shape("square")
	r := RestIn(c, &l, square)
	// Square has 1000 of Tall's 1777.8 units of height: sizes shrink by its root, 0.75.
	if math.Abs(r.Y-150) > 1e-9 || math.Abs(r.Size-60) > 1e-9 || r.X != 100 {
		t.Errorf("in Square the rest is %+v", r)
	}
	wide, _ := c.Shape("wide")
	if r := RestIn(c, &l, wide); math.Abs(r.X-177.78) > 0.01 {
		t.Errorf("in Wide the rest is %+v", r)
	}
	l.Rests = map[string]clip.Rest{"square": {Pin: "left", X: 7, Size: 9}}
	if r := RestIn(c, &l, square); r.X != 7 || r.Size != 9 {
		t.Errorf("its own rest is not used: %+v", r)
	}
}

func TestTurnedBounds(t *testing.T) {
	b := Turned(200, 100, 90)
	if math.Abs(b.X1-50) > 1e-9 || math.Abs(b.Y1-100) > 1e-9 {
		t.Errorf("turned by 90 degrees the bounds are %+v", b)
	}
	// A square of 100 turned by 45 degrees is 141.42 wide.
	if b := Turned(100, 100, 45); math.Abs(b.X1-b.X0-141.421356) > 1e-5 {
		t.Errorf("turned by 45 degrees it is %g wide", b.X1-b.X0)
	}
}
