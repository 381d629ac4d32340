package advice

import (
	"fmt"
	"math"

	"billow/core/alike"
	"billow/core/paint"
)

// Improve proposes levels, colours and sharpening for a picture that is dull, from what is opaque of it.
// units is how many units of the clip one of its pixels is wide.
func Improve(b *paint.Bitmap, units float64) Proposal {
	p := Proposal{Values: map[string][]float64{}, Says: []string{}}
	j := judge(b)
	if j.sum < 64 {
		p.Says = append(p.Says, "There is too little of it to judge")
		return p
	}
	if black, white := j.at(0.004), j.at(0.996); white-black > 0.15 { // else it is of one tone, as a sheet of paper
		p.tones(black, j.at(0.5), white)
	}
	p.colours(b)
	if soft := 0.9 - j.bend/max(j.edges, 1); j.edges > 50 && soft > 0.05 {
		strong := round(min(40+160*soft, 120))
		p.set("sharpen", fmt.Sprintf("Sharpened by %g %%: its edges were soft", strong), strong)
		p.set("sharpenRadius", "", min(max(round(10*1.2*units)/10, 0.3), 6))
	}
	if len(p.Values) == 0 {
		p.Says = append(p.Says, "It needs nothing: its levels, colours and edges are good")
	}
	return p
}

// judged is what is opaque of a picture: how many pixels have each luma, and how much it bends at edges,
// as a share of how far it goes up or down there.
type judged struct {
	levels      [256]float64
	sum         float64
	bend, edges float64
}

func judge(b *paint.Bitmap) (j judged) {
	for i, q := range b.Pix {
		if q>>24 < 250 {
			continue
		}
		y := luma(q)
		j.levels[int(y)]++
		j.sum++
		if x := i % b.W; x == 0 || x == b.W-1 || i < b.W || i+b.W >= len(b.Pix) {
			continue
		}
		slope, bend, inside := 0.0, 4*y, true
		for _, n := range [4]uint32{b.Pix[i-1], b.Pix[i+1], b.Pix[i-b.W], b.Pix[i+b.W]} {
			inside = inside && n>>24 >= 250
			bend -= luma(n)
			slope = max(slope, math.Abs(luma(n)-y))
		}
		// Where it goes up or down, a sharp picture bends more than a soft one.
		if inside && slope > 6 {
			j.bend += math.Abs(bend) / slope
			j.edges++
		}
	}
	return j
}

// at is the luma, 0..1, that a share of the pixels is darker than.
func (j *judged) at(share float64) float64 {
	left := share * j.sum
	for v, n := range j.levels {
		if left -= n; left < 0 {
			return float64(v) / 255
		}
	}
	return 1
}

func luma(q uint32) float64 {
	return 0.2126*float64(q&255) + 0.7152*float64(q>>8&255) + 0.0722*float64(q>>16&255)
}

// tones proposes levels by where black, the middle and white lie now.
func (p *Proposal) tones(black, middle, white float64) {
	// Most of the way only: a picture may be pale because the thing is.
	low, high := round(100*0.85*black), round(100-85*(1-white))
	if low >= 3 {
		p.set("levelsBlack", fmt.Sprintf("Black begins at %g %%: nothing in it was darker", low), min(low, 40))
	}
	if high <= 96 {
		p.set("levelsWhite", fmt.Sprintf("White begins at %g %%: nothing in it was brighter", high), max(high, 55))
	}
	at := (middle - min(low, 40)/100) / max((max(high, 55)-min(low, 40))/100, 0.1)
	if at < 0.34 && at > 0 {
		g := math.Round(100*min(alike.Log(at)/alike.Log(0.38), 1.35)) / 100
		p.set("levelsMiddle", fmt.Sprintf("Its middle tones are lifted (%g)", g), g)
	}
}

// colours proposes stronger ones where they are pale.
func (p *Proposal) colours(b *paint.Bitmap) {
	m := measure(b, func(int, int) float64 { return 1 })
	const usual = 0.085 // of Oklab, as product photos have it
	if m.weight == 0 || m.chroma < 0.012 || m.chroma > usual {
		return // grey things stay grey
	}
	more := round(min(60, 70*(usual/m.chroma-1)))
	if more >= 8 {
		p.set("vibrance", fmt.Sprintf("Pale colours are stronger by %g %%", more), more)
	}
}
