package palette

import (
	"math"
	"math/rand"
	"testing"

	"billow/core/colour"
	"billow/core/paint"
)

// striped is a picture of columns of colours, each with a share of its width, within a clear
// margin; along the edge runs a line of another colour, as spill does.
func striped(parts []Share, spill colour.Colour) *paint.Bitmap {
	const w, h, margin = 600, 400, 50
	b := paint.NewBitmap(w, h)
	for y := margin; y < h-margin; y++ {
		x, end := margin, float64(margin)
		for _, p := range parts {
			end += p.Share * (w - 2*margin)
			for ; x < int(end+0.5); x++ {
				b.Pix[y*w+x] = paint.Premultiplied(p.Colour)
				if y == margin || y == h-margin-1 || x == margin || x == w-margin-1 {
					b.Pix[y*w+x] = paint.Premultiplied(spill)
				}
			}
		}
	}
	return b
}

func TestMainColoursOfKnownShares(t *testing.T) {
	parts := []Share{{colour.RGB(0x2F6B6A), 0.5}, {colour.RGB(0xF0C040), 0.3}, {colour.RGB(0xC03018), 0.15}, {colour.RGB(0xFCFAF5), 0.05}}
	got := Main(striped(parts, colour.RGB(0x00FF00)))
	if len(got) != len(parts) {
		t.Fatalf("there are %d main colours: %v", len(got), got)
	}
	for i, want := range parts {
		if got[i].Colour != want.Colour || math.Abs(got[i].Share-want.Share) > 0.02 {
			t.Errorf("colour %d is %v with %.3f, want %v with %.2f", i, got[i].Colour, got[i].Share, want.Colour, want.Share)
		}
	}
}

// Shading of one colour is one main colour, and noise does not make more.
func TestShadesOfOneColourAreFew(t *testing.T) {
	r := rand.New(rand.NewSource(4))
	b := paint.NewBitmap(300, 300)
	for i := range b.Pix {
		v := 0.94 + 0.06*float64(i%300)/300 + 0.01*r.Float64()
		b.Pix[i] = paint.Premultiplied(colour.FromFloats(0xC0*v, 0x50*v, 0x30*v, 255))
	}
	if got := Main(b); len(got) != 1 {
		t.Errorf("there are %d main colours: %v", len(got), got)
	}
	if got := Main(paint.NewBitmap(40, 30)); len(got) != 0 {
		t.Errorf("nothing has main colours: %v", got)
	}
}

// Whatever the picture is like, every proposal can be read, and the thing stands out from its
// ground.
func TestProposalsCanBeRead(t *testing.T) {
	r := rand.New(rand.NewSource(11))
	mains := [][]Share{nil, {{colour.RGB(0), 1}}, {{colour.RGB(0xFFFFFF), 1}}, {{colour.RGB(0x808080), 1}}, {{colour.RGB(0xFF0000), 1}}, {{colour.RGB(0x0000FF), 1}}, {{colour.RGB(0xFFFF00), 1}}}
	for range 300 {
		left, list := 1.0, []Share(nil)
		for range 1 + r.Intn(6) {
			s := left * (0.3 + 0.5*r.Float64())
			list = append(list, Share{colour.RGB(uint32(r.Intn(1 << 24))), s})
			left -= s
		}
		mains = append(mains, list)
	}
	for _, main := range mains {
		all := Proposals(main)
		if len(all) != 4 {
			t.Fatalf("there are %d proposals", len(all))
		}
		seen := map[colour.Colour]bool{}
		for _, p := range all {
			seen[p.Top] = true
			for _, c := range []struct {
				what  string
				a, b  colour.Colour
				ratio float64
			}{
				{"words above", p.Ink, p.Top, 4.5}, {"words below", p.Ink, p.Bottom, 4.5}, {"emphasis above", p.Accent, p.Top, 4.5},
				{"emphasis below", p.Accent, p.Bottom, 4.5}, {"words on a plate", p.On, p.Plate, 4.5}, {"words on a card", p.OnCard, p.Card, 4.5},
				{"a plate above", p.Plate, p.Top, 3}, {"a plate below", p.Plate, p.Bottom, 3},
			} {
				if got := colour.Contrast(c.a, c.b); got < c.ratio {
					t.Errorf("%s, %s: %v on %v has a contrast of %.2f for %v", p.ID, c.what, c.a, c.b, got, main)
				}
			}
			if len(main) > 0 {
				v := main[0].Colour
				lead := colour.OKLab(float64(v.R), float64(v.G), float64(v.B))
				if d := apart(lead, colour.OKLab(float64(p.Bottom.R), float64(p.Bottom.G), float64(p.Bottom.B))); d < 0.12 {
					t.Errorf("%s: %v hardly stands out from %v: %.3f", p.ID, v, p.Bottom, d)
				}
			}
		}
		if len(seen) < 3 {
			t.Errorf("of four proposals for %v only %d differ", main, len(seen))
		}
	}
}

func BenchmarkMain(b *testing.B) {
	r := rand.New(rand.NewSource(1))
	m := paint.NewBitmap(2000, 1500)
	for i := range m.Pix {
		m.Pix[i] = 0xFF000000 | r.Uint32()&0x3F3F3F | uint32(i%2000/400*40)
	}
	for b.Loop() {
		Main(m)
	}
}

// Colours that are given stay as they are where they can be read, in another order if need be.
func TestAPaletteOfGivenColoursKeepsThem(t *testing.T) {
	teal, buoy, chalk, harbour := colour.RGB(0x2F6B6A), colour.RGB(0xDD4F28), colour.RGB(0xFCFAF5), colour.RGB(0x173F47)
	p := Of([]colour.Colour{chalk, buoy, harbour})
	if p.Top != chalk || p.Plate != buoy || p.Ink != harbour {
		t.Errorf("the ground is %v, what stands out %v, words are %v", p.Top, p.Plate, p.Ink)
	}
	// Buoy on teal has a contrast of 1.5: they change places with what can be read.
	p = Of([]colour.Colour{teal, buoy, chalk, harbour})
	if p.Top != chalk || p.Plate != buoy || p.Ink != harbour {
		t.Errorf("the ground is %v, what stands out %v, words are %v", p.Top, p.Plate, p.Ink)
	}
	for _, given := range [][]colour.Colour{{teal}, {teal, teal, teal}, {colour.RGB(0x777777), colour.RGB(0x808080)}} {
		p := Of(given)
		if colour.Contrast(p.Ink, p.Top) < 4.5 || colour.Contrast(p.Ink, p.Bottom) < 4.5 || colour.Contrast(p.Plate, p.Top) < 3 || colour.Contrast(p.On, p.Plate) < 4.5 {
			t.Errorf("of %v comes what cannot be read: %+v", given, p)
		}
	}
}
