package palette

import (
	"math"

	"billow/core/colour"
)

// Contrasts that proposals reach: of words to what is behind them, and of things that stand
// out (WCAG 2.2, sections 1.4.3 and 1.4.11).
const (
	ForWords  = 4.5
	ForThings = 3.0
)

// lch is a colour by its lightness (0..1), how colourful it is (0 is grey) and its hue (degrees).
type lch struct{ l, c, h float64 }

// Vividness is the chroma of a colour in OKLCH, 0 for greys to about 0.37.
func Vividness(c colour.Colour) float64 { return lchOf(c).c }

func lchOf(c colour.Colour) lch {
	v := colour.OKLab(float64(c.R), float64(c.G), float64(c.B))
	return lch{v.L, math.Sqrt(v.A*v.A + v.B*v.B), math.Atan2(v.B, v.A) * 180 / math.Pi}
}

// colour is the colour, made less colourful where a screen has none that is so colourful.
func (v lch) colour() colour.Colour {
	sin, cos := math.Sincos(v.h * math.Pi / 180)
	l := min(max(v.l, 0), 1)
	for c := v.c; ; c *= 0.92 {
		lab := colour.Lab{L: l, A: c * cos, B: c * sin}
		r, g, b := lab.SRGB()
		if c < 0.002 || apart(colour.OKLab(r, g, b), lab) < 0.004 {
			return colour.FromFloats(r, g, b, 255)
		}
	}
}

// Legible is the colour nearest in lightness to another that reaches a contrast to all of some
// others, or the one of black and white that comes nearer to it.
func Legible(c colour.Colour, ratio float64, on ...colour.Colour) colour.Colour {
	return lchOf(c).legible(ratio, on...)
}

// legible is the colour nearest in lightness that reaches a contrast to all of some others, or
// the one of black and white that comes nearer to it.
func (v lch) legible(ratio float64, on ...colour.Colour) colour.Colour {
	least := func(c colour.Colour) float64 {
		out := 21.0
		for _, o := range on {
			out = min(out, colour.Contrast(c, o))
		}
		return out
	}
	for step := 0.0; step <= 1; step += 0.01 {
		for _, way := range [2]float64{-1, 1} {
			if c := (lch{v.l + way*step, v.c, v.h}).colour(); least(c) >= ratio {
				return c
			}
		}
	}
	black, white := colour.RGB(0), colour.RGB(0xFFFFFF)
	if least(black) > least(white) {
		return black
	}
	return white
}

// scheme is how a proposal is made of a hue: the ground's lightness at its top and at its
// bottom, and how colourful it is, and of its other colours how far their hues are turned.
type scheme struct {
	id, name    string
	turn        float64 // of the ground's hue
	top, bottom float64
	c           float64
	ink         lch     // the hue is turned from the ground's
	accentTurn  float64 // of what stands out, where the picture has one striking hue alone
	accent      lch
	plate       lch
}

var schemes = []scheme{
	{"tone", "Tone on tone", 0, 0.95, 0.88, 0.035, lch{0.3, 0.05, 0}, 0, lch{0.5, 0.15, 0}, lch{0.5, 0.15, 0}},
	{"deep", "Deep", 0, 0.3, 0.4, 0.06, lch{0.97, 0.01, 0}, 40, lch{0.84, 0.13, 0}, lch{0.82, 0.15, 0}},
	{"opposite", "Opposite", 180, 0.92, 0.84, 0.065, lch{0.27, 0.05, 0}, 0, lch{0.46, 0.15, 0}, lch{0.48, 0.16, 0}},
	{"bright", "Bright", 0, 0.86, 0.78, 0.095, lch{0.22, 0.05, 0}, 180, lch{0.32, 0.11, 0}, lch{0.34, 0.11, 0}},
}

// clear is how far, in OKLab, the ground is kept from the picture's largest colour, so that
// the thing stands out from it.
const clear = 0.16

// warm is the hue that goes with what is grey: of amber.
const warm = 70

// Proposals are four palettes that go with the main colours of a picture: ground, words and
// things that stand out, all of which can be told apart and read. The ground goes by its most
// striking colour, what stands out by the most striking one of another hue.
func Proposals(main []Share) []Palette {
	first := striking(main, func(float64) bool { return true })
	second := striking(main, func(hue float64) bool { return first != nil && turned(hue, first.h) > 35 })
	hue, lead := float64(warm), colour.RGB(0x808080)
	if first != nil {
		hue = first.h
	}
	if len(main) > 0 {
		lead = main[0].Colour
	}
	var out []Palette
	for _, s := range schemes {
		to := hue + s.accentTurn
		if second != nil {
			to = second.h
		}
		out = append(out, s.palette(hue, to, lead))
	}
	return out
}

// striking is the colour of some hues that strikes most: by how colourful it is, and by the root
// of its share. Nearly grey ones have no hue.
func striking(main []Share, of func(hue float64) bool) *lch {
	var out *lch
	most := 0.0
	for _, s := range main {
		v := lchOf(s.Colour)
		if weight := v.c * math.Sqrt(s.Share); v.c > 0.03 && weight > most && of(v.h) {
			most, out = weight, &v
		}
	}
	return out
}

// turned is by how many degrees two hues differ.
func turned(a, b float64) float64 {
	d := math.Abs(math.Mod(a-b, 360))
	return min(d, 360-d)
}

