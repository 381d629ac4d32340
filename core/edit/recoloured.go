package edit

import (
	"slices"

	"billow/core/clip"
	"billow/core/moves"
)

// recoloured writes again what exchanges colours on hits where one of those colours has become another: its keys
// would hold the old ones.
func recoloured(before, c *clip.Clip) {
	for i := range c.Layers {
		l := &c.Layers[i]
		stale := slices.ContainsFunc(l.Moves, func(m clip.Move) bool {
			return m.Hits != nil && m.Hits.Does == clip.HitExchange &&
				(otherColours(before, c, l.ID) || m.Hits.With != "" && otherColours(before, c, m.Hits.With))
		})
		if !stale {
			continue
		}
		if next := l.Clone(); moves.Rewrite(c, &next) == nil {
			*c.Own(l.ID) = next
		}
	}
}

// otherColours tells whether a layer has other colours than before, whatever its keys say.
func otherColours(before, c *clip.Clip, id string) bool {
	was, is := before.Layer(id), c.Layer(id)
	if was == nil || is == nil || c.Untouched(id) {
		return false
	}
	names := is.TwoColours()
	return !slices.Equal(was.TwoColours(), names) || slices.ContainsFunc(names, func(name string) bool {
		return !slices.Equal(was.Base(name), is.Base(name))
	})
}
