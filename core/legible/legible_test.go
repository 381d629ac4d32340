package legible

import (
	"math"
	"testing"

	"billow/core/colour"
)

func flat(frame int, c colour.Colour) Ground {
	g := Ground{Frame: frame}
	for range 100 {
		g.Pixels = append(g.Pixels, c)
	}
	return g
}

// Contrasts that the W3C gives: #767676 is the lightest grey that 4.5 is reached on by white.
func TestContrastIsThatOfWCAG(t *testing.T) {
	white := colour.RGB(0xFFFFFF)
	for _, c := range []struct {
		behind uint32
		want   float64
	}{{0x000000, 21}, {0xFFFFFF, 1}, {0x767676, 4.54}, {0x777777, 4.48}, {0x0000FF, 8.59}, {0xFF0000, 4.0}} {
		got, _ := Measured([]Ground{flat(0, colour.RGB(c.behind))}).Least(white)
		if math.Abs(got-c.want) > 0.005 {
			t.Errorf("white on #%06x has %.3f, want %.2f", c.behind, got, c.want)
		}
	}
}

// The worst frame counts; a twentieth of its pixels does not.
func TestTheWorstFrameCounts(t *testing.T) {
	white, grey := colour.RGB(0xFFFFFF), colour.RGB(0x808080)
	dark, bright := flat(10, colour.RGB(0)), flat(40, colour.RGB(0xA0A0A0))
	got, at := Measured([]Ground{dark, bright, flat(70, colour.RGB(0x202020))}).Least(white)
	if want := colour.Contrast(white, colour.RGB(0xA0A0A0)); got != want || at != 40 {
		t.Errorf("the least is %.2f on frame %d, want %.2f on 40", got, at, want)
	}
	glint := flat(0, colour.RGB(0))
	for i := range 5 {
		glint.Pixels[20*i] = white
	}
	if got, _ := Measured([]Ground{glint}).Least(white); got != 21 {
		t.Errorf("with a glint, white on black has %.2f", got)
	}
	glint.Pixels[7], glint.Pixels[8] = grey, grey
	if got, _ := Measured([]Ground{glint}).Least(white); math.Abs(got-colour.Contrast(white, grey)) > 1e-9 {
		t.Errorf("with more than a twentieth of lighter pixels, it has %.2f", got)
	}
}

func TestProposalsReachTheContrastAndTheBrandComesFirst(t *testing.T) {
	orange, teal, pale := colour.RGB(0xDD4F28), colour.RGB(0x173F47), colour.RGB(0xF3EEE4)
	for _, behind := range []uint32{0xFFFFFF, 0x000000, 0xF3EEE4, 0x2C7A68, 0x804020, 0xC0C0C0} {
		g := Measured([]Ground{flat(0, colour.RGB(behind)), flat(9, beside(behind))})
		list := g.Proposals(4.5, []colour.Colour{orange, teal, pale}, []colour.Colour{teal})
		if len(list) == 0 {
			t.Errorf("nothing is proposed on #%06x", behind)
		}
		seen := false // one that is not the brand's
		for _, p := range list {
			for _, on := range []colour.Colour{colour.RGB(behind), beside(behind)} {
				if c := colour.Contrast(p.Colour, on); c < 4.5 || c < p.Contrast-0.001 {
					t.Errorf("%s is proposed on %s with %.2f; it has %.2f", p.Colour, on, p.Contrast, c)
				}
			}
			if seen && p.Brand {
				t.Errorf("on #%06x a colour of the brand comes after others", behind)
			}
			seen = seen || !p.Brand
		}
	}
}

// beside is a colour a little lighter or darker.
func beside(hex uint32) colour.Colour {
	c := colour.RGB(hex)
	shift := func(v uint8) uint8 {
		if hex > 0x800000 {
			return v - v/16
		}
		return v + (255-v)/16
	}
	c.R, c.G, c.B = shift(c.R), shift(c.G), shift(c.B)
	return c
}

// On black and white at once no colour can be read; a veil helps, and is no darker than needed.
func TestAVeilHelpsWhereNoColourDoes(t *testing.T) {
	g := Measured([]Ground{flat(0, colour.RGB(0)), flat(5, colour.RGB(0xFFFFFF))})
	if list := g.Proposals(4.5, nil, nil); len(list) != 0 {
		t.Errorf("on black and white %v is proposed", list)
	}
	white := colour.RGB(0xFFFFFF)
	veil, opacity, ok := g.Shade(white, 4.5)
	shown := func(percent int) colour.Colour {
		v := uint8(math.Round(255 * (1 - float64(percent)/100)))
		return colour.Colour{R: v, G: v, B: v, A: 255}
	}
	if !ok || veil != colour.RGB(0) || colour.Contrast(white, shown(opacity)) < 4.5 || colour.Contrast(white, shown(opacity-5)) >= 4.5 {
		t.Errorf("the veil is %s at %d%%, %t", veil, opacity, ok)
	}
	if veil, _, _ := g.Shade(colour.RGB(0x101010), 4.5); veil != white {
		t.Errorf("behind dark words the veil is %s", veil)
	}
	if _, _, ok := g.Shade(colour.RGB(0x808080), 7); ok {
		t.Error("a veil lets middle grey reach 7")
	}
}

func TestNothingMeasuredProposesNothing(t *testing.T) {
	if g := Measured([]Ground{{Frame: 3}}); !g.None() {
		t.Error("a ground without pixels is one")
	}
}

func TestAPlateLetsWordsBeRead(t *testing.T) {
	brand := []colour.Colour{colour.RGB(0xDD4F28), colour.RGB(0x123456)}
	for _, words := range []uint32{0xFFFFFF, 0x000000, 0xF6C667, 0x2F6B6A, 0x999999} {
		plain := Plate(colour.RGB(words), nil)
		if c := colour.Contrast(colour.RGB(words), plain); c < 3 {
			t.Errorf("#%06x on %s has %.2f", words, plain, c)
		}
	}
	if got := Plate(colour.RGB(0xFFFFFF), brand); got != brand[1] {
		t.Errorf("of the brand, white words get %s", got)
	}
}