func (s scheme) palette(hue, to float64, lead colour.Colour) Palette {
	ground := hue + s.turn
	top, bottom := s.ground(ground, lead)
	with := func(v lch, hue float64) lch { return lch{v.l, v.c, hue + v.h} }
	p := Palette{ID: s.id, Name: s.name, Top: top, Bottom: bottom}
	p.Ink = with(s.ink, ground).legible(ForWords, top, bottom)
	p.Accent = with(s.accent, to).legible(ForWords, top, bottom)
	p.Plate = with(s.plate, to).legible(ForThings, top, bottom)
	p.On = on(p.Plate, to)
	p.Card = lch{0.985, 0.008, ground}.colour()
	p.OnCard = lch{0.3, 0.05, ground}.legible(ForWords, p.Card)
	p.Shade = lch{0.16, 0.03, ground}.colour()
	middle := lchOf(bottom)
	p.Glow = lch{min(0.97, middle.l+0.1), middle.c * 0.8, to}.colour()
	return p
}

// ground is the colours of the ground, lightened or darkened until the picture's largest one
// stands out.
func (s scheme) ground(hue float64, lead colour.Colour) (top, bottom colour.Colour) {
	l := lchOf(lead)
	for step := 0.0; step < 0.8; step += 0.02 {
		for _, way := range [2]float64{1, -1} {
			top, bottom = lch{s.top + way*step, s.c, hue}.colour(), lch{s.bottom + way*step, s.c, hue}.colour()
			if far(top, l) >= clear && far(bottom, l) >= clear && s.bottom+way*step < 0.96 && readable(top, bottom) {
				return top, bottom
			}
		}
	}
	return lch{s.top, s.c, hue}.colour(), lch{s.bottom, s.c, hue}.colour()
}

// on is the colour of words on something: nearly white, or else dark.
func on(c colour.Colour, hue float64) colour.Colour {
	light := lch{0.985, 0.008, hue}.colour()
	if colour.Contrast(light, c) >= ForWords {
		return light
	}
	return lch{0.25, 0.05, hue}.legible(ForWords, c)
}

// readable tells whether black or white can be read on both of two colours.
func readable(a, b colour.Colour) bool {
	for _, ink := range [2]colour.Colour{colour.RGB(0), colour.RGB(0xFFFFFF)} {
		if min(colour.Contrast(ink, a), colour.Contrast(ink, b)) >= ForWords {
			return true
		}
	}
	return false
}

// far is how far, in OKLab, a colour is from another one.
func far(c colour.Colour, from lch) float64 {
	sin, cos := math.Sincos(from.h * math.Pi / 180)
	return apart(colour.OKLab(float64(c.R), float64(c.G), float64(c.B)), colour.Lab{L: from.l, A: from.c * cos, B: from.c * sin})
}

// arranged is colours in the order in which the first can be the ground, the second what stands
// out and the third the words: as they are, or as few places away as it takes for these to be
// told apart.
func arranged(given []colour.Colour) []colour.Colour {
	if len(given) < 3 {
		return given
	}
	best, least := given, math.Inf(1)
	for g, ground := range given {
		for t, thing := range given {
			for i, ink := range given {
				if g == t || g == i || t == i {
					continue
				}
				off := 0.1 * (math.Abs(float64(g)) + math.Abs(float64(t-1)) + math.Abs(float64(i-2)))
				if colour.Contrast(thing, ground) < ForThings {
					off++
				}
				if colour.Contrast(ink, ground) < ForWords {
					off++
				}
				if off < least {
					best, least = []colour.Colour{ground, thing, ink}, off
				}
			}
		}
	}
	return best
}

// Of is a palette of colours that are given: best the first of the ground, the second of what
// stands out, the third of words; but in another order where these could not be told apart.
// They stay as they are where they can be read, and change in lightness alone where not; what is
// not given goes with the first.
func Of(given []colour.Colour) Palette {
	given = arranged(given)
	opaque := func(i int) (c lch, ok bool) {
		if i >= len(given) {
			return lch{}, false
		}
		own := given[i]
		own.A = 255
		return lchOf(own), true
	}
	ground, _ := opaque(0)
	thing, ok := opaque(1)
	if !ok {
		thing = lch{0.5, 0.15, ground.h + 180}
	}
	ink, ok := opaque(2)
	if !ok {
		ink = lch{0.97, 0.01, ground.h}
		if ground.l > 0.6 {
			ink = lch{0.27, 0.05, ground.h}
		}
	}
	by := 0.06
	if ground.l > 0.5 {
		by = -0.06
	}
	p := Palette{Top: ground.colour(), Bottom: lch{ground.l + by, ground.c, ground.h}.colour()}
	if !readable(p.Top, p.Bottom) {
		p.Bottom = p.Top
	}
	p.Ink = ink.legible(ForWords, p.Top, p.Bottom)
	p.Accent = thing.legible(ForWords, p.Top, p.Bottom)
	p.Plate = thing.legible(ForThings, p.Top, p.Bottom)
	p.On = on(p.Plate, thing.h)
	p.Card = lch{0.985, 0.008, ground.h}.colour()
	p.OnCard = lch{0.3, 0.05, ground.h}.legible(ForWords, p.Card)
	p.Shade = lch{0.16, 0.03, ground.h}.colour()
	p.Glow = lch{min(0.97, lchOf(p.Bottom).l+0.1), ground.c * 0.8, thing.h}.colour()
	return p
}
