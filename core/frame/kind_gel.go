package frame

import (
	"slices"

	"billow/core/clip"
	"billow/core/effect"
	"billow/core/graph"
	"billow/core/paint"
)

func init() { kinds[clip.KindGel] = drawing{} }

// gelled tells whether a gel lies in a group on one of its frames, so that what is in it has to be seen
// apart from what is beneath.
func (a *actor) gelled(frame float64) bool {
	return slices.ContainsFunc(a.children, func(in *actor) bool {
		return in.layer.Gel != nil && in.on(frame) && len(in.worn) > 0
	})
}

// addGel lets a gel change what was added so far.
func (p *Painter) addGel(out []*graph.Node, a *actor, env around) []*graph.Node {
	s := p.stage
	pose := s.pose(a, env)
	k, _ := s.lookAt(a, env)
	within := space{at: pose.M.Then(s.toPixels()), unit: s.scale}
	effects := s.effects(a, k, within)
	if pose.Opacity == 0 || len(effects) == 0 || len(out) == 0 {
		return out
	}
	var masks *graph.Masked
	if len(k.masks) > 0 {
		all := maskedIn(k, within)
		masks = &all
	}
	var where *graph.Node
	if id := a.layer.Gel.Where; id != "" {
		var covers []*graph.Node
		if by := s.byID[id]; by != nil {
			covers = p.add(nil, shadowless(by), env)
		}
		if len(covers) == 0 {
			return out
		}
		where = graph.Stack(covers)
	}
	return append(out, graph.Gel(out, effects, graph.Where{Masks: masks, Covered: where}, pose.Opacity, paint.BlendNamed(a.layer.Blend)))
}

// effects are those of a look, in a space.
func (s *Stage) effects(a *actor, k look, in space) (out []graph.Effected) {
	if len(k.effects) == 0 && a.layer.LookedAt() != clip.AsMatte {
		return nil
	}
	for i, e := range effect.All {
		if len(k.effects) > 0 && k.effects[i] != nil && !(e.Title != "" && a.layer.LookedAt() == clip.AsCame) {
			one := graph.Effected{Effect: e, Values: k.effects[i], Unit: in.unit, At: in.at, Box: s.box(a)}
			if e.Title != "" { // what takes a screen out looks at all there is
				one.Finest = in.finest
			}
			if e == &effect.Table {
				one.Table, one.TableKey = s.tableOf(a)
			}
			out = append(out, one)
		}
		if e == effect.LastKey && a.layer.LookedAt() == clip.AsMatte {
			out = append(out, graph.Effected{Effect: &effect.Matte, Unit: in.unit})
		}
	}
	return out
}
