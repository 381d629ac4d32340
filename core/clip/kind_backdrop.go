package clip

import (
	"fmt"
	"slices"

	"billow/core/colour"
)

// Backdrop fills the frame: one stop is a solid, more are a linear gradient.
type Backdrop struct {
	Stops []Stop  `json:"stops"`
	Angle float64 `json:"angle"` // direction in which it runs: 0 up, 90 right, 180 down
}

// Stop is a colour of a gradient.
type Stop struct {
	At     float64       `json:"at"` // 0..100 percent of the way
	Colour colour.Colour `json:"colour"`
}

var stopColours = []string{StopColour1, StopColour2, StopColour3, StopColour4}

var backdropKind = &Kind{
	ID: KindBackdrop, Name: "Backdrop", Says: "Fills the frame behind all", Field: "backdrop", Icon: "image", Offered: true, Fills: true,
	Properties: stopColours,
	Colours: func(l *Layer, property string) *colour.Colour {
		if i := StopIndex(property); i >= 0 && i < len(l.Backdrop.Stops) {
			return &l.Backdrop.Stops[i].Colour
		}
		return nil
	},
	Draft: func(_ *Clip, l *Layer, _ DraftOf) {
		l.Backdrop = &Backdrop{Angle: 180, Stops: []Stop{{0, colour.RGB(0x2F6B6A)}, {100, colour.RGB(0x173F47)}}}
	},
	Content: func(l *Layer) any { return held(l.Backdrop) },
	Own: func(l *Layer) {
		l.Backdrop = copied(l.Backdrop)
		l.Backdrop.Stops = slices.Clone(l.Backdrop.Stops)
	},
	Check: func(_ *Clip, field string, l *Layer) error {
		b := l.Backdrop
		if len(b.Stops) < 1 || len(b.Stops) > 4 {
			return Fault(field+".stops", "a backdrop has one to four colours")
		}
		for i, s := range b.Stops {
			if err := within(fmt.Sprintf("%s.stops[%d].at", field, i), s.At, 0, 100); err != nil {
				return err
			}
			if i > 0 && s.At < b.Stops[i-1].At {
				return Fault(fmt.Sprintf("%s.stops[%d].at", field, i), "the colours are not in order")
			}
		}
		return within(field+".angle", b.Angle, -3600, 3600)
	},
}

// StopIndex is which colour of a backdrop a property is, or -1.
func StopIndex(property string) int { return slices.Index(stopColours, property) }
