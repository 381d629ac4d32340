package engine

import (
	"billow/core/clip"
	"billow/core/frame"
	"billow/core/layered"
)

// LayeredAsked asks for a frame as a layered picture.
type LayeredAsked struct {
	Shape string `json:"shape"`
	Layer string `json:"layer"` // a group or a scene; none is all of the clip
	Frame int    `json:"frame"`
}

// layeredPicture draws a frame as a layered picture in the OpenRaster format, in the shape's
// own pixels.
func layeredPicture(e *Engine, in LayeredAsked) (Bytes, error) {
	s, err := e.shape(in.Shape)
	if err != nil {
		return nil, err
	}
	c := e.kept
	if l := c.Layer(in.Layer); in.Layer != "" && (l == nil || !l.Is().Holds) {
		return nil, clip.Fault("layer", "choose a group or a scene first")
	}
	st, err := frame.Prepare(c, s, s.W, s.H, e.lib)
	if err != nil {
		return nil, err
	}
	p, merged, err := layered.Of(c, st, in.Layer, in.Frame, s.W, s.H)
	if err != nil {
		return nil, err
	}
	if err := e.lib.Failed(); err != nil {
		return nil, err
	}
	return layered.Encode(p, merged)
}
