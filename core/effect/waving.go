package effect

import (
	"math"

	"billow/core/paint"
	"billow/core/property"
)

// Waving makes a picture wave as a flag: waves go along a direction (0 up, 90 right) and move everything
// to and fro across it.
var Waving = Effect{
	Name: "waving", Title: "Waves", Group: Bending, Says: "Waves as a flag does", Begin: []float64{14},
	Properties: []property.Property{
		{Name: "waving", Dims: 1, Max: 300, Title: "Waves, far"},
		{Name: "wavingLength", Dims: 1, Neutral: 260, Min: 10, Max: 4000, Title: "Waves, long"},
		{Name: "wavingShift", Dims: 1, Min: -36000, Max: 36000, Title: "Waves, gone on", Unit: "°"},
		{Name: "wavingAngle", Dims: 1, Neutral: 90, Min: -3600, Max: 3600, Title: "Waves, go towards", Unit: "°"},
	},
	Main: 1, Placed: true,
	Reach: func(v Values, _ Box) float64 { return v[0][0] },
	Draw: func(w Work, v Values) *paint.Sheet {
		far, long, shift := v[0][0], v[1][0], radians(v[2][0])
		sin, cos := math.Sincos(radians(v[3][0]))
		return banded(w, w.Far, long, sin, -cos, cos, sin, func(part float64) float64 {
			return -far * math.Sin(2*math.Pi*part-shift)
		})
	},
}
