// Package graph draws pictures from nodes. A node knows what it is made of, what
// it depends on and where it lies; what has the same key as on the frame before
// is not drawn again, and a sheet is only as large as what is on it.
//
// Nodes work in one of two spaces. A layer's picture, its cuts, effects and its
// shadow are made in the layer's own space, in units about its centre: they stay
// the same while it moves and are kept for all painters. Placing them gives a
// node in the frame's space, in pixels; so are stacks, and what is made of
// stacks: the same cuts, effects and shadows, of a group or a whole scene.
package graph

import (
	"image"
	"math"

	"billow/core/paint"
)

// Node is one step in drawing a frame.
type Node struct {
	Key    Key
	Bounds image.Rectangle // of the frame's pixels; empty in a layer's own space
	in     []*Node
	op     any // a maker or a painter
	own    bool
	// shared is how far around the frame a node is made that is used more than
	// once, in pixels; 0 is not shared.
	shared int
}

// maker makes a sheet of its own. area is what is needed of it in the frame's
// space. mine tells that nobody else has the sheet, so that it may be changed.
type maker interface {
	make(p *Painter, n *Node, area image.Rectangle) (s *paint.Sheet, mine bool)
}

// layer paints itself over what a sheet of the frame's space shows already.
type layer interface {
	paint(p *Painter, n *Node, dst *paint.Sheet)
}

// kinds of nodes, for their keys.
const (
	filterNode = iota + 1
	placeNode
	stackNode
	matteNode
	gelNode
)

// Source is a layer's picture in its own space.
func Source(k Key, draw func() *paint.Sheet) *Node {
	return &Node{Key: k, own: true, op: source(draw)}
}

type source func() *paint.Sheet

func (s source) make(*Painter, *Node, image.Rectangle) (*paint.Sheet, bool) { return s(), false }

// Known is a layer's picture in its own space that is at hand.
func Known(k Key, s *paint.Sheet) *Node { return &Node{Key: k, own: true, op: known{s}} }

type known struct{ *paint.Sheet }

// Stack is nodes one over the other, from the back to the front.
func Stack(list []*Node) *Node {
	n := &Node{Key: Key{}.Word(stackNode).Word(uint64(len(list))), in: list, op: stack{}}
	for _, in := range list {
		n.Key = n.Key.Of(in.Key)
		n.Bounds = n.Bounds.Union(in.Bounds)
	}
	for _, in := range list {
		// What looks around itself has to see the same whatever part of it is asked for.
		if o, ok := in.op.(gel); ok && reachOf(o.effects) > 0 {
			n.Shared(0)
		}
	}
	return n
}

type stack struct{}

func (stack) paint(p *Painter, n *Node, dst *paint.Sheet) {
	for _, in := range n.in {
		p.paint(in, dst)
	}
}

// Shared tells that a node is used more than once on a frame, and how far beyond
// the frame, in pixels, it is needed.
func (n *Node) Shared(margin float64) *Node {
	n.shared = max(n.shared, 1+int(math.Ceil(margin)))
	return n
}
