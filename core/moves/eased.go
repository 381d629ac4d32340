package moves

import (
	"billow/core/clip"
	"billow/core/motion"
)

// eases are the easings that a person has chosen for keys of moves, by the track,
// the move, and which of its keys there they are for.
type eases map[easeOf]motion.Ease

type easeOf struct {
	property, move string
	n              int
}

// easedByHand finds them on a layer.
func easedByHand(l *clip.Layer) eases {
	out := eases{}
	eachOfMoves(l, func(at easeOf, k *motion.Key) {
		if k.Eased {
			out[at] = k.Ease
		}
	})
	return out
}

// again gives them to the keys that were written anew.
func (e eases) again(l *clip.Layer) {
	if len(e) == 0 {
		return
	}
	eachOfMoves(l, func(at easeOf, k *motion.Key) {
		if ease, ok := e[at]; ok {
			k.Ease, k.Eased = ease, true
		}
	})
}

func eachOfMoves(l *clip.Layer, f func(at easeOf, k *motion.Key)) {
	for property, t := range l.Tracks {
		count := map[string]int{}
		for i := range t {
			if id := t[i].Move; id != "" {
				f(easeOf{property, id, count[id]}, &t[i])
				count[id]++
			}
		}
	}
}
