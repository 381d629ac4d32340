package effect

import (
	"math"

	"billow/core/paint"
	"billow/core/property"
)

// Puff makes a picture wider halfway between its head and its foot, as a bag that breathes: so many
// percent, which become none at both ends.
var Puff = Effect{
	Name: "puff", Title: "Puff", Group: Bending, Says: "A bag that breathes: wider in the middle", Begin: []float64{8},
	Properties: []property.Property{{Name: "puff", Dims: 1, Min: -50, Max: 100, Title: "Puff", Unit: "%"}},
	Placed:     true,
	Reach:      func(v Values, b Box) float64 { return b.W / 2 * max(v[0][0], 0) / 100 },
	Draw: func(w Work, v Values) *paint.Sheet {
		by := v[0][0] / 100
		return warped(w, w.Far, w.Box.W*10*math.Abs(by)/(w.Box.H*w.Box.H), func(x, y float64) (float64, float64) {
			t := y / w.Box.H // -1/2 at the head
			if t < -0.5 || t > 0.5 {
				return x, y
			}
			c := math.Cos(math.Pi * t)
			return x / (1 + by*c*c), y
		})
	},
}
