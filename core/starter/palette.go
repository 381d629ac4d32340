package starter

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

// Palettes are all of them, in the order in which they are offered.
var Palettes = []Palette{
	palette("dusk", "Dusk", 0x14404B, 0x2C6664, 0xFCFAF5, 0xF6C667, 0xC8431D, 0xFFFFFF, 0xFCFAF5, 0x173F47, 0x04161A, 0xF6C667),
	palette("sunrise", "Sunrise", 0xFBEBCB, 0xF0BE86, 0x173F47, 0x9A2F12, 0x173F47, 0xFCFAF5, 0xFFFDF8, 0x173F47, 0x3A1D0C, 0xFFF8E6),
	palette("meadow", "Meadow", 0xEEF3E2, 0xBFD6B5, 0x1E4033, 0xA3361A, 0x1E5A50, 0xFCFAF5, 0xFFFDF8, 0x1E4033, 0x10281F, 0xF6E6A6),
	palette("berry", "Berry", 0x541736, 0x8A2E4F, 0xFFF4EA, 0xFFC9A3, 0xF6C667, 0x4A1230, 0xFFF4EA, 0x4A1230, 0x1E0612, 0xFFC9A3),
	palette("night", "Night", 0x1B2430, 0x36465A, 0xF5F2EC, 0x9FDCCF, 0xEBAA46, 0x1B2430, 0xF5F2EC, 0x1B2430, 0x05080C, 0x9FDCCF),
	palette("paper", "Paper", 0xFBF8F1, 0xEBE3D3, 0x22302F, 0xB93A17, 0xB93A17, 0xFFFFFF, 0xFFFFFF, 0x22302F, 0x2B2115, 0xF2C879),
}

func palette(id, name string, hex ...uint32) Palette {
	c := make([]colour.Colour, len(hex))
	for i, h := range hex {
		c[i] = colour.RGB(h)
	}
	return Palette{id, name, c[0], c[1], c[2], c[3], c[4], c[5], c[6], c[7], c[8], c[9]}
}

func paletteNamed(id string) (Palette, bool) {
	for _, p := range Palettes {
		if p.ID == id {
			return p, true
		}
	}
	return Palette{}, false
}
