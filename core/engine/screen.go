package engine

import (
	"billow/core/clip"
	"billow/core/colour"
)

// Spotted is a place of a layer on a frame of a shape, in units from the frame's centre.
type Spotted struct {
	Shape string     `json:"shape"`
	Frame int        `json:"frame"`
	Layer string     `json:"layer"`
	At    [2]float64 `json:"at"`
}

// colourUnder is the colour that a layer's prop has at a place, for being keyed.
func colourUnder(e *Engine, in Spotted) (c colour.Colour, err error) {
	s, err := e.shape(in.Shape)
	if err != nil {
		return c, err
	}
	c, ok := e.arranged(s).Under(in.Layer, in.Frame, in.At[0], in.At[1])
	if err := e.lib.Failed(); err != nil {
		return c, err
	}
	if !ok {
		return c, clip.Fault("at", "there is nothing of the layer here; press where its background shows")
	}
	return c, nil
}

// screenColour is the colour of the screen before which a layer's prop was taken.
func screenColour(e *Engine, in FigureAt) (c colour.Colour, err error) {
	s, err := e.shape(in.Shape)
	if err != nil {
		return c, err
	}
	c, ok := e.arranged(s).Screen(in.Layer, in.Frame)
	if err := e.lib.Failed(); err != nil {
		return c, err
	}
	if !ok {
		return c, clip.Fault("layer", "its border is clear already; there is no background to take out")
	}
	return c, nil
}
