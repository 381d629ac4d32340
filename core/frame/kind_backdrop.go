package frame

import (
	"billow/core/clip"
	"billow/core/graph"
	"billow/core/layout"
	"billow/core/paint"
)

func init() {
	drawn := drawing{picture: (*Stage).backdrop}
	kinds[clip.KindBackdrop], kinds[clip.KindVignette] = drawn, drawn
}

// backdrop is a fill of the frame.
func (s *Stage) backdrop(a *actor, _ look, frame float64) *graph.Node {
	at, _, _, _ := s.held(a, frame)
	fill := a.shadingAt(&a.layer.Backdrop.Fill, at)
	key := fill.key(graph.Key{}.Text("backdrop").Nums(float64(s.W), float64(s.H)))
	w, _ := layout.Extent(s.shape)
	return graph.Wash(key, s.W, s.H, -float64(s.W)/2, -float64(s.H)/2, float64(s.W)/w, func() paint.Shader {
		return fill.shader(paint.Box{W: float64(s.W), H: float64(s.H)})
	})
}
