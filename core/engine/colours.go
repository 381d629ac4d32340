package engine

import (
	"encoding/json"

	"billow/core/clip"
	"billow/core/edit"
	"billow/core/frame"
	"billow/core/paint"
	"billow/core/palette"
)

// Matched is a cut-out, its main colours and what goes with them.
type Matched struct {
	Layer     string            `json:"layer"` // none where there is no cut-out
	Colours   []palette.Share   `json:"colours"`
	Proposals []palette.Palette `json:"proposals"`
}

// Matching is what asks for colours: a cut-out, or none for the largest one on a frame.
type Matching struct {
	Layer string `json:"layer,omitempty"`
	Shape string `json:"shape"`
	Frame int    `json:"frame"`
}

// matching finds colours that go with a cut-out.
func matching(e *Engine, in Matching) (Matched, error) {
	out := Matched{Colours: []palette.Share{}, Proposals: []palette.Palette{}}
	if e.kept == nil {
		return out, errClosed
	}
	s, err := e.shape(in.Shape)
	if err != nil {
		return out, err
	}
	l := e.kept.Layer(in.Layer)
	if l == nil {
		l = largest(e.kept, frame.Arrange(e.kept, s, e.lib), in.Frame)
	}
	if l == nil || l.Cutout == nil {
		return out, nil
	}
	prop := e.kept.PictureOf(l)
	if prop == nil {
		return out, nil
	}
	src := e.lib.Source(prop.Hash)
	if src == nil {
		return out, clip.Fault("layer", "the picture of %q is not here yet", l.Name)
	}
	number := 0
	if m, ok := src.(frame.Moving); ok {
		number = m.Frames() / 2
	}
	picture, _, err := src.Picture(number, 0.25)
	if err != nil {
		return out, clip.Fault("layer", "the picture of %q cannot be read now", l.Name)
	}
	out.Layer, out.Colours = l.ID, palette.Main(picture.Picture)
	out.Proposals = palette.Proposals(out.Colours)
	return out, nil
}

// largest is the cut-out that covers most on a frame, or the first of all.
func largest(c *clip.Clip, s *frame.Stage, at int) (out *clip.Layer) {
	most := -1.0
	for _, pl := range s.Places(at, nil) {
		if l := c.Layer(pl.Layer); l.Kind == clip.KindCutout && pl.W*pl.H > most {
			out, most = l, pl.W*pl.H
		}
	}
	for i := range c.Layers {
		if out == nil && c.Layers[i].Kind == clip.KindCutout {
			out = &c.Layers[i]
		}
	}
	return out
}

// Trial is a frame as it would be after a command.
type Trial struct {
	Drawing
	Command json.RawMessage `json:"command" ts:"Command"`
}

// trial gives the pixels of a frame as it would be: R, G, B, A. Nothing is kept.
func trial(e *Engine, in Trial) (Bytes, error) {
	if e.kept == nil {
		return nil, errClosed
	}
	c, err := edit.Apply(e.kept, in.Command)
	if err != nil {
		return nil, err
	}
	s, err := c.Shape(in.Shape)
	if err != nil {
		return nil, err
	}
	if in.W < 1 || in.H < 1 || in.W > clip.MaxSide || in.H > clip.MaxSide {
		return nil, clip.Fault("w", "a picture has 1 to %d pixels a side", clip.MaxSide)
	}
	stage, err := frame.Prepare(c, s, in.W, in.H, e.lib)
	if err != nil {
		return nil, err
	}
	b := paint.NewBitmap(in.W, in.H)
	stage.Painter().Draw(b, in.Frame)
	return b.Bytes(), e.lib.Failed()
}
