package cutout

import (
	"slices"
)

// plainly prices the pixels before a ground of one colour. What is as light as the
// ground and of its hue is ground; so is what is darker in the same hue, softly, and
// joined with the border: a shadow. Islands of ground's colour are holes when they look
// as the ground does, not just alike.
func plainly(v *view, g *evenGround, look []colour, marks []int8) (prices, []float32) {
	p := make(prices, len(look))
	state := make([]uint8, len(look))
	most, hues := contrasts(v, g, look)
	for y := range v.h {
		for x := range v.w {
			i := y*v.w + x
			b := g.at(x, y)
			light, off := split(look[i], b)
			level := b.length()
			apart := (1 - light) * level
			hue, tone := g.softness()
			hue, tone = hue+.12*hues[i], tone+.03*most[i]
			a := off / hue
			near := a*a + (apart/tone)*(apart/tone)
			p[i] = near
			if near <= 1 {
				state[i] = asGround
				continue
			}
			steep := v.steep(look, x, y) / (5 + 1.5*g.sigma + .05*most[i])
			if shade := a*a + .3 + .6*(1-light) + steep*steep; light < 1 && light > .25 && shade < near {
				p[i] = min(near, shade)
				if p[i] < 1 {
					state[i] = asShade
				}
			}
		}
	}
	reached := flood(v, wideOnly(v, state), marks)
	regain(v, state, reached)
	islands(v, g, look, p, state, reached, hues)
	return p, most
}

// softness is how far a colour may be from the ground's in hue and in light and still be
// ground, in levels. JPEG keeps hue at half the size, so that it spreads over edges.
func (g *evenGround) softness() (hue, tone float32) {
	return 3.5 + g.sigma, 4.5 + 1.3*g.sigma
}

// contrasts is how far from the ground the farthest pixel is that shares a block of JPEG,
// or one beside it, with a pixel: about a tenth of that may be ringing.
func contrasts(v *view, g *evenGround, look []colour) (all, hues []float32) {
	all, hues = make([]float32, len(look)), make([]float32, len(look))
	for y := range v.h {
		for x := range v.w {
			i := y*v.w + x
			b := g.at(x, y)
			all[i] = look[i].apart(b)
			_, hues[i] = split(look[i], b)
		}
	}
	widest(all, v.w, v.h)
	widest(hues, v.w, v.h)
	return all, hues
}

// widest gives each pixel the most of those around it.
func widest(far []float32, w, h int) {
	const reach = 8
	// The most of a window is that of the end of one block and the start of the next
	// (M. van Herk, "A Fast Algorithm for Local Minimum and Maximum Filters", 1992).
	const block = 2*reach + 1
	n := (max(w, h)+2*reach)/block*block + 2*block
	line, ends, starts := make([]float32, n), make([]float32, n), make([]float32, n)
	widen := func(from, step, n int) {
		clear(line)
		for i := range n {
			line[i+reach] = far[from+i*step]
		}
		for i := range line {
			starts[i] = line[i]
			if i%block != 0 {
				starts[i] = max(starts[i-1], line[i])
			}
		}
		for i := len(line) - 1; i >= 0; i-- {
			ends[i] = line[i]
			if i%block != block-1 {
				ends[i] = max(ends[i+1], line[i])
			}
		}
		for i := range n {
			far[from+i*step] = max(ends[i], starts[i+2*reach])
		}
	}
	for y := range h {
		widen(y*w, 1, w)
	}
	for x := range w {
		widen(x, w, h)
	}
}

const (
	asThing uint8 = iota
	asGround
	asShade
)

// steep is how much the look changes around a pixel, in levels a pixel.
func (v *view) steep(look []colour, x, y int) float32 {
	l, r := look[y*v.w+max(x-1, 0)], look[y*v.w+min(x+1, v.w-1)]
	u, d := look[max(y-1, 0)*v.w+x], look[min(y+1, v.h-1)*v.w+x]
	dx, dy := r.sub(l), d.sub(u)
	return root32(dx.dot(dx)+dy.dot(dy)) / 2
}

