package edit

import (
	"slices"

	"billow/core/clip"
	"billow/core/colour"
)

// AddLine gives a figure one more outline, outside those that it has.
type AddLine struct {
	Typed
	Layer string `json:"layer"`
}

func cardOf(c *clip.Clip, layer string) (*clip.Layer, *clip.Card, error) {
	l, err := find(c, layer)
	if err != nil {
		return nil, nil, err
	}
	if l.Card == nil || l.Card.Fills {
		return nil, nil, clip.Fault("layer", "%q has no outline", l.Name)
	}
	return l, l.Card, nil
}

func (a *AddLine) apply(c *clip.Clip) error {
	_, d, err := cardOf(c, a.Layer)
	if err != nil {
		return err
	}
	line := clip.Line{Width: 12, Apart: 14, Colour: d.Outline}
	line.ID = freeNumber(func(n int) bool {
		return slices.ContainsFunc(d.Lines, func(l clip.Line) bool { return l.ID == n })
	})
	if n := len(d.Lines); n > 0 {
		last := d.Lines[n-1]
		line.Width, line.Colour, line.Apart = last.Width, last.Colour, min(max(last.Apart, 0)+last.Width+14, 300)
	} else if d.Outline == (colour.Colour{}) {
		line.Colour = d.Fill
	}
	d.Lines = append(d.Lines, line)
	return nil
}

// RemoveLine takes an outline that a figure has beside its own, with its keys.
type RemoveLine struct {
	Typed
	Layer  string `json:"layer"`
	Number int    `json:"number"`
}

func (r *RemoveLine) apply(c *clip.Clip) error {
	l, d, err := cardOf(c, r.Layer)
	if err != nil {
		return err
	}
	i := slices.IndexFunc(d.Lines, func(l clip.Line) bool { return l.ID == r.Number })
	if i < 0 {
		return clip.Fault("number", "%q has no further outline %d", l.Name, r.Number)
	}
	d.Lines = slices.Delete(d.Lines, i, i+1)
	drop(l)
	return nil
}
