package starter

import (
	"slices"

	"billow/core/colour"
	"billow/core/palette"
)

// Palettes are all of them, in the order in which they are offered.
var Palettes = []palette.Palette{
	made("dusk", "Dusk", 0x14404B, 0x2C6664, 0xFCFAF5, 0xF6C667, 0xC8431D, 0xFFFFFF, 0xFCFAF5, 0x173F47, 0x04161A, 0xF6C667),
	made("sunrise", "Sunrise", 0xFBEBCB, 0xF0BE86, 0x173F47, 0x9A2F12, 0x173F47, 0xFCFAF5, 0xFFFDF8, 0x173F47, 0x3A1D0C, 0xFFF8E6),
	made("meadow", "Meadow", 0xEEF3E2, 0xBFD6B5, 0x1E4033, 0xA3361A, 0x1E5A50, 0xFCFAF5, 0xFFFDF8, 0x1E4033, 0x10281F, 0xF6E6A6),
	made("berry", "Berry", 0x541736, 0x8A2E4F, 0xFFF4EA, 0xFFC9A3, 0xF6C667, 0x4A1230, 0xFFF4EA, 0x4A1230, 0x1E0612, 0xFFC9A3),
	made("night", "Night", 0x1B2430, 0x36465A, 0xF5F2EC, 0x9FDCCF, 0xEBAA46, 0x1B2430, 0xF5F2EC, 0x1B2430, 0x05080C, 0x9FDCCF),
	made("paper", "Paper", 0xFBF8F1, 0xEBE3D3, 0x22302F, 0xB93A17, 0xB93A17, 0xFFFFFF, 0xFFFFFF, 0x22302F, 0x2B2115, 0xF2C879),
}

func made(id, name string, hex ...uint32) palette.Palette {
	c := make([]colour.Colour, len(hex))
	for i, h := range hex {
		c[i] = colour.RGB(h)
	}
	return palette.Palette{
		ID: id, Name: name, Top: c[0], Bottom: c[1], Ink: c[2], Accent: c[3],
		Plate: c[4], On: c[5], Card: c[6], OnCard: c[7], Shade: c[8], Glow: c[9],
	}
}

func paletteNamed(id string, own []palette.Palette) (palette.Palette, bool) {
	for _, p := range slices.Concat(own, Palettes) {
		if p.ID == id {
			return p, true
		}
	}
	return palette.Palette{}, false
}
