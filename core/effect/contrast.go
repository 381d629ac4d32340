package effect

import (
	"billow/core/paint"
	"billow/core/property"
)

// Contrast moves levels away from the middle or towards it: contrast() of W3C Filter Effects Level 1.
var Contrast = Effect{
	Name: "contrast", Title: "Contrast", Group: Colours, Says: "Light and dark farther apart", Begin: []float64{115},
	Properties: []property.Property{{Name: "contrast", Dims: 1, Neutral: 100, Max: 300, Title: "Contrast", Unit: "%"}},
	Draw: func(w Work, v Values) *paint.Sheet {
		return toned(w, every(func(_ int, at float64) float64 { return (at-0.5)*v[0][0]/100 + 0.5 }))
	},
}
