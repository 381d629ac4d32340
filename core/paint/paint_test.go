package paint

import (
	"image"
	"image/color"
	"math"
	"math/rand"
	"testing"

	"billow/core/colour"
)

func random(rng *rand.Rand, w, h int) *Bitmap {
	b := NewBitmap(w, h)
	for i := range b.Pix {
		b.Pix[i] = Premultiplied(colour.Colour{R: uint8(rng.Intn(256)), G: uint8(rng.Intn(256)), B: uint8(rng.Intn(256)), A: uint8(rng.Intn(256))})
	}
	return b
}

func channels(p uint32) [4]float64 {
	return [4]float64{float64(p & 255), float64(p >> 8 & 255), float64(p >> 16 & 255), float64(p >> 24)}
}

func TestDrawingAgreesWithPlainArithmetic(t *testing.T) {
	rng := rand.New(rand.NewSource(3))
	src := random(rng, 23, 17)
	m := Scale(1.3, 0.9).Then(Rotate(31)).Then(Translate(20.3, 9.7))
	inv, _ := m.Inverse()
	dst := NewBitmap(60, 50)
	dst.Fill(0xFF336699)
	want := make([][4]float64, len(dst.Pix))
	for y := range dst.H {
		for x := range dst.W {
			u, v := inv.Apply(float64(x)+0.5, float64(y)+0.5)
			s := bilinearFloat(src, u-0.5, v-0.5)
			on := covers(src, inv, x, y)
			d := channels(0xFF336699)
			for c := range 4 {
				want[y*dst.W+x][c] = s[c]*on + d[c]*(1-s[3]/255*on)
			}
		}
	}
	var br Brush
	br.Draw(dst, &Pyramid{Picture: src}, m, 1, Normal)
	for i, p := range dst.Pix {
		for c, got := range channels(p) {
			// 8-bit weights and four roundings.
			if math.Abs(got-want[i][c]) > 3 {
				t.Fatalf("pixel %d,%d channel %d is %g, want %.1f", i%dst.W, i/dst.W, c, got, want[i][c])
			}
		}
	}
}

// covers is how much of a pixel of the frame lies on a picture, by trying a
// thousand points of it, no two in a row or in a column.
func covers(b *Bitmap, inv Affine, x, y int) float64 {
	on := 0
	const n = 1024
	for i := range n {
		_, down := math.Modf(float64(i) * (math.Sqrt(5) - 1) / 2)
		u, v := inv.Apply(float64(x)+(float64(i)+0.5)/n, float64(y)+down)
		if u >= 0 && v >= 0 && u < float64(b.W) && v < float64(b.H) {
			on++
		}
	}
	return float64(on) / n
}

func bilinearFloat(b *Bitmap, u, v float64) (out [4]float64) {
	x, y := int(math.Floor(u)), int(math.Floor(v))
	fx, fy := u-math.Floor(u), v-math.Floor(v)
	for _, k := range [4]struct {
		x, y int
		w    float64
	}{{x, y, (1 - fx) * (1 - fy)}, {x + 1, y, fx * (1 - fy)}, {x, y + 1, (1 - fx) * fy}, {x + 1, y + 1, fx * fy}} {
		p := channels(b.Pix[min(max(k.y, 0), b.H-1)*b.W+min(max(k.x, 0), b.W-1)])
		for c := range out {
			out[c] += p[c] * k.w
		}
	}
	return out
}

func TestAPictureMovedByWholePixelsIsCopied(t *testing.T) {
	src := random(rand.New(rand.NewSource(4)), 9, 9)
	for i := range src.Pix {
		src.Pix[i] |= 0xFF000000
	}
	dst := NewBitmap(20, 20)
	var br Brush
	br.Draw(dst, &Pyramid{Picture: src}, Translate(5, -3), 1, Normal)
	for y := range 6 {
		for x := range 9 {
			if dst.Pix[y*20+x+5] != src.Pix[(y+3)*9+x] {
				t.Fatalf("pixel %d,%d differs", x, y)
			}
		}
	}
}

