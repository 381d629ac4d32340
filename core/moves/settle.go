package moves

import (
	"billow/core/clip"
)

func init() { recipes["settle"] = (*writer).settle }

// settle drops, hops two frames up and two down with a tilt, and rests.
func (w *writer) settle() {
	k := w.move.Strength / 100
	side := w.move.Side
	if side == "" {
		side = "above"
	}
	w.off(w.begin, fall, side)
	w.put(clip.Position, w.end, rise, 0, 0)
	w.put(clip.Position, w.end.Plus(2), fall, 0, -26*k)
	w.put(clip.Position, w.end.Plus(4), hold, 0, 0)
	if w.move.Turn != 0 {
		w.put(clip.Rotation, w.end, soft, 0)
		w.put(clip.Rotation, w.end.Plus(2), soft, w.move.Turn)
		w.put(clip.Rotation, w.end.Plus(6), hold, 0)
	}
}
