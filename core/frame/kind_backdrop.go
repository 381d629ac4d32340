package frame

import (
	"billow/core/clip"
	"billow/core/graph"
	"billow/core/layout"
	"billow/core/paint"
)

func init() { kinds[clip.KindBackdrop] = drawing{picture: (*Stage).backdrop} }

// backdrop is a gradient that fills the frame.
func (s *Stage) backdrop(a *actor, k look, _ float64) *graph.Node {
	b := a.layer.Backdrop
	key := a.content.Text("backdrop").Nums(float64(s.W), float64(s.H))
	for i := range b.Stops {
		key = key.Colour(k.colours[stopColour1-fillColour+i])
	}
	return graph.Source(key, func() *paint.Sheet {
		list := make([]paint.Stop, len(b.Stops))
		for i, st := range b.Stops {
			list[i] = paint.Stop{At: st.At / 100, Colour: k.colours[stopColour1-fillColour+i]}
		}
		m := paint.NewBitmap(s.W, s.H)
		paint.Gradient(m, list, b.Angle)
		w, _ := layout.Extent(s.shape)
		return paint.NewSheet(m, -float64(s.W)/2, -float64(s.H)/2, float64(s.W)/w)
	})
}
