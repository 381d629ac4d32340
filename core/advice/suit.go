// Package advice proposes what makes a cut-out look as if it stood in its backdrop, and what a dull
// picture needs, as values of effects with a reason for each.
package advice

import (
	"fmt"
	"math"

	"billow/core/alike"
	"billow/core/colour"
	"billow/core/paint"
)

// Proposal is values of effects and why.
type Proposal struct {
	Values map[string][]float64 `json:"values"`
	Says   []string             `json:"says"`
}

func (p *Proposal) set(name, why string, v ...float64) {
	p.Values[name] = v
	if why != "" {
		p.Says = append(p.Says, why)
	}
}

// shareOf is how much of the way to the backdrop a cut-out goes: all of it would make a picture of it
// that was painted there.
const shareOf = 0.35

// Suit proposes how a cut-out comes to stand in what is behind it: both are pictures of the frame at one
// size, the cut-out alone on nothing, and the frame without it and what is above it.
func Suit(alone, behind *paint.Bitmap) Proposal {
	p := Proposal{Values: map[string][]float64{}, Says: []string{}}
	own := measure(alone, func(int, int) float64 { return 1 })
	box, ok := alone.Visible()
	if !ok || own.weight == 0 {
		return p
	}
	near := nearness(box)
	there := measure(behind, near)
	if there.weight == 0 || there.luminance < 0.001 {
		p.Says = append(p.Says, "There is nothing but black behind it")
		return p
	}
	// The colour of the light is that of what is bright behind it; a picture of a thing is taken in
	// white light.
	if warm := round(clamp(100*shareOf*log2(there.light[0]/there.light[2]), 30)); math.Abs(warm) >= 3 {
		p.set("temperature", fmt.Sprintf("%s by %g %%, as the light behind it is", map[bool]string{true: "Warmer", false: "Colder"}[warm > 0], math.Abs(warm)), warm)
	}
	if pink := round(clamp(-200*shareOf*log2(there.light[1]/math.Sqrt(there.light[0]*there.light[2])), 18)); math.Abs(pink) >= 3 {
		p.set("tintGreen", fmt.Sprintf("%s by %g %%", map[bool]string{true: "Pinker", false: "Greener"}[pink > 0], math.Abs(pink)), pink)
	}
	if steps := math.Round(20*clamp(shareOf*log2(there.luminance/own.luminance), 0.8)) / 20; math.Abs(steps) >= 0.1 {
		p.set("exposure", fmt.Sprintf("%s by %g of an exposure step", map[bool]string{true: "Brighter", false: "Darker"}[steps > 0], math.Abs(steps)), steps)
	}
	if own.chroma > 0.01 {
		if s := round(100 + clamp(100*shareOf*(there.chroma/own.chroma-1), 25)); math.Abs(s-100) >= 4 {
			p.set("saturation", fmt.Sprintf("Colours %s: %g %%", map[bool]string{true: "stronger", false: "paler"}[s > 100], s), s)
		}
	}
	p.rim(behind, box)
	return p
}

// rim proposes light on the edge from where it is brightest around a box.
func (p *Proposal) rim(behind *paint.Bitmap, box [4]int) {
	cx, cy := float64(box[0]+box[2])/2, float64(box[1]+box[3])/2
	reach := 0.7 * alike.Hypot(float64(box[2]-box[0]), float64(box[3]-box[1]))
	// The direction to what is brighter than the mean, weighted by how much.
	mean := measure(behind, nearness(box))
	var dx, dy, sum float64
	for i, q := range behind.Pix {
		x, y := float64(i%behind.W)+0.5-cx, float64(i/behind.W)+0.5-cy
		r := alike.Hypot(x, y)
		if r < 1 || r > reach || q>>24 < 128 {
			continue
		}
		more := luminance(q) - mean.luminance
		dx, dy, sum = dx+more*x/r, dy+more*y/r, sum+math.Abs(more)
	}
	if sum == 0 || mean.luminance < 0.004 {
		return
	}
	aside := alike.Hypot(dx, dy) / sum // 0 evenly lit, to 1
	angle := round(math.Atan2(dx, -dy) * 180 / math.Pi)
	strong := round(clamp(20+45*aside+25*math.Sqrt(max(mean.top-mean.luminance, 0)), 70))
	light := mean.brightest
	p.set("innerGlow", "", strong)
	p.set("innerGlowColour", "", light[0], light[1], light[2], 255)
	p.set("innerGlowSoftness", "", 7)
	if aside > 0.12 {
		p.set("innerGlowSide", "", round(min(100, 40+120*aside)))
		p.set("innerGlowAngle", "", angle)
		p.Says = append(p.Says, "A rim of light from "+from(angle)+", in the backdrop's colour")
	} else {
		p.set("innerGlowSide", "", 0)
		p.Says = append(p.Says, "A rim of light all around, in the backdrop's colour")
	}
}

