package frame

import (
	"billow/core/clip"
	"billow/core/graph"
	"billow/core/layout"
	"billow/core/paint"
)

func init() { kinds[clip.KindBackdrop] = drawing{picture: (*Stage).backdrop} }

// backdrop is a fill of the frame.
func (s *Stage) backdrop(a *actor, _ look, frame float64) *graph.Node {
	at, _, _, _ := s.held(a, frame)
	fill := a.shadingAt(&a.layer.Backdrop.Fill, at)
	key := fill.key(graph.Key{}.Text("backdrop").Nums(float64(s.W), float64(s.H)))
	return graph.Source(key, func() *paint.Sheet {
		m := paint.NewBitmap(s.W, s.H)
		m.Shade(fill.shader(paint.Box{W: float64(s.W), H: float64(s.H)}))
		w, _ := layout.Extent(s.shape)
		return paint.NewSheet(m, -float64(s.W)/2, -float64(s.H)/2, float64(s.W)/w)
	})
}
