package effect

import (
	"math"
	"math/rand/v2"
	"testing"

	"billow/core/paint"
)

// The specification's matrix, in floating point on straight colours.
func saturate(r, g, b, s float64) [3]float64 {
	return [3]float64{
		(0.213+0.787*s)*r + (0.715-0.715*s)*g + (0.072-0.072*s)*b,
		(0.213-0.213*s)*r + (0.715+0.285*s)*g + (0.072-0.072*s)*b,
		(0.213-0.213*s)*r + (0.715-0.715*s)*g + (0.072+0.928*s)*b,
	}
}

func TestSaturationFollowsTheSpecification(t *testing.T) {
	r := rand.New(rand.NewPCG(7, 7))
	for range 100_000 {
		a := uint32(1 + r.IntN(255))
		p := a << 24
		for shift := 0; shift < 24; shift += 8 {
			p |= uint32(r.IntN(int(a)+1)) << shift
		}
		percent := float64(r.IntN(301))
		b := paint.NewBitmap(1, 1)
		b.Pix[0] = p
		got := Saturation.Draw(Work{Sheet: paint.NewSheet(b, 0, 0, 1), Unit: 1}, Values{{percent}}).Picture.Pix[0]
		want := saturate(float64(p&255), float64(p>>8&255), float64(p>>16&255), percent/100)
		for i, w := range want {
			w = min(max(w, 0), float64(a))
			if math.Abs(float64(got>>(8*i)&255)-w) > 1.01 {
				t.Fatalf("%08x at %g%%: channel %d is %d, want %.2f", p, percent, i, got>>(8*i)&255, w)
			}
		}
		if got>>24 != a || b.Pix[0] != p {
			t.Fatal("the alpha or the input has changed")
		}
	}
}
