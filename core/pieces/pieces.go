// Package pieces has ready groups of layers: badges, buttons, end cards and lower lines. Each
// is ordinary layers in a group, with moves and passages that a person can change, and can be
// taken apart.
package pieces

import (
	"slices"

	"billow/core/clip"
	"billow/core/colour"
	"billow/core/moves"
	"billow/core/palette"
	"billow/core/timing"
	"billow/core/wording"
)

// Asked is what a piece is made of.
type Asked struct {
	Kind    string          `json:"kind"`
	Text    string          `json:"text,omitempty"`    // instead of its own
	Product string          `json:"product,omitempty"` // that it speaks of, or the slot; none is as Chosen has it
	Chosen  string          `json:"chosen,omitempty"`  // the layer that is chosen
	Logo    string          `json:"logo,omitempty"`    // a prop, of an end card
	With    *clip.Prop      `json:"with,omitempty"`    // a prop that the clip is given with the piece
	Side    string          `json:"side,omitempty"`    // from which it opens: left, right, above, below; none is its own way
	Brand   []colour.Colour `json:"brand,omitempty"`   // its colours, instead of Billow's
	Frame   int             `json:"frame"`             // of the clip, on or near which it comes
}

// Kind is a ready group that is offered.
type Kind struct {
	wording.Entry
	Opens bool `json:"opens"` // it does so from a side that can be chosen
}

type piece struct {
	Kind
	make func(m *maker)
}

// Sides are those from which a piece can open.
var Sides = wording.List{
	{ID: "", Name: "In its own way"}, {ID: "left", Name: "From the left"}, {ID: "right", Name: "From the right"},
	{ID: "above", Name: "From above"}, {ID: "below", Name: "From below"},
}

var pieces = []piece{
	{Kind{wording.Entry{ID: "price-disc", Name: "Price disc", Says: "A disc that swells, and a number that counts up"}, false}, priceDisc},
	{Kind{wording.Entry{ID: "sale-burst", Name: "Sale burst", Says: "A burst with soft teeth that turns as it comes"}, false}, saleBurst},
	{Kind{wording.Entry{ID: "swing-tag", Name: "Swing tag", Says: "A tag with a hole that sways from its string"}, false}, swingTag},
	{Kind{wording.Entry{ID: "pill-badge", Name: "Pill", Says: "A short word in a pill"}, false}, pillBadge},
	{Kind{wording.Entry{ID: "ribbon-badge", Name: "Ribbon", Says: "A band that opens from its middle, and words that close up"}, true}, ribbonBadge},
	{Kind{wording.Entry{ID: "corner-band", Name: "Corner", Says: "A band across a corner of the frame"}, true}, cornerBand},
	{Kind{wording.Entry{ID: "ticket-badge", Name: "Ticket", Says: "A ticket with an offer, and a code on its end"}, false}, ticketBadge},
	{Kind{wording.Entry{ID: "seal-badge", Name: "Seal", Says: "A seal with words around its edge, which turn"}, false}, sealBadge},
	{Kind{wording.Entry{ID: "button", Name: "Button", Says: "Grows, words rise in it, and it is pressed"}, true}, button},
	{Kind{wording.Entry{ID: "end-card", Name: "End card", Says: "Logo, web address and contact"}, true}, endCard},
	{Kind{wording.Entry{ID: "lower-line", Name: "Lower line", Says: "A name and what it is, above the lower edge"}, true}, lowerLine},
	{Kind{wording.Entry{ID: "small-print", Name: "Small print", Says: "The lowest price of 30 days, and what a kilogram costs"}, false}, smallPrint},
}

// Names are all pieces, in the order in which they are offered.
var Names = func() (out []Kind) {
	for _, p := range pieces {
		out = append(out, p.Kind)
	}
	return out
}()

// Make is a piece for a clip: its layers, of which the last is the group that holds the others.
func Make(c *clip.Clip, in Asked) ([]clip.Layer, error) {
	at := slices.IndexFunc(pieces, func(p piece) bool { return p.ID == in.Kind })
	if at < 0 {
		return nil, clip.Fault("kind", "there is no piece %q", in.Kind)
	}
	if in.Product == "" {
		in.Product = c.SpokenOf(in.Chosen, in.Frame)
	}
	if in.Product != "" && in.Product != clip.ProductSlot && c.Product(in.Product) == nil {
		return nil, clip.Fault("product", "there is no product %q", in.Product)
	}
	if !slices.Contains(Sides.IDs(), in.Side) {
		return nil, clip.Fault("side", "a piece does not open from %q", in.Side)
	}
	if in.With != nil && c.Prop(in.With.ID) == nil {
		c = c.Copy()
		c.Props = append(c.Props, *in.With)
	}
	if p := c.Prop(in.Logo); in.Logo != "" && (p == nil || p.Picture == nil) {
		return nil, clip.Fault("logo", "there is no picture %q", in.Logo)
	}
	// There is room for all layers, which are pointed at while the piece is put together.
	m := &maker{c: c, in: in, rate: int(c.Rate), colours: coloursOf(in.Brand), layers: make([]clip.Layer, 0, 24)}
	scene := c.SceneAt(in.Frame)
	m.group = clip.NewGroup("piece", pieces[at].Name)
	m.group.Group, m.group.Label = scene.ID, ""
	m.clock = c.ClockOf(&m.group)
	m.frame = max(in.Frame, scene.From)
	// It comes on a beat where one is near.
	if on := m.clock.Nearest(m.frame); m.clock.Frame(on) >= scene.From && m.clock.Frame(on) < scene.To && abs(m.clock.Frame(on)-m.frame) <= m.rate/4 {
		m.frame = m.clock.Frame(on)
		m.beat = &on
	}
	if m.frame > scene.From {
		m.group.From = m.at(0)
	}
	pieces[at].make(m)
	return m.finished()
}

func abs(n int) int { return max(n, -n) }

// coloursOf is colours for a piece: a brand's, or those of Billow.
func coloursOf(brand []colour.Colour) palette.Palette {
	if len(brand) == 0 {
		brand = []colour.Colour{colour.RGB(0xF3EEE4), colour.RGB(0xDD4F28), colour.RGB(0x173F47), colour.RGB(0xC8922E)}
	}
	p := palette.Of(brand)
	// Light words on what stands out look more lively, where letters so large can be read.
	for _, c := range []colour.Colour{p.Card, colour.RGB(0xFFFFFF)} {
		if colour.Contrast(c, p.Plate) >= palette.ForThings {
			p.On = c
			break
		}
	}
	return p
}

// maker puts a piece together.
type maker struct {
	c       *clip.Clip
	in      Asked
	rate    int
	clock   timing.Clock
	frame   int // of the clip, on which it comes
	beat    *timing.Moment
	colours palette.Palette
	group   clip.Layer
	layers  []clip.Layer // from the back to the front
}

// finished writes the keys of all moves.
func (m *maker) finished() ([]clip.Layer, error) {
	all := append(m.layers, m.group)
	try := m.c.Copy()
	first := len(try.Layers)
	try.Layers = append(slices.Clone(try.Layers), all...)
	for i := first; i < len(try.Layers); i++ {
		if err := moves.Rewrite(try, &try.Layers[i]); err != nil {
			return nil, err
		}
	}
	return try.Layers[first:], nil
}
