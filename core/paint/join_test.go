package paint

import (
	"math"
	"testing"

	"billow/core/colour"
)

// Two squares that overlap are outlined as the one figure that they make.
func TestPartsAreJoinedBeforeTheyAreOutlined(t *testing.T) {
	one := RoundRect(40, 40, 0).Transformed(Translate(40, 40))
	two := RoundRect(40, 40, 0).Transformed(Translate(60, 55))
	b := NewBitmap(120, 120)
	b.FillPath(append(append(Path{}, one...), two...).Stroked(4, 0, 1, 0.1), colour.RGB(0xFF))
	at := func(x, y int) uint32 { return b.Pix[y*120+x] >> 24 }
	// Of the first, from 20 to 60, the right side below 35 lies in the second, which
	// goes from 40 to 80 and from 35 to 75.
	for _, p := range [][2]int{{20, 40}, {40, 20}, {60, 28}, {30, 60}, {80, 50}, {60, 75}, {40, 68}, {70, 35}} {
		if at(p[0], p[1]) < 200 {
			t.Errorf("at %v there is no outline", p)
		}
	}
	for _, p := range [][2]int{{60, 45}, {50, 35}, {50, 60}, {40, 48}, {50, 48}} {
		if at(p[0], p[1]) > 0 {
			t.Errorf("at %v, inside, there is outline", p)
		}
	}
}

// A hole keeps its outline; a part that lies wholly in another has none.
func TestHolesAreOutlinedAndHiddenPartsAreNot(t *testing.T) {
	outer := Ellipse(100, 100).Transformed(Translate(60, 60))
	hole := Ellipse(40, 40).Transformed(Translate(60, 60)).Reversed()
	hidden := Ellipse(14, 14).Transformed(Translate(26, 60))
	lines := joined(append(append(append(Path{}, outer...), hole...), hidden...).flattened(0.1))
	if len(lines) != 2 {
		t.Fatalf("%d contours are left, want the outer one and the hole", len(lines))
	}
	total := lines[0].length() + lines[1].length()
	if want := math.Pi * 140; math.Abs(total-want) > 1 {
		t.Errorf("they are %.1f long, want %.1f", total, want)
	}
}

// Joined, the edge of many discs is as long as geometry says.
func TestTwoDiscsAreJoinedWhereTheyCross(t *testing.T) {
	// Radius 30, 30 apart: each loses the arc of 120 degrees that lies in the other.
	a, b := Ellipse(60, 60), Ellipse(60, 60).Transformed(Translate(30, 0))
	lines := joined(append(append(Path{}, a...), b...).flattened(0.001))
	if len(lines) != 1 || !lines[0].closed {
		t.Fatalf("they make %d contours", len(lines))
	}
	if got, want := lines[0].length(), 2*2*math.Pi*30*2/3; math.Abs(got-want) > 0.05 {
		t.Errorf("the edge is %.3f long, want %.3f", got, want)
	}
}

// A line that crosses itself is outlined as what it fills.
func TestAContourThatCrossesItselfIsJoined(t *testing.T) {
	// A ribbon: along the top, down, and back across its own beginning.
	p := Path{}
	for i, c := range [][2]float64{{0, 0}, {40, 0}, {40, 30}, {10, 30}, {10, -20}, {20, -20}, {20, 20}, {30, 20}, {30, 10}, {0, 10}} {
		op := byte('L')
		if i == 0 {
			op = 'M'
		}
		p = append(p, Segment{Op: op, P: [3][2]float64{c}})
	}
	for _, l := range joined(p.flattened(0.1)) {
		for i := 1; i < len(l.points); i++ {
			x, y := (l.points[i-1][0]+l.points[i][0])/2, (l.points[i-1][1]+l.points[i][1])/2
			if x > 10.1 && x < 19.9 && y > 0.1 && y < 9.9 {
				t.Errorf("a line goes through %g, %g, where the ribbon lies over itself", x, y)
			}
		}
	}
}
