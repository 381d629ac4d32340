package frame

import "billow/core/clip"

// Aligned is the rest with which words stay where they are in the stage's shape when
// their lines are aligned otherwise and they stand by that edge. It tells whether
// there are such words.
func (s *Stage) Aligned(layer, align string) (clip.Rest, bool) {
	a := s.byID[layer]
	if a == nil || a.layer.Words == nil {
		return clip.Rest{}, false
	}
	w := *a.layer.Words
	w.Align, w.ByEdge = align, true
	x, y := standing(&w, a.w, a.rest.Turn)
	r := a.rest
	r.X += x - a.ax
	r.Y += y - a.ay
	return r, true
}
