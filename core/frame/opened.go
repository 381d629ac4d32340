package frame

import (
	"math"

	"billow/core/graph"
	"billow/core/paint"
)

// opened is how a layer stands open in two halves: how far they are apart, units, and the line
// between them, by a point of it and the direction in which the second half goes.
type opened struct {
	apart    float64
	x, y     float64
	sin, cos float64
}

func (o opened) any() bool { return o.apart > 0 }

// openedAt is that of an actor on one of its frames.
func (s *Stage) openedAt(a *actor, frame float64) opened {
	at, _, _, _ := s.held(a, frame)
	o := opened{apart: max(0, a.number(open, at)) * a.shrink()}
	if !o.any() {
		return o
	}
	p := a.value(openAt, at)
	o.x, o.y = p[0]/100*a.w, p[1]/100*a.h
	o.sin, o.cos = math.Sincos(a.number(openTurn, at) * math.Pi / 180)
	return o
}

// half is a part of a picture and by how much it is moved, in the layer's own units.
type half struct {
	node   *graph.Node
	dx, dy float64
}

// moved is where it lies in the layer's own units, when the whole is slid.
func (h half) moved(slid [2]float64) paint.Affine { return paint.Translate(slid[0]+h.dx, slid[1]+h.dy) }

// halves are both halves of a picture that is open, and all of one that is not.
func (o opened) halves(n *graph.Node, in space) []half {
	if !o.any() {
		return []half{{node: n}}
	}
	// What lies to the right of an upright line, turned and put through its point.
	side := paint.Corners(beyond, 2*beyond, [4]float64{}).Transformed(paint.Translate(beyond/2, 0)).
		Transformed(paint.Affine{A: o.cos, B: o.sin, C: -o.sin, D: o.cos, E: o.x, F: o.y})
	cut := func(invert bool) *graph.Node {
		return graph.Filtered(n, graph.Masked{At: in.at, Finest: in.finest, Parts: []graph.MaskPart{
			{Path: side, Invert: invert, Nums: []float64{o.x, o.y, o.sin, o.cos}},
		}})
	}
	by := o.apart / 2
	return []half{{cut(true), -by * o.cos, -by * o.sin}, {cut(false), by * o.cos, by * o.sin}}
}
