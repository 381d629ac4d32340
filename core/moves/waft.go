package moves

import (
	"billow/core/clip"
	"billow/core/motion"
)

func init() { recipes["waft"] = (*writer).waft }

// waft drifts slowly away from a side.
func (w *writer) waft() {
	from := w.begin
	x, y := motion.SideOf(w.move.Side)
	by := 40 * w.move.Strength / 100
	now, turned := w.value(clip.Position, from), w.value(clip.Rotation, from)
	w.put(clip.Position, from, even, now...)
	w.put(clip.Position, w.end, even, now[0]+by*float64(x), now[1]+by*float64(y))
	if w.move.Turn != 0 {
		w.put(clip.Rotation, from, even, turned...)
		w.put(clip.Rotation, w.end, even, turned[0]+w.move.Turn)
	}
}
