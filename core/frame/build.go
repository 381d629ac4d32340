package frame

import (
	"billow/core/clip"
	"billow/core/graph"
	"billow/core/paint"
)

// Painter draws frames of a stage. It keeps of the last frame what the next one
// may share; one painter serves one goroutine.
type Painter struct {
	stage *Stage
	graph *graph.Painter
	nodes []*graph.Node
}

// Painter makes a painter of this stage.
func (s *Stage) Painter() *Painter {
	return &Painter{stage: s, graph: graph.NewPainter(s.W, s.H, s.lib)}
}

// PainterAfter is a painter of this stage that goes on from one of a stage of the same size: what
// both have in common is not drawn again.
func (s *Stage) PainterAfter(p *Painter) *Painter {
	if p == nil || p.stage.W != s.W || p.stage.H != s.H || p.stage.lib != s.lib {
		return s.Painter()
	}
	return &Painter{stage: s, graph: p.graph}
}

// Draw paints a frame onto dst, which has the stage's size. What no layer
// covers is black. A bitmap that the last frame was drawn on has to show that still.
func (p *Painter) Draw(dst *paint.Bitmap, frame int) {
	p.nodes = p.nodes[:0]
	for _, a := range p.stage.top {
		p.nodes = p.addTop(p.nodes, a, frame)
	}
	p.graph.Draw(dst, p.nodes)
}

// addTop is add for what lies in no group. A scene that leads to the next is drawn
// with that.
func (p *Painter) addTop(out []*graph.Node, a *actor, frame int) []*graph.Node {
	env := whole(float64(frame))
	if a.leaves != nil && frame >= a.next {
		return out
	}
	b := a.before
	if b == nil || !a.on(env.frame) || frame >= b.to {
		return p.add(out, a, env)
	}
	progress := float64(frame-b.next+1) / float64(b.to-b.next+1)
	return append(out, graph.Lead(graph.Stack(p.add(nil, b, env)), graph.Stack(p.add(nil, a, env)), b.leaves, progress))
}

// add appends the nodes of an actor that shows, from the back to the front.
func (p *Painter) add(out []*graph.Node, a *actor, env around) []*graph.Node {
	if !a.on(env.frame) {
		return out
	}
	switch {
	case a.kind.Holds:
		return p.addGroup(out, a, env)
	case a.layer.Gel != nil:
		return p.addGel(out, a, env)
	}
	s := p.stage
	pose := s.pose(a, env)
	if pose.Opacity == 0 || pose.M.Det() == 0 || a.w == 0 && a.kind.Rim {
		return out
	}
	if words, ok := s.partsAt(a, env); ok {
		return p.addParts(out, a, env, pose, words)
	}
	pic, slid, copies := s.repeated(a, env, pose)
	at := graph.Placement{Opacity: pose.Opacity, Blend: paint.BlendNamed(a.layer.Blend)}
	poses := [2][]paint.Affine{s.exposures(a, env, 1)}
	if r := a.layer.Repeat; r != nil && r.Opposite {
		poses[1] = s.exposures(a, env, -1)
	}
	out = p.addGround(out, a, env, pic, slid, copies, pose.Opacity)
	halves := s.openedAt(a, env.frame).halves(pic, space{at: paint.Identity(), unit: 1, finest: s.finest(a)})
	if c := pose.Cast; !c.None() && !a.kind.Fills {
		for _, side := range s.sides(a, env.frame) {
			fall := graph.Placement{Opacity: pose.Opacity * c.Opacity * side.strength}
			for _, h := range halves {
				shadow := graph.Filtered(h.node, graph.Silhouette{Sigma: c.Sigma, Pixel: paint.Premultiplied(s.clip.Light.Colour)})
				for _, one := range copies {
					on := fall
					s.put(&on, h.moved(slid).Then(one.m), pose.M, poses[one.against], c.DX*side.dx, c.DY)
					out = append(out, p.graph.Place(shadow, on))
				}
			}
		}
	}
	for _, one := range copies {
		for _, h := range halves {
			on := at
			s.put(&on, h.moved(slid).Then(one.m), pose.M, poses[one.against], 0, 0)
			out = append(out, p.graph.Place(h.node, on))
		}
	}
	return out
}

// side is where a shadow falls: as the light says, or to the other side.
type side struct{ dx, strength float64 }

// sides are those to which a layer's shadow falls, the fainter one first.
func (s *Stage) sides(a *actor, frame float64) []side {
	at, _, _, _ := s.held(a, frame)
	if second := a.number(secondShadow, at) / 100; second > 0 {
		return []side{{-1, second}, {1, 1}}
	}
	return []side{{1, 1}}
}

// put works out where a picture lies on the frame, at one pose or at several
// while the shutter is open; own is where it lies in the layer's own units.
func (s *Stage) put(at *graph.Placement, own, m paint.Affine, poses []paint.Affine, dx, dy float64) {
	to := func(m paint.Affine) paint.Affine {
		return own.Then(m).Then(paint.Translate(dx, dy)).Then(s.toPixels())
	}
	at.At = to(m)
	for _, pose := range poses {
		at.Moved = append(at.Moved, to(pose))
	}
}

