package frame

import (
	"math"

	"billow/core/alike"
	"billow/core/clip"
	"billow/core/paint"
)

// Halvings is how often each picture may be halved before it is drawn at a size, so that nothing
// of it that can be seen is lost: by the hash of its file. Shape and size are as for Prepare.
// What covers the frame is wanted as a whole, since it may be zoomed into.
func Halvings(c *clip.Clip, shape clip.Shape, w, h int, lib *Library) map[string]int {
	s := Arrange(c, shape, lib)
	scale := float64(min(w, h)) / 1000
	often := map[string]int{}
	for _, a := range s.actors {
		if a.prop == nil {
			continue
		}
		n := 0
		if a.layer.Kind == clip.KindCutout {
			// Pixels of the file on one of the frame, and of these as many as are read.
			n = max(0, int(math.Floor(alike.Log(a.per()/(scale*paint.Sharp*a.largest))/math.Ln2)))
		}
		if known, ok := often[a.prop.Hash]; ok {
			n = min(n, known)
		}
		often[a.prop.Hash] = n
	}
	return often
}
