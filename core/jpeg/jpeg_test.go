package jpeg

import (
	"bytes"
	"image"
	"image/color"
	"image/jpeg"
	"math"
	"os"
	"path/filepath"
	"testing"

	"billow/core/paint"
)

// wavy is a picture of slow waves in each channel, as a function of a place in pixels.
func wavy(x, y float64) (r, g, b float64) {
	return 128 + 90*math.Cos(x/19)*math.Cos(y/23), 128 + 80*math.Sin((x+y)/31), 128 + 70*math.Cos((x-y)/27)
}

func encoded(t testing.TB, m image.Image, quality int) []byte {
	t.Helper()
	var out bytes.Buffer
	if err := jpeg.Encode(&out, m, &jpeg.Options{Quality: quality}); err != nil {
		t.Fatal(err)
	}
	return out.Bytes()
}

func waves(w, h int) *image.RGBA {
	m := image.NewRGBA(image.Rect(0, 0, w, h))
	for y := range h {
		for x := range w {
			r, g, b := wavy(float64(x)+0.5, float64(y)+0.5)
			m.Set(x, y, color.RGBA{uint8(r + 0.5), uint8(g + 0.5), uint8(b + 0.5), 255})
		}
	}
	return m
}

// apart is the mean and the largest difference of two bitmaps, over all channels.
func apart(t testing.TB, a, b *paint.Bitmap) (mean, most float64) {
	t.Helper()
	if a.W != b.W || a.H != b.H {
		t.Fatalf("%d x %d is compared with %d x %d", a.W, a.H, b.W, b.H)
	}
	for i, p := range a.Pix {
		for s := 0; s < 32; s += 8 {
			d := math.Abs(float64(p>>s&255) - float64(b.Pix[i]>>s&255))
			mean += d
			most = max(most, d)
		}
	}
	return mean / float64(4*len(a.Pix)), most
}

func decoded(t testing.TB, b []byte, eighths int) *paint.Bitmap {
	t.Helper()
	var d Decoder
	out := &paint.Bitmap{}
	if err := d.Colours(b, eighths, out); err != nil {
		t.Fatal(err)
	}
	return out
}

// Light is the same as the standard library's decoder has it, to a level; where there is a sample
// of colour for each pixel, so are colours.
func TestPicturesAreAsTheStandardDecoderHasThem(t *testing.T) {
	files, err := filepath.Glob("testdata/*.jpg")
	if err != nil || len(files) < 2 {
		t.Fatal(files, err)
	}
	cases := map[string][]byte{}
	for _, f := range files {
		b, err := os.ReadFile(f)
		if err != nil {
			t.Fatal(err)
		}
		cases[filepath.Base(f)] = b
	}
	grey := image.NewGray(image.Rect(0, 0, 75, 41))
	for i := range grey.Pix {
		grey.Pix[i] = uint8(i * i >> 5)
	}
	cases["grey"] = encoded(t, grey, 90)
	cases["waves"] = encoded(t, waves(131, 77), 95)
	for name, b := range cases {
		m, err := jpeg.Decode(bytes.NewReader(b))
		if err != nil {
			t.Fatal(err)
		}
		mean, most := apart(t, decoded(t, b, 8), paint.FromImage(m))
		// Where four pixels share their colour, ours lies between the samples and theirs does not.
		limit, worst := 0.4, 4.0
		if name == "restarts.jpg" {
			limit, worst = 4, 130
		} else if name == "waves" {
			limit, worst = 1.5, 16
		}
		if mean > limit || most > worst {
			t.Errorf("%s: %.3f levels apart, %.0f at most", name, mean, most)
		}
	}
}

// At fewer eighths a picture shows the same thing, sampled where its pixels then lie.
func TestFewerEighthsShowTheSame(t *testing.T) {
	b := encoded(t, waves(240, 160), 100)
	for n := 1; n <= 8; n++ {
		got := decoded(t, b, n)
		if got.W != 240*n/8 || got.H != 160*n/8 {
			t.Fatalf("at %d eighths it has %d x %d pixels", n, got.W, got.H)
		}
		k := 8 / float64(n)
		worst := 0.0
		for y := 1; y < got.H-1; y++ {
			for x := 1; x < got.W-1; x++ {
				r, g, bl := wavy((float64(x)+0.5)*k, (float64(y)+0.5)*k)
				p := got.Pix[y*got.W+x]
				worst = max(worst, math.Abs(r-float64(p&255)), math.Abs(g-float64(p>>8&255)), math.Abs(bl-float64(p>>16&255)))
			}
		}
		// An eighth is the mean of 8 by 8 pixels, in which these waves bend a little; the shared
		// colours lie half a pixel of the whole to the left, as video has them.
		if worst > 9 {
			t.Errorf("at %d eighths a pixel is %.1f levels off", n, worst)
		}
	}
}

