package moves

import (
	"slices"

	"billow/core/clip"
	"billow/core/motion"
)

func init() { recipes["unfurl"] = (*writer).unfurl }

// unfurl is revealed along its own edge.
func (w *writer) unfurl() {
	w.put(clip.Revealed, w.begin, arrive, 0)
	w.put(clip.Revealed, w.end, hold, 100)
	side := w.move.Side
	if !slices.Contains(motion.Sides[:4], side) {
		side = "below"
	}
	// What was chosen in the layer's settings stays: the move asks for a side, but
	// not for sliding.
	slide := w.layer.Reveal == nil || w.layer.Reveal.Slide
	w.layer.Reveal = &clip.Reveal{Side: side, Slide: slide}
}
