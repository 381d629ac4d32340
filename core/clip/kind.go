package clip

import (
	"slices"

	"billow/core/colour"
)

// Kind is what is known of a kind of layers. Each has a file of its own,
// kind_*.go, with its content, limits and defaults; how it is drawn stands in the
// file of the same name in package frame. The page finds the settings of its
// content by the name of its field.
type Kind struct {
	ID    string
	Name  string // as people read it
	Says  string // what it is for, in a few words
	Field string // the field of Layer that holds its content
	Icon  string // its picture on the page, of Bootstrap's icons

	Offered bool // it can be put on the Tabletop as it is, without a picture or other layers

	Holds  bool // other layers lie in it
	Fills  bool // it covers the frame wherever it rests, and so is neither placed nor picked nor followed, and casts no shadow
	Behind bool // it is put behind what is there already
	Plays  bool // it shows after the one of its kind before it: a scene
	Goes   bool // in a line-up it comes and goes with a product
	Rim    bool // its outline runs around what is visible of it, not along its edge
	Round  bool // it rounds its corners itself
	Block  bool // all of its bounds is picked, not just where it is opaque

	// Properties are those that not every layer has.
	Properties []string
	// Colours are where its content has the colours that can have keys; nil is
	// one that it does not have now.
	Colours func(l *Layer, property string) *colour.Colour
	// Fill is the fill of several colours that its content has, if any.
	Fill func(l *Layer) *Fill
	// Families are those of its numbered properties, and Numbered the numbers that one
	// of them has now.
	Families []string
	Numbered func(l *Layer, family string) []int
	// Numbers are where its content has the numbers of a property; nil is one that it
	// does not have now, or of which the layer itself has the value.
	Numbers func(l *Layer, property string) []*float64
	// Draft gives a new layer content and settings as a person would want them to
	// begin. It is in the middle and has an ID already.
	Draft func(c *Clip, l *Layer, from DraftOf)
	// Content is what a layer holds of this kind, or nil.
	Content func(l *Layer) any
	// Own makes the content the layer's alone, after it was copied.
	Own func(l *Layer)
	// Enums are the closed lists of what fields may say, by type and field.
	Enums map[string][]string
	// Check reports the first thing that is wrong with the content, as a
	// *FieldError, or nil.
	Check func(c *Clip, field string, l *Layer) error
}

// Kinds are all kinds of layers, in the order in which they are offered.
var Kinds = []*Kind{cutoutKind, wordsKind, badgeKind, cardKind, marqueeKind, backdropKind, photoKind, floorKind, patternKind, vignetteKind, grainKind, gelKind, groupKind, sceneKind}

// LayerKinds are their IDs.
var LayerKinds = func() []string {
	var out []string
	for _, k := range Kinds {
		out = append(out, k.ID)
	}
	return out
}()

// held is a content that may be missing.
func held[T any](p *T) any {
	if p == nil {
		return nil
	}
	return p
}

// noKind is what is known of a kind that there is not.
var noKind = &Kind{Draft: func(*Clip, *Layer, DraftOf) {}}

// KindNamed is a kind by its ID; one that there is not has nothing.
func KindNamed(id string) *Kind {
	for _, k := range Kinds {
		if k.ID == id {
			return k
		}
	}
	return noKind
}

// holds tells whether a layer holds the content of a kind.
func (k *Kind) holds(l *Layer) bool { return k.Content != nil && k.Content(l) != nil }

// Is is what is known of the layer's kind.
func (l *Layer) Is() *Kind { return KindNamed(l.Kind) }

// DraftOf is what a new layer is made for.
type DraftOf struct {
	Name    string
	Prop    string // the picture of a cut-out
	Product string // what a badge shows
}

// Draft is a new layer of a kind as a person would want it to begin: in the
// middle, of a good size, with an ID that is free, over all scenes.
func Draft(c *Clip, kind, name, prop, product string) Layer {
	k := KindNamed(kind)
	l := NewLayer(c.FreeID(k.ID), k.Name, k.ID)
	k.Draft(c, &l, DraftOf{name, prop, product})
	return l
}

// Has tells whether a layer of a kind has a property.
func Has(kind, property string) bool {
	if LightHas(property) {
		return false
	}
	if family, n := Numbered(property); n > 0 {
		if _, ok := numberedProperty(property); ok {
			return slices.Contains(maskFamilies, family) || slices.Contains(KindNamed(kind).Families, family)
		}
	}
	return !special[property] || slices.Contains(KindNamed(kind).Properties, property)
}

// special are the properties that not every layer has.
var special = func() map[string]bool {
	out := map[string]bool{}
	for _, k := range Kinds {
		for _, p := range k.Properties {
			out[p] = true
		}
	}
	return out
}()

// content checks that a layer holds what its kind says, and just that.
func (c *Clip) validateContent(field string, l *Layer) error {
	kind := l.Is()
	if kind == noKind {
		return Fault(field+".kind", "there is no kind of layer %q", l.Kind)
	}
	for _, k := range Kinds {
		if k.holds(l) != (k.Field == kind.Field) {
			return Fault(field+".kind", "a layer is a cutout, words, a badge, a backdrop, a card, a group or a scene, and holds just that")
		}
	}
	if l.Lineup != nil && l.Kind != KindGroup {
		return Fault(field+".lineup", "only a group has a line-up")
	}
	return kind.Check(c, field+"."+kind.Field, l)
}
