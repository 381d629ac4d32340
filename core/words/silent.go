package words

import (
	"strings"

	"billow/core/clip"
)

// Silent are the groups that are not shown, by ID: plates of words that have nothing to say, as a
// burst for a percentage of a product that is not reduced. All of their words are left out, and what
// else is in them are figures.
func Silent(c *clip.Clip) map[string]bool {
	var silent map[string]bool
	for i := range c.Layers {
		if l := &c.Layers[i]; leftOut(c, l) {
			for g := c.Layer(l.Group); g != nil && g.Kind == clip.KindGroup && !silent[g.ID] && plate(c, g); g = c.Layer(g.Group) {
				if silent == nil {
					silent = map[string]bool{}
				}
				silent[g.ID] = true
			}
		}
	}
	return silent
}

func leftOut(c *clip.Clip, l *clip.Layer) bool {
	return l.Words != nil && strings.Contains(l.Words.Text, "{") && LeftOut(l.Words, c.SubjectOf(l))
}

// plate tells whether nothing is in a group but figures and words that are left out.
func plate(c *clip.Clip, g *clip.Layer) bool {
	for i := range c.Layers {
		l := &c.Layers[i]
		if !c.Within(l, g.ID) || l.Hidden || l.Kind == clip.KindCard || l.Kind == clip.KindGroup {
			continue
		}
		if !leftOut(c, l) {
			return false
		}
	}
	return true
}
