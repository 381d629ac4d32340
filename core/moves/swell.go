package moves

import (
	"billow/core/clip"
)

func init() { recipes["swell"] = (*writer).swell }

// swell grows past full size, goes a little under, and rests: 15 + 5 + 5 frames.
func (w *writer) swell() {
	k := w.move.Strength / 100
	w.put(clip.Scale, w.begin, arrive, 0)
	w.put(clip.Scale, w.end, soft, 100+18*k)
	w.put(clip.Scale, w.end.Plus(5), soft, max(0, 100-5*k))
	w.put(clip.Scale, w.end.Plus(10), hold, 100)
}
