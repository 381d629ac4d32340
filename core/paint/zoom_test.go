package paint

import (
	"math"
	"math/rand"
	"sort"
	"testing"
)

// cloth is a woven photo: threads of some seven pixels, none as thick and as
// bright as its neighbour, lighter where one lies over the other, in soft folds,
// with the grain of a camera.
func cloth(n int) *Bitmap {
	rng := rand.New(rand.NewSource(12))
	warp, weft := spun(rng, n, 7.3), spun(rng, n, 6.7)
	b := NewBitmap(n, n)
	for y := range n {
		for x := range n {
			fx, fy := float64(x), float64(y)
			across, bright := warp.at(fx + 6*math.Sin(fy/97))
			along, light := weft.at(fy + 5*math.Sin(fx/83))
			l := 120 + 18*math.Sin(fx/411+fy/290) + rng.NormFloat64()*5
			if (across+along)&1 == 0 {
				l += 40 * bright
			} else {
				l += 40*light - 14
			}
			g := uint32(min(max(l, 0), 255))
			b.Pix[y*n+x] = 0xFF000000 | g | g*240/255<<8 | g*215/255<<16
		}
	}
	return b
}

// threads are where threads begin, and how bright each is.
type threads struct{ from, bright []float64 }

func spun(rng *rand.Rand, n int, wide float64) threads {
	var t threads
	for at := -40.0; at < float64(n)+40; {
		t.from, t.bright = append(t.from, at), append(t.bright, 1+0.25*rng.NormFloat64())
		at += wide * (1 + 0.15*rng.NormFloat64())
	}
	return t
}

// at is the number of a thread, and how bright it is at a place: it is round.
func (t threads) at(x float64) (int, float64) {
	i := min(max(sort.SearchFloat64s(t.from, x)-1, 0), len(t.from)-2)
	share := (x - t.from[i]) / (t.from[i+1] - t.from[i])
	return i, t.bright[i] * math.Sin(math.Pi*min(max(share, 0), 1))
}

// resized makes a picture as small with a filter, from all of its pixels.
func resized(b *Bitmap, n int, k kernel) *Bitmap {
	k.factor = float64(n) / float64(b.W)
	return k.resize(b)
}

var (
	triangle = kernel{reach: 1, weight: func(x float64) float64 { return max(0, 1-math.Abs(x)) }}
	lanczos3 = kernel{reach: 3, weight: func(x float64) float64 {
		if x == 0 {
			return 1
		}
		if math.Abs(x) >= 3 {
			return 0
		}
		t := math.Pi * x
		return math.Sin(t) / t * math.Sin(t/3) / (t / 3)
	}}
)

// drawnAt is a picture drawn n pixels wide.
func drawnAt(p *Pyramid, n float64) *Bitmap {
	dst := NewBitmap(int(n), int(n))
	var br Brush
	k := n / float64(p.Picture.W)
	br.Draw(dst, p, Scale(k, k), 1, Normal)
	return dst
}

// likeness is the peak signal-to-noise ratio of one picture to another, in dB,
// leaving out a rim.
func likeness(a, b *Bitmap) float64 {
	sum, n := 0.0, 0
	for y := 8; y < a.H-8; y++ {
		for x := 8; x < a.W-8; x++ {
			p, q := channels(a.Pix[y*a.W+x]), channels(b.Pix[y*b.W+x])
			for c := range 3 {
				sum += (p[c] - q[c]) * (p[c] - q[c])
				n++
			}
		}
	}
	return 10 * math.Log10(255*255/(sum/float64(n)))
}

// contrast is the standard deviation of what is finer than folds: of each pixel
// from the mean of the nine by nine around it.
func contrast(b *Bitmap) float64 {
	const r = 4
	total := make([]float64, (b.W+1)*(b.H+1)) // of all pixels above and to the left
	for y := range b.H {
		for x := range b.W {
			i := (y+1)*(b.W+1) + x + 1
			total[i] = float64(b.Pix[y*b.W+x]&255) + total[i-1] + total[i-b.W-1] - total[i-b.W-2]
		}
	}
	sum, n := 0.0, 0
	for y := r; y < b.H-r-1; y++ {
		for x := r; x < b.W-r-1; x++ {
			at := func(x, y int) float64 { return total[y*(b.W+1)+x] }
			mean := (at(x+r+1, y+r+1) - at(x-r, y+r+1) - at(x+r+1, y-r) + at(x-r, y-r)) / (2*r + 1) / (2*r + 1)
			d := float64(b.Pix[y*b.W+x]&255) - mean
			sum, n = sum+d*d, n+1
		}
	}
	return math.Sqrt(sum / float64(n))
}

// At every size a photo is as like a Lanczos picture of it as one that is made
// with an antialiased bilinear filter from all of its pixels, or nearly so.
func TestAPhotoShownSmallIsSharpAndDoesNotAlias(t *testing.T) {
	src := cloth(1800)
	p := NewPyramid(src)
	for _, n := range []int{180, 231, 300, 420, 449, 452, 640, 830, 1100, 1400} {
		best := resized(src, n, lanczos3)
		usual, ours := likeness(resized(src, n, triangle), best), likeness(drawnAt(p, float64(n)), best)
		t.Logf("%d pixels wide: %.1f dB, antialiased bilinear %.1f dB", n, ours, usual)
		if ours < usual-3 {
			t.Errorf("%d pixels wide it is within %.1f dB, antialiased bilinear within %.1f", n, ours, usual)
		}
	}
}

