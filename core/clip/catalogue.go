package clip

import "billow/core/wording"

// ShapeNames are the standard shapes with their ratios.
var ShapeNames = wording.List{
	{ID: "tall", Name: "Tall", Says: "9:16"},
	{ID: "portrait", Name: "Portrait", Says: "4:5"},
	{ID: "square", Name: "Square", Says: "1:1"},
	{ID: "wide", Name: "Wide", Says: "16:9"},
	{ID: "poster", Name: "Poster", Says: "2:3"},
}

// BlendNames are the modes of W3C Compositing and Blending Level 1.
var BlendNames = wording.List{
	{ID: "normal", Name: "Normal"}, {ID: "multiply", Name: "Multiply"}, {ID: "screen", Name: "Screen"}, {ID: "overlay", Name: "Overlay"},
	{ID: "darken", Name: "Darken"}, {ID: "lighten", Name: "Lighten"}, {ID: "color-dodge", Name: "Colour dodge"},
	{ID: "color-burn", Name: "Colour burn"}, {ID: "hard-light", Name: "Hard light"}, {ID: "soft-light", Name: "Soft light"},
	{ID: "difference", Name: "Difference"}, {ID: "exclusion", Name: "Exclusion"}, {ID: "hue", Name: "Hue"},
	{ID: "saturation", Name: "Saturation"}, {ID: "color", Name: "Colour"}, {ID: "luminosity", Name: "Luminosity"},
}

// BlendModes are their IDs.
var BlendModes = BlendNames.IDs()

// PinNames are the points of the frame that a rest can be measured from.
var PinNames = wording.List{
	{ID: "centre", Name: "Centre"}, {ID: "top", Name: "Top"}, {ID: "bottom", Name: "Bottom"}, {ID: "left", Name: "Left"},
	{ID: "right", Name: "Right"}, {ID: "topLeft", Name: "Top left"}, {ID: "topRight", Name: "Top right"},
	{ID: "bottomLeft", Name: "Bottom left"}, {ID: "bottomRight", Name: "Bottom right"},
}

// Pins are their IDs.
var Pins = PinNames.IDs()

// FontNames are the fonts that words can be set in. The files are in the folder
// fonts.
var FontNames = wording.List{
	{ID: "bricolage-800", Name: "Bricolage, extra bold"}, {ID: "bricolage-500", Name: "Bricolage, medium"},
	{ID: "hanken-400", Name: "Hanken, regular"}, {ID: "hanken-700", Name: "Hanken, bold"}, {ID: "hanken-900", Name: "Hanken, black"},
	{ID: "fraunces-600", Name: "Fraunces, semibold"}, {ID: "fraunces-600-italic", Name: "Fraunces, italic"},
	{ID: "caveat-700", Name: "Caveat, bold"}, {ID: "rubik-600", Name: "Rubik, semibold"},
	{ID: "anton-400", Name: "Anton"},
	{ID: "archivo-black-400", Name: "Archivo Black"},
	{ID: "alfa-slab-400", Name: "Alfa Slab One"},
	{ID: "barlow-condensed-700", Name: "Barlow Condensed, bold"},
	{ID: "bitter-800", Name: "Bitter, extra bold"},
	{ID: "bungee-400", Name: "Bungee"},
	{ID: "comfortaa-700", Name: "Comfortaa, bold"},
	{ID: "dm-serif-400", Name: "DM Serif Display"},
	{ID: "fredoka-600", Name: "Fredoka, semibold"},
	{ID: "inter-400", Name: "Inter, regular"},
	{ID: "inter-700", Name: "Inter, bold"},
	{ID: "jetbrains-mono-700", Name: "JetBrains Mono, bold"},
	{ID: "lora-600", Name: "Lora, semibold"},
	{ID: "manrope-500", Name: "Manrope, medium"},
	{ID: "manrope-800", Name: "Manrope, extra bold"},
	{ID: "montserrat-500", Name: "Montserrat, medium"},
	{ID: "montserrat-800", Name: "Montserrat, extra bold"},
	{ID: "oswald-600", Name: "Oswald, semibold"},
	{ID: "pacifico-400", Name: "Pacifico"},
	{ID: "playfair-800", Name: "Playfair Display, extra bold"},
	{ID: "playfair-500-italic", Name: "Playfair Display, italic"},
	{ID: "righteous-400", Name: "Righteous"},
	{ID: "shrikhand-400", Name: "Shrikhand"},
	{ID: "sora-700", Name: "Sora, bold"},
	{ID: "space-grotesk-700", Name: "Space Grotesk, bold"},
	{ID: "unbounded-800", Name: "Unbounded, extra bold"},
	{ID: "anybody", Name: "Anybody, variable"},
	{ID: "bricolage-variable", Name: "Bricolage, variable"},
	{ID: "eb-garamond-700", Name: "EB Garamond, bold"},
}

// Fonts are their IDs.
var Fonts = FontNames.IDs()

// Bolder is the next bolder font of a font's family, or "".
func Bolder(font string) string {
	return map[string]string{"bricolage-500": "bricolage-800", "hanken-400": "hanken-700", "hanken-700": "hanken-900",
		"inter-400": "inter-700", "manrope-500": "manrope-800", "montserrat-500": "montserrat-800"}[font]
}