func TestALargePhotoShownSmallDoesNotShimmer(t *testing.T) {
	// A fine checkerboard is grey at any small size, wherever it lies.
	src := NewBitmap(1024, 1024)
	for i := range src.Pix {
		src.Pix[i] = 0xFF000000
		if (i%1024+i/1024)%2 == 0 {
			src.Pix[i] = 0xFFFFFFFF
		}
	}
	p := NewPyramid(src)
	var br Brush
	for _, shift := range []float64{0, 0.3, 0.77} {
		dst := NewBitmap(100, 100)
		br.Draw(dst, p, Scale(0.13, 0.13).Then(Translate(-10+shift, -10)), 1, Normal)
		for i, px := range dst.Pix {
			if v := px & 255; v < 126 || v > 129 {
				t.Fatalf("shift %g: pixel %d is %d, not an even grey", shift, i, v)
			}
		}
	}
}

func TestBlurIsCloseToAGaussian(t *testing.T) {
	for _, sigma := range []float64{1.5, 4, 9.3} {
		const n = 121
		m := &Mask{n, n, make([]uint8, n*n)}
		for y := 40; y < 80; y++ {
			for x := 40; x < 80; x++ {
				m.Pix[y*n+x] = 255
			}
		}
		m.Blur(sigma)
		edge := func(v float64) float64 {
			return 0.5 * (math.Erf((v-40)/(sigma*math.Sqrt2)) - math.Erf((v-80)/(sigma*math.Sqrt2)))
		}
		for y := range n {
			for x := range n {
				want := 255 * edge(float64(x)+0.5) * edge(float64(y)+0.5)
				// Three boxes differ from a Gaussian by up to three percent.
				if got := float64(m.Pix[y*n+x]); math.Abs(got-want) > 0.035*255 {
					t.Fatalf("sigma %g at %d,%d is %g, want %.1f", sigma, x, y, got, want)
				}
			}
		}
	}
}

// Worked by hand from the formulas of W3C Compositing and Blending Level 1 for
// an opaque backdrop (0.2, 0.6, 0.8) and source (0.5, 0.25, 0.9).
func TestBlendModes(t *testing.T) {
	want := map[Blend][3]float64{
		Multiply: {0.1, 0.15, 0.72}, Screen: {0.6, 0.7, 0.98}, Overlay: {0.2, 0.4, 0.96},
		Darken: {0.2, 0.25, 0.8}, Lighten: {0.5, 0.6, 0.9}, ColorDodge: {0.4, 0.8, 1}, ColorBurn: {0, 0, 0.7778},
		HardLight: {0.2, 0.3, 0.96}, SoftLight: {0.2, 0.48, 0.8755}, Difference: {0.3, 0.35, 0.1}, Exclusion: {0.5, 0.55, 0.26},
		// Lum(b) = 0.502, Lum(s) = 0.3965; Sat(b) = 0.6, Sat(s) = 0.65.
		Color: {0.6055, 0.3555, 1}, Luminosity: {0.0945, 0.4945, 0.6945},
	}
	for mode, w := range want {
		dst := []uint32{Premultiplied(colour.Colour{R: 51, G: 153, B: 204, A: 255})}
		composite(dst, []uint32{Premultiplied(colour.Colour{R: 128, G: 64, B: 230, A: 255})}, 256, mode)
		got := channels(dst[0])
		for c := range 3 {
			if math.Abs(got[c]/255-w[c]) > 0.012 {
				t.Errorf("mode %d channel %d is %.4f, want %.4f", mode, c, got[c]/255, w[c])
			}
		}
	}
}

func TestYUVOfKnownColours(t *testing.T) {
	// From ITU-R BT.709-6 table 3, 8 bits.
	for rgb, want := range map[uint32][3]uint8{
		0xFFFFFF: {235, 128, 128}, 0x000000: {16, 128, 128}, 0xFF0000: {63, 102, 240},
		0x00FF00: {173, 42, 26}, 0x0000FF: {32, 240, 118},
	} {
		b := NewBitmap(4, 4)
		b.Fill(Premultiplied(colour.RGB(rgb)))
		out := make([]byte, YUVSize(4, 4))
		ToYUV(out, b)
		if got := [3]uint8{out[0], out[16], out[20]}; got != want {
			t.Errorf("%06x is %v, want %v", rgb, got, want)
		}
	}
}

func TestSoftGradientShowsNoBands(t *testing.T) {
	b := NewBitmap(640, 64)
	b.Shade(Gradient{Stops: []Stop{{0, colour.RGB(0x202020)}, {1, colour.RGB(0x282828)}}, Angle: 90}.Shader(Box{W: float64(b.W), H: float64(b.H)}))
	// Means of small squares rise evenly although only nine values exist.
	last := 0.0
	for x := 0; x < 640; x += 16 {
		sum := 0.0
		for y := range 16 {
			for i := range 16 {
				sum += float64(b.Pix[y*640+x+i] & 255)
			}
		}
		mean := sum / 256
		if want := 32 + 8*(float64(x)+8)/640; math.Abs(mean-want) > 0.15 || mean < last {
			t.Fatalf("at %d the mean is %.2f, want %.2f", x, mean, want)
		}
		last = mean
	}
}

