package moves

import (
	"math"

	"billow/core/clip"
	"billow/core/motion"
)

func init() { recipes["flutter"] = (*writer).flutter }

// flutter sways from where it hangs and dies down: a spring, let go at an angle. When
// it goes on, it sways from one side to the other with every beat.
func (w *writer) flutter() {
	w.put(clip.Pivot, w.begin, hold, 0, -50)
	if w.move.GoesOn {
		w.sway()
		return
	}
	bounce := min(0.93, 0.86+0.04*(w.move.Strength/100))
	w.put(clip.Rotation, w.begin, motion.Ease{Kind: motion.Spring, Bounce: bounce}, w.move.Turn)
	w.put(clip.Rotation, w.end, hold, 0)
}

// sway turns to one side and the other on beats, from the upright and back to it.
func (w *writer) sway() {
	angle := w.move.Turn * w.move.Strength / 100
	begin, end := w.clock.Frame(w.begin), w.clock.Frame(w.end)
	w.put(clip.Rotation, w.begin, soft, 0)
	beat := math.Floor(w.clock.Beat(begin)) + 1
	for last := begin; ; beat, angle = beat+1, -angle {
		at := w.clock.OnBeat(beat)
		f := w.clock.Frame(at)
		if f >= end {
			break
		}
		if f > last+1 { // at tempos that are faster than frames there is nothing to see
			w.put(clip.Rotation, at, soft, angle)
			last = f
		}
	}
	w.put(clip.Rotation, w.end, hold, 0)
}
