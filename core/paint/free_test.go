package paint

import (
	"math"
	"testing"

	"billow/core/colour"
)

func shaded(w, h int, s Shader) *Bitmap {
	b := NewBitmap(w, h)
	b.Shade(s)
	return b
}

// At a point is its colour, and half way between two alike far ones their mean in OKLab.
func TestAFreeGradientHasItsColoursAtItsPoints(t *testing.T) {
	red, blue := colour.RGB(0xD03020), colour.RGB(0x2040C0)
	b := shaded(400, 200, FreeGradient{{0.1, 0.5, red}, {0.9, 0.5, blue}}.Shader(Box{W: 400, H: 200}))
	near := func(x, y int, want colour.Colour) {
		t.Helper()
		p := b.Pix[y*b.W+x]
		for k, v := range []uint8{want.R, want.G, want.B} {
			if d := int(p>>(8*k)&255) - int(v); d < -2 || d > 2 {
				t.Errorf("at %d,%d channel %d is %d, want %d", x, y, k, p>>(8*k)&255, v)
				return
			}
		}
	}
	near(40, 100, red)
	near(360, 100, blue)
	p, q := colour.OKLab(208, 48, 32), colour.OKLab(32, 64, 192)
	r, g, bl := colour.Lab{L: (p.L + q.L) / 2, A: (p.A + q.A) / 2, B: (p.B + q.B) / 2}.SRGB()
	near(200, 100, colour.FromFloats(r, g, bl, 255))
	near(200, 20, colour.FromFloats(r, g, bl, 255)) // as far from both
}

// It is smooth: between neighbouring pixels nothing jumps by more than dither does, also
// across the squares at whose corners it is worked out.
func TestAFreeGradientIsSmooth(t *testing.T) {
	g := FreeGradient{{0.2, 0.2, colour.RGB(0xF0C040)}, {0.8, 0.3, colour.RGB(0x206060)}, {0.5, 0.9, colour.RGB(0xC03018)}}
	b := shaded(540, 960, g.Shader(Box{W: 540, H: 960}))
	for y := range b.H - 1 {
		for x := range b.W - 1 {
			p := b.Pix[y*b.W+x]
			for _, q := range []uint32{b.Pix[y*b.W+x+1], b.Pix[(y+1)*b.W+x]} {
				for k := 0; k < 24; k += 8 {
					if d := int(p>>k&255) - int(q>>k&255); d < -4 || d > 4 {
						t.Fatalf("at %d,%d a channel jumps by %d", x, y, d)
					}
				}
			}
		}
	}
}

// A clear point lends its place no colour.
func TestAClearPointHasNoColour(t *testing.T) {
	clear := colour.Colour{R: 0, G: 255, B: 0, A: 0}
	b := shaded(200, 200, FreeGradient{{0, 0, colour.RGB(0xFFFFFF)}, {1, 1, clear}}.Shader(Box{W: 200, H: 200}))
	for i, p := range b.Pix {
		a := p >> 24
		for k := 0; k < 24; k += 8 {
			if v := p >> k & 255; v > a || v+1 < a {
				t.Fatalf("pixel %d is %08x, which is not white", i, p)
			}
		}
	}
	if a := b.Pix[len(b.Pix)-1] >> 24; a > 2 {
		t.Errorf("at the clear point it covers %d of 255", a)
	}
}

// A conic gradient from black to white tells the direction of each pixel.
func TestAConicGradientGoesRoundItsCentre(t *testing.T) {
	for _, from := range []float64{0, 35, 180, 270, 359} {
		g := Gradient{Run: Conic, Stops: []Stop{{0, colour.RGB(0)}, {1, colour.RGB(0xFFFFFF)}}, Angle: from, X: 0.5, Y: 0.4}
		b := NewBitmap(120, 80)
		b.Shade(g.Shader(Box{W: 120, H: 80}))
		for i, p := range b.Pix {
			x, y := float64(i%120)+0.5-60, float64(i/120)+0.5-32
			turns := math.Atan2(x, -y)/(2*math.Pi) - from/360
			want := 255 * (turns - math.Floor(turns))
			if got := float64(p & 255); math.Abs(got-want) > 1 && math.Abs(got-want) < 254 {
				t.Fatalf("from %g, at %g,%g it is %g, not %g", from, x, y, got, want)
			}
		}
	}
}

func BenchmarkGradients(b *testing.B) {
	stops := []Stop{{0, colour.RGB(0x2F6B6A)}, {0.4, colour.RGB(0xF0C040)}, {1, colour.RGB(0x173F47)}}
	free := FreeGradient{{0.2, 0.2, colour.RGB(0xF0C040)}, {0.8, 0.3, colour.RGB(0x206060)}, {0.5, 0.9, colour.RGB(0xC03018)}, {0.1, 0.8, colour.RGB(0x173F47)}, {0.9, 0.9, colour.RGB(0xFCFAF5)}, {0.5, 0.5, colour.RGB(0x2F6B6A)}}
	box := Box{W: 1080, H: 1920}
	dst := NewBitmap(1080, 1920)
	for _, g := range []struct {
		name   string
		shader func() Shader
	}{
		{"linear", func() Shader { return Gradient{Stops: stops, Angle: 160}.Shader(box) }},
		{"radial", func() Shader { return Gradient{Run: Radial, Stops: stops, X: 0.5, Y: 0.4, Reach: 1}.Shader(box) }},
		{"conic", func() Shader { return Gradient{Run: Conic, Stops: stops, X: 0.5, Y: 0.4}.Shader(box) }},
		{"free", func() Shader { return free.Shader(box) }},
	} {
		b.Run(g.name, func(b *testing.B) {
			for range b.N {
				dst.Shade(g.shader())
			}
		})
	}
}