// While a photo grows slowly, what is to be seen of its threads grows evenly:
// nothing pops where other copies of it are read.
func TestContrastDoesNotJumpAlongAZoom(t *testing.T) {
	p := NewPyramid(cloth(1800))
	worst, at := 0.0, 0.0
	// 450 pixels are a quarter of it; 535, 636 and 757 lie on the copies between.
	for _, around := range []float64{450, 535, 636, 665, 757} {
		last := 0.0
		for n := around - 6; n <= around+6; n++ {
			c := contrast(drawnAt(p, n))
			if d := math.Abs(c/last - 1); last > 0 && d > worst {
				worst, at = d, n
			}
			last = c
		}
	}
	t.Logf("from one pixel more to the next, contrast changes by at most %.2f%%, at %g", 100*worst, at)
	if worst > 0.02 {
		t.Errorf("at %g pixels, contrast changes by %.1f%%", at, 100*worst)
	}
}

// A picture that is squeezed on one axis is as sharp as ever on the other, and
// does not alias on the first.
func TestDetailIsChosenForEachAxis(t *testing.T) {
	stripes := func(w, h int, lit func(x, y int) bool) *Pyramid {
		b := NewBitmap(w, h)
		for i := range b.Pix {
			b.Pix[i] = 0xFF000000
			if lit(i%w, i/w) {
				b.Pix[i] = 0xFFFFFFFF
			}
		}
		return NewPyramid(b)
	}
	spread := func(b *Bitmap) (lo, hi uint32) {
		lo, hi = 255, 0
		for y := 10; y < b.H-10; y++ {
			for x := 10; x < b.W-10; x++ {
				v := b.Pix[y*b.W+x] & 255
				lo, hi = min(lo, v), max(hi, v)
			}
		}
		return lo, hi
	}
	var br Brush
	squeeze := Scale(1.0/6, 1)
	dst := NewBitmap(100, 600)
	// Lines across, four pixels high, stay black and white.
	br.Draw(dst, stripes(600, 600, func(_, y int) bool { return y/4%2 == 0 }), squeeze, 1, Normal)
	if lo, hi := spread(dst); lo > 3 || hi < 252 {
		t.Errorf("lines across are between %d and %d", lo, hi)
	}
	// Upright ones of a pixel each, six of which fall on one, are an even grey.
	br.Draw(dst, stripes(600, 600, func(x, _ int) bool { return x%2 == 0 }), squeeze, 1, Normal)
	if lo, hi := spread(dst); lo < 110 || hi > 145 {
		t.Errorf("upright lines are between %d and %d, want an even grey", lo, hi)
	}
}

// The pixels along the edge of a turned picture are covered as far as they lie
// on it.
func TestTurnedEdgesAreCoveredExactly(t *testing.T) {
	src := NewBitmap(640, 400)
	src.Fill(0xFFFFFFFF)
	p := NewPyramid(src)
	var br Brush
	for _, degrees := range []float64{0, 3, 17, 45, 71, 90, 200} {
		for _, size := range []float64{0.11, 0.25, 0.4, 1.3} {
			m := Translate(-320, -200).Then(Scale(size*0.5, size*0.5)).Then(Rotate(degrees)).Then(Translate(220.3, 220.7))
			inv, _ := m.Inverse()
			dst := NewBitmap(440, 440)
			br.Draw(dst, p, m, 1, Normal)
			sum, worst, n := 0.0, 0.0, 0
			for y := range dst.H {
				for x := range dst.W {
					a := float64(dst.Pix[y*dst.W+x] >> 24)
					u, v := inv.Apply(float64(x)+0.5, float64(y)+0.5)
					near := 2 / (size * 0.5)
					if math.Abs(u-320) > 320+near || math.Abs(v-200) > 200+near || math.Abs(u-320) < 320-near && math.Abs(v-200) < 200-near {
						continue // far from the edge
					}
					want := 255 * covers(src, inv, x, y)
					if want == 0 && a == 0 || want == 255 && a == 255 {
						continue
					}
					sum, worst, n = sum+math.Abs(a-want), max(worst, math.Abs(a-want)), n+1
				}
			}
			if mean := sum / float64(max(n, 1)); mean > 2 || worst > 9 {
				t.Errorf("turned by %g at %g: on %d pixels of the edge the mean error is %.2f, the largest %.1f of 255", degrees, size, n, mean, worst)
			}
		}
	}
}

func BenchmarkPyramid(b *testing.B) {
	src := cloth(1500)
	b.Run("levels", func(b *testing.B) {
		for range b.N {
			NewPyramid(src).Level(10)
		}
	})
	b.Run("between", func(b *testing.B) {
		for range b.N {
			inter[1].resize(src)
		}
	})
}
