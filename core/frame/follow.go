package frame

import (
	"billow/core/clip"
	"billow/core/paint"
)

// carriage is how what a layer follows has moved from its rest, in the space of
// the follower's group.
type carriage struct {
	x0, y0 float64 // the leader's pivot at rest
	x1, y1 float64 // where it is
	turn   float64 // degrees clockwise
	sx, sy float64 // factors
}

// as is the mapping by which a follower is carried: around the leader's pivot,
// so that what follows goes round with it when it turns.
func (c carriage) as(f *clip.Follow) paint.Affine {
	m := paint.Translate(-c.x0, -c.y0)
	if f.Scale {
		m = m.Then(paint.Scale(c.sx, c.sy))
	}
	if f.Rotation {
		m = m.Then(paint.Rotate(c.turn))
	}
	if f.Position {
		return m.Then(paint.Translate(c.x1, c.y1))
	}
	return m.Then(paint.Translate(c.x0, c.y0))
}

// carry is how the leader of an actor has moved: by its own motion, by what it
// follows itself, and with the groups that hold it but not the follower.
func (s *Stage) carry(a *actor, env around) carriage {
	l := a.leader
	common := shared(a, l)
	from := env.frame // time in the group that holds both
	if a.parent != common {
		from = s.timeUnder(common, env.outer)
	}
	up := s.rise(l.parent, common, around{frame: from, outer: env.outer})
	at := around{frame: up.frame, outer: env.outer}

	g := s.gesture(l, at.frame)
	px, py := l.pivotAt(at.frame)
	c := carriage{x0: l.cx + px, y0: l.cy + py, turn: g.turn + up.turn, sx: g.sx * up.sx, sy: g.sy * up.sy}
	c.x1, c.y1 = c.x0+g.x, c.y0+g.y
	if l.leader != nil {
		first, f := s.carry(l, at), l.layer.Follow
		c.x1, c.y1 = first.as(f).Apply(c.x1, c.y1)
		c.add(first, f)
	}
	c.x0, c.y0 = up.rest.Apply(c.x0, c.y0)
	c.x1, c.y1 = up.now.Apply(c.x1, c.y1)
	if down, ok := restUnder(a.parent, common).Inverse(); ok {
		c.x0, c.y0 = down.Apply(c.x0, c.y0)
		c.x1, c.y1 = down.Apply(c.x1, c.y1)
	}
	return c
}

// add turns and sizes by what is passed on of another carriage.
func (c *carriage) add(o carriage, f *clip.Follow) {
	if f.Rotation {
		c.turn += o.turn
	}
	if f.Scale {
		c.sx, c.sy = c.sx*o.sx, c.sy*o.sy
	}
}

// rise is how groups move what is in them.
type rise struct {
	frame     float64      // of the inside of the innermost
	now, rest paint.Affine // from there to the space of the group that holds both
	carriage               // turn and size alone
}

// rise goes from the group that holds both, common, in to the group g.
func (s *Stage) rise(g, common *actor, env around) rise {
	if g == common {
		return rise{frame: env.frame, now: paint.Identity(), rest: paint.Identity(), carriage: carriage{sx: 1, sy: 1}}
	}
	out := s.rise(g.parent, common, env)
	env.frame = out.frame
	moved := s.gesture(g, env.frame)
	in := rise{frame: s.timeIn(g, env.frame), carriage: out.carriage}
	in.turn, in.sx, in.sy = in.turn+moved.turn, in.sx*moved.sx, in.sy*moved.sy
	if g.leader != nil {
		in.add(s.carry(g, env), g.layer.Follow)
	}
	in.now = paint.Translate(-g.gx, -g.gy).Then(s.local(g, env).M).Then(out.now)
	in.rest = g.atRest().Then(out.rest)
	return in
}

// atRest maps the inside of a group, or a layer's own units, to what is around it when
// nothing moves it.
func (a *actor) atRest() paint.Affine {
	size := 1.0
	if a.kind.Holds {
		size = a.rest.Size / 1000
	}
	return paint.Translate(-a.gx, -a.gy).Then(paint.Scale(size, size)).Then(paint.Rotate(a.rest.Turn)).Then(paint.Translate(a.cx, a.cy))
}

// restUnder maps the inside of a group at rest to that of a group around it.
func restUnder(g, around *actor) paint.Affine {
	m := paint.Identity()
	for ; g != around; g = g.parent {
		m = m.Then(g.atRest())
	}
	return m
}

// timeUnder is the frame of the inside of a group on one of the clip; nil is
// the clip itself.
func (s *Stage) timeUnder(g *actor, outer float64) float64 {
	if g == nil {
		return outer
	}
	return s.timeIn(g, s.timeUnder(g.parent, outer))
}

// shared is the nearest group that holds two actors, or nil, the clip.
func shared(a, b *actor) *actor {
	for g := a.parent; g != nil; g = g.parent {
		for o := b.parent; o != nil; o = o.parent {
			if o == g {
				return g
			}
		}
	}
	return nil
}
