package effect

import (
	"billow/core/alike"
	"billow/core/paint"
	"billow/core/property"
)

// Levels says which level becomes black and which white, where the middle lies between them, and
// which levels black and white themselves become.
var Levels = Effect{
	Name: "levels", Title: "Levels", Group: Colours, Says: "What is black, what is white", Begin: []float64{12},
	Properties: []property.Property{
		{Name: "levelsBlack", Dims: 1, Max: 99, Title: "Levels, black from", Unit: "%"},
		{Name: "levelsWhite", Dims: 1, Neutral: 100, Min: 1, Max: 100, Title: "Levels, white from", Unit: "%"},
		{Name: "levelsMiddle", Dims: 1, Neutral: 1, Min: 0.1, Max: 10, Title: "Levels, middle"},
		{Name: "levelsDarkest", Dims: 1, Max: 100, Title: "Levels, darkest", Unit: "%"},
		{Name: "levelsLightest", Dims: 1, Neutral: 100, Max: 100, Title: "Levels, lightest", Unit: "%"},
	},
	Draw: func(w Work, v Values) *paint.Sheet {
		black := v[0][0] / 100
		span := max(v[1][0]/100-black, 0.01)
		gamma, low, high := 1/max(v[2][0], 0.1), v[3][0]/100, v[4][0]/100
		return toned(w, every(func(_ int, at float64) float64 {
			at = min(max((at-black)/span, 0), 1)
			if at > 0 && gamma != 1 {
				at = alike.Exp(gamma * alike.Log(at))
			}
			return low + at*(high-low)
		}))
	},
}
