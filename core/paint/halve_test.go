package paint

import (
	"math"
	"math/rand"
	"testing"
)

// harsh is a picture of pixels that are either clear, black or white, so that
// filters overshoot on them as far as they can.
func harsh(w, h int) *Bitmap {
	rng := rand.New(rand.NewSource(int64(w)))
	b := NewBitmap(w, h)
	for i := range b.Pix {
		b.Pix[i] = []uint32{0, 0xFF000000, 0xFFFFFFFF, 0xFF0000FF}[rng.Intn(4)]
	}
	return b
}

// filtered is one pixel of a picture made smaller in plain arithmetic, with
// weights from (x, y) on.
func filtered(b *Bitmap, x, y int, across, down []float64) (out [4]float64) {
	for j, wy := range down {
		for i, wx := range across {
			p := channels(b.Pix[min(max(y+j, 0), b.H-1)*b.W+min(max(x+i, 0), b.W-1)])
			for c := range out {
				out[c] += wx * wy * p[c]
			}
		}
	}
	for c := range out {
		out[c] = min(max(out[c], 0), 255, max(out[3], 0))
	}
	return out
}

func unlike(t *testing.T, got uint32, want [4]float64, what string, x, y int) {
	t.Helper()
	for c, v := range channels(got) {
		// Each of the two passes rounds, and what the first rounds weighs 1.3 in
		// the second.
		if math.Abs(v-want[c]) > 1.4 {
			t.Fatalf("%s: pixel %d,%d channel %d is %g, want %.2f", what, x, y, c, v, want[c])
		}
	}
}

func TestHalvingAgreesWithPlainArithmetic(t *testing.T) {
	weights := []float64{-6. / 128, 14. / 128, 56. / 128, 56. / 128, 14. / 128, -6. / 128}
	for _, size := range [][2]int{{64, 48}, {33, 27}, {2, 9}, {1, 5}, {3, 1}, {1, 1}} {
		b := harsh(size[0], size[1])
		got := halve(b)
		if got.W != (b.W+1)/2 || got.H != (b.H+1)/2 {
			t.Fatalf("half of %v is %dx%d", size, got.W, got.H)
		}
		for y := range got.H {
			for x := range got.W {
				unlike(t, got.Pix[y*got.W+x], filtered(b, 2*x-2, 2*y-2, weights, weights), "halved", x, y)
			}
		}
	}
}

func TestCopiesBetweenAgreeWithPlainArithmetic(t *testing.T) {
	plain := func(of taps) []float64 {
		out, below := make([]float64, len(of.weights)), 0
		for i, w := range of.weights {
			out[i] = float64(int64(w)) / tapUnit
			below += max(0, -int(int64(w)))
		}
		if below > 20 {
			t.Fatalf("%d of 128 are below 0: the lanes of a sum are too narrow", below)
		}
		return out
	}
	for _, k := range inter {
		for _, size := range [][2]int{{61, 47}, {7, 3}, {1, 1}} {
			b := harsh(size[0], size[1])
			got := k.resize(b)
			across, down := k.along(b.W), k.along(b.H)
			for y := range got.H {
				for x := range got.W {
					want := filtered(b, across[x].from, down[y].from, plain(across[x]), plain(down[y]))
					unlike(t, got.Pix[y*got.W+x], want, "between", x, y)
				}
			}
		}
	}
}
