package edit

import (
	"encoding/json"
	"slices"

	"billow/core/clip"
	"billow/core/layout"
	"billow/core/motion"
	"billow/core/timing"
)

// AddLayer puts a layer in front of all others, or at a place in the stack
// counted from the back. What lies behind others is put right over what lies behind them in
// its scene already.
type AddLayer struct {
	Typed
	Layer clip.Layer `json:"layer"`
	At    *int       `json:"at,omitempty"`
}

func (a *AddLayer) apply(c *clip.Clip) error {
	at := len(c.Layers)
	switch {
	case a.At != nil:
		at = min(max(*a.At, 0), at)
	case a.Layer.Is().Behind && a.Layer.Group != "":
		at = overBehind(c, a.Layer.Group)
	}
	if a.Layer.Tracks == nil {
		a.Layer.Tracks = map[string]motion.Track{}
	}
	c.Layers = slices.Insert(c.Layers, at, a.Layer)
	return nil
}

// overBehind is the place in the stack over what lies behind all else in a group.
func overBehind(c *clip.Clip, group string) int {
	at := slices.IndexFunc(c.Layers, func(l clip.Layer) bool { return l.ID == group }) + 1
	for at < len(c.Layers) && c.Layers[at].Group == group && c.Layers[at].Is().Behind {
		at++
	}
	return at
}

// find is the layer or an error about the field "layer".
func find(c *clip.Clip, id string) (*clip.Layer, error) {
	if l := c.Own(id); l != nil {
		return l, nil
	}
	return nil, clip.Fault("layer", "there is no layer %q; it may have been deleted", id)
}

// SetLayer changes some of a layer's settings; what set does not mention
// stays. Its ID, kind and keys have commands of their own.
type SetLayer struct {
	Typed
	Layer string          `json:"layer"`
	Set   json.RawMessage `json:"set" ts:"Changed<Layer>"`
}

func (s *SetLayer) apply(c *clip.Clip) error {
	l, err := find(c, s.Layer)
	if err != nil {
		return err
	}
	next := l.Clone()
	next.Tracks, next.Moves, next.Lineup = nil, nil, nil
	if err := clip.DecodeStrict(s.Set, &next); err != nil {
		return err
	}
	if next.ID != l.ID || next.Kind != l.Kind || next.Group != l.Group || next.Tracks != nil || next.Moves != nil || next.Lineup != nil {
		return clip.Fault("set", "the id, the kind, the group, the keys, the moves and the line-up of a layer are not set this way")
	}
	next.Tracks, next.Moves, next.Lineup = l.Tracks, l.Moves, l.Lineup
	if next.Reveal != nil && (l.Reveal == nil || next.Reveal.Side != l.Reveal.Side) {
		// A move that reveals goes by the side that was chosen last.
		for i := range next.Moves {
			if next.Moves[i].Kind == "unfurl" {
				next.Moves[i].Side = next.Reveal.Side
			}
		}
	}
	*l = next
	return nil
}

// SetRest changes where a layer stands: in its home shape, from which the
// others derive, or in one other shape alone.
type SetRest struct {
	Typed
	Layer string          `json:"layer"`
	Shape string          `json:"shape"`
	Set   json.RawMessage `json:"set" ts:"Changed<Rest>"`
}

func (s *SetRest) apply(c *clip.Clip) error {
	l, err := find(c, s.Layer)
	if err != nil {
		return err
	}
	return withRest(c, l, s.Shape, func(r *clip.Rest) error { return clip.DecodeStrict(s.Set, r) })
}

// withRest changes the rest of a layer in a shape.
func withRest(c *clip.Clip, l *clip.Layer, shape string, change func(*clip.Rest) error) error {
	s, err := c.Shape(shape)
	if err != nil {
		return err
	}
	r := layout.RestIn(c, l, s)
	if err := change(&r); err != nil {
		return err
	}
	if s.ID == c.Shapes[0].ID {
		l.Rest = r
		return nil
	}
	if l.Rests == nil {
		l.Rests = map[string]clip.Rest{}
	}
	l.Rests[s.ID] = r
	return nil
}

// ClearRest makes a layer stand in a shape as it does in the others again.
type ClearRest struct {
	Typed
	Layer string `json:"layer"`
	Shape string `json:"shape"`
}

func (s *ClearRest) apply(c *clip.Clip) error {
	l, err := find(c, s.Layer)
	if err == nil {
		delete(l.Rests, s.Shape)
	}
	return err
}

// shift moves a layer by so many frames with all that it says about time but its end, and all that
// is in it.
func shift(c *clip.Clip, l *clip.Layer, by int) {
	end := l.To
	l.To = nil
	l.Walk(slid(by))
	l.To = end
	first, last := room(c, l)
	for i := range c.Layers {
		if !c.Within(&c.Layers[i], l.ID) {
			continue
		}
		in := c.Own(c.Layers[i].ID)
		in.Walk(slid(by))
		clock := c.ClockOf(in)
		if clock.Frame(in.From) < first {
			in.From = clock.At(first)
		}
		if in.To != nil && clock.Frame(*in.To) >= last {
			in.To = nil
		}
	}
}

// slid adds so many frames to moments.
func slid(by int) clip.Visitor {
	return clip.Visitor{
		Moment: func(m *timing.Moment) { *m = m.Plus(by) },
		Inner:  func(v *float64) { *v += float64(by) },
		Still:  func(n *int) { *n += by },
	}
}

// ShiftLayer slides a layer with all its keys and what is in it, or trims one of its ends.
type ShiftLayer struct {
	Typed
	Layer string `json:"layer"`
	By    int    `json:"by"`   // frames
	Part  string `json:"part"` // whole, from or to
}

func (s *ShiftLayer) apply(c *clip.Clip) error {
	l, err := find(c, s.Layer)
	if err != nil {
		return err
	}
	from, to := c.Span(l)
	clock := c.ClockOf(l)
	first, last := room(c, l)
	end := clock.At(to)
	if l.To != nil {
		end = *l.To
	}
	switch s.Part {
	case "from":
		l.From = l.From.Plus(s.By)
		return nil
	case "to":
		end = end.Plus(s.By)
	case "whole":
		lasts := l.To == nil // until its scene ends, and goes on doing so
		if from+s.By < first || lasts && from+s.By >= to || !lasts && to+s.By > last {
			return clip.Fault("by", "%q would leave the clip or its scene", l.Name)
		}
		shift(c, l, s.By)
		if lasts {
			return nil
		}
		end = end.Plus(s.By)
	default:
		return clip.Fault("part", "%q is not a part of a layer: whole, from or to", s.Part)
	}
	l.To = &end
	if clock.Frame(end) == last {
		l.To = nil
	}
	return nil
}
