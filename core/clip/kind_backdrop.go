package clip

import (
	"slices"

	"billow/core/colour"
)

// Backdrop fills the frame.
type Backdrop struct {
	Fill
}

var backdropKind = &Kind{
	ID: KindBackdrop, Name: "Backdrop", Says: "Fills the frame behind all", Field: "backdrop", Icon: "image", Offered: true, Fills: true, Behind: true,
	Properties: append(slices.Clone(fillProperties), openProperties...), Families: fillFamilies,
	Fill:     func(l *Layer) *Fill { return &l.Backdrop.Fill },
	Colours:  func(l *Layer, property string) *colour.Colour { return l.Backdrop.colour(property) },
	Numbers:  func(l *Layer, property string) []*float64 { return l.Backdrop.numbers(property) },
	Numbered: func(l *Layer, family string) []int { return l.Backdrop.numbered(family) },
	Draft: func(_ *Clip, l *Layer, _ DraftOf) {
		l.Backdrop = &Backdrop{Fill{Angle: 180, Stops: []Stop{{At: 0, Colour: colour.RGB(0x2F6B6A)}, {At: 100, Colour: colour.RGB(0x173F47)}}}}
	},
	Content: func(l *Layer) any { return held(l.Backdrop) },
	Own: func(l *Layer) {
		l.Backdrop = copied(l.Backdrop)
		l.Backdrop.own()
	},
	Enums: map[string][]string{"Fill.Run": Runs},
	Check: func(_ *Clip, field string, l *Layer) error { return l.Backdrop.check(field) },
}