// toPixels maps units about the frame's centre to pixels.
func (s *Stage) toPixels() paint.Affine {
	return paint.Scale(s.scale, s.scale).Then(paint.Translate(float64(s.W)/2, float64(s.H)/2))
}

// addGroup draws what is in a group straight onto the frame where it can, and
// as a whole where opacity, blending, a cut, an effect or a shadow of its own
// ask for it.
func (p *Painter) addGroup(out []*graph.Node, a *actor, env around) []*graph.Node {
	s := p.stage
	pose := s.pose(a, env)
	in := s.inside(a, env)
	if pose.Opacity == 0 || pose.M.Det() == 0 {
		return out
	}
	k, slid := s.lookAt(a, env)
	opens := s.openedAt(a, env.frame)
	by := ""
	if a.layer.Inside != nil {
		by = a.layer.Inside.Clip
	}
	blend := paint.BlendNamed(a.layer.Blend)
	shadow, mirrored := s.onGround(a, env.frame)
	var st stance
	if shadow > 0 || mirrored > 0 {
		if b := s.groupStands(a, in); len(b.rim) > 0 {
			st = s.stance(a, env, b, paint.Translate(slid[0], slid[1]), paint.Identity())
		} else {
			shadow, mirrored = 0, 0
		}
	}
	if pose.Opacity == 1 && blend == paint.Normal && by == "" && k.plain() && pose.Cast.None() && !opens.any() && mirrored <= 0 && !a.gelled(in.frame) {
		out = p.addContact(out, a, env, st, shadow, 1)
		for _, child := range a.children {
			out = p.add(out, child, in)
		}
		return out
	}
	if slid != [2]float64{} {
		in.m = paint.Translate(slid[0], slid[1]).Then(in.m)
	}
	var inside, matte []*graph.Node
	for _, child := range a.children {
		if child.layer.ID == by {
			matte = p.add(nil, shadowless(child), in)
			continue
		}
		inside = p.add(inside, child, in)
	}
	whole := graph.Stack(inside)
	if by != "" && by != clip.Bounds {
		whole = p.matted(whole, matte, a, env, in)
	}
	_, size := spread(pose.M)
	within := space{at: paint.Translate(slid[0], slid[1]).Then(pose.M).Then(s.toPixels()), unit: size * s.scale}
	whole = s.dressed(whole, a, k, by == clip.Bounds, within)
	whole = p.parted(whole, opens, within)
	out = p.addGroupReflection(out, a, env, whole, st, pose.Opacity*mirrored)
	out = p.addContact(out, a, env, st, shadow, pose.Opacity)
	out = p.addGroupShadow(out, a, env, whole, pose, size*s.scale)
	return append(out, p.graph.Place(whole, graph.Placement{At: paint.Identity(), Opacity: pose.Opacity, Blend: blend}))
}

// parted is a group in two halves, where it is opened.
func (p *Painter) parted(whole *graph.Node, o opened, within space) *graph.Node {
	if !o.any() {
		return whole
	}
	var parts []*graph.Node
	whole.Shared(o.apart / 2 * within.unit)
	for _, h := range o.halves(whole, within) {
		m := within.at
		at := paint.Translate(m.A*h.dx+m.C*h.dy, m.B*h.dx+m.D*h.dy)
		parts = append(parts, p.graph.Place(h.node, graph.Placement{At: at, Opacity: 1}))
	}
	return graph.Stack(parts)
}

// addGroupShadow adds what a group casts as a whole; unit is how many pixels one of its own
// units has.
func (p *Painter) addGroupShadow(out []*graph.Node, a *actor, env around, whole *graph.Node, pose Pose, unit float64) []*graph.Node {
	s, c := p.stage, pose.Cast
	if c.None() {
		return out
	}
	soft := graph.Silhouette{Sigma: c.Sigma * unit, Pixel: paint.Premultiplied(s.clip.Light.Colour)}
	dx, dy := c.DX*s.scale, c.DY*s.scale
	whole.Shared(max(abs(dx), abs(dy)) + soft.Reach())
	fallen := graph.Filtered(whole, soft)
	for _, side := range s.sides(a, env.frame) {
		out = append(out, p.graph.Place(fallen, graph.Placement{
			At: paint.Translate(dx*side.dx, dy), Opacity: pose.Opacity * c.Opacity * side.strength,
		}))
	}
	return out
}

// shadowless is an actor that cuts others and so casts no shadow.
func shadowless(a *actor) *actor {
	l := *a.layer
	l.Shadow = &clip.Shadow{None: true}
	return &actor{
		layer: &l, kind: a.kind, clock: a.clock, parent: a.parent, children: a.children, leader: a.leader, from: a.from, to: a.to, rest: a.rest,
		gx: a.gx, gy: a.gy, cx: a.cx, cy: a.cy, prop: a.prop, course: a.course, worn: a.worn, w: a.w, h: a.h, hx: a.hx, hy: a.hy, base: a.base, curves: a.curves, numbered: a.numbered, largest: a.largest,
		still: a.still, content: a.content,
	}
}