func FuzzDraw(f *testing.F) {
	f.Add(1.0, 0.0, 0.0, 1.0, 3.0, 4.0)
	f.Add(1e-9, 0.0, 0.0, 1e9, 0.0, 0.0)
	f.Fuzz(func(t *testing.T, a, b, c, d, e, g float64) {
		src := random(rand.New(rand.NewSource(1)), 7, 5)
		dst := NewBitmap(16, 16)
		dst.Fill(0xFF000000)
		var br Brush
		br.Draw(dst, NewPyramid(src), Affine{a, b, c, d, e, g}, 0.7, Normal)
		for _, p := range dst.Pix {
			if p>>24 < 254 {
				t.Fatalf("an opaque frame became transparent: %08x", p)
			}
		}
	})
}

func BenchmarkDrawTurned(b *testing.B) {
	src := NewPyramid(random(rand.New(rand.NewSource(5)), 1600, 1000))
	dst := NewBitmap(1080, 1920)
	m := Scale(0.6, 0.6).Then(Rotate(7)).Then(Translate(100, 300))
	var br Brush
	b.ResetTimer()
	for range b.N {
		br.Draw(dst, src, m, 1, Normal)
	}
	b.ReportMetric(float64(b.Elapsed().Nanoseconds())/float64(b.N)/(960*600), "ns/pixel")
}

func BenchmarkToYUV(b *testing.B) {
	bm := NewBitmap(1080, 1920)
	out := make([]byte, YUVSize(1080, 1920))
	for range b.N {
		ToYUV(out, bm)
	}
}

func TestAffinesComposeAndInvert(t *testing.T) {
	rng := rand.New(rand.NewSource(6))
	for range 200 {
		m := Scale(rng.Float64()+0.1, rng.Float64()+0.1).Then(Rotate(rng.Float64() * 360)).Then(Translate(rng.NormFloat64()*100, rng.NormFloat64()*100))
		inv, ok := m.Inverse()
		if !ok {
			t.Fatalf("%v has no inverse", m)
		}
		x, y := rng.NormFloat64()*50, rng.NormFloat64()*50
		u, v := inv.Apply(m.Apply(x, y))
		if math.Hypot(u-x, v-y) > 1e-9*(1+math.Hypot(x, y))*100 {
			t.Fatalf("%v: (%g, %g) came back as (%g, %g)", m, x, y, u, v)
		}
	}
	if x, y := Rotate(90).Apply(1, 0); math.Hypot(x, y-1) > 1e-12 {
		t.Errorf("turned clockwise by 90 degrees, right becomes %g, %g; y points down", x, y)
	}
	if _, ok := Scale(0, 1).Inverse(); ok {
		t.Error("what flattens has an inverse")
	}
}

// coverage is the area that a path fills, in pixels.
func coverage(p Path) float64 {
	b := NewBitmap(200, 200)
	b.FillPath(p.Transformed(Translate(100.3, 99.6)), colour.RGB(0xFFFFFF))
	sum := 0.0
	for _, px := range b.Pix {
		sum += float64(px>>24) / 255
	}
	return sum
}

func TestShapesHaveTheirAreas(t *testing.T) {
	for name, c := range map[string]struct {
		path Path
		want float64
	}{
		"rectangle": {RoundRect(100, 60, 0), 6000},
		"disc":      {RoundRect(120, 120, 60), math.Pi * 3600},
		"rounded":   {RoundRect(100, 60, 10), 6000 - (4-math.Pi)*100},
		"pill":      {RoundRect(100, 40, 99), 60*40 + math.Pi*400},
	} {
		if got := coverage(c.path); math.Abs(got-c.want) > 0.004*c.want {
			t.Errorf("the %s covers %.1f pixels, want %.1f", name, got, c.want)
		}
	}
	// A burst lies between its inner and its outer circle.
	if a := coverage(Burst(80, 18)); a < math.Pi*80*80*0.74 || a > math.Pi*84*84 {
		t.Errorf("the burst covers %.0f pixels", a)
	}
}

