package clip

import (
	"fmt"
	"maps"
	"slices"

	"billow/core/colour"
	"billow/core/motion"
	"billow/core/timing"
)

// Standard shapes, in the order in which they are offered.
var Standard = []Shape{
	{"tall", 1080, 1920},
	{"portrait", 1080, 1350},
	{"square", 1080, 1080},
	{"wide", 1920, 1080},
	{"poster", 1080, 1620},
}

// StandardShape finds a standard shape by its name or its ratio ("9:16").
func StandardShape(name string) (Shape, bool) {
	for _, e := range ShapeNames {
		if e.Says == name {
			name = e.ID
		}
	}
	for _, s := range Standard {
		if s.ID == name {
			return s, true
		}
	}
	return Shape{}, false
}

// Loud is the loudness, in LUFS, that most social media bring what is posted to.
const Loud = -14

// New is an empty clip of one scene of so many frames with a plain backdrop
// beneath it, the standard shapes with home first, and a light from above left.
func New(name string, home Shape, rate timing.Rate, length int) *Clip {
	c := &Clip{
		Version: Version, Name: name, Rate: rate,
		Shapes:   []Shape{home},
		Tempo:    timing.Even(120),
		Light:    DefaultLight(),
		Loudness: Loud,
		Props:    []Prop{},
		Products: []Product{},
	}
	for _, s := range Standard {
		if s.ID != home.ID && s.ID != "poster" {
			c.Shapes = append(c.Shapes, s)
		}
	}
	back := NewLayer("backdrop", "Backdrop", KindBackdrop)
	back.Backdrop = &Backdrop{Fill{Angle: 180, Stops: []Stop{{At: 0, Colour: colour.RGB(0xF6EFE2)}, {At: 100, Colour: colour.RGB(0xE3D3BC)}}}}
	c.Layers = []Layer{back, NewScene("scene", "Scene 1", Scene{Frames: length})}
	c.Fit()
	return c
}

// DefaultLight shines from above left, soft.
func DefaultLight() Light {
	return Light{Direction: -35, Height: 50, Softness: 60, Strength: 40, Colour: colour.RGB(0x14100C)}
}

// NewLayer is a layer of a kind with neutral settings and no content yet.
func NewLayer(id, name, kind string) Layer {
	return Layer{
		ID: id, Name: name, Kind: kind, Blend: "normal",
		Rest:   Rest{Pin: "centre", Size: 500},
		Tracks: map[string]motion.Track{},
	}
}

// Layer finds a layer by its ID, or nil.
func (c *Clip) Layer(id string) *Layer {
	for i := range c.Layers {
		if c.Layers[i].ID == id {
			return &c.Layers[i]
		}
	}
	return nil
}

// Prop finds a prop by its ID, or nil.
func (c *Clip) Prop(id string) *Prop {
	for i := range c.Props {
		if c.Props[i].ID == id {
			return &c.Props[i]
		}
	}
	return nil
}

// Product finds a product by its ID, or nil.
func (c *Clip) Product(id string) *Product {
	for i := range c.Products {
		if c.Products[i].ID == id {
			return &c.Products[i]
		}
	}
	return nil
}

// Shape finds a shape by its ID, its standard ratio ("9:16") or "" for home.
func (c *Clip) Shape(id string) (Shape, error) {
	if id == "" {
		return c.Shapes[0], nil
	}
	for _, s := range c.Shapes {
		if s.ID == id {
			return s, nil
		}
	}
	if s, ok := StandardShape(id); ok {
		for _, have := range c.Shapes {
			if have.ID == s.ID {
				return have, nil
			}
		}
		return s, nil
	}
	return Shape{}, Fault("shape", "the clip has no shape %q", id)
}

// FreeID is prefix, or prefix with a number, whichever no layer, prop or
// product of the clip bears yet.
func (c *Clip) FreeID(prefix string) string {
	for n := 1; ; n++ {
		id := prefix
		if n > 1 {
			id = fmt.Sprintf("%s-%d", prefix, n)
		}
		if c.Layer(id) == nil && c.Prop(id) == nil && c.Product(id) == nil {
			return id
		}
	}
}

// Clone is a copy that shares nothing with l.
func (l Layer) Clone() Layer {
	l.To, l.Shadow = copied(l.To), copied(l.Shadow)
	for _, k := range Kinds {
		if k.holds(&l) && k.Own != nil {
			k.Own(&l)
			break // badges and words hold the same
		}
	}
	if l.Lineup != nil {
		l.Lineup = copied(l.Lineup)
		l.Lineup.Slots, l.Lineup.Items = slices.Clone(l.Lineup.Slots), slices.Clone(l.Lineup.Items)
		l.Lineup.Ease, l.Lineup.On = copied(l.Lineup.Ease), copied(l.Lineup.On)
		if on := l.Lineup.On; on != nil {
			on.Kinds = slices.Clone(on.Kinds)
		}
		for i := range l.Lineup.Items {
			l.Lineup.Items[i].With = slices.Clone(l.Lineup.Items[i].With)
		}
	}
	l.Stepping, l.Wander, l.Follow, l.Reveal = copied(l.Stepping), copied(l.Wander), copied(l.Follow), copied(l.Reveal)
	l.Moves, l.Masks, l.Repeat = slices.Clone(l.Moves), ownMasks(l.Masks), copied(l.Repeat)
	for i := range l.Moves {
		if h := copied(l.Moves[i].Hits); h != nil {
			h.Kinds = slices.Clone(h.Kinds)
			l.Moves[i].Hits = h
		}
	}
	l.Values = maps.Clone(l.Values)
	for name, v := range l.Values {
		l.Values[name] = slices.Clone(v)
	}
	l.Tracks = cloned(l.Tracks)
	if l.Tracks == nil {
		l.Tracks = map[string]motion.Track{}
	}
	if l.Rests != nil {
		rests := make(map[string]Rest, len(l.Rests))
		for id, r := range l.Rests {
			rests[id] = r
		}
		l.Rests = rests
	}
	return l
}

func cloned(tracks map[string]motion.Track) map[string]motion.Track {
	out := maps.Clone(tracks)
	for name, t := range out {
		out[name] = t.Clone()
	}
	return out
}

func copied[T any](p *T) *T {
	if p == nil {
		return nil
	}
	v := *p
	return &v
}
