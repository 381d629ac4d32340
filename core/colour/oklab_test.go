package colour

import (
	"math"
	"testing"
)

// The numbers are those of CSS Color Module Level 4 for these colours.
func TestOKLab(t *testing.T) {
	for hex, want := range map[[3]float64]Lab{
		{255, 255, 255}: {1, 0, 0},
		{0, 0, 0}:       {0, 0, 0},
		{255, 0, 0}:     {0.62796, 0.22486, 0.12585},
		{0, 255, 0}:     {0.86644, -0.23389, 0.17950},
		{0, 0, 255}:     {0.45201, -0.03246, -0.31153},
		{0, 128, 0}:     {0.51975, -0.14030, 0.10768},
	} {
		got := OKLab(hex[0], hex[1], hex[2])
		if math.Abs(got.L-want.L) > 2e-4 || math.Abs(got.A-want.A) > 2e-4 || math.Abs(got.B-want.B) > 2e-4 {
			t.Errorf("%v is %+v, want %+v", hex, got, want)
		}
	}
}

func TestOKLabReadsBack(t *testing.T) {
	for r := 0.0; r <= 255; r += 51 {
		for g := 0.0; g <= 255; g += 51 {
			for b := 0.0; b <= 255; b += 51 {
				x, y, z := OKLab(r, g, b).SRGB()
				if math.Abs(x-r) > 0.01 || math.Abs(y-g) > 0.01 || math.Abs(z-b) > 0.01 {
					t.Fatalf("%g %g %g comes back as %g %g %g", r, g, b, x, y, z)
				}
			}
		}
	}
	// What lies outside sRGB is held at its edge.
	for _, c := range []Lab{{0.9, 0.4, 0}, {0.2, -0.5, 0.5}, {1.4, 0, 0}, {-1, 0, 0}} {
		for _, v := range func() []float64 { r, g, b := c.SRGB(); return []float64{r, g, b} }() {
			if v < 0 || v > 255.001 || math.IsNaN(v) {
				t.Errorf("%+v gives %g", c, v)
			}
		}
	}
}

func TestFromFloatsRounds(t *testing.T) {
	if got := FromFloats(-4, 127.6, 300, 254.4); got != (Colour{0, 128, 255, 254}) {
		t.Errorf("it is %v", got)
	}
}

func TestNearSRGBIsNear(t *testing.T) {
	for i := range 4000 {
		c := Lab{float64(i%101) / 100, float64(i%37)/60 - 0.3, float64(i%53)/90 - 0.3}
		r, g, b := c.SRGB()
		nr, ng, nb := c.NearSRGB()
		for _, d := range []float64{r - nr, g - ng, b - nb} {
			if d > 0.01 || d < -0.01 {
				t.Fatalf("%v is %g,%g,%g and nearly %g,%g,%g", c, r, g, b, nr, ng, nb)
			}
		}
	}
}
