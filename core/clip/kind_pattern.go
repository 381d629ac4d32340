package clip

import (
	"slices"

	"billow/core/colour"
)

// KindPattern is a grid of small figures.
const KindPattern = "pattern"

// Pattern is a grid of small figures that fills the frame.
type Pattern struct {
	Form  string        `json:"form"`  // disc, card, burst or cross
	Fill  colour.Colour `json:"fill"`  //
	Apart float64       `json:"apart"` // units from one figure to the next, 10..500
	Size  float64       `json:"size"`  // percent of that which a figure covers, 2..100
	Shift float64       `json:"shift"` // percent by which every other row is moved aside, 0..100
}

// PatternForms are the figures that a pattern can be of.
var PatternForms = []string{"disc", "card", "burst", "cross"}

var patternKind = &Kind{
	ID: KindPattern, Name: "Pattern", Says: "A grid of small figures that fills the frame", Field: "pattern", Icon: "grid-3x3-gap", Offered: true, Fills: true, Behind: true,
	Properties: []string{FillColour, Apart, Aside, Moved, EachTurn, EachSize, Open, OpenTurn, OpenAt},
	Numbers: func(l *Layer, property string) []*float64 {
		switch property {
		case Apart:
			return []*float64{&l.Pattern.Apart}
		case Aside:
			return []*float64{&l.Pattern.Shift}
		case EachSize:
			return []*float64{&l.Pattern.Size}
		}
		return nil
	},
	Colours: func(l *Layer, property string) *colour.Colour {
		if property == FillColour {
			return &l.Pattern.Fill
		}
		return nil
	},
	Draft: func(_ *Clip, l *Layer, _ DraftOf) {
		l.Pattern = &Pattern{Form: "disc", Fill: colour.Colour{R: 0xFC, G: 0xFA, B: 0xF5, A: 0x40}, Apart: 70, Size: 30, Shift: 50}
	},
	Content: func(l *Layer) any { return held(l.Pattern) },
	Own:     func(l *Layer) { l.Pattern = copied(l.Pattern) },
	Enums:   map[string][]string{"Pattern.Form": PatternForms},
	Check: func(_ *Clip, field string, l *Layer) error {
		p := l.Pattern
		if !slices.Contains(PatternForms, p.Form) {
			return Fault(field+".form", "a pattern is of discs, cards, bursts or crosses, not of %q", p.Form)
		}
		return firstError(
			within(field+".apart", p.Apart, 10, 500), within(field+".size", p.Size, 2, 100), within(field+".shift", p.Shift, 0, 100),
		)
	},
}
