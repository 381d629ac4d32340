package paint

import (
	"math"
	"math/rand"
	"testing"
)

// nearest is the distance to the centre of the nearest pixel of the picture, by
// looking at every one.
func nearest(b *Bitmap, margin, x, y int) float64 {
	best := math.Inf(1)
	for i, p := range b.Pix {
		if p>>24 >= solid {
			best = min(best, math.Hypot(float64(i%b.W+margin-x), float64(i/b.W+margin-y)))
		}
	}
	return best
}

func TestDistancesAreThoseToTheNearestPixel(t *testing.T) {
	rng := rand.New(rand.NewSource(3))
	for range 40 {
		b := NewBitmap(1+rng.Intn(24), 1+rng.Intn(24))
		for range 1 + rng.Intn(12) {
			b.Pix[rng.Intn(len(b.Pix))] = 0xFF000000
		}
		d := DistancesAround(b, 9)
		for i, far := range d.far {
			x, y := i%d.W, i/d.W
			// The edge of an opaque pixel runs half a pixel from its centre.
			want := nearest(b, 9, x, y) - 0.5
			if far != endless && math.Abs(float64(far)-want) > 1e-4 {
				t.Fatalf("pixel %d, %d of %d by %d lies %g away, want %g", x, y, d.W, d.H, far, want)
			}
			if far == endless && want > 0 && want < 9 {
				t.Fatalf("pixel %d, %d lies close outside, yet is not measured", x, y)
			}
		}
	}
	if d := DistancesAround(NewBitmap(5, 5), 2); d.far[0] != endless {
		t.Errorf("from an empty picture a pixel lies %g away", d.far[0])
	}
}

// disc is an opaque blue disc with smooth edges.
func disc(side int, r float64) *Bitmap {
	b := NewBitmap(side, side)
	m := PathMask(Ellipse(2*r, 2*r).Transformed(Translate(float64(side)/2, float64(side)/2)), side, side)
	for i, a := range m.Pix {
		b.Pix[i] = faded(0xFFFF0000, a)
	}
	return b
}

func TestAnOutlineIsAsWideAsItIsSaid(t *testing.T) {
	b := disc(100, 40)
	for _, w := range []float64{1, 2.5, 12} {
		out := DistancesAround(b, 32).Outlined(b, w, 0xFF0000FF, nil)
		sum := 0.0
		for _, p := range out.Pix {
			sum += float64(p>>24) / 255
		}
		// All of it is a disc of 40 + w.
		if got := math.Sqrt(sum / math.Pi); math.Abs(got-40-w) > 0.3 {
			t.Errorf("with an outline of %g the disc has a radius of %.2f", w, got)
		}
		// On the way out from the middle: blue, red, nothing; and no seam.
		for x := range 82 {
			p := out.Pix[82*out.W+82+x]
			switch far := float64(x) + 0.5; {
			case far < 39 && p != 0xFFFF0000:
				t.Errorf("within the disc, %g from its middle, there is %08x", far, p)
			case far > 41 && far < 39+w && p != 0xFF0000FF:
				t.Errorf("in the outline, %g from the middle, there is %08x", far, p)
			case far > 39 && far < 39+w && p>>24 < 250:
				t.Errorf("at the seam, %g from the middle, alpha is %d", far, p>>24)
			case far > 41+w && p != 0:
				t.Errorf("beyond, %g from the middle, there is %08x", far, p)
			}
		}
	}
}

func TestAnOutlineGoesRoundHolesButNotUnderGlass(t *testing.T) {
	b := NewBitmap(60, 60)
	for i := range b.Pix {
		switch x, y := i%60, i/60; {
		case x >= 10 && x < 25 && y >= 20 && y < 40: // a hole
		case x >= 35 && x < 50 && y >= 20 && y < 40:
			b.Pix[i] = 0x30303030 // glass
		default:
			b.Pix[i] = 0xFF000000
		}
	}
	out := DistancesAround(b, 32).Outlined(b, 4, 0xFFFFFFFF, nil)
	at := func(x, y int) uint32 { return out.Pix[(y+32)*out.W+x+32] }
	if at(12, 30) != 0xFFFFFFFF || at(17, 30) != 0 {
		t.Errorf("in the hole there are %08x and %08x", at(12, 30), at(17, 30))
	}
	if at(42, 30) != 0x30303030 || at(36, 30) != 0x30303030 {
		t.Errorf("in the glass there are %08x and %08x", at(42, 30), at(36, 30))
	}
}

func BenchmarkOutline(b *testing.B) {
	pic := disc(1000, 450)
	b.Run("distances", func(b *testing.B) {
		for b.Loop() {
			DistancesAround(pic, 32)
		}
	})
	d := DistancesAround(pic, 32)
	b.Run("drawing", func(b *testing.B) {
		for b.Loop() {
			d.Outlined(pic, 20, 0xFFFFFFFF, nil)
		}
	})
}
