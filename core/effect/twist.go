package effect

import (
	"math"

	"billow/core/paint"
	"billow/core/property"
)

// Twist turns a picture about a place by so many degrees clockwise, the less the farther away; at the
// edge of its reach, in percent of half the picture's shorter side, nothing is turned.
var Twist = Effect{
	Name: "twist", Title: "Twist", Group: Bending, Says: "Turns the middle against the edge", Begin: []float64{60},
	Properties: []property.Property{
		{Name: "twist", Dims: 1, Min: -1440, Max: 1440, Title: "Twist", Unit: "°"},
		{Name: "twistReach", Dims: 1, Neutral: 100, Min: 5, Max: 400, Title: "Twist, reach", Unit: "%"},
		{Name: "twistAt", Dims: 2, Min: -100, Max: 100, Title: "Twist, at", Unit: "%", Parts: []string{"right", "down"}},
	},
	Main: 1, Placed: true,
	Reach: func(v Values, b Box) float64 {
		// What lies so far out, r of R, is moved by at most r times its angle: with fall, 0.36 R at r = R/2.
		return b.radius(v[1][0]) * min(0.36*math.Abs(radians(v[0][0])), 1)
	},
	Draw: func(w Work, v Values) *paint.Sheet {
		turn, reach := radians(v[0][0]), w.Box.radius(v[1][0])
		cx, cy := w.Box.share(v[2])
		return turned(w, w.Far, cx, cy, reach, func(r float64) (cos, sin float64) {
			sin, cos = math.Sincos(-turn * fall(r/reach))
			return cos, sin
		})
	},
}

// radius is percent of half the shorter side.
func (b Box) radius(percent float64) float64 { return max(min(b.W, b.H)/2*percent/100, 1) }
