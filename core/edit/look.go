package edit

import (
	"slices"

	"billow/core/clip"
	"billow/core/effect"
	"billow/core/look"
)

// WearLook gives layers the effects of a look, or those that another layer has, with their keys, instead
// of their own. What takes a screen out of a picture stays as it is.
type WearLook struct {
	Typed
	Onto   []string             `json:"onto"`
	From   string               `json:"from,omitempty"`
	Values map[string][]float64 `json:"values,omitempty"`
	Table  string               `json:"table,omitempty"` // the prop of the table of colours that the values use
}

func (w *WearLook) apply(c *clip.Clip) error {
	given := clip.Layer{Values: w.Values, Table: w.Table}
	if w.From != "" {
		from, err := find(c, w.From)
		if err != nil {
			return err
		}
		given = from.Clone()
	}
	for name := range w.Values {
		if !look.Has(name) {
			return clip.Fault("values."+name, "%q is not of an effect", name)
		}
	}
	for _, id := range w.Onto {
		if id == w.From {
			continue
		}
		l, err := find(c, id)
		if err != nil {
			return err
		}
		wear(l, given.Clone())
	}
	return nil
}

// wear gives a layer the effects of another one, which is its own to keep.
func wear(l *clip.Layer, given clip.Layer) {
	for _, p := range look.Properties() {
		delete(l.Values, p)
		delete(l.Tracks, p)
		if v, ok := given.Values[p]; ok {
			if l.Values == nil {
				l.Values = map[string][]float64{}
			}
			l.Values[p] = slices.Clone(v)
		}
		track := given.Tracks[p]
		if len(track) == 0 {
			continue
		}
		for i := range track {
			track[i].Move, track[i].Eased = "", false // its moves it does not get
		}
		l.Tracks[p] = track
	}
	l.Table = given.Table
}

// DropEffect takes an effect off a layer, with its keys.
type DropEffect struct {
	Typed
	Layer  string `json:"layer"`
	Effect string `json:"effect"`
}

func (d *DropEffect) apply(c *clip.Clip) error {
	l, err := find(c, d.Layer)
	if err != nil {
		return err
	}
	at := slices.IndexFunc(effect.All, func(e *effect.Effect) bool { return e.Name == d.Effect })
	if at < 0 {
		return clip.Fault("effect", "there is no effect %q", d.Effect)
	}
	for _, p := range effect.All[at].Properties {
		delete(l.Values, p.Name)
		delete(l.Tracks, p.Name)
	}
	if effect.All[at] == &effect.Table {
		l.Table = ""
	}
	return nil
}
