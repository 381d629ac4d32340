// Package palette finds the main colours of pictures, and colours that go with them.
package palette

import "billow/core/colour"

// Palette is colours that go together, by what they are for.
type Palette struct {
	ID   string `json:"id"`
	Name string `json:"name"`

	Top    colour.Colour `json:"top"`    // of the ground
	Bottom colour.Colour `json:"bottom"` // of the ground
	Ink    colour.Colour `json:"ink"`    // words on the ground
	Accent colour.Colour `json:"accent"` // emphasised words on the ground
	Plate  colour.Colour `json:"plate"`  // badges and other things that stand out
	On     colour.Colour `json:"on"`     // words on them
	Card   colour.Colour `json:"card"`   // quiet plates, such as behind a price
	OnCard colour.Colour `json:"onCard"` // words on them
	Shade  colour.Colour `json:"shade"`  // shadows
	Glow   colour.Colour `json:"glow"`   // discs and halves behind products
}

// Mix is a share of the way from one opaque colour to another, in OKLab.
func Mix(from, to colour.Colour, share float64) colour.Colour {
	a := colour.OKLab(float64(from.R), float64(from.G), float64(from.B))
	b := colour.OKLab(float64(to.R), float64(to.G), float64(to.B))
	a.L, a.A, a.B = a.L+(b.L-a.L)*share, a.A+(b.A-a.A)*share, a.B+(b.B-a.B)*share
	r, g, bl := a.SRGB()
	return colour.FromFloats(r, g, bl, 255)
}
