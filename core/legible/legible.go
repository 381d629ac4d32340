// Package legible tells whether words can be read on what is behind them, and in which
// colours they could be. Contrast is that of WCAG 2.2, section 1.4.3.
package legible

import (
	"math"
	"slices"

	"billow/core/colour"
	"billow/core/palette"
)

// Ground is what lies behind words on a frame: pixels, opaque.
type Ground struct {
	Frame  int
	Pixels []colour.Colour
}

// left is the share of pixels that need not reach a contrast: a glint does not hide a word.
const left = 0.05

// LargeFrom is the size from which letters count as large, units: 24 px where a picture is
// 360 px wide, as on a telephone.
const LargeFrom = 67

// Wanted is the contrast that words of a size in units need.
func Wanted(size float64) float64 {
	if size >= LargeFrom {
		return palette.ForThings
	}
	return palette.ForWords
}

// Grounds are what is behind words over time.
type Grounds struct {
	frames []int
	light  [][]float64 // relative luminance of pixels, ascending
	pixels [][]colour.Colour
}

// Measured are grounds that can be compared with colours.
func Measured(list []Ground) Grounds {
	var g Grounds
	for _, one := range list {
		if len(one.Pixels) == 0 {
			continue
		}
		light := make([]float64, len(one.Pixels))
		for i, p := range one.Pixels {
			light[i] = colour.Luminance(p)
		}
		slices.Sort(light)
		g.frames, g.light, g.pixels = append(g.frames, one.Frame), append(g.light, light), append(g.pixels, one.Pixels)
	}
	return g
}

// None tells that nothing was measured.
func (g Grounds) None() bool { return len(g.frames) == 0 }

// Least is the contrast that a colour keeps to what is behind it over the whole time, and
// the frame on which it is least. A twentieth of the pixels is left out.
func (g Grounds) Least(c colour.Colour) (contrast float64, frame int) {
	own := colour.Luminance(c)
	contrast = math.Inf(1)
	for i, light := range g.light {
		if v := least(own, light); v < contrast {
			contrast, frame = v, g.frames[i]
		}
	}
	return contrast, frame
}

// least is the contrast that all but a twentieth of the pixels reach: those nearest in
// lightness lie side by side in their order.
func least(own float64, light []float64) float64 {
	skip := int(left * float64(len(light)))
	at, _ := slices.BinarySearch(light, own)
	from, to := at, at // those left out
	for to-from < skip {
		below, above := math.Inf(1), math.Inf(1)
		if from > 0 {
			below = ratio(own, light[from-1])
		}
		if to < len(light) {
			above = ratio(own, light[to])
		}
		if below < above {
			from--
		} else {
			to++
		}
	}
	out := math.Inf(1)
	if from > 0 {
		out = ratio(own, light[from-1])
	}
	if to < len(light) {
		out = min(out, ratio(own, light[to]))
	}
	return out
}

func ratio(a, b float64) float64 { return (max(a, b) + 0.05) / (min(a, b) + 0.05) }

// Proposal is a colour for words.
type Proposal struct {
	Colour   colour.Colour `json:"colour"`
	Contrast float64       `json:"contrast"` // the least over the whole time
	Brand    bool          `json:"brand"`    // one of the brand's
}

// MostProposed is how many colours are proposed at most.
const MostProposed = 6

// Proposals are colours that reach a contrast: the brand's first, then those of the clip, then
// such as go with what is behind, and white and black. Of two that look alike, the first stays.
func (g Grounds) Proposals(wanted float64, brand, clip []colour.Colour) []Proposal {
	out := []Proposal{}
	add := func(c colour.Colour, brand bool) {
		c.A = 255
		contrast, _ := g.Least(c)
		alike := func(p Proposal) bool { return near(p.Colour, c) }
		if contrast >= wanted && len(out) < MostProposed && !slices.ContainsFunc(out, alike) {
			out = append(out, Proposal{c, contrast, brand})
		}
	}
	for _, c := range brand {
		add(c, true)
	}
	for _, c := range clip {
		add(c, false)
	}
	dark, light := g.ends()
	for _, c := range g.main() {
		add(palette.Legible(c, wanted*1.1, dark, light), false)
	}
	add(colour.RGB(0xFFFFFF), false)
	add(colour.RGB(0x10181A), false)
	return out
}

// near tells that two colours can hardly be told apart.
func near(a, b colour.Colour) bool {
	p, q := colour.OKLab(float64(a.R), float64(a.G), float64(a.B)), colour.OKLab(float64(b.R), float64(b.G), float64(b.B))
	l, x, y := p.L-q.L, p.A-q.A, p.B-q.B
	return l*l+x*x+y*y < 0.05*0.05
}

// ends are greys as dark and as light as what is behind, without the twentieth at each end.
func (g Grounds) ends() (dark, light colour.Colour) {
	lo, hi := 1.0, 0.0
	for _, l := range g.light {
		skip := int(left * float64(len(l)))
		lo, hi = min(lo, l[skip]), max(hi, l[len(l)-1-skip])
	}
	return colour.Grey(lo), colour.Grey(hi)
}

// main are some colours of what is behind.
func (g Grounds) main() (out []colour.Colour) {
	for _, pixels := range g.pixels {
		for _, at := range [3]int{len(pixels) / 6, len(pixels) / 2, len(pixels) * 5 / 6} {
			out = append(out, pixels[at])
		}
	}
	return out
}

// Shade is how much of a veil between words and what is behind lets them reach a contrast:
// its colour, which is black behind light words and white behind dark ones, and its opacity
// in percent. ok is false when none does.
func (g Grounds) Shade(c colour.Colour, wanted float64) (veil colour.Colour, opacity int, ok bool) {
	veil = colour.RGB(0)
	if colour.Contrast(c, veil) < colour.Contrast(c, colour.RGB(0xFFFFFF)) {
		veil = colour.RGB(0xFFFFFF)
	}
	for opacity = 5; opacity <= 90; opacity += 5 {
		if least, _ := g.veiled(veil, opacity).Least(c); least >= wanted {
			return veil, opacity, true
		}
	}
	return veil, 90, false
}

func (g Grounds) veiled(veil colour.Colour, opacity int) Grounds {
	var list []Ground
	mix := func(a, b uint8) uint8 { return uint8((int(a)*(100-opacity) + int(b)*opacity + 50) / 100) }
	for i, pixels := range g.pixels {
		one := Ground{Frame: g.frames[i]}
		for _, p := range pixels {
			one.Pixels = append(one.Pixels, colour.Colour{R: mix(p.R, veil.R), G: mix(p.G, veil.G), B: mix(p.B, veil.B), A: 255})
		}
		list = append(list, one)
	}
	return Measured(list)
}

// Plate is the colour of a plate on which words of a colour can be read: one of the brand's
// where one will do, and else a dark or a light one.
func Plate(words colour.Colour, brand []colour.Colour) colour.Colour {
	best := colour.RGB(0x173F47)
	if light := colour.RGB(0xFCFAF5); colour.Contrast(words, light) > colour.Contrast(words, best) {
		best = light
	}
	for _, c := range brand {
		if c.A = 255; colour.Contrast(words, c) >= palette.ForWords {
			return c
		}
	}
	return best
}
