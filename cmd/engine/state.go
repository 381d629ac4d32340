//go:build js && wasm

package main

import (
	"encoding/json"
	"errors"
	"slices"

	"billow/core/clip"
	"billow/core/edit"
	"billow/core/frame"
	"billow/core/paint"
	"billow/core/patch"
	"billow/core/view"
)

// engine is one worker's state: the clip as the server has it, as it is kept
// here with what the server has not taken yet, and as it is shown while
// something is being dragged.
type engine struct {
	lib     *frame.Library
	base    *clip.Clip // nil when it is not known
	waiting []sent     // commands between base and kept
	kept    *clip.Clip
	shown   *clip.Clip
	solo    []string // layers that are seen alone; not part of the clip
	stages  map[stageKey]*stage
	still   map[string]*frame.Stage // of the shown clip, by shape, for questions
}

type stageKey struct {
	shape string
	w, h  int
}

type stage struct {
	*frame.Stage
	painter *frame.Painter
	canvas  *paint.Bitmap
}

type method func(e *engine, arg, in []byte) (value any, out []byte, err error)

var methods = map[string]method{
	"open":       open,
	"reopen":     reopen,
	"advance":    advance,
	"whole":      whole,
	"stays":      stays,
	"apply":      apply,
	"follow":     follow,
	"solo":       solo,
	"view":       viewOf,
	"picture":    picture,
	"draw":       draw,
	"ghosts":     ghosts,
	"places":     places,
	"path":       path,
	"pick":       pick,
	"snap":       snap,
	"keyHere":    keyHere,
	"draft":      draft,
	"draftMove":  draftMove,
	"properties": properties,
	"loopGap":    loopGap,
	"time":       parseTime,
	"moment":     parseMoment,
	"mix":        mixSound,
}

var errClosed = errors.New("no clip is open")

func (e *engine) show(c *clip.Clip) {
	e.shown = c
	e.stages = map[stageKey]*stage{}
	e.still = map[string]*frame.Stage{}
}

// arranged is the shown clip in a shape, for questions about where things are.
func (e *engine) arranged(s clip.Shape) *frame.Stage {
	if e.still[s.ID] == nil {
		e.still[s.ID] = frame.Arrange(e.shown, s, e.lib)
	}
	return e.still[s.ID]
}

// open takes a clip as the server has it.
func open(e *engine, arg, _ []byte) (any, []byte, error) {
	c, err := clip.Parse(arg)
	if err != nil {
		return nil, nil, err
	}
	e.base, e.waiting, e.kept = c, nil, c
	e.show(c)
	return true, nil, nil
}

// reopen takes a clip as it was kept before a crash. What the server has of it
// is not known then.
func reopen(e *engine, arg, _ []byte) (any, []byte, error) {
	ok, _, err := open(e, arg, nil)
	if err == nil {
		e.base = nil
	}
	return ok, nil, err
}

// applied is what a command has changed: a whole clip, or single layers where
// nothing else can differ. The rows are those of the changed layers then.
type applied struct {
	Clip    *clip.Clip    `json:"clip,omitempty"`
	View    *view.View    `json:"view,omitempty"`
	Layers  []*clip.Layer `json:"layers,omitempty"`
	Rows    []view.Row    `json:"rows,omitempty"`
	Places  any           `json:"places"`
	Settled []string      `json:"settled,omitempty"` // names of layers
	Undo    patch.Patch   `json:"undo,omitempty"`    // what takes a kept command back
}

// wish is a command and what the page looks at.
type wish struct {
	Command json.RawMessage `json:"command"`
	Keep    bool            `json:"keep"`
	ID      string          `json:"id"` // of a command that is kept
	Shape   string          `json:"shape"`
	Frame   int             `json:"frame"`
	Open    []string        `json:"open"`   // layers whose rows are open
	Layer   string          `json:"layer"`  // whose values are told
	Layers  []string        `json:"layers"` // whose places are told
}

// change applies a command to the clip as it is kept. Without keep it is only
// shown; the next command begins from the kept clip again.
func (e *engine) change(arg []byte) (in wish, before *clip.Clip, err error) {
	if err := json.Unmarshal(arg, &in); err != nil {
		return in, nil, err
	}
	if e.kept == nil {
		return in, nil, errClosed
	}
	before = e.kept
	c := e.kept
	if len(in.Command) > 0 {
		if c, err = edit.Apply(e.kept, in.Command); err != nil {
			return in, nil, err
		}
	}
	if in.Keep {
		e.kept = c
		if in.ID != "" {
			e.waiting = append(e.waiting, sent{in.ID, in.Command})
		}
	}
	e.show(c)
	return in, before, nil
}

func apply(e *engine, arg, _ []byte) (any, []byte, error) {
	in, before, err := e.change(arg)
	if err != nil {
		return nil, nil, err
	}
	s, err := e.shown.Shape(in.Shape)
	if err != nil {
		s = e.shown.Shapes[0]
	}
	out := applied{Places: e.placesIn(s, in.Frame, in.Layer, in.Layers)}
	if in.Keep && len(in.Command) > 0 {
		out.Settled = edit.Settled(before, e.shown)
		done, err := edit.Difference(before, e.shown)
		if err != nil {
			return nil, nil, err
		}
		out.Undo = done.Inverse()
		if len(done) == 0 && in.ID != "" {
			e.waiting = e.waiting[:len(e.waiting)-1] // nothing has changed, so nothing is sent
		}
	}
	layers, only := e.shown.Changes(before)
	if !only || len(in.Command) == 0 {
		v := view.Of(e.shown, e.arranged(s), in.Open)
		out.Clip, out.View = e.shown, &v
		return out, nil, nil
	}
	for _, id := range layers {
		out.Layers = append(out.Layers, e.shown.Layer(id))
	}
	if len(layers) > 0 {
		out.Rows = view.Rows(e.shown, e.arranged(s), in.Open, layers)
	}
	return out, nil, nil
}

// follow is apply for an engine that only draws.
func follow(e *engine, arg, _ []byte) (any, []byte, error) {
	if _, _, err := e.change(arg); err != nil {
		return nil, nil, err
	}
	return true, nil, nil
}

// solo shows some layers alone, and what is behind them; none shows all again.
func solo(e *engine, arg, _ []byte) (any, []byte, error) {
	if err := json.Unmarshal(arg, &e.solo); err != nil {
		return nil, nil, err
	}
	e.stages = map[stageKey]*stage{}
	return true, nil, nil
}

// seen is the shown clip without what is not shown alone.
func (e *engine) seen() *clip.Clip {
	if len(e.solo) == 0 {
		return e.shown
	}
	c := e.shown.Copy()
	for i := range c.Layers {
		l := &c.Layers[i]
		alone := slices.ContainsFunc(e.solo, func(id string) bool {
			other := c.Layer(id)
			return id == l.ID || c.Within(l, id) || other != nil && c.Within(other, l.ID)
		})
		l.Hidden = l.Hidden || !alone
	}
	return c
}
