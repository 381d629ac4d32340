package effect

import (
	"math"

	"billow/core/paint"
	"billow/core/property"
)

// Ripple sends rings out from a place, as from a drop in water, which become less towards the edge of
// their reach, in percent of half the picture's shorter side.
var Ripple = Effect{
	Name: "ripple", Title: "Ripple", Group: Bending, Says: "Rings as from a drop in water", Begin: []float64{12},
	Properties: []property.Property{
		{Name: "ripple", Dims: 1, Max: 200, Title: "Ripple, far"},
		{Name: "rippleLength", Dims: 1, Neutral: 90, Min: 10, Max: 2000, Title: "Ripple, long"},
		{Name: "rippleShift", Dims: 1, Min: -36000, Max: 36000, Title: "Ripple, gone on", Unit: "°"},
		{Name: "rippleReach", Dims: 1, Neutral: 150, Min: 5, Max: 1000, Title: "Ripple, reach", Unit: "%"},
		{Name: "rippleAt", Dims: 2, Min: -100, Max: 100, Title: "Ripple, at", Unit: "%", Parts: []string{"right", "down"}},
	},
	Main: 1, Placed: true,
	Reach: func(v Values, _ Box) float64 { return v[0][0] },
	Draw: func(w Work, v Values) *paint.Sheet {
		far, long, shift, reach := v[0][0], v[1][0], radians(v[2][0]), w.Box.radius(v[3][0])
		cx, cy := w.Box.share(v[4])
		return turned(w, w.Far, cx, cy, reach, func(r float64) (cos, sin float64) {
			// In the very middle there is no way to go.
			return 1 - far*(1-fall(r*3/long))*fall(r/reach)*math.Sin(2*math.Pi*r/long-shift)/r, 0
		})
	},
}
