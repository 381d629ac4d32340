package paint

import (
	"image"
	"math"
	"math/rand/v2"
	"testing"

	"golang.org/x/image/vector"

	"billow/core/colour"
)

// clippedArea is the area of a polygon within a pixel: it is cut at the pixel's
// four sides one after the other (Sutherland and Hodgman), and what is left is
// measured.
func clippedArea(poly [][2]float64, px, py float64) float64 {
	for side := range 4 {
		d := side / 2
		line, sign := px, 1.0
		if d == 1 {
			line = py
		}
		if side%2 == 1 {
			line, sign = line+1, -1
		}
		in := func(p [2]float64) float64 { return sign * (p[d] - line) }
		var out [][2]float64
		for i, p := range poly {
			q := poly[(i+1)%len(poly)]
			if in(p) >= 0 {
				out = append(out, p)
			}
			if in(p)*in(q) < 0 {
				t := in(p) / (in(p) - in(q))
				out = append(out, [2]float64{p[0] + t*(q[0]-p[0]), p[1] + t*(q[1]-p[1])})
			}
		}
		poly = out
	}
	sum := 0.0
	for i, p := range poly {
		q := poly[(i+1)%len(poly)]
		sum += p[0]*q[1] - q[0]*p[1]
	}
	return math.Abs(sum) / 2
}

func pathOf(poly [][2]float64) Path {
	p := Path{{'M', [3][2]float64{poly[0]}}}
	for _, q := range poly[1:] {
		p = append(p, Segment{'L', [3][2]float64{q}})
	}
	return p
}

// The coverage of triangles of all sizes, many of them reaching out on all sides,
// is the area that they have within each pixel, to half a step of 255.
func TestCoverageIsTheExactArea(t *testing.T) {
	r := rand.New(rand.NewPCG(4, 2))
	for n := range 300 {
		poly := make([][2]float64, 3)
		for i := range poly {
			poly[i] = [2]float64{r.Float64()*90 - 30, r.Float64()*70 - 20}
			if n%3 == 0 {
				poly[i][0] = math.Round(poly[i][0]) // edges along pixels
			}
		}
		m := PathMask(pathOf(poly), 30, 26)
		for i, got := range m.Pix {
			want := 255 * clippedArea(poly, float64(i%30), float64(i/30))
			if math.Abs(float64(got)-want) > 0.51 {
				t.Fatalf("%v: pixel %d,%d has %d, want %.2f", poly, i%30, i/30, got, want)
			}
		}
	}
}

// A long, steep edge is as exact at its end as at its beginning.
func TestLongEdgesDoNotDrift(t *testing.T) {
	poly := [][2]float64{{10.3, -5}, {14.7, 1005}, {-50, 1005}, {-50, -5}}
	m := PathMask(pathOf(poly), 20, 1000)
	for _, y := range []int{0, 1, 499, 998, 999} {
		for x := range 20 {
			want := 255 * clippedArea(poly, float64(x), float64(y))
			if got := float64(m.Pix[y*20+x]); math.Abs(got-want) > 0.51 {
				t.Errorf("pixel %d,%d has %g, want %.2f", x, y, got, want)
			}
		}
	}
}

func TestAbsurdPathsAreDrawn(t *testing.T) {
	for _, v := range []float64{1e9, -1e9, 1e300, math.Inf(1), math.NaN()} {
		b := NewBitmap(8, 8)
		b.FillPath(pathOf([][2]float64{{0, 0}, {v, 3}, {3, v}}), colour.RGB(0xFFFFFF))
		PathMask(pathOf([][2]float64{{v, v}, {-v, 3}, {3, -v}}), 8, 8)
	}
}

// letters is a path of many curves, as text has them.
func letters() Path {
	var p Path
	for i := range 60 {
		p = append(p, Burst(40, 9).Transformed(Translate(float64(i%12)*80+50, float64(i/12)*80+50))...)
	}
	return p
}

// BenchmarkFillPath is the time for sixty curved figures, and the same by the
// rasteriser of golang.org/x/image, which has assembly.
func BenchmarkFillPath(b *testing.B) {
	p, dst := letters(), NewBitmap(1000, 450)
	b.Run("own", func(b *testing.B) {
		for range b.N {
			dst.FillPath(p, colour.RGB(0x336699))
		}
	})
	b.Run("vector", func(b *testing.B) {
		for range b.N {
			r := vector.NewRasterizer(1000, 450)
			f := func(v [2]float64) (float32, float32) { return float32(v[0]), float32(v[1]) }
			for _, s := range p {
				x, y := f(s.P[0])
				if s.Op == 'M' {
					r.ClosePath()
					r.MoveTo(x, y)
					continue
				}
				x1, y1 := f(s.P[1])
				x2, y2 := f(s.P[2])
				r.CubeTo(x, y, x1, y1, x2, y2)
			}
			r.Draw(dst.Image(), dst.Image().Rect, image.Black, image.Point{})
		}
	})
}
