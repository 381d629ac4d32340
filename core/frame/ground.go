package frame

import (
	"billow/core/effect"
	"billow/core/graph"
	"billow/core/light"
	"billow/core/paint"
)

// footing is what a layer stands on, in its own units about its centre, or a group, in the
// space inside it.
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

// stance is how a layer stands over the ground on a frame, in the space around it.
type stance struct {
	footing
	m    paint.Affine // from its own units
	line float64      // how far down the ground lies
	up   float64      // how far it is above the ground
	size float64      // of one of its own units
}

// stance finds how a layer stands on what b says. The ground is where it stands at rest,
// whatever lifts it above, so that what it leaves there follows by itself. own is where its
// picture, or one of its copies, lies in its own units; at rest it lies at copied.
func (s *Stage) stance(a *actor, env around, b footing, own, copied paint.Affine) stance {
	at, _, _, _ := s.held(a, env.frame)
	out := stance{footing: b, m: paint.Translate(-a.gx, -a.gy).Then(own).Then(s.local(a, env).M)}
	out.line = b.lowest(copied.Then(a.atRest())) + a.number(below, at)
	out.up = max(0, out.line-b.lowest(out.m))
	_, out.size = spread(out.m)
	return out
}

// onGround is how strong a layer's contact shadow and its reflection are, 0..1.
func (s *Stage) onGround(a *actor, frame float64) (shadow, mirrored float64) {
	if a.kind.Fills {
		return 0, 0
	}
	at, _, _, _ := s.held(a, frame)
	return a.number(contact, at) / 100, a.number(reflection, at) / 100
}

// addGround adds what a layer leaves on the ground: reflections of all its copies and, over
// them, the shadows where they stand.
func (p *Painter) addGround(out []*graph.Node, a *actor, env around, pic *graph.Node, slid [2]float64, copies []placedCopy, opacity float64) []*graph.Node {
	s := p.stage
	shadow, mirrored := s.onGround(a, env.frame)
	if shadow <= 0 && mirrored <= 0 {
		return out
	}
	b := s.stands(pic)
	if len(b.rim) == 0 {
		return out
	}
	all := make([]stance, len(copies))
	for i, one := range copies {
		all[i] = s.stance(a, env, b, paint.Translate(slid[0], slid[1]).Then(one.m), one.m)
	}
	if mirrored > 0 {
		for _, st := range all {
			out = p.addReflection(out, a, env, pic, st, opacity*mirrored)
		}
	}
	for _, st := range all {
		out = p.addContact(out, a, env, st, shadow, opacity)
	}
	return out
}

// addContact adds the shadow where a layer stands.
func (p *Painter) addContact(out []*graph.Node, a *actor, env around, st stance, strength, opacity float64) []*graph.Node {
	s := p.stage
	if strength <= 0 {
		return out
	}
	middle, _ := st.m.Apply((st.x0+st.x1)/2, st.y)
	pixel := paint.Premultiplied(s.clip.Light.Colour)
	const side = 128
	glow := graph.Source(graph.Key{}.Text("glow").Word(uint64(pixel)), func() *paint.Sheet {
		return paint.NewSheet(paint.Glow(side, pixel), -side/2, -side/2, side/2)
	})
	for _, spot := range light.Contact(s.lightAt(env.outer), strength, (st.x1-st.x0)*st.size, a.h*st.size, st.up) {
		if spot.RX <= 0 || spot.Opacity <= 0 {
			continue
		}
		on, _ := s.seen(a, env, paint.Scale(spot.RX, spot.RY).Then(paint.Translate(middle+spot.DX, st.line)))
		out = append(out, p.graph.Place(glow, graph.Placement{At: on.Then(s.toPixels()), Opacity: min(1, opacity*spot.Opacity)}))
	}
	return out
}

// addReflection adds the picture upside down beneath the ground line, where it fades.
func (p *Painter) addReflection(out []*graph.Node, a *actor, env around, pic *graph.Node, st stance, opacity float64) []*graph.Node {
	s := p.stage
	at, _, _, _ := s.held(a, env.frame)
	long, up := a.h*a.number(reflectionLength, at)/100, st.up/max(st.size, 1e-6)
	if long <= up {
		return out
	}
	n := graph.Filtered(pic, graph.Fading{From: st.y + up, To: st.y + up - long})
	n = softened(n, a.number(reflectionBlur, at), 1)
	on, _ := s.seen(a, env, st.m.Then(paint.Affine{A: 1, D: -1, F: 2 * st.line}))
	return append(out, p.graph.Place(n, graph.Placement{At: on.Then(s.toPixels()), Opacity: opacity}))
}

// softened is a picture out of focus by so many units, of which each is so many of its space.
func softened(n *graph.Node, by, unit float64) *graph.Node {
	if by <= 0 {
		return n
	}
	return graph.Filtered(n, graph.Effected{Effect: &effect.Blur, Values: effect.Values{{effect.Soft(by)}}, Unit: unit})
}
