package effect

import (
	"math"
	"testing"

	"billow/core/paint"
)

// below is the share of a normal distribution that lies below so many standard deviations.
func below(z float64) float64 { return 0.5 * (1 + math.Erf(z/math.Sqrt2)) }

// alphaAt is how opaque a sheet is at a place, 0..1.
func alphaAt(s *paint.Sheet, x, y float64) float64 {
	b := s.Picture
	return float64(b.Pix[int(math.Floor(y*s.Per-s.Y))*b.W+int(math.Floor(x*s.Per-s.X))]>>24) / 255
}

func square(w, h int) Work {
	return canvas(w, h, func(_, _ float64) bool { return true })
}

// Beside a long edge, light that is softened is as strong as a normal distribution says.
func TestGlowBesideAnEdge(t *testing.T) {
	out := draw(&Halo, square(300, 300), Values{{100}, {255, 0, 0, 255}, {Soft(20)}})
	sigma := Soft(20)
	for _, d := range []float64{2, 10, 20, 40} {
		near(t, "the light", alphaAt(out, 150+d, 0), below(-d/sigma), 0.02)
	}
	if p := out.Picture.Pix[int(-out.Y)*out.Picture.W+int(160-out.X)]; p>>8&0xFFFF != 0 {
		t.Errorf("a red light is %08x", p)
	}
	near(t, "the picture", alphaAt(out, 0, 0), 1, 0)
}

func TestRimOfLightFallsInwards(t *testing.T) {
	dark := square(300, 300)
	for i := range dark.Picture.Pix {
		dark.Picture.Pix[i] = 0xFF000000
	}
	level := func(s *paint.Sheet, x, y float64) float64 {
		b := s.Picture
		return float64(b.Pix[int(y-s.Y)*b.W+int(x-s.X)]&255) / 255
	}
	v := Values{{50}, {255, 255, 255, 255}, {Soft(15)}, {0}, {-90}}
	around := draw(&InnerGlow, dark, v)
	for _, d := range []float64{2, 8, 15, 30} {
		near(t, "the light", level(around, 150-d, 0), below(-d/Soft(15)), 0.02)
		near(t, "the light", level(around, -150+d, 0), below(-d/Soft(15)), 0.02)
	}
	v[3][0] = 100 // only from the left
	left := draw(&InnerGlow, dark, v)
	if a, b := level(left, -146, 0), level(left, 146, 0); a < 0.5 || b > 0.02 {
		t.Errorf("from the left its left edge is %.2f and its right one %.2f bright", a, b)
	}
	near(t, "its middle", level(left, 0, 0), 0, 0.01)
}

// Only what is brighter than the level shines, and it shines around itself.
func TestBloomShinesFromBrightPlaces(t *testing.T) {
	spot := func(v uint32) Work {
		w := square(200, 200)
		for i := range w.Picture.Pix {
			w.Picture.Pix[i] = 0xFF202020
			if x, y := i%200, i/200; x >= 90 && x < 110 && y >= 90 && y < 110 {
				w.Picture.Pix[i] = grey(v)
			}
		}
		return w
	}
	beside := func(w Work) uint32 {
		out := draw(&Bloom, w, Values{{100}, {Soft(12)}, {50}})
		b := out.Picture
		return b.Pix[int(-out.Y)*b.W+int(16-out.X)] & 255
	}
	if v := beside(spot(0x78)); v != 0x20 {
		t.Errorf("a spot that is too dark lights its surroundings to %d", v)
	}
	if v := beside(spot(0xFF)); v < 0x28 {
		t.Errorf("a white spot lights its surroundings to %d only", v)
	}
}

func TestStrokeIsAsWideAsItSays(t *testing.T) {
	out := draw(&Stroke, canvas(100, 100, func(x, y float64) bool { return math.Abs(x) < 20 && math.Abs(y) < 20 }), Values{{6}, {0, 0, 255, 255}})
	_, _, area := all(out)
	near(t, "the area", area, 40*40+4*40*6+math.Pi*36, 8)
}

