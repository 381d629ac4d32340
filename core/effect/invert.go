package effect

import (
	"billow/core/paint"
	"billow/core/property"
)

// Invert turns light into dark: invert() of W3C Filter Effects Level 1.
var Invert = Effect{
	Name: "invert", Title: "Inverted", Group: Colours, Says: "As a negative", Begin: []float64{100},
	Properties: []property.Property{{Name: "invert", Dims: 1, Max: 100, Title: "Invert", Unit: "%"}},
	Draw: func(w Work, v Values) *paint.Sheet {
		k := v[0][0] / 100
		return toned(w, every(func(_ int, at float64) float64 { return at*(1-2*k) + k }))
	},
}
