package frame

import (
	"fmt"

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

// Gap is a name in braces that a layer's words ask for and nothing fills.
type Gap struct {
	Layer   string // its name
	Field   string
	Product string // that is spoken of, by its name; there may be none
}

// Error tells what to do about it.
func (g Gap) Error() string {
	if g.Product == "" {
		return fmt.Sprintf("%q asks for {%s} and speaks of no product; choose one for it, or write \\{ where a brace is meant", g.Layer, g.Field)
	}
	return fmt.Sprintf("%q asks for {%s}, which %s does not have; give it that, or write \\{ where a brace is meant", g.Layer, g.Field, g.Product)
}

// Gaps lists what visible words ask for and nothing fills: a clip with gaps is not to be posted.
func Gaps(c *clip.Clip) (out []Gap) {
	for i := range c.Layers {
		l := &c.Layers[i]
		if l.Words == nil || l.Hidden {
			continue
		}
		of := c.SubjectOf(l)
		for _, field := range words.Unfilled(l.Words, of) {
			g := Gap{Layer: l.Name, Field: field}
			if of != nil {
				g.Product = of.Name
			}
			out = append(out, g)
		}
	}
	return out
}
