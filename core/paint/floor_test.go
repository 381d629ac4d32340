package paint

import (
	"math"
	"testing"

	"billow/core/colour"
)

// A floor is its wall above the horizon, its ground below, half of each on it, and passes
// smoothly from one to the other.
func TestAFloorPassesFromWallToGround(t *testing.T) {
	f := Floor{Wall: colour.RGB(0x204060), Ground: colour.RGB(0xE0C0A0), Horizon: 100, Soft: 40, RX: 1, RY: 1}
	b := NewBitmap(64, 200)
	b.Shade(f.Shader())
	for y := range 200 {
		// The smooth step of Perlin's noise, 3t² - 2t³.
		v := min(max((float64(y)+0.5-80)/40, 0), 1)
		share := 3*v*v - 2*v*v*v
		mean := 0.0
		for x := range 64 {
			mean += float64(b.Pix[y*64+x]&255) / 64
		}
		if want := 0x20 + (0xE0-0x20)*share; math.Abs(mean-want) > 0.6 {
			t.Fatalf("row %d has a red of %.2f, want %.2f", y, mean, want)
		}
	}
}

// The glow is as strong as it should be in its middle, and falls off along the normal curve.
func TestTheGlowOfAFloorFallsOffEvenly(t *testing.T) {
	f := Floor{Wall: colour.RGB(0x101010), Ground: colour.RGB(0x101010), Horizon: 150, Light: colour.RGB(0xF0F0F0), Glow: 0.5, X: 200, RX: 60, RY: 25}
	b := NewBitmap(400, 300)
	b.Shade(f.Shader())
	for i, p := range b.Pix {
		x, y := float64(i%400)+0.5-200, float64(i/400)+0.5-150
		want := 0x10 + (0xF0-0x10)*0.5*math.Exp(-x*x/(2*60*60)-y*y/(2*25*25))
		if got := float64(p & 255); math.Abs(got-want) > 1.6 {
			t.Fatalf("at %g,%g it is %g, want %.2f", x, y, got, want)
		}
	}
}

// Grain lightens as often as it darkens, and as much; twice as strong it does twice as much.
func TestGrainIsEven(t *testing.T) {
	spread := func(strength, cell float64) (mean, deviation float64) {
		b := NewBitmap(400, 400)
		b.Fill(0xFF808080)
		var br Brush
		br.Shade(b, NoiseShader(strength, cell, 7), b.Image().Rect, b.Image().Rect.Min, 1, Normal)
		for _, p := range b.Pix {
			mean += float64(p&255) / float64(len(b.Pix))
		}
		for _, p := range b.Pix {
			d := float64(p&255) - mean
			deviation += d * d / float64(len(b.Pix))
		}
		return mean, math.Sqrt(deviation)
	}
	for _, cell := range []float64{1, 2.5} {
		mean, half := spread(0.1, cell)
		if math.Abs(mean-128) > 1 {
			t.Errorf("in cells of %g the mean is %.2f, not 128", cell, mean)
		}
		if _, full := spread(0.2, cell); math.Abs(full/half-2) > 0.15 {
			t.Errorf("in cells of %g twice the strength spreads %.2f times as much", cell, full/half)
		}
	}
	// Two evenly spread numbers of ±1/2 together deviate by √(1/6); a tenth of half of 255 of it.
	if _, d := spread(0.1, 1); math.Abs(d-0.1*127.5*math.Sqrt(1.0/6)) > 0.6 {
		t.Errorf("a tenth deviates by %.2f", d)
	}
}
