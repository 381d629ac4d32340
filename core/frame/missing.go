package frame

import (
	"billow/core/clip"
	"billow/core/words"
)

// Missing is a layer with letters that no font has: they are drawn as boxes.
type Missing struct {
	Layer   string `json:"layer"` // its name
	Letters string `json:"letters"`
}

// MissingLetters lists the layers that show letters which no font has.
func MissingLetters(c *clip.Clip, lib *Library) []Missing {
	var out []Missing
	for i := range c.Layers {
		l := &c.Layers[i]
		if l.Words == nil || l.Hidden {
			continue
		}
		if letters := words.Missing(lib.Fonts, l.Words, c.SubjectOf(l)); len(letters) > 0 {
			out = append(out, Missing{l.Name, string(letters)})
		}
	}
	return out
}
