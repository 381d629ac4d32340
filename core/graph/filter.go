package graph

import (
	"image"
	"math"

	"billow/core/paint"
)

// Filter makes a sheet of another one: a cut, an outline, a shadow, an effect.
type Filter interface {
	// Key adds what the filter depends on beyond its input.
	Key(k Key) Key
	// Reach is how far it draws beyond its input, in units of the space.
	Reach() float64
	// Apply draws. When mine is set it may change the sheet that it is given and
	// give it back; memory comes from the pool and goes there.
	Apply(in *paint.Sheet, mine bool, pool *paint.Pool) *paint.Sheet
}

// Filtered is a node after a filter, in the same space.
func Filtered(in *Node, f Filter) *Node {
	n := &Node{Key: f.Key(Key{}.Word(filterNode).Of(in.Key)), in: []*Node{in}, own: in.own, op: filtered{f}}
	if !in.own {
		n.Bounds = grown(in.Bounds, f.Reach())
	}
	return n
}

func grown(r image.Rectangle, by float64) image.Rectangle {
	if r.Empty() {
		return r
	}
	return r.Inset(-int(math.Ceil(by)))
}

type filtered struct{ Filter }

func (o filtered) make(p *Painter, n *Node, area image.Rectangle) (*paint.Sheet, bool) {
	in := n.in[0]
	if n.own {
		return o.Apply(p.own(in), false, nil), false
	}
	s, mine := p.make(in, grown(area, o.Reach()))
	if s == nil {
		return nil, false
	}
	if e, ok := o.Filter.(Effected); ok {
		e.only = area
		return e.Apply(s, mine, &p.pool), true
	}
	return o.Apply(s, mine, &p.pool), true
}
