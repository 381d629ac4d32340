package paint

import (
	"math"
	"testing"

	"billow/core/colour"
)

// filledArea is the area that a path fills, in pixels.
func filledArea(p Path) float64 {
	sum := 0.0
	for _, v := range PathMask(p.Transformed(Translate(200, 200)), 400, 400).Pix {
		sum += float64(v) / 255
	}
	return sum
}

// Areas follow from geometry: a rectangle grown by d has d more on each side, and at its
// corners quarters of circles, squares or triangles.
func TestOffsetAreas(t *testing.T) {
	square := RoundRect(100, 60, 0)
	hole := append(RoundRect(120, 120, 0), RoundRect(60, 60, 0).Reversed()...)
	for name, c := range map[string]struct {
		path Path
		by   float64
		join Join
		want float64
	}{
		"round":           {square, 20, RoundJoin, 100*60 + 2*20*160 + math.Pi*400},
		"pointed":         {square, 20, MiterJoin, 140 * 100},
		"cut off":         {square, 20, BevelJoin, 140*100 - 4*200},
		"inwards":         {square, -20, RoundJoin, 60 * 20},
		"nothing is left": {square, -31, RoundJoin, 0},
		"a disc":          {Ellipse(100, 100), 15, RoundJoin, math.Pi * 65 * 65},
		"a smaller disc":  {Ellipse(100, 100), -15, RoundJoin, math.Pi * 35 * 35},
		"a hole shrinks":  {hole, 10, MiterJoin, 140*140 - 40*40},
		"a hole grows":    {hole, -10, MiterJoin, 100*100 - 80*80},
		"a hole closes":   {hole, 31, MiterJoin, 182 * 182},
		"turned around":   {square.Reversed(), 20, MiterJoin, 140 * 100},
		"two that meet":   {append(square.Transformed(Translate(-60, 0)), square.Transformed(Translate(60, 0)).Reversed()...), 15, MiterJoin, 250 * 90},
		// A cross of two bars, each arm 30 wide and 120 long, grown by 10: arms of 50 and 140.
		"inner corners": {append(RoundRect(120, 30, 0), RoundRect(30, 120, 0)...), 10, MiterJoin, 2*140*50 - 50*50},
	} {
		if got := filledArea(c.path.Offset(c.by, c.join, 0.02)); math.Abs(got-c.want) > 0.002*c.want+3 {
			t.Errorf("%s: the area is %.1f, want %.1f", name, got, c.want)
		}
	}
}

func BenchmarkOffset(b *testing.B) {
	star := Star(400, 12, 0.6).Rounded(20)
	for b.Loop() {
		star.Offset(24, RoundJoin, 0.1)
	}
}

func BenchmarkRuledFill(b *testing.B) {
	out := NewBitmap(800, 800)
	star := Star(380, 12, 0.6).Transformed(Translate(400, 400))
	for b.Loop() {
		out.FillPath(star, colour.RGB(0x2C7C7A))
	}
}
