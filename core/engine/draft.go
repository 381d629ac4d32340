package engine

import (
	"billow/core/clip"
	"billow/core/edit"
	"billow/core/layout"
	"billow/core/legible"
	"billow/core/moves"
	"billow/core/timing"
)

// Draft is what a new layer is asked to be.
type Draft struct {
	Kind    string `json:"kind"`
	Prop    string `json:"prop,omitempty"`
	Name    string `json:"name,omitempty"`
	Product string `json:"product,omitempty"`
	Frame   int    `json:"frame"`            // of the clip: it goes into the scene that plays then
	Begins  bool   `json:"begins,omitempty"` // it begins on that frame, on the beat that is there, and not with the scene

	Shape string      `json:"shape,omitempty"` // in which its middle is put at a point
	At    *[2]float64 `json:"at,omitempty"`    // units from the frame's centre
}

// draft is a new layer of a kind, not yet added.
func draft(e *Engine, in Draft) (clip.Layer, error) {
	if e.shown == nil {
		return clip.Layer{}, errClosed
	}
	if in.Product == "" {
		in.Product = e.shown.SpokenOf("", in.Frame)
	}
	l := clip.Draft(e.shown, in.Kind, in.Name, in.Prop, in.Product)
	if k := l.Is(); !k.Plays {
		l.Group = e.shown.SceneAt(in.Frame).ID
	}
	if in.Begins && !l.Is().Fills && !l.Is().Plays {
		begin(e.shown, &l, in.Frame)
	}
	legible.Dress(e.shown, &l)
	if in.At != nil && !l.Is().Fills {
		s, err := e.shape(in.Shape)
		if err != nil {
			return clip.Layer{}, err
		}
		layout.PutAt(e.shown, &l, s, in.At[0], in.At[1])
	}
	return l, nil
}

// begin lets a layer begin on a frame, where its scene has begun before.
func begin(c *clip.Clip, l *clip.Layer, frame int) {
	if scene := c.SceneAt(frame); frame <= scene.From {
		return
	}
	clock := c.ClockOf(l)
	l.From = clock.At(frame)
	if on := clock.Nearest(frame); clock.Frame(on) == frame {
		l.From = on
	}
}

// DraftMove is what a new move is asked to be.
type DraftMove struct {
	Kind  string        `json:"kind"`
	Layer string        `json:"layer"`
	At    timing.Moment `json:"at"` // of the clip
}

// draftMove is a move of a kind for a layer as it begins.
func draftMove(e *Engine, in DraftMove) (clip.Move, error) {
	if e.kept == nil {
		return clip.Move{}, errClosed
	}
	l := e.kept.Layer(in.Layer)
	if l == nil {
		return clip.Move{}, clip.Fault("layer", "there is no layer %q", in.Layer)
	}
	return moves.Draft(e.kept, l, in.Kind, e.kept.ClockOf(l).Own(in.At)), nil
}

// DraftedMove is a move that a layer may get.
type DraftedMove struct {
	Layer string    `json:"layer"`
	Move  clip.Move `json:"move"`
}

// Frames are frames of the clip, from the first to the last.
type Frames struct {
	From int `json:"from"`
	To   int `json:"to"`
}

// moveFrames tells when a move would go on.
func moveFrames(e *Engine, in DraftedMove) (Frames, error) {
	if e.kept == nil {
		return Frames{}, errClosed
	}
	l := e.kept.Layer(in.Layer)
	if l == nil {
		return Frames{}, clip.Fault("layer", "there is no layer %q", in.Layer)
	}
	from, to := moves.Span(e.kept, l, in.Move)
	return Frames{from, to}, nil
}

// struck tells at which hits, by their frames, a move does something.
func struck(e *Engine, in DraftedMove) ([]int, error) {
	if e.kept == nil {
		return nil, errClosed
	}
	l := e.kept.Layer(in.Layer)
	if l == nil {
		return nil, clip.Fault("layer", "there is no layer %q", in.Layer)
	}
	return moves.StruckBy(e.kept, l, in.Move)
}

// When is a moment of the clip and the frame on which it is.
type When struct {
	Moment timing.Moment `json:"moment"`
	Frame  int           `json:"frame"`
}

// parseMoment reads a moment as a person writes it.
func parseMoment(e *Engine, text string) (When, error) {
	if e.shown == nil {
		return When{}, errClosed
	}
	m, err := e.shown.Clock().ParseMoment(text)
	if err != nil {
		return When{}, clip.Fault("time", "%v", err)
	}
	return When{m, e.shown.Clock().Frame(m)}, nil
}

// parseTime reads a length as a person writes it, in frames.
func parseTime(e *Engine, text string) (int, error) {
	if e.shown == nil {
		return 0, errClosed
	}
	n, err := e.shown.Clock().ParseLength(text)
	if err != nil {
		return 0, clip.Fault("time", "%v", err)
	}
	return n, nil
}

// readLength tells what a length is taken for while it is written.
func readLength(e *Engine, text string) (timing.Reading, error) {
	if e.shown == nil {
		return timing.Reading{}, errClosed
	}
	return e.shown.Clock().ReadLength(text), nil
}

// readMoment tells what a time is taken for while it is written.
func readMoment(e *Engine, text string) (timing.Reading, error) {
	if e.shown == nil {
		return timing.Reading{}, errClosed
	}
	return e.shown.Clock().ReadMoment(text, e.shown.Length-1), nil
}

// otherCounts are the other ways to count the clip's tune.
func otherCounts(e *Engine, _ *struct{}) ([]edit.OtherCount, error) {
	if e.shown == nil {
		return nil, errClosed
	}
	return edit.OtherCounts(e.shown), nil
}
