package graph

import (
	"image"

	"billow/core/paint"
	"billow/core/transition"
)

// leadNode stands for transitions in keys of nodes.
const leadNode = 64

// Lead is the way from one scene to the next, of which so much is done.
func Lead(from, to *Node, by *transition.Transition, progress float64) *Node {
	return &Node{
		Key:    Key{}.Word(leadNode).Text(by.ID).Of(from.Key).Of(to.Key).Nums(progress),
		Bounds: from.Bounds.Union(to.Bounds), in: []*Node{from, to}, op: lead{by, progress},
	}
}

type lead struct {
	by       *transition.Transition
	progress float64
}

func (l lead) make(p *Painter, n *Node, area image.Rectangle) (*paint.Sheet, bool) {
	from, to := p.copied(n.in[0], area), p.copied(n.in[1], area)
	l.by.Mix(to.Picture, from.Picture, l.progress)
	p.pool.Put(from.Picture)
	return to, true
}
