package moves

import (
	"billow/core/clip"
	"billow/core/motion"
	"billow/core/timing"
)

func init() { recipes["gust"] = (*writer).gust }

// gust flies in from an edge, turned, comes upright and eases to a stop; with a
// drift it goes on slowly from there until the layer leaves.
func (w *writer) gust() {
	m, k := w.move, w.move.Strength/100
	in := arrive
	in.X2 = min(0.95, 0.2/max(k, 0.2))
	if m.Drift != 0 {
		// It arrives at about the speed at which it drifts on, for an entrance
		// of a usual length of way.
		const way = 900
		n, left := w.frames(w.begin, w.end), w.to-1-w.clock.Frame(w.end)
		in.Y2 = 1 - min(0.3, abs(m.Drift)/float64(max(1, left))*float64(n)/way*(1-in.X2))
	}
	if m.Side == "" {
		w.put(clip.Scale, w.begin, in, 0)
		w.put(clip.Scale, w.end, hold, 100)
	} else {
		w.off(w.begin, in, m.Side)
		w.put(clip.Position, w.end, hold, 0, 0)
	}
	if m.Turn != 0 {
		w.put(clip.Rotation, w.begin, in, m.Turn)
		w.put(clip.Rotation, w.end, hold, 0)
	}
	if m.Drift != 0 {
		w.drift(w.end, m.Drift, 0)
	}
}

// drift goes on slowly from a moment until the layer leaves: so many units on
// the axis of the move's side, and a turn.
func (w *writer) drift(from timing.Moment, by, turn float64) {
	last := w.clock.At(w.to - 1)
	if w.layer.To != nil {
		last = w.layer.To.Plus(-1)
	}
	if w.clock.Frame(last) <= w.clock.Frame(from) {
		return
	}
	x, y := motion.SideOf(w.move.Side)
	if x == 0 && y == 0 {
		y = 1
	}
	// An entrance from a side drifts on away from it.
	now := w.value(clip.Position, from)
	w.put(clip.Position, from, even, now...)
	w.put(clip.Position, last, even, now[0]-by*float64(x), now[1]-by*float64(y))
	if turn != 0 {
		now := w.value(clip.Rotation, from)
		w.put(clip.Rotation, from, even, now...)
		w.put(clip.Rotation, last, even, now[0]+turn)
	}
}
