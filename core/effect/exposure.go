package effect

import (
	"billow/core/alike"
	"billow/core/colour"
	"billow/core/paint"
	"billow/core/property"
)

// Exposure makes light more or less, as a longer or shorter one would: a step more is twice as much.
// It works on light itself (sRGB, IEC 61966-2-1, decoded), so that colours keep their hue.
var Exposure = Effect{
	Name: "exposure", Title: "Exposure", Group: Colours, Says: "More or less light", Begin: []float64{0.5},
	Properties: []property.Property{{Name: "exposure", Dims: 1, Min: -4, Max: 4, Title: "Exposure"}},
	Draw: func(w Work, v Values) *paint.Sheet {
		k := alike.Exp(v[0][0] * ln2)
		return toned(w, every(func(_ int, at float64) float64 { return colour.Encoded(min(k*colour.Linear(at), 1)) }))
	},
}

const ln2 = 0.6931471805599453
