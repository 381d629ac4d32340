package moves

import (
	"billow/core/clip"
)

func init() { recipes["whisk"] = (*writer).whisk }

// whisk leaves fast, from wherever the layer is by then.
func (w *writer) whisk() {
	now := w.value(clip.Position, w.begin)
	out := leave
	out.X1 = min(0.95, 0.6*max(w.move.Strength/100, 0.2))
	w.put(clip.Position, w.begin, out, now...)
	if w.move.Side == "" {
		scale := w.value(clip.Scale, w.begin)
		w.put(clip.Scale, w.begin, out, scale...)
		w.put(clip.Scale, w.end, hold, 0)
	} else {
		w.off(w.end, hold, w.move.Side)
	}
	if w.move.Turn != 0 {
		turned := w.value(clip.Rotation, w.begin)
		w.put(clip.Rotation, w.begin, out, turned...)
		w.put(clip.Rotation, w.end, hold, turned[0]+w.move.Turn)
	}
}
