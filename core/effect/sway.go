package effect

import (
	"math"

	"billow/core/paint"
	"billow/core/property"
)

// Sway bends a picture to the right as wind bends a plant: its foot stays, its head moves by so many
// units, and between them it goes with the square of the height.
var Sway = Effect{
	Name: "sway", Title: "Sway", Group: Bending, Says: "The foot stays, the head leans over", Begin: []float64{40},
	Properties: []property.Property{{Name: "sway", Dims: 1, Min: -600, Max: 600, Title: "Sway"}},
	Placed:     true,
	Reach:      func(v Values, _ Box) float64 { return math.Abs(v[0][0]) * 1.5 },
	Draw: func(w Work, v Values) *paint.Sheet {
		return warped(w, w.Far, 2*math.Abs(v[0][0])/(w.Box.H*w.Box.H), func(x, y float64) (float64, float64) {
			t := min(max(0.5-y/w.Box.H, 0), 1.2)
			return x - v[0][0]*t*t, y
		})
	},
}