func TestHalvingKeepsTheMeanOfEvenPictures(t *testing.T) {
	b := random(rand.New(rand.NewSource(8)), 64, 32)
	mean := func(b *Bitmap) (m [4]float64) {
		for _, p := range b.Pix {
			for c, v := range channels(p) {
				m[c] += v / float64(len(b.Pix))
			}
		}
		return m
	}
	p := NewPyramid(b)
	if len(p.octaves) != 6 || p.Level(6).W != 1 || p.Level(6).H != 1 {
		t.Fatalf("there are %d smaller copies", len(p.octaves))
	}
	want := mean(b)
	for n := range 5 {
		for c, v := range mean(p.Level(n)) {
			if math.Abs(v-want[c]) > 0.6*float64(n+1) {
				t.Errorf("level %d channel %d has a mean of %.2f, want %.2f", n, c, v, want[c])
			}
		}
	}
}

func TestVisibleLeavesOutDust(t *testing.T) {
	b := NewBitmap(20, 10)
	if _, ok := b.Visible(); ok {
		t.Error("an empty bitmap has something to see")
	}
	b.Pix[0] = 5 << 24 // dust in the corner
	b.Pix[3*20+7], b.Pix[6*20+11] = 0xFF000000, 200<<24
	if v, ok := b.Visible(); !ok || v != [4]int{7, 3, 12, 7} {
		t.Errorf("visible are %v", v)
	}
}

func TestOpacityMixesEvenly(t *testing.T) {
	for _, opacity := range []float64{0, 0.25, 0.5, 0.75, 1} {
		dst := NewBitmap(4, 4)
		dst.Fill(0xFF000000)
		src := NewBitmap(4, 4)
		src.Fill(0xFFFFFFFF)
		var br Brush
		br.Draw(dst, &Pyramid{Picture: src}, Identity(), opacity, Normal)
		if got := float64(dst.Pix[5] & 255); math.Abs(got-255*opacity) > 1.5 || dst.Pix[5]>>24 != 255 {
			t.Errorf("at %g, white on black is %g", opacity, got)
		}
	}
}

func TestGradientsFollowTheirAngle(t *testing.T) {
	red := func(b *Bitmap, x, y int) uint32 { return b.Pix[y*b.W+x] & 255 }
	for angle, bright := range map[float64][2]int{0: {25, 0}, 90: {49, 25}, 180: {25, 49}, 270: {0, 25}} {
		b := NewBitmap(50, 50)
		b.Shade(Gradient{Stops: []Stop{{0, colour.RGB(0)}, {1, colour.RGB(0xFFFFFF)}}, Angle: angle}.Shader(Box{W: float64(b.W), H: float64(b.H)}))
		if red(b, bright[0], bright[1]) < 248 || red(b, 49-bright[0], 49-bright[1]) > 8 {
			t.Errorf("at %g degrees the bright end is %d, the dark one %d", angle, red(b, bright[0], bright[1]), red(b, 49-bright[0], 49-bright[1]))
		}
	}
	b := NewBitmap(100, 4)
	b.Shade(Gradient{Stops: []Stop{{0, colour.RGB(0)}, {0.5, colour.RGB(0)}, {0.5, colour.RGB(0xFFFFFF)}, {1, colour.RGB(0xFFFFFF)}}, Angle: 90}.Shader(Box{W: float64(b.W), H: float64(b.H)}))
	if red(b, 48, 1) != 0 || red(b, 51, 1) != 255 {
		t.Error("two colours at one place do not make a hard edge")
	}
}

// A decoded picture has the pixels that each of its colours has by itself, for every value at
// every opacity.
func TestDecodedPicturesArePremultiplied(t *testing.T) {
	m := image.NewNRGBA(image.Rect(0, 0, 256, 256))
	for a := range 256 {
		for v := range 256 {
			m.SetNRGBA(v, a, color.NRGBA{uint8(v), uint8(255 - v), uint8(v * 7), uint8(a)})
		}
	}
	b := FromImage(m)
	for a := range 256 {
		for v := range 256 {
			var want uint32
			for i, c := range []int{v, 255 - v, v * 7 & 255} {
				want |= uint32(math.Round(float64(c)*float64(a)/255)) << (8 * i)
			}
			if got := b.Pix[a*256+v]; got != want|uint32(a)<<24 {
				t.Fatalf("%d at opacity %d is %08x, want %08x", v, a, got, want|uint32(a)<<24)
			}
		}
	}
}
