package engine

import (
	"encoding/json"

	"billow/core/clip"
	"billow/core/colour"
	"billow/core/frame"
)

// ReadableAsked asks whether a layer's words can be read in a shape. Brand is colours that are
// proposed first where they reach.
type ReadableAsked struct {
	Layer string          `json:"layer"`
	Shape string          `json:"shape"`
	Brand []colour.Colour `json:"brand"`
	Clip  json.RawMessage `json:"clip,omitempty" ts:"Clip"` // as it is, which an engine that draws may not know yet
}

// readableWide is how wide the frames are on which it is measured, pixels of the shorter side.
const readableWide = 240

// readable measures what is behind words.
func readable(e *Engine, in ReadableAsked) (out frame.Readable, err error) {
	c := e.kept
	if c == nil {
		return out, errClosed
	}
	if in.Clip != nil {
		if c, err = clip.Parse(in.Clip); err != nil {
			return out, err
		}
	}
	s, err := c.Shape(in.Shape)
	if err != nil {
		return out, err
	}
	k := float64(readableWide) / float64(min(s.W, s.H))
	stage, err := frame.Prepare(c, s, max(1, int(float64(s.W)*k)), max(1, int(float64(s.H)*k)), e.lib)
	if err != nil {
		return out, err
	}
	out, ok := stage.Readable(in.Layer, in.Brand, clipColours(c))
	if !ok {
		return out, clip.Fault("layer", "these words do not stand anywhere, so nothing is behind them")
	}
	return out, nil
}

// clipColours are colours that a clip's words and figures have already.
func clipColours(c *clip.Clip) (out []colour.Colour) {
	for i := range c.Layers {
		l := &c.Layers[i]
		switch {
		case l.Words != nil:
			out = append(out, l.Words.Fill, l.Words.EmphasisFill)
		case l.Card != nil:
			out = append(out, l.Card.Fill)
		}
	}
	return out
}
