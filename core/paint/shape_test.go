package paint

import (
	"math"
	"testing"

	"billow/core/colour"
)

// area is how much of a plane a path covers, in pixels.
func area(p Path, w, h int) float64 {
	sum := 0
	for _, a := range PathMask(p, w, h).Pix {
		sum += int(a)
	}
	return float64(sum) / 255
}

func TestAreasOfPaths(t *testing.T) {
	middle := Translate(50, 50)
	for name, c := range map[string]struct {
		path Path
		want float64
	}{
		"a rectangle":            {RoundRect(40, 20, 0), 800},
		"with round corners":     {RoundRect(40, 20, 5), 800 - (4-math.Pi)*25},
		"an ellipse":             {Ellipse(60, 30), math.Pi * 30 * 15},
		"a ring":                 {append(RoundRect(60, 60, 30), RoundRect(40, 40, 20).Reversed()...), math.Pi * (900 - 400)},
		"a hole turned twice":    {append(RoundRect(60, 60, 30), RoundRect(40, 40, 20).Reversed().Reversed()...), math.Pi * 900},
		"a line":                 {Line(-30, 0, 30, 0).Stroked(10, 0, 1, 0.05), 600 + math.Pi*25},
		"half a line":            {Line(-30, 0, 30, 0).Stroked(10, 0, 0.5, 0.05), 300 + math.Pi*25},
		"the middle of a line":   {Line(-30, 0, 30, 0).Stroked(10, 0.25, 0.75, 0.05), 300 + math.Pi*25},
		"the edge of a circle":   {Ellipse(60, 60).Stroked(4, 0, 1, 0.05), math.Pi * (32*32 - 28*28)},
		"a quarter of that edge": {Ellipse(60, 60).Stroked(4, 0, 0.25, 0.05), math.Pi*(32*32-28*28)/4 + math.Pi*4},
		"the edge of a square":   {RoundRect(40, 40, 0).Stroked(4, 0, 1, 0.05), 44*44 - 36*36 - (4-math.Pi)*4},
		"nothing":                {Ellipse(60, 60).Stroked(4, 0.6, 0.4, 0.05), 0},
		"without width":          {Ellipse(60, 60).Stroked(0, 0, 1, 0.05), 0},
	} {
		if got := area(c.path.Transformed(middle), 100, 100); math.Abs(got-c.want) > 0.012*c.want+1.5 {
			t.Errorf("%s covers %.1f pixels, want %.1f", name, got, c.want)
		}
	}
}

func TestADrawnOnLineGoesFromItsBeginning(t *testing.T) {
	m := PathMask(Line(10, 50, 90, 50).Stroked(6, 0, 0.25, 0.05), 100, 100)
	if m.Pix[50*100+20] != 255 || m.Pix[50*100+40] != 0 {
		t.Errorf("at 20 it is %d, at 40 %d", m.Pix[50*100+20], m.Pix[50*100+40])
	}
}

func TestQuadraticAndCubicCurvesAreFlattenedClosely(t *testing.T) {
	// y = x (100 - x) / 50 is the parabola with these control points.
	q := Path{{'O', [3][2]float64{{0, 0}}}, {'Q', [3][2]float64{{50, 100}, {100, 0}}}}
	for _, l := range q.flattened(0.05) {
		if len(l.points) < 8 {
			t.Errorf("%d points are too few", len(l.points))
		}
		for i := 1; i < len(l.points); i++ {
			x, y := (l.points[i][0]+l.points[i-1][0])/2, (l.points[i][1]+l.points[i-1][1])/2
			if d := math.Abs(y - x*(100-x)/50); d > 0.12 {
				t.Errorf("at %g the line is %g away", x, d)
			}
		}
	}
}

func filled(w, h int, p uint32) *Bitmap {
	b := NewBitmap(w, h)
	b.Fill(p)
	return b
}

func TestCutMultipliesByCoverage(t *testing.T) {
	b := filled(2, 1, 0xFF804020)
	b.Cut(&Mask{W: 2, H: 1, Pix: []uint8{0, 128}})
	if b.Pix[0] != 0 {
		t.Errorf("uncovered there is %08x", b.Pix[0])
	}
	for i, want := range []uint32{16, 32, 64, 128} {
		if got := b.Pix[1] >> (8 * i) & 255; got != want {
			t.Errorf("half covered, channel %d is %d, want %d", i, got, want)
		}
	}
	c := filled(1, 1, 0xFF804020)
	c.Cut(AlphaMask(filled(1, 1, 0x80000000), 0))
	if c.Pix[0] != b.Pix[1] {
		t.Errorf("by alpha it is %08x", c.Pix[0])
	}
}

