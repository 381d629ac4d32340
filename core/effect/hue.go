package effect

import (
	"math"

	"billow/core/paint"
	"billow/core/property"
)

// Hue turns all hues: hue-rotate() of W3C Filter Effects Level 1.
var Hue = Effect{
	Name: "hue", Title: "Hue", Group: Colours, Says: "All colours turned", Begin: []float64{30},
	Properties: []property.Property{{Name: "hue", Dims: 1, Min: -3600, Max: 3600, Title: "Hue", Unit: "°"}},
	Draw: func(w Work, v Values) *paint.Sheet {
		sin, cos := math.Sincos(v[0][0] * math.Pi / 180)
		return matrixed(w, [9]float64{
			0.213 + cos*0.787 - sin*0.213, 0.715 - cos*0.715 - sin*0.715, 0.072 - cos*0.072 + sin*0.928,
			0.213 - cos*0.213 + sin*0.143, 0.715 + cos*0.285 + sin*0.140, 0.072 - cos*0.072 - sin*0.283,
			0.213 - cos*0.213 - sin*0.787, 0.715 - cos*0.715 + sin*0.715, 0.072 + cos*0.928 + sin*0.072,
		})
	},
}