// wideOnly takes shade away that is nearer than this to what is neither ground nor shade,
// so that a flood does not run into a grey thing through a gap in its outline.
func wideOnly(v *view, state []uint8) []uint8 {
	things := make([]bool, len(state))
	for i, s := range state {
		things[i] = s == asThing
	}
	near := depths(things, false, v.w, v.h)
	out := make([]uint8, len(state))
	for i, s := range state {
		out[i] = s
		if s == asShade && near[i] < passage {
			out[i] = asThing
		}
	}
	return out
}

const passage = 3

// regain gives a flood the shade beside it that wideOnly took.
func regain(v *view, state []uint8, reached []bool) {
	for range passage {
		old := slices.Clone(reached)
		for y := range v.h {
			for x := range v.w {
				i := y*v.w + x
				if old[i] || state[i] == asThing {
					continue
				}
				reached[i] = x > 0 && old[i-1] || x < v.w-1 && old[i+1] || y > 0 && old[i-v.w] || y < v.h-1 && old[i+v.w]
			}
		}
	}
}

// flood finds what is joined with the border of the photo, or with what was marked as
// ground, through what looks as ground or shade.
func flood(v *view, state []uint8, marks []int8) []bool {
	reached := make([]bool, len(state))
	var open []int32
	try := func(i int) {
		if !reached[i] && (state[i] != asThing || marks[i] < 0) && marks[i] <= 0 {
			reached[i] = true
			open = append(open, int32(i))
		}
	}
	for x := range v.w {
		try(x)
		try((v.h-1)*v.w + x)
	}
	for y := range v.h {
		try(y * v.w)
		try(y*v.w + v.w - 1)
	}
	for i, m := range marks {
		if m < 0 {
			try(i)
		}
	}
	for len(open) > 0 {
		i := int(open[len(open)-1])
		open = open[:len(open)-1]
		x := i % v.w
		if x > 0 {
			try(i - 1)
		}
		if x < v.w-1 {
			try(i + 1)
		}
		if i >= v.w {
			try(i - v.w)
		}
		if i+v.w < len(state) {
			try(i + v.w)
		}
	}
	return reached
}

// islands prices what looks as ground or shade and is not joined with the border.
func islands(v *view, g *evenGround, look []colour, p prices, state []uint8, reached []bool, hues []float32) {
	lone := make([]float32, len(look))
	for i := range lone {
		if !reached[i] && state[i] != asThing {
			lone[i] = 1
		}
	}
	for _, group := range parts(lone, v.w, v.h, len(lone)+1) {
		price := islandPrice(v, g, look, group, hues)
		for _, i := range group {
			p[i] = price
		}
	}
}

// islandPrice is the price of a group of pixels that look as ground or its shade: low
// when it is surely a hole. The medians count, as hue spreads in from the hole's edge.
func islandPrice(v *view, g *evenGround, look []colour, group []int32, hues []float32) float32 {
	if len(group) < 9 {
		return 1
	}
	lights, offs, beside := make([]float32, len(group)), make([]float32, len(group)), make([]float32, len(group))
	for k, i := range group {
		lights[k], offs[k] = split(look[i], g.at(int(i)%v.w, int(i)/v.w))
		beside[k] = hues[i]
	}
	light, off := median(lights), median(offs)
	spread := .02 * median(beside) // of hue, from what is around it
	middle := group[len(group)/2]
	hue, _ := g.softness()
	switch {
	case hueOf(g.at(int(middle)%v.w, int(middle)/v.w)).length() > vivid:
		return .15 + .8*(off/hue)*(off/hue) // a hue of its own tells it from what is grey
	case off < .9+.5*g.sigma+spread && light > .6 && light < 1.03 && len(group) < len(look)/8:
		return .2
	default:
		return 2
	}
}

func median(list []float32) float32 {
	slices.Sort(list)
	return list[len(list)/2]
}