func TestBlurKeepsColourAndSum(t *testing.T) {
	b := NewBitmap(21, 21)
	b.Pix[10*21+10] = 0xFF3060C0
	out := b.Blurred(2, 12, nil)
	sums := [4]int{}
	for _, p := range out.Pix {
		for i := range sums {
			sums[i] += int(p >> (8 * i) & 255)
		}
		if a := p >> 24; p&255 > a || p>>8&255 > a || p>>16&255 > a {
			t.Fatalf("%08x has more colour than alpha", p)
		}
	}
	// One pixel spread over many: rounding loses some of it, evenly.
	if sums[3] < 150 || sums[3] > 330 {
		t.Errorf("the alphas add up to %d, want about 255", sums[3])
	}
	wide := filled(40, 40, 0xFF3060C0).Blurred(3, 0, nil)
	if p := wide.Pix[20*40+20]; p != 0xFF3060C0 {
		t.Errorf("in the middle of something wide there is %08x", p)
	}
}

func TestDrawMovedIsTheMeanOfItsPlaces(t *testing.T) {
	p := &Pyramid{Picture: filled(10, 10, 0xFF0000FF)}
	dst := filled(40, 20, 0xFFFFFFFF)
	var br Brush
	br.DrawMoved(dst, p, []Affine{Translate(0, 5), Translate(10, 5), Translate(20, 5), Translate(20, 5)}, 1, Normal)
	for x, share := range map[int]float64{5: 0.25, 15: 0.25, 25: 0.5, 35: 0} {
		want := 255 - 255*share
		if got := float64(dst.Pix[10*40+x] >> 8 & 255); math.Abs(got-want) > 1.1 {
			t.Errorf("at %d green is %g, want %g", x, got, want)
		}
	}
	if dst.Pix[2*40+5] != 0xFFFFFFFF {
		t.Error("it paints above its places")
	}
	// Drawn at one place, it is the same as drawn.
	a, b := filled(40, 20, 0xFF102030), filled(40, 20, 0xFF102030)
	turned := Rotate(20).Then(Translate(15, 4))
	br.Draw(a, p, turned, 0.7, Multiply)
	br.DrawMoved(b, p, []Affine{turned, turned, turned}, 0.7, Multiply)
	for i := range a.Pix {
		for c := 0; c < 32; c += 8 {
			if d := int(a.Pix[i]>>c&255) - int(b.Pix[i]>>c&255); d < -1 || d > 1 {
				t.Fatalf("pixel %d is %08x, want %08x", i, b.Pix[i], a.Pix[i])
			}
		}
	}
	br.DrawMoved(dst, p, nil, 1, Normal)
	br.DrawMoved(dst, p, []Affine{{}}, 1, Normal)
	br.DrawMoved(dst, p, []Affine{Translate(1e9, 1e9), Translate(-500, 0)}, 1, Normal)
}

func TestStraightUndoesPremultiplying(t *testing.T) {
	b := NewBitmap(1, 3)
	b.Pix[0] = Premultiplied(colour.Colour{R: 200, G: 100, B: 50, A: 128})
	b.Pix[1] = 0xFF332211
	out := b.Straight()
	for i, want := range []int{200, 100, 50, 128} {
		if d := int(out[i]) - want; d < -1 || d > 1 {
			t.Errorf("channel %d is %d, want %d", i, out[i], want)
		}
	}
	if out[4] != 0x11 || out[7] != 255 || out[8]|out[9]|out[10]|out[11] != 0 {
		t.Errorf("the bytes are %v", out)
	}
}

func TestAreaIsTheShareThatIsCovered(t *testing.T) {
	b := NewBitmap(10, 10)
	for y := 2; y < 6; y++ {
		for x := 2; x < 6; x++ {
			if x < 4 {
				b.Pix[y*10+x] = 0xFF000000
			} else if y < 4 {
				b.Pix[y*10+x] = 0x80000000
			}
		}
	}
	// Half of it fully, a quarter by 128 of 255.
	if got := b.Area([4]int{2, 2, 6, 6}); math.Abs(got-(0.5+0.25*128/255)) > 1e-9 {
		t.Errorf("%g is covered", got)
	}
}

// BenchmarkDrawMoved draws a picture of a quarter of a frame at 16 places.
func BenchmarkDrawMoved(b *testing.B) {
	p := NewPyramid(filled(400, 400, 0xFF0000FF))
	dst := filled(540, 960, 0xFFFFFFFF)
	var places []Affine
	for i := range 16 {
		places = append(places, Rotate(float64(i)/4).Then(Translate(60+float64(2*i), 200)))
	}
	var br Brush
	b.ReportAllocs()
	for range b.N {
		br.DrawMoved(dst, p, places, 1, Normal)
	}
}
