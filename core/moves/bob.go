package moves

import "billow/core/clip"

func init() { recipes["bob"] = (*writer).bob }

// bob hops up from where it is, comes down, and hops once more, a third as high.
// It lands for good at its end.
func (w *writer) bob() {
	k := w.move.Strength / 100
	n := w.frames(w.begin, w.end)
	now := w.value(clip.Position, w.begin)
	hop := func(from, frames int, high float64) {
		w.put(clip.Position, w.begin.Plus(from), rise, now...)
		w.put(clip.Position, w.begin.Plus(from+frames/2), fall, now[0], now[1]-high*k)
	}
	first := max(2, n*2/3)
	hop(0, first, 60)
	if n-first >= 2 {
		hop(first, n-first, 20)
	}
	w.put(clip.Position, w.end, hold, now...)
}
