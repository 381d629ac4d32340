package svg

import (
	"strings"

	"billow/core/colour"
	"billow/core/paint"
)

// ink is what a fill or a stroke is: nil is none.
func (r *reader) ink(s string, opacity float64, at context, box [4]float64) *Ink {
	if opacity == 0 {
		return nil
	}
	id, instead, is := r.reference(s)
	if is {
		switch e := r.ids[id]; {
		case e == nil:
			s = instead
		case e.name == "linearGradient", e.name == "radialGradient":
			return r.gradient(e, opacity, at, box)
		default:
			r.note("a fill of a " + e.name)
			s = instead
		}
	}
	c := at.colour
	if strings.ToLower(s) != "currentcolor" {
		var ok bool
		if c, ok = parseColour(s); !ok {
			return nil
		}
	}
	return &Ink{Colour: thinned(c, opacity)}
}

func thinned(c colour.Colour, opacity float64) colour.Colour {
	c.A = uint8(float64(c.A)*opacity + 0.5)
	return c
}

// gradient follows a gradient's references for what it does not say itself.
func (r *reader) gradient(e *element, opacity float64, at context, box [4]float64) *Ink {
	chain := []*element{e}
	for len(chain) < 16 {
		id, inside := strings.CutPrefix(chain[len(chain)-1].attr["href"], "#")
		next := r.ids[id]
		if !inside || next == nil {
			break
		}
		chain = append(chain, next)
	}
	says := func(name string, same bool) string {
		for _, g := range chain {
			if v := g.attr[name]; v != "" && (!same || g.name == e.name) {
				return v
			}
		}
		return ""
	}
	g := &Gradient{Radial: e.name == "radialGradient", Spread: says("spreadMethod", false)}
	for _, from := range chain {
		if g.Stops = r.stops(from, opacity, at); len(g.Stops) > 0 {
			break
		}
	}
	switch len(g.Stops) {
	case 0:
		return nil
	case 1:
		return &Ink{Colour: g.Stops[0].Colour}
	}
	g.At = transform(says("gradientTransform", false))
	of := at
	if says("gradientUnits", false) != "userSpaceOnUse" {
		if box[2] <= box[0] || box[3] <= box[1] {
			return nil // as SVG says of figures without an area
		}
		of.w, of.h = 1, 1
		g.At = g.At.Then(boxed(box))
	}
	if g.Radial {
		g.X, g.Y, g.R = of.across(says("cx", true), of.w/2), of.down(says("cy", true), of.h/2), of.along(says("r", true), of.along("50%", 0))
		g.FocalX, g.Focal = of.across(says("fx", true), g.X), of.down(says("fy", true), g.Y)
	} else {
		g.X1, g.Y1, g.X2, g.Y2 = of.across(says("x1", true), 0), of.down(says("y1", true), 0), of.across(says("x2", true), of.w), of.down(says("y2", true), 0)
	}
	if g.Radial && g.R <= 0 || !g.Radial && g.X1 == g.X2 && g.Y1 == g.Y2 {
		return &Ink{Colour: g.Stops[len(g.Stops)-1].Colour}
	}
	if _, ok := g.At.Inverse(); !ok {
		return nil
	}
	return &Ink{Gradient: g}
}

func (r *reader) stops(e *element, opacity float64, at context) (out []Stop) {
	for _, k := range e.kids {
		if k.name != "stop" || len(out) >= 256 {
			continue
		}
		s := r.styled(k, at.style)
		c := s.colour
		if strings.ToLower(s.stopColour) != "currentcolor" {
			var ok bool
			if c, ok = parseColour(s.stopColour); !ok {
				c = colour.Colour{A: 255}
			}
		}
		where := share(k.attr["offset"], 0)
		if n := len(out); n > 0 {
			where = max(where, out[n-1].At)
		}
		out = append(out, Stop{where, thinned(c, s.stopOpacity*opacity)})
	}
	return out
}

// of is the share of the way along a gradient of a place in its own space; none where
// nothing of it lies.
func (g *Gradient) of(x, y float64) float64 {
	if !g.Radial {
		dx, dy := g.X2-g.X1, g.Y2-g.Y1
		return ((x-g.X1)*dx + (y-g.Y1)*dy) / (dx*dx + dy*dy)
	}
	return g.around(x, y)
}

// row writes what a row of pixels shows, where back maps pixels to the gradient's space.
func (g *Gradient) row(back paint.Affine, y int, ramp *[1025]uint32, dst []uint32) {
	for x := range dst {
		t := g.of(back.Apply(float64(x)+0.5, float64(y)+0.5))
		dst[x] = ramp[int(spread(t, g.Spread)*1024+0.5)]
	}
}
