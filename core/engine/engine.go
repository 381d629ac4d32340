// Package engine is what the page asks: it holds a clip, applies commands to it,
// draws it and answers questions about it. Questions and answers are JSON; the
// page's types are made from the types here.
package engine

import (
	"errors"
	"slices"

	"billow/core/clip"
	"billow/core/colour"
	"billow/core/cutout"
	"billow/core/edit"
	"billow/core/frame"
	"billow/core/mix"
	"billow/core/paint"
)

// Engine is one worker's state: the clip as the server has it, as it is kept
// here with what the server has not taken yet, and as it is shown while
// something is being dragged.
type Engine struct {
	// Read reads a part of a file that is not here as a whole.
	Read func(hash string, at int64, n int) ([]byte, error)

	lib     *frame.Library
	base    *clip.Clip    // nil when it is not known
	waiting []Sent        // commands between base and whole
	whole   *clip.Clip    // with all of its variants
	variant *clip.Variant // the one that is worked on by itself; nil is the clip that all have
	kept    *clip.Clip    // what is worked on: whole, or its variant
	shown   *clip.Clip
	loud    bool                 // shadows are seen in a loud colour; not part of the clip
	way     Way                  // in which a layer is looked at; not part of the clip
	solo    []string             // layers that are seen alone; not part of the clip
	sounds  map[string][]float32 // by prop, for the next mix
	reading mix.Reading          // of the last mix
	stages  map[stageKey]*stage
	before  map[stageKey]*stage     // of the clip before its last change, from which painters go on
	still   map[string]*frame.Stage // of the shown clip, by shape, for questions

	desk   *cutout.Desk    // with the photo on the Bench, or one picture of footage
	reel   *cutout.Footage // the footage on the Bench; nil is a photo
	frame  int             // of it, that lies on the desk
	shaded bool            // the photo's shadow is seen with its cut
}

// New is an engine without a clip.
func New(lib *frame.Library) *Engine { return &Engine{lib: lib} }

type stageKey struct {
	shape string
	w, h  int
}

type stage struct {
	*frame.Stage
	painter *frame.Painter
	canvas  *paint.Bitmap
}

var errClosed = errors.New("no clip is open")

// of is what is worked on of a whole clip.
func (e *Engine) of(c *clip.Clip) *clip.Clip {
	if e.variant == nil {
		return c
	}
	v, _, err := edit.Variant(c, *e.variant)
	if err != nil {
		return c // its product is gone; what all have is worked on then
	}
	return v
}

func (e *Engine) show(c *clip.Clip) {
	e.shown = c
	e.anew()
	e.still = map[string]*frame.Stage{}
}

// anew lets all be drawn from nothing.
func (e *Engine) anew() { e.stages, e.before = map[stageKey]*stage{}, nil }

// arranged is the shown clip in a shape, for questions about where things are.
func (e *Engine) arranged(s clip.Shape) *frame.Stage {
	if e.still[s.ID] == nil {
		e.still[s.ID] = frame.Arrange(e.shown, s, e.lib)
	}
	return e.still[s.ID]
}

// shape finds a shape of the shown clip.
func (e *Engine) shape(id string) (clip.Shape, error) {
	if e.shown == nil {
		return clip.Shape{}, errClosed
	}
	return e.shown.Shape(id)
}

// loudly is the colour in which shadows are judged: none that a backdrop has.
var loudly = colour.RGB(0xFF1493)

// seen is the shown clip without what is not shown alone, with shadows as they are seen.
func (e *Engine) seen() *clip.Clip {
	if len(e.solo) == 0 && !e.loud && e.way.Layer == "" {
		return e.shown
	}
	c := e.shown.Copy()
	if l := c.Own(e.way.Layer); l != nil {
		l.LookAs(e.way.As)
	}
	if e.loud {
		c.Light.Colour, c.Light.Strength = loudly, max(c.Light.Strength, 70)
	}
	if len(e.solo) == 0 {
		return c
	}
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