// from is where a direction comes from, in words.
func from(degrees float64) string {
	names := []string{"above", "the upper right", "the right", "the lower right", "below", "the lower left", "the left", "the upper left"}
	return names[(int(math.Floor(degrees/45+0.5))+16)%8]
}

// nearness weighs what is around a box: less the farther away.
func nearness(box [4]int) func(x, y int) float64 {
	size := float64(max(box[2]-box[0], box[3]-box[1], 1))
	return func(x, y int) float64 {
		dx, dy := max(box[0]-x, x-box[2], 0), max(box[1]-y, y-box[3], 0)
		return 1 / (1 + 4*float64(dx*dx+dy*dy)/(size*size))
	}
}

// measured is what a picture is like.
type measured struct {
	weight    float64
	luminance float64    // mean, 0..1 in light
	top       float64    // of its brightest tenth
	chroma    float64    // mean, of Oklab
	light     [3]float64 // colour of what is bright, in light
	brightest [3]float64 // the same of its brightest tenth, 0..255
}

const bins = 64

// measure looks at a picture; weigh says how much a pixel counts.
func measure(b *paint.Bitmap, weigh func(x, y int) float64) (m measured) {
	var weight [bins]float64
	var sums [bins][3]float64
	for i, p := range b.Pix {
		if p>>24 < 128 {
			continue
		}
		w := weigh(i%b.W, i/b.W)
		c := [3]float64{linear[p&255], linear[p>>8&255], linear[p>>16&255]}
		y := 0.2126*c[0] + 0.7152*c[1] + 0.0722*c[2]
		m.weight += w
		m.luminance += w * y
		lab := colour.OKLab(float64(p&255), float64(p>>8&255), float64(p>>16&255))
		m.chroma += w * alike.Hypot(lab.A, lab.B)
		bin := min(int(math.Sqrt(y)*bins), bins-1)
		weight[bin] += w
		for k := range 3 {
			sums[bin][k] += w * c[k]
		}
	}
	if m.weight == 0 {
		return m
	}
	m.luminance, m.chroma = max(m.luminance/m.weight, 1e-4), m.chroma/m.weight
	upper := func(share float64) (mean [3]float64, y float64) {
		var got float64
		for bin := bins - 1; bin >= 0 && got < share*m.weight; bin-- {
			part := weight[bin]
			if part == 0 {
				continue
			}
			take := min(part, share*m.weight-got) / part
			for k := range 3 {
				mean[k] += sums[bin][k] * take
			}
			got += part * take
		}
		for k := range 3 {
			mean[k] = max(mean[k]/got, 1e-3)
		}
		return mean, 0.2126*mean[0] + 0.7152*mean[1] + 0.0722*mean[2]
	}
	m.light, _ = upper(0.5)
	top, y := upper(0.1)
	m.top = y
	for k := range 3 {
		m.brightest[k] = math.Round(255 * colour.Encoded(min(top[k], 1)))
	}
	return m
}

// linear is each level as light.
var linear = func() (out [256]float64) {
	for i := range out {
		out[i] = colour.Linear(float64(i) / 255)
	}
	return out
}()

func luminance(p uint32) float64 {
	return 0.2126*linear[p&255] + 0.7152*linear[p>>8&255] + 0.0722*linear[p>>16&255]
}

func log2(v float64) float64 { return alike.Log(v) / 0.6931471805599453 }

func clamp(v, most float64) float64 { return min(max(v, -most), most) }

func round(v float64) float64 { return math.Round(v) }
