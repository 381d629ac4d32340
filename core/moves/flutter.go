package moves

import (
	"billow/core/clip"
	"billow/core/motion"
)

func init() { recipes["flutter"] = (*writer).flutter }

// flutter sways from where it hangs and dies down: a spring, let go at an angle.
func (w *writer) flutter() {
	w.put(clip.Pivot, w.begin, hold, 0, -50)
	bounce := min(0.93, 0.86+0.04*(w.move.Strength/100))
	w.put(clip.Rotation, w.begin, motion.Ease{Kind: motion.Spring, Bounce: bounce}, w.move.Turn)
	w.put(clip.Rotation, w.end, hold, 0)
}
