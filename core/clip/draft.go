package clip

import (
	"maps"
	"reflect"
	"slices"
)

// Clone is a copy that shares nothing that edits change. The analysis of a
// sound is never changed in place and stays shared.
func (c *Clip) Clone() *Clip {
	out := c.Copy()
	out.OwnAll()
	return out
}

// Copy is a copy for editing that shares its layers with c until Own asks for
// one of them: a clip may have thousands of keys, and a command changes few.
func (c *Clip) Copy() *Clip {
	out := *c
	out.Shapes = slices.Clone(c.Shapes)
	out.Props = append([]Prop{}, c.Props...)
	out.Products = append([]Product{}, c.Products...)
	out.Tempo.Beats = slices.Clone(c.Tempo.Beats)
	for i := range out.Products {
		out.Products[i].Fields = maps.Clone(out.Products[i].Fields)
	}
	out.Variants = c.Variants.own()
	out.Sounds, out.Range, out.Poster = slices.Clone(c.Sounds), copied(c.Range), copied(c.Poster)
	for i := range out.Sounds {
		out.Sounds[i].Keys = out.Sounds[i].Keys.Clone()
	}
	out.Markers = slices.Clone(c.Markers)
	out.Light.Tracks = cloned(c.Light.Tracks)
	out.Layers = slices.Clone(c.Layers)
	out.shared = make(map[string]bool, len(c.Layers))
	for i := range c.Layers {
		out.shared[c.Layers[i].ID] = true
	}
	return &out
}

// Own is a layer that may be changed, or nil.
func (c *Clip) Own(id string) *Layer {
	l := c.Layer(id)
	if l != nil && c.shared[id] {
		*l = l.Clone()
		delete(c.shared, id)
	}
	return l
}

// Untouched tells whether a layer is still shared with the clip that this one
// was copied from.
func (c *Clip) Untouched(id string) bool { return c.shared[id] }

// OwnAll makes all layers fit for being changed.
func (c *Clip) OwnAll() {
	for i := range c.Layers {
		c.Own(c.Layers[i].ID)
	}
}

// Changed are the layers and products that were changed, by ID.
type Changed struct{ Layers, Products []string }

// Changes compares a clip with the one it was copied from: the layers that are
// no longer shared with it, and the products that are others now. Only is false
// when anything else differs, or may differ.
func (c *Clip) Changes(from *Clip) (ch Changed, only bool) {
	if len(c.Layers) != len(from.Layers) {
		return ch, false
	}
	for i := range c.Layers {
		id := c.Layers[i].ID
		if id != from.Layers[i].ID {
			return ch, false
		}
		if !c.shared[id] {
			l, was := &c.Layers[i], &from.Layers[i]
			if l.Group != was.Group || l.Scene != nil || was.Scene != nil {
				return ch, false // what is in it, or comes after it, is changed too
			}
			ch.Layers = append(ch.Layers, id)
		}
	}
	if len(c.Products) != len(from.Products) {
		return ch, false
	}
	for i := range c.Products {
		p, was := &c.Products[i], &from.Products[i]
		if p.ID != was.ID {
			return ch, false
		}
		if !reflect.DeepEqual(p, was) {
			ch.Products = append(ch.Products, p.ID)
		}
	}
	a, b := *c, *from
	a.Layers, b.Layers, a.Products, b.Products, a.shared, b.shared = nil, nil, nil, nil, nil, nil
	return ch, reflect.DeepEqual(a, b)
}
