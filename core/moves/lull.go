package moves

import (
	"billow/core/clip"
)

func init() { recipes["lull"] = (*writer).lull }

// lull holds whatever moves at its beginning until its end.
func (w *writer) lull() {
	for _, p := range w.layer.Properties() {
		if len(w.layer.Tracks[p.Name]) == 0 || p.Name == clip.Time {
			continue
		}
		now := w.value(p.Name, w.begin)
		w.put(p.Name, w.begin, hold, now...)
		w.put(p.Name, w.end, soft, now...)
	}
}
