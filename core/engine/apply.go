package engine

import (
	"encoding/json"

	"billow/core/clip"
	"billow/core/edit"
	"billow/core/patch"
	"billow/core/view"
)

// Document is a clip as it is written.
type Document struct{ json.RawMessage }

// open takes a clip as the server has it.
func open(e *Engine, in Document) (bool, error) {
	c, err := clip.Parse(in.RawMessage)
	if err != nil {
		return false, err
	}
	e.base, e.waiting, e.whole, e.variant, e.kept = c, nil, c, nil, c
	e.show(c)
	return Done, nil
}

// reopen takes a clip as it was kept before a crash. What the server has of it
// is not known then.
func reopen(e *Engine, in Document) (bool, error) {
	ok, err := open(e, in)
	if err == nil {
		e.base = nil
	}
	return ok, err
}

// Applied is what a command has changed: a whole clip, or single layers and products where
// nothing else can differ. The rows are those of the changed layers then.
type Applied struct {
	Clip     *clip.Clip      `json:"clip,omitempty"`
	View     *view.View      `json:"view,omitempty"`
	Layers   []*clip.Layer   `json:"layers,omitempty"`
	Products []*clip.Product `json:"products,omitempty"`
	Rows     []view.Row      `json:"rows,omitempty"`
	Places   Places          `json:"places"`
	Needs    []string        `json:"needs,omitempty"`   // hashes of the pictures that the shown clip is made of, when that may have changed
	Settled  []string        `json:"settled,omitempty"` // names of layers
	Undo     patch.Patch     `json:"undo,omitempty"`    // what takes a kept command back
	Keys     []edit.KeyRef   `json:"keys,omitempty"`    // where the keys of the wish are now
}

// Wish is a command and what the page looks at.
type Wish struct {
	Command json.RawMessage `json:"command,omitempty" ts:"Command"`
	Keep    bool            `json:"keep"`
	ID      string          `json:"id,omitempty"` // of a command that is kept
	Shape   string          `json:"shape,omitempty"`
	Frame   int             `json:"frame,omitempty"`
	Open    []string        `json:"open,omitempty"`   // layers whose rows are open
	Layer   string          `json:"layer,omitempty"`  // whose values are told
	Layers  []string        `json:"layers,omitempty"` // whose places are told
	Keys    []edit.KeyRef   `json:"keys,omitempty"`   // that are selected
}

// change applies a command to the clip as it is kept. Without keep it is only
// shown; the next command begins from the kept clip again.
func (e *Engine) change(in Wish) (ch change, err error) {
	if e.kept == nil {
		return ch, errClosed
	}
	ch = change{e.kept, e.whole, e.whole}
	c := e.kept
	if len(in.Command) > 0 {
		if ch.after, err = edit.Apply(e.whole, in.Command); err != nil {
			return ch, err
		}
		c = e.of(ch.after)
	}
	if in.Keep {
		e.whole, e.kept = ch.after, c
		if in.ID != "" {
			e.waiting = append(e.waiting, Sent{in.ID, in.Command})
		}
	}
	drawn := e.stages
	for key, st := range e.before { // those that the last change had no use for yet
		if drawn[key] == nil {
			drawn[key] = st
		}
	}
	e.show(c)
	e.before = drawn
	return ch, nil
}

// change is what was worked on before one, and the whole clips before and after it.
type change struct{ seen, before, after *clip.Clip }

// apply applies a command and tells what it has changed.
func apply(e *Engine, in Wish) (Applied, error) {
	ch, err := e.change(in)
	if err != nil {
		return Applied{}, err
	}
	s, err := e.shown.Shape(in.Shape)
	if err != nil {
		s = e.shown.Shapes[0]
	}
	out := Applied{Places: e.placesIn(s, in.Frame, in.Layer, in.Layers)}
	if in.Keep && len(in.Command) > 0 {
		out.Settled = edit.Settled(ch.before, ch.after)
		done, err := edit.Difference(ch.before, ch.after)
		if err != nil {
			return Applied{}, err
		}
		out.Undo = done.Inverse()
		if len(in.Keys) > 0 {
			// The command is kept already; at worst nothing is selected any more.
			out.Keys, _ = edit.Moved(ch.seen, e.inner(in.Command), in.Keys)
		}
		if len(done) == 0 && in.ID != "" {
			e.waiting = e.waiting[:len(e.waiting)-1] // nothing has changed, so nothing is sent
		}
	}
	changed, only := e.shown.Changes(ch.seen)
	only = only && e.variant == nil
	parts := len(changed.Layers)+len(changed.Products) > 0
	if in.Keep && parts || !only || len(in.Command) == 0 {
		out.Needs = e.shown.Pictures()
	}
	if !only || len(in.Command) == 0 {
		v := view.Of(e.shown, e.arranged(s), in.Open)
		out.Clip, out.View = e.shown, &v
		return out, nil
	}
	for _, id := range changed.Layers {
		out.Layers = append(out.Layers, e.shown.Layer(id))
	}
	for _, id := range changed.Products {
		out.Products = append(out.Products, e.shown.Product(id))
	}
	switch {
	case len(changed.Products) > 0: // any words may show one of them
		out.Rows = view.Rows(e.shown, e.arranged(s), in.Open, nil)
	case len(changed.Layers) > 0:
		out.Rows = view.Rows(e.shown, e.arranged(s), in.Open, changed.Layers)
	}
	return out, nil
}

// follow is apply for an engine that only draws.
func follow(e *Engine, in Wish) (bool, error) {
	_, err := e.change(in)
	return Done, err
}

// shadows shows all shadows in a loud colour, or as they are.
func shadows(e *Engine, loud bool) (bool, error) {
	e.loud = loud
	e.anew()
	return Done, nil
}

// Way is a way of looking at a layer.
type Way struct {
	Layer string `json:"layer"` // none looks at all as they are
	As    string `json:"as"`    // matte, or came: without its effects
}

// lookAs lets a layer be looked at in another way.
func lookAs(e *Engine, in Way) (bool, error) {
	e.way = in
	e.anew()
	return Done, nil
}

// solo shows some layers alone, and what is behind them; none shows all again.
func solo(e *Engine, layers []string) (bool, error) {
	e.solo = layers
	e.anew()
	return Done, nil
}
