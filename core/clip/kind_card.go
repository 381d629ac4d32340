package clip

import (
	"slices"

	"billow/core/colour"
)

// Card is a plain figure, with a hole in it or without.
type Card struct {
	Form    string        `json:"form"`            // card, disc, burst or line
	Aspect  float64       `json:"aspect"`          // width by height, 0.02..50
	Fills   bool          `json:"fills,omitempty"` // covers the whole frame in every shape
	Fill    colour.Colour `json:"fill"`
	Outline colour.Colour `json:"outline"` // its width is a property
	Hole    *Hole         `json:"hole,omitempty"`
}

// Hole is a window in a card. It grows and shrinks with the card's size.
type Hole struct {
	Form   string  `json:"form"` // disc or card
	X      float64 `json:"x"`    // units from the card's centre
	Y      float64 `json:"y"`
	Size   float64 `json:"size"`   // width, units
	Aspect float64 `json:"aspect"` // width by height, 0.02..50
	Corner float64 `json:"corner"` // radius of its corners, units
}

var cardKind = &Kind{
	ID: KindCard, Name: "Card", Says: "A plain figure, with or without a window", Field: "card", Icon: "square", Offered: true, Round: true,
	Properties: []string{FillColour, OutlineColour, Outline, DrawStart, DrawEnd},
	Colours: func(l *Layer, property string) *colour.Colour {
		switch property {
		case FillColour:
			return &l.Card.Fill
		case OutlineColour:
			return &l.Card.Outline
		}
		return nil
	},
	Draft: func(_ *Clip, l *Layer, _ DraftOf) {
		l.Card = &Card{Form: "card", Aspect: 1.4, Fill: colour.RGB(0xC8922E), Outline: colour.RGB(0x173F47)}
		l.Values = map[string][]float64{Corner: {24}}
		l.Rest.Size, l.Lift = 500, 12
	},
	Content: func(l *Layer) any { return held(l.Card) },
	Own: func(l *Layer) {
		l.Card = copied(l.Card)
		l.Card.Hole = copied(l.Card.Hole)
	},
	Enums: map[string][]string{"Card.Form": {"card", "disc", "burst", "line"}, "Hole.Form": {"disc", "card"}},
	Check: func(_ *Clip, field string, l *Layer) error {
		d := l.Card
		if !slices.Contains([]string{"card", "disc", "burst", "line"}, d.Form) {
			return Fault(field+".form", "a card is a card, a disc, a burst or a line, not %q", d.Form)
		}
		if err := within(field+".aspect", d.Aspect, 0.02, 50); err != nil || d.Hole == nil {
			return err
		}
		h := d.Hole
		if h.Form != "disc" && h.Form != "card" {
			return Fault(field+".hole.form", "a hole is a disc or a card, not %q", h.Form)
		}
		return firstError(
			within(field+".hole.x", h.X, -MaxUnits, MaxUnits),
			within(field+".hole.y", h.Y, -MaxUnits, MaxUnits),
			within(field+".hole.size", h.Size, 1, MaxUnits),
			within(field+".hole.aspect", h.Aspect, 0.02, 50),
			within(field+".hole.corner", h.Corner, 0, MaxUnits),
		)
	},
}
