package transition

import (
	"math"
	"testing"

	"billow/core/paint"
)

func TestADissolveIsSoMuchOfBoth(t *testing.T) {
	for _, p := range []float64{0.1, 0.5, 0.75} {
		from, to := paint.NewBitmap(2, 1), paint.NewBitmap(2, 1)
		from.Pix[0], to.Pix[0] = 0xFF0000FF, 0xFFFF0000 // red, blue
		from.Pix[1] = 0xFFFFFFFF                        // white, nothing
		Dissolve.Mix(to, from, p)
		for i, want := range [][4]float64{{255 * (1 - p), 0, 255 * p, 255}, {255 * (1 - p), 255 * (1 - p), 255 * (1 - p), 255 * (1 - p)}} {
			for c, w := range want {
				if got := float64(to.Pix[i] >> (8 * c) & 255); math.Abs(got-w) > 1 {
					t.Errorf("at %g channel %d of pixel %d is %g, want %.1f", p, c, i, got, w)
				}
			}
		}
	}
}
