package moves

import (
	"billow/core/clip"
	"billow/core/motion"
)

func init() { recipes["near"] = (*writer).near }

// near pushes slowly in on a picture that covers the frame, or goes along it towards a side.
func (w *writer) near() {
	x, y := motion.SideOf(w.move.Side)
	by := w.move.Strength / 100
	zoom := w.value(clip.Zoom, w.begin)[0]
	if x == 0 && y == 0 {
		w.put(clip.Zoom, w.begin, even, zoom)
		w.put(clip.Zoom, w.end, even, min(zoom*(100+16*by)/100, 1000))
		return
	}
	// It is a little larger, so that there is room to go.
	pan := w.value(clip.Pan, w.begin)
	w.put(clip.Zoom, w.begin, even, min(zoom*(100+16*by)/100, 1000))
	part := func(share float64) []float64 {
		return []float64{pan[0] - float64(x)*8*by*share, pan[1] - float64(y)*8*by*share}
	}
	w.put(clip.Pan, w.begin, even, part(-1)...)
	w.put(clip.Pan, w.end, even, part(1)...)
}
