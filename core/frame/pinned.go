package frame

import (
	"billow/core/clip"
	"billow/core/layout"
)

// Pinned is the rest of a layer that is pinned to an edge or a corner of the frame and
// lies inside, at the safe area; pinned to nothing, in the middle. It tells whether
// there is such a layer.
func (s *Stage) Pinned(layer, pin string) (clip.Rest, bool) {
	a := s.byID[layer]
	if a == nil || a.kind.Fills {
		return clip.Rest{}, false
	}
	r := a.rest
	w, h := s.Extent()
	box := layout.Turned(a.w, a.h, r.Turn)
	sx, sy := layout.PinSide(pin)
	r.Pin = pin
	r.X = a.ax - sx*((1-layout.Safe)/2*w+(box.X1-box.X0)/2)
	r.Y = a.ay - sy*((1-layout.Safe)/2*h+(box.Y1-box.Y0)/2)
	return r, true
}