func TestAMatteIsTheOpacityOfItsPicture(t *testing.T) {
	m := waves(64, 48)
	matte := image.NewGray(m.Rect)
	for y := range 48 {
		for x := range 64 {
			matte.Pix[y*matte.Stride+x] = uint8(min(max((x-16)*8, 0), 255))
		}
	}
	var d Decoder
	got := &paint.Bitmap{}
	if err := d.Colours(encoded(t, m, 95), 8, got); err != nil {
		t.Fatal(err)
	}
	if err := d.Alpha(encoded(t, matte, 100), 8, got); err != nil {
		t.Fatal(err)
	}
	for x := range 64 {
		p := got.Pix[20*64+x]
		want := float64(min(max((x-16)*8, 0), 255))
		if a := float64(p >> 24); math.Abs(a-want) > 3 {
			t.Errorf("pixel %d is %.0f opaque, want %.0f", x, a, want)
		}
		if a := p >> 24; p&255 > a || p>>8&255 > a || p>>16&255 > a {
			t.Errorf("pixel %d has more colour than opacity: %08x", x, p)
		}
	}
	if got.Pix[5] != 0 || got.Pix[60]>>24 != 255 {
		t.Errorf("what is clear is %08x, what is opaque %08x", got.Pix[5], got.Pix[60])
	}
	small := &paint.Bitmap{}
	if err := d.Colours(encoded(t, waves(32, 32), 90), 8, small); err != nil || d.Alpha(encoded(t, matte, 90), 8, small) == nil {
		t.Error("a matte of another size was taken")
	}
}

func TestDamageIsToldAndHurtsNothing(t *testing.T) {
	b := encoded(t, waves(200, 120), 90)
	var d Decoder
	out := &paint.Bitmap{}
	for _, n := range []int{0, 1, 2, 20, 200, len(b) / 2} {
		if err := d.Colours(b[:n], 8, out); err == nil {
			t.Errorf("%d of %d bytes are taken for a picture", n, len(b))
		}
	}
	if err := d.Colours(b, 8, out); err != nil {
		t.Errorf("after that a good one is refused: %v", err)
	}
	if w, h, err := Size(b); w != 200 || h != 120 || err != nil {
		t.Errorf("it has %d x %d pixels: %v", w, h, err)
	}
}

func FuzzDecode(f *testing.F) {
	f.Add(encoded(f, waves(40, 24), 80), uint8(8))
	f.Add(encoded(f, image.NewGray(image.Rect(0, 0, 17, 9)), 80), uint8(3))
	for _, name := range []string{"each", "restarts"} {
		b, err := os.ReadFile("testdata/" + name + ".jpg")
		if err != nil {
			f.Fatal(err)
		}
		f.Add(b, uint8(5))
	}
	f.Fuzz(func(t *testing.T, b []byte, n uint8) {
		var d Decoder
		out := &paint.Bitmap{}
		if w, h, err := Size(b); err != nil || w*h > 1<<20 {
			return
		}
		if d.Colours(b, int(n%8)+1, out) == nil && d.Alpha(b, int(n%8)+1, out) != nil {
			t.Error("what has colours has no light and dark")
		}
	})
}

// detailed is a picture with as much detail as a photo has.
func detailed(w, h int) *image.RGBA {
	m := waves(w, h)
	seed := uint32(1)
	for i := range m.Pix {
		seed = seed*1664525 + 1013904223
		if i%4 != 3 {
			m.Pix[i] = uint8(min(max(int(m.Pix[i])+int(seed>>28)-8, 0), 255))
		}
	}
	return m
}

// BenchmarkDecode decodes a frame of 1080x1920 of much detail, and says how many times longer the
// standard library takes to decode it without making pixels of it.
func BenchmarkDecode(b *testing.B) {
	in := encoded(b, detailed(1080, 1920), 88)
	for _, n := range []int{8, 5, 4} {
		b.Run(map[int]string{8: "whole", 5: "five eighths", 4: "half"}[n], func(b *testing.B) {
			var d Decoder
			out := &paint.Bitmap{}
			for b.Loop() {
				if err := d.Colours(in, n, out); err != nil {
					b.Fatal(err)
				}
			}
			b.ReportMetric(float64(len(in))/1024, "kB")
		})
	}
	b.Run("standard", func(b *testing.B) {
		for b.Loop() {
			if _, err := jpeg.Decode(bytes.NewReader(in)); err != nil {
				b.Fatal(err)
			}
		}
	})
}
