package frame

import (
	"billow/core/graph"
	"billow/core/paint"
)

// matted is what a group shows, cut to a layer in it, which is drawn as matte already, or to one
// beside it.
func (p *Painter) matted(whole *graph.Node, matte []*graph.Node, a *actor, env, in around) *graph.Node {
	s, inside := p.stage, a.layer.Inside
	by := s.byID[inside.Clip]
	if by == nil {
		return graph.Stack(nil)
	}
	if by.parent != a {
		in = env
		matte = p.add(nil, shadowless(by), env)
	}
	how := graph.Cutting{Brightness: inside.By == "brightness", Invert: inside.Invert}
	var free *graph.Node
	if inside.Free {
		// All that lies above the middle of the layer, as it lies there.
		path := paint.Corners(2*beyond, beyond, [4]float64{}).Transformed(paint.Translate(0, -beyond/2))
		m := s.pose(by, in).M.Then(s.toPixels())
		free = graph.Figure(path.Transformed(m), graph.Key{}.Text("above").Matrix(m))
	}
	return graph.Matte(whole, graph.Stack(matte), free, how)
}
