package paint

import (
	"math"
	"testing"

	"billow/core/colour"
)

// areaOf is the area of a path about the origin, in its own units.
func areaOf(p Path) float64 {
	const side, k = 1200, 4.0
	m := PathMask(p.Transformed(Scale(k, k).Then(Translate(side/2, side/2))), side, side)
	sum := 0.0
	for _, v := range m.Pix {
		sum += float64(v)
	}
	return sum / 255 / (k * k)
}

func alikeArea(t *testing.T, what string, p Path, want float64) {
	t.Helper()
	if got := areaOf(p); math.Abs(got-want) > 0.002*want+0.5 {
		t.Errorf("%s covers %.1f, want %.1f", what, got, want)
	}
}

// The areas are those of school geometry.
func TestFiguresCoverTheirAreas(t *testing.T) {
	alikeArea(t, "a ring", Ring(200, 120, 0.5, 0, 360), math.Pi/4*200*120*0.75)
	alikeArea(t, "a quarter of a ring", Ring(200, 200, 0.5, 30, 90), math.Pi*100*100*0.75/4)
	alikeArea(t, "a slice", Ring(200, 200, 0, -40, 120), math.Pi*100*100/3)
	alikeArea(t, "nothing of a ring", Ring(200, 200, 0.5, 0, 0), 0)
	// A regular hexagon in a circle of radius r has an area of 3 sqrt(3)/2 r².
	alikeArea(t, "a hexagon", Star(100, 6, 1), 1.5*math.Sqrt(3)*100*100)
	// A star of n points: n r ri sin(pi/n).
	alikeArea(t, "a star", Star(100, 5, 0.4), 5*100*40*math.Sin(math.Pi/5))
	alikeArea(t, "an arrow", Arrow(200, 80, 0.5), (200-72)*40+72*80/2)
	// A square that loses (1 - pi/4) r² at each round corner.
	lost := 1 - math.Pi/4
	alikeArea(t, "corners apart", Corners(200, 100, [4]float64{10, 20, 30, 0}), 200*100-lost*(100+400+900))
	alikeArea(t, "corners that do not fit", Corners(100, 100, [4]float64{100, 100, 100, 100}), math.Pi*50*50)
	alikeArea(t, "a rounded square", Star(100, 4, 1).Rounded(20), 2*100*100-lost*4*400)
	alikeArea(t, "a square rounded as far as it goes", Star(100, 4, 1).Rounded(900), math.Pi*math.Pow(100/math.Sqrt2, 2))
}

func TestPensDrawTheirEndsAndCorners(t *testing.T) {
	line := Line(-50, 0, 50, 0)
	alikeArea(t, "a line cut off", line.Drawn(Pen{Width: 20, End: 1, Cap: ButtCap}, 0.01), 100*20)
	alikeArea(t, "a line with square ends", line.Drawn(Pen{Width: 20, End: 1, Cap: SquareCap}, 0.01), 120*20)
	alikeArea(t, "a line with round ends", line.Drawn(Pen{Width: 20, End: 1}, 0.01), 100*20+math.Pi*100)
	square := Corners(100, 100, [4]float64{})
	around := 4*100*20.0 - 4*10*10 // the four sides, of which two share each inner corner
	alikeArea(t, "pointed corners", square.Drawn(Pen{Width: 20, End: 1, Join: MiterJoin}, 0.01), 120*120-80*80)
	alikeArea(t, "cut corners", square.Drawn(Pen{Width: 20, End: 1, Join: BevelJoin}, 0.01), around+4*50)
	alikeArea(t, "round corners", square.Drawn(Pen{Width: 20, End: 1}, 0.01), around+math.Pi*100)
	// Sharper than 29 degrees, a corner is cut off although it is to be pointed.
	needle := polygonOf([][2]float64{{-60, 0}, {60, -4}, {60, 4}})
	pointed, cut := areaOf(needle.Drawn(Pen{Width: 10, End: 1, Join: MiterJoin}, 0.01)), areaOf(needle.Drawn(Pen{Width: 10, End: 1, Join: BevelJoin}, 0.01))
	if pointed > cut+60 {
		t.Errorf("a needle's point covers %g, cut off %g", pointed, cut)
	}
}

// Dashes take turns with gaps; along a closed contour a whole number of them fits, and
// moved on by a period all looks the same.
func TestDashesTakeTurns(t *testing.T) {
	line := Line(-50, 0, 50, 0)
	pen := Pen{Width: 10, End: 1, Cap: ButtCap, Dash: 20, Gap: 5}
	alikeArea(t, "dashes", line.Drawn(pen, 0.01), 4*20*10)
	pen.Shift = 10
	alikeArea(t, "moved on", line.Drawn(pen, 0.01), (10+20+20+20+10)*10)
	pen.Start, pen.Shift = 0.5, 0
	alikeArea(t, "the second half", line.Drawn(pen, 0.01), 2*20*10)

	ring := Ellipse(200, 200)
	pen = Pen{Width: 10, End: 1, Cap: ButtCap, Dash: 30, Gap: 20}
	for _, shift := range []float64{0, 7, 25, 44} {
		pen.Shift = shift
		alikeArea(t, "a dashed ring", ring.Drawn(pen, 0.01), math.Pi*200*10*0.6)
	}
	look := func(shift float64) []uint8 {
		p := pen
		p.Shift = shift
		return PathMask(ring.Drawn(p, 0.01).Transformed(Translate(120, 120)), 240, 240).Pix
	}
	period := 50 * (2 * math.Pi * 100) / (13 * 50) // 12.57 periods are made 13
	a, b := look(3), look(3+period)
	for i := range a {
		if d := int(a[i]) - int(b[i]); d < -3 || d > 3 {
			t.Fatalf("moved on by a period, pixel %d is %d instead of %d", i, b[i], a[i])
		}
	}
	// So many dashes that they could not be told apart are a line.
	// A dash and a dot: of 100 units 20 and 5 are drawn in every 40.
	pen = Pen{Width: 10, End: 1, Cap: ButtCap, Dash: 20, Gap: 10, Then: []float64{5, 5}}
	alikeArea(t, "dash and dot", line.Drawn(pen, 0.01), 10*(25+25+20))
	pen.Shift = 30 // it begins with the dot
	alikeArea(t, "dot and dash", line.Drawn(pen, 0.01), 10*(5+25+25+5+5))
	alikeArea(t, "dust", line.Drawn(Pen{Width: 10, End: 1, Cap: ButtCap, Dash: 1e-6, Gap: 1e-6}, 0.01), 1000)
}

func TestAFigureIsShadedWhereItLies(t *testing.T) {
	b := NewBitmap(100, 40)
	g := Gradient{Stops: []Stop{{0, colour.RGB(0)}, {1, colour.RGB(0xFFFFFF)}}, Angle: 90}
	b.FillPathShaded(Ellipse(60, 30).Transformed(Translate(50, 20)), g.Shader(Box{X: 20, Y: 5, W: 60, H: 30}), false)
	for x, want := range map[int]int{22: 11, 50: 129, 77: 244} {
		if got := int(b.Pix[20*100+x] & 255); got < want-3 || got > want+3 {
			t.Errorf("at %d it is %d, want %d", x, got, want)
		}
	}
	if b.Pix[20*100+10] != 0 || b.Pix[0] != 0 {
		t.Error("beside the figure something is drawn")
	}
}
