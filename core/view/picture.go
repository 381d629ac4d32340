package view

import (
	"fmt"
	"strings"

	"billow/core/clip"
	"billow/core/frame"
	"billow/core/layout"
	"billow/core/words"
)

// Picture says in words what is to be seen on a frame of a shape, from the front
// to the back, for those who do not see it.
func Picture(c *clip.Clip, stage *frame.Stage, s clip.Shape, n int) string {
	var parts []string
	places := stage.Places(n, nil)
	whole := layout.Frame(s)
	for i := len(places) - 1; i >= 0; i-- {
		pl := places[i]
		l := c.Layer(pl.Layer)
		if l == nil || l.Is().Holds || pl.Opacity < 0.02 || !overlap(pl.Box(), whole) {
			continue
		}
		says := l.Name
		if l.Words != nil {
			text := strings.Join(strings.Fields(words.Said(l.Words, c.SubjectOf(l))), " ")
			says = fmt.Sprintf("%s “%s”", l.Name, text)
		}
		if where := whereabouts(pl, whole); where != "" && !l.Is().Fills {
			says += " " + where
		}
		parts = append(parts, says)
	}
	at := fmt.Sprintf("%s at %s", clip.ShapeNames.NameOf(s.ID), c.Rate.Timecode(n))
	if len(parts) == 0 {
		return at + ": nothing is to be seen"
	}
	return at + ", from the front: " + strings.Join(parts, "; ")
}

func overlap(a, b layout.Box) bool { return a.X0 < b.X1 && a.X1 > b.X0 && a.Y0 < b.Y1 && a.Y1 > b.Y0 }

// whereabouts is in which ninth of the frame the middle of a thing lies.
func whereabouts(p frame.Place, whole layout.Box) string {
	across, down := "", ""
	switch x := p.X / (whole.X1 - whole.X0); {
	case x < -1.0/6:
		across = "left"
	case x > 1.0/6:
		across = "right"
	}
	switch y := p.Y / (whole.Y1 - whole.Y0); {
	case y < -1.0/6:
		down = "at the top"
	case y > 1.0/6:
		down = "at the bottom"
	}
	switch {
	case across == "" && down == "":
		return "in the middle"
	case across == "":
		return down
	case down == "":
		return "at the " + across
	}
	return down + " " + across
}
