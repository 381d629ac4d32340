package layout

import (
	"math"
	"slices"
	"testing"
)

var frame = Box{-500, -500, 500, 500}

func TestBoxesAreBroughtIntoLine(t *testing.T) {
	boxes := []Box{{-300, -50, -200, 50}, {-20, 100, 180, 160}, {250, -300, 310, -200}}
	for how, want := range map[string][][2]float64{
		"left":   {{0, 0}, {-280, 0}, {-550, 0}},
		"right":  {{510, 0}, {130, 0}, {0, 0}},
		"centre": {{255, 0}, {-75, 0}, {-275, 0}},
		"top":    {{0, -250}, {0, -400}, {0, 0}},
		"middle": {{0, -70}, {0, -200}, {0, 180}},
		"bottom": {{0, 110}, {0, 0}, {0, 360}},
		// From -300 to 310 there are 360 of boxes, so each gap is 125: the middle one
		// begins at -75.
		"across": {{0, 0}, {-55, 0}, {0, 0}},
	} {
		if got := Align(boxes, how, frame); !slices.Equal(got, want) {
			t.Errorf("%s moves by %v, want %v", how, got, want)
		}
	}
	if got := Align(boxes[:1], "right", frame); got[0] != [2]float64{700, 0} {
		t.Errorf("one alone goes to the frame's right by %v", got)
	}
	if got := Align(boxes[:2], "down", frame); got[0] != [2]float64{} || got[1] != [2]float64{} {
		t.Errorf("two have nothing between them: %v", got)
	}
}

func TestEqualGapsAreFelt(t *testing.T) {
	others := []Box{{-400, 0, -300, 100}, {-200, 0, -100, 100}, {300, 0, 400, 100}}
	for _, c := range []struct {
		x    float64 // of a box of 100
		want float64 // where it goes, or NaN
	}{
		{4, 0},   // as far from the second as the second from the first
		{46, 50}, // between the second and the third
		{120, math.NaN()},
	} {
		by, found := Even(Box{c.x, 20, c.x + 100, 60}, others, 6)
		if found[0] != !math.IsNaN(c.want) || found[0] && math.Abs(c.x+by[0]-c.want) > 1e-9 {
			t.Errorf("from %.0f it goes to %.2f (%t), want %.2f", c.x, c.x+by[0], found[0], c.want)
		}
	}
	if _, found := Even(Box{4, 300, 104, 400}, others, 6); found[0] {
		t.Error("it is held by boxes of another row")
	}
}

func TestDistancesToNeighboursAndEdges(t *testing.T) {
	others := []Box{{-400, 0, -300, 100}, {-200, 0, -100, 100}}
	got := Gaps(Box{0, 0, 100, 100}, others, frame)
	// Left to the second box, which stands as far from the first; right, up and down
	// to the frame.
	want := []Gap{
		{-300, 50, -200, 50, true}, {-100, 50, 0, 50, true}, {100, 50, 500, 50, false},
		{50, -500, 50, 0, false}, {50, 100, 50, 500, false},
	}
	if !slices.Equal(got, want) {
		t.Errorf("the gaps are %v, want %v", got, want)
	}
	got = Gaps(Box{-275, 0, -225, 100}, others, frame)
	if len(got) < 2 || got[0] != (Gap{-300, 50, -275, 50, true}) || got[1] != (Gap{-225, 50, -200, 50, true}) {
		t.Errorf("between two: %v", got)
	}
}
