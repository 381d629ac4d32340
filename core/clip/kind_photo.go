package clip

import (
	"slices"

	"billow/core/colour"
	"billow/core/wording"
)

// KindPhoto is a picture that covers the frame.
const KindPhoto = "photo"

// Covering is how a picture covers the frame.
type Covering struct {
	Fit  string        `json:"fit"`           // one of Fits
	X    float64       `json:"x"`             // the place of interest, percent of the picture's width from its middle: it stays in sight in every shape
	Y    float64       `json:"y"`             // percent of its height
	Side float64       `json:"side"`          // of a tile: units of its longer side
	Tint colour.Colour `json:"tint,omitzero"` // see the property tint
}

// Fits are the ways in which a picture covers the frame.
var Fits = wording.List{
	{ID: "fill", Name: "Fills the frame", Says: "All of the frame is covered; the place of interest stays in sight"},
	{ID: "fit", Name: "Shows all of it", Says: "All of the picture shows"},
	{ID: "tile", Name: "Is laid like tiles", Says: "Again and again, edge to edge"},
}

// Properties of a picture that covers the frame.
const (
	Zoom       = "zoom"       // percent
	Pan        = "pan"        // percent of the frame's width and height
	Tint       = "tint"       // percent of its colours that those of the tint replace; its light and dark stay
	TintColour = "tintColour" //
)

var photoKind = &Kind{
	ID: KindPhoto, Name: "Picture", Says: "A photo that fills the frame", Field: "cutout", Icon: "card-image", Fills: true, Behind: true,
	Properties: append([]string{Zoom, Pan, Tint, TintColour}, openProperties...),
	Colours: func(l *Layer, property string) *colour.Colour {
		if property == TintColour && l.Cutout.Covering != nil {
			return &l.Cutout.Covering.Tint
		}
		return nil
	},
	Draft: func(_ *Clip, l *Layer, from DraftOf) {
		l.Name, l.Cutout = from.Name, &Cutout{Prop: from.Prop, Covering: &Covering{Fit: "fill", Side: 300, Tint: colour.RGB(0x2F6B6A)}}
	},
	Content: func(l *Layer) any { return held(l.Cutout) },
	Own:     cutoutKind.Own,
	Enums:   map[string][]string{"Covering.Fit": Fits.IDs(), "Running.Again": Agains.IDs()},
	Check: func(c *Clip, field string, l *Layer) error {
		v := l.Cutout.Covering
		if v == nil {
			return Fault(field+".covering", "it does not say how the picture covers the frame")
		}
		if !slices.Contains(Fits.IDs(), v.Fit) {
			return Fault(field+".covering.fit", "a picture fills, fits or tiles the frame, not %q", v.Fit)
		}
		return firstError(
			checkCutout(c, field, l),
			within(field+".covering.x", v.X, -50, 50), within(field+".covering.y", v.Y, -50, 50), within(field+".covering.side", v.Side, 10, MaxUnits),
		)
	},
}
