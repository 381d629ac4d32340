package engine

import (
	"encoding/json"

	"billow/core/advice"
	"billow/core/clip"
	"billow/core/edit"
	"billow/core/frame"
	"billow/core/paint"
)

// Tried is a picture of a frame as it would be after a command, which is not kept.
type Tried struct {
	Drawing
	Command json.RawMessage `json:"command" ts:"Command"`
}

// tried gives the pixels of a frame: R, G, B, A.
func tried(e *Engine, in Tried) (Bytes, error) {
	s, err := e.small(in.Shape, in.W, in.H)
	if err != nil {
		return nil, err
	}
	after, err := edit.Apply(e.shown, in.Command)
	if err != nil {
		return nil, err
	}
	b, err := e.drawnOnce(after, s, in.W, in.H, in.Frame)
	if err != nil {
		return nil, err
	}
	return b.Bytes(), nil
}

// mostTried is the largest side of pictures that are only tried, pixels.
const mostTried = 1024

// small is a shape in which a small picture is asked for.
func (e *Engine) small(shape string, w, h int) (clip.Shape, error) {
	s, err := e.shape(shape)
	if err == nil && (w < 1 || h < 1 || w > mostTried || h > mostTried) {
		err = clip.Fault("w", "a picture to try something on has 1 to %d pixels a side", mostTried)
	}
	return s, err
}

// drawnOnce is a frame of a clip that is not kept.
func (e *Engine) drawnOnce(c *clip.Clip, s clip.Shape, w, h, n int) (*paint.Bitmap, error) {
	st, err := frame.Prepare(c, s, w, h, e.lib)
	if err != nil {
		return nil, err
	}
	b := paint.NewBitmap(w, h)
	st.Painter().Draw(b, n)
	return b, e.lib.Failed()
}

// suitSide is how many pixels the shorter side has of the pictures by which a cut-out is suited to what
// is behind it.
const suitSide = 200

// suit proposes what makes a layer look as if it stood in what is behind it.
func suit(e *Engine, in FigureAt) (p advice.Proposal, err error) {
	s, err := e.shape(in.Shape)
	if err != nil {
		return p, err
	}
	w, h := s.W*suitSide/min(s.W, s.H), s.H*suitSide/min(s.W, s.H)
	c := e.shown.Copy()
	l := c.Own(in.Layer)
	if l == nil {
		return p, clip.Fault("layer", "there is no layer %q", in.Layer)
	}
	l.LookAs(clip.AsCame)
	st, err := frame.Prepare(c, s, w, h, e.lib)
	if err != nil {
		return p, err
	}
	alone := paint.NewBitmap(w, h)
	st.Alone(alone, in.Layer, in.Frame)
	if _, ok := alone.Visible(); !ok {
		return p, clip.Fault("layer", "nothing of it is seen here; go to where it is")
	}
	hideFrom(c, l)
	behind, err := e.drawnOnce(c, s, w, h, in.Frame)
	if err != nil {
		return p, err
	}
	return advice.Suit(alone, behind), nil
}

// hideFrom hides a layer and all that lies above it.
func hideFrom(c *clip.Clip, l *clip.Layer) {
	for at := l; at != nil; at = c.Own(at.Group) {
		above := false
		for i := range c.Layers {
			o := c.Own(c.Layers[i].ID)
			if o.Group != at.Group {
				continue
			}
			if o.ID == at.ID {
				above = true
			}
			if above && (o.ID != at.ID || at == l) {
				o.Hidden = true
			}
		}
	}
}

// improve proposes what a layer's own picture needs.
func improve(e *Engine, in FigureAt) (p advice.Proposal, err error) {
	s, err := e.shape(in.Shape)
	if err != nil {
		return p, err
	}
	b, units, ok := e.arranged(s).Own(in.Layer, in.Frame)
	if err := e.lib.Failed(); err != nil {
		return p, err
	}
	if !ok {
		return p, clip.Fault("layer", "it has no picture to look at")
	}
	return advice.Improve(b, units), nil
}
