package frame

import (
	"billow/core/effect"
	"billow/core/graph"
	"billow/core/light"
	"billow/core/paint"
)

// footing is what a layer stands on, in its own units about its centre.
type footing struct {
	x0, x1, y float64
	rim       [][2]float64
}

// stands finds what a layer's picture stands on: the lowest rows of what is opaque.
func (s *Stage) stands(pic *graph.Node) footing {
	return *cached(s.lib, pic.Key.Text("base"), func(*footing) int { return 2048 }, func() *footing {
		sheet := graph.Made(s.lib, pic)
		base, ok := sheet.Picture.Base()
		if !ok {
			return &footing{}
		}
		x := func(v float64) float64 { return (v + sheet.X) / sheet.Per }
		y := func(v float64) float64 { return (v + sheet.Y) / sheet.Per }
		out := &footing{x0: x(base.X0), x1: x(base.X1), y: y(base.Y)}
		for _, p := range base.Rim {
			out.rim = append(out.rim, [2]float64{x(p[0]), y(p[1])})
		}
		return out
	})
}

// lowest is how far down a mapping brings any of it.
func (b footing) lowest(m paint.Affine) float64 {
	low := 0.0
	for i, p := range b.rim {
		if _, y := m.Apply(p[0], p[1]); i == 0 || y > low {
			low = y
		}
	}
	return low
}

// addGround adds what a layer leaves on the ground: its reflection and, over that, the
// shadow where it stands. The ground is where it stands at rest, whatever lifts it
// above; so both follow by themselves.
func (p *Painter) addGround(out []*graph.Node, a *actor, env around, pic *graph.Node, slid [2]float64, opacity float64) []*graph.Node {
	s := p.stage
	at, _, _, _ := s.held(a, env.frame)
	strength, mirrored := a.number(contact, at)/100, a.number(reflection, at)/100
	if strength <= 0 && mirrored <= 0 {
		return out
	}
	b := s.stands(pic)
	if len(b.rim) == 0 {
		return out
	}
	m := paint.Translate(slid[0], slid[1]).Then(s.local(a, env).M)
	rest := paint.Rotate(a.rest.Turn).Then(paint.Translate(a.cx, a.cy))
	line := b.lowest(rest) + a.number(below, at)
	up := max(0, line-b.lowest(m))
	_, size := spread(m)
	if mirrored > 0 {
		out = p.addReflection(out, a, env, pic, m, b, line, up/max(size, 1e-6), at, opacity*mirrored)
	}
	if strength <= 0 {
		return out
	}
	middle, _ := m.Apply((b.x0+b.x1)/2, b.y)
	l := s.lightAt(env.outer)
	pixel := paint.Premultiplied(s.clip.Light.Colour)
	const side = 128
	glow := graph.Source(graph.Key{}.Text("glow").Word(uint64(pixel)), func() *paint.Sheet {
		return paint.NewSheet(paint.Glow(side, pixel), -side/2, -side/2, side/2)
	})
	for _, spot := range light.Contact(l, strength, (b.x1-b.x0)*size, a.h*size, up) {
		if spot.RX <= 0 || spot.Opacity <= 0 {
			continue
		}
		on, _ := s.seen(a, env, paint.Scale(spot.RX, spot.RY).Then(paint.Translate(middle+spot.DX, line)))
		out = append(out, p.graph.Place(glow, graph.Placement{At: on.Then(s.toPixels()), Opacity: min(1, opacity*spot.Opacity)}))
	}
	return out
}

// addReflection adds the picture upside down beneath the ground line, where it fades.
// up is how far it is above the ground, in its own units.
func (p *Painter) addReflection(out []*graph.Node, a *actor, env around, pic *graph.Node, m paint.Affine, b footing, line, up, at, opacity float64) []*graph.Node {
	s := p.stage
	long := a.h * a.number(reflectionLength, at) / 100
	if long <= up {
		return out
	}
	n := graph.Filtered(pic, graph.Fading{From: b.y + up, To: b.y + up - long})
	if soft := a.number(reflectionBlur, at); soft > 0 {
		v := effect.Values{{effect.Soft(soft)}}
		n = graph.Filtered(n, graph.Effected{Effect: &effect.Blur, Values: v, Unit: 1})
	}
	mirror := paint.Affine{A: 1, D: -1, F: 2 * line}
	on, _ := s.seen(a, env, m.Then(mirror))
	return append(out, p.graph.Place(n, graph.Placement{At: on.Then(s.toPixels()), Opacity: opacity}))
}