// A line of so many units, whose middle and whose sum are those of what it was made of.
func TestStreaksAreAsLongAsTheySay(t *testing.T) {
	for _, c := range [][3]float64{{40, 90, 0}, {40, 0, 0}, {64, 45, 0}, {3, 90, 0}, {100, 250, 0}} {
		w := dot(300, 300, 10, -20)
		_, _, before := all(w.Sheet)
		out := draw(&Streak, w, Values{{c[0]}, {c[1]}})
		x, y, after := all(out)
		near(t, "to the right", x, 10, 0.6)
		near(t, "down", y, -20, 0.6)
		near(t, "the sum", after/before, 1, 0.07)
		// How far it is spread along its direction: of an even line the length squared over twelve, and
		// of the four pixels five quarters.
		sin, cos := math.Sincos(c[1] * math.Pi / 180)
		var along, across, sum float64
		for i, p := range out.Picture.Pix {
			dx, dy := float64(i%out.Picture.W)+0.5+out.X-x, float64(i/out.Picture.W)+0.5+out.Y-y
			a := float64(p >> 24)
			along += a * math.Pow(dx*sin-dy*cos, 2)
			across += a * math.Pow(dx*cos+dy*sin, 2)
			sum += a
		}
		near(t, "its length", math.Sqrt(12*max(along/sum-1.25, 0)), c[0], 2+0.03*c[0])
		near(t, "its width", across/sum, 1.25, 0.6)
	}
}

// Out from the middle, what lies so far away is spread from there to so many percent farther.
func TestZoomBlurSpreadsOutwards(t *testing.T) {
	s := draw(&Rush, dot(300, 300, 60, 0), Values{{50}, {}})
	x, y, _ := all(s)
	near(t, "down", y, 0, 1)
	// Sizes go up evenly by ratio, so the mean of the places is weighted by their areas: it lies between
	// where it was and half as far again.
	if x < 62 || x > 90 {
		t.Errorf("its middle lies at %g", x)
	}
	for _, far := range []float64{55, 97} {
		if a := alphaAt(s, far, 0); a > 0.02 {
			t.Errorf("at %g it is %.2f opaque", far, a)
		}
	}
	near(t, "at its end", alphaAt(s, 86, 0), alphaAt(s, 70, 0), 0.1)
	if a := alphaAt(draw(&Rush, dot(300, 300, 0, 0), Values{{20}, {}}), 0, 0); a < 0.9 {
		t.Errorf("its middle is %.2f opaque", a)
	}
}

func TestLimits(t *testing.T) {
	for v, want := range map[uint32]uint32{0: 0, 100: 100, 204: 204, 230: 223, 255: 230} { // 0.9 - 0.1^2 / 0.4 is 0.875
		near(t, "under a limit", float64(drawnOn(&WhiteLimit, grey(v), Values{{90}})&255), float64(want), 1)
	}
	// Red has a luma of 54. Its darkest channels may be 13, so that a share of 41 in 54 of its colour is left.
	p := drawnOn(&SafeLevels, 0xFF0000FF, Values{{5}, {95}})
	near(t, "red", float64(p&255), 54+201*41.0/54, 1.5)
	near(t, "its green", float64(p>>8&255), 13, 1)
	for _, v := range []uint32{0xFF00FF00, 0xFFFF0000, 0xFFFFFFFF, 0xFF000000, 0xFF00FFFF} {
		p := drawnOn(&SafeLevels, v, Values{{5}, {95}})
		for s := 0; s < 24; s += 8 {
			if c := p >> s & 255; c < 13 || c > 242 {
				t.Errorf("%08x becomes %08x", v, p)
			}
		}
	}
	if p := drawnOn(&SafeLevels, 0xFF4080C0, Values{{5}, {95}}); p != 0xFF4080C0 {
		t.Errorf("what is safe becomes %08x", p)
	}
}
