package effect

import (
	"billow/core/alike"
	"billow/core/colour"
	"billow/core/paint"
	"billow/core/property"
)

// Balance makes the light warmer or cooler, and pinker or greener: red and blue, or both against
// green, get more and less of it, while what is white keeps its luminance. A hundred percent is a step
// of exposure between red and blue.
var Balance = Effect{
	Name: "balance", Title: "Temperature and tint", Group: Colours, Says: "Warmer or colder light", Begin: []float64{20},
	Properties: []property.Property{
		{Name: "temperature", Dims: 1, Min: -100, Max: 100, Title: "Warmer", Unit: "%"},
		{Name: "tintGreen", Dims: 1, Min: -100, Max: 100, Title: "Pinker", Unit: "%"},
	},
	Draw: func(w Work, v Values) *paint.Sheet {
		warm, pink := v[0][0]/100*ln2/2, v[1][0]/100*ln2/2
		gain := [3]float64{alike.Exp(warm + pink/3), alike.Exp(-2 * pink / 3), alike.Exp(-warm + pink/3)}
		white := 0.2126*gain[0] + 0.7152*gain[1] + 0.0722*gain[2] // its luminance (ITU-R BT.709)
		return toned(w, every(func(c int, at float64) float64 {
			return colour.Encoded(min(gain[c]/white*colour.Linear(at), 1))
		}))
	},
}
