package frame

import (
	"math"

	"billow/core/effect"
	"billow/core/graph"
	"billow/core/paint"
)

// groupStands finds what a group stands on: on what of it that is seen stands lowest at
// rest. in is what surrounds what is in it.
func (s *Stage) groupStands(a *actor, in around) footing {
	type foot struct{ x0, x1, y float64 }
	var feet []foot
	var out footing
	top, low := math.Inf(1), math.Inf(-1)
	for _, child := range a.children {
		if pose := s.pose(child, in); child.kind.Fills || !child.on(in.frame) || pose.Opacity == 0 || pose.M.Det() == 0 {
			continue
		}
		var b footing
		if child.kind.Holds {
			b = s.groupStands(child, s.inside(child, in))
		} else {
			pic, _ := s.picture(child, in)
			b = s.stands(pic)
		}
		m := child.atRest()
		for _, p := range b.rim {
			x, y := m.Apply(p[0], p[1])
			out.rim = append(out.rim, [2]float64{x, y})
			top, low = min(top, y), max(low, y)
		}
		if len(b.rim) > 0 {
			x0, y0 := m.Apply(b.x0, b.y)
			x1, y1 := m.Apply(b.x1, b.y)
			feet = append(feet, foot{min(x0, x1), max(x0, x1), max(y0, y1)})
		}
	}
	out.x0, out.x1, out.y = math.Inf(1), math.Inf(-1), low
	for _, f := range feet {
		if f.y >= low-paint.Lowest*(low-top) {
			out.x0, out.x1 = min(out.x0, f.x0), max(out.x1, f.x1)
		}
	}
	if out.x0 > out.x1 { // it stands on a corner
		out.x0, out.x1 = 0, 0
	}
	return out
}

// addGroupReflection adds a group, as the frame shows it, upside down beneath the ground
// line.
func (p *Painter) addGroupReflection(out []*graph.Node, a *actor, env around, whole *graph.Node, st stance, opacity float64) []*graph.Node {
	s := p.stage
	at, _, _, _ := s.held(a, env.frame)
	long := a.h * st.size * a.number(reflectionLength, at) / 100
	if opacity <= 0 || long <= st.up {
		return out
	}
	on, _ := s.seen(a, env, paint.Identity())
	on = on.Then(s.toPixels())
	back, ok := on.Inverse()
	if !ok {
		return out
	}
	middle, _ := st.m.Apply((st.x0+st.x1)/2, st.y)
	_, from := on.Apply(middle, st.line)
	_, to := on.Apply(middle, st.line-long)
	_, pixels := spread(on)
	soft := a.number(reflectionBlur, at)
	// It may be seen where the group itself is beyond the frame.
	whole.Shared(2*long*pixels + effect.SoftReach(soft*pixels))
	n := softened(graph.Filtered(whole, graph.Fading{From: from, To: to}), soft*st.size, pixels)
	mirror := back.Then(paint.Affine{A: 1, D: -1, F: 2 * st.line}).Then(on)
	return append(out, p.graph.Place(n, graph.Placement{At: mirror, Opacity: opacity}))
}
