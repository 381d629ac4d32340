package effect

import (
	"math"

	"billow/core/paint"
	"billow/core/property"
)

// InnerGlow is light of a colour that falls from around a picture onto its edge: how strong, and how far
// it comes in, as a standard deviation in units. The side it comes from (0 up, 90 right) may be one: then
// it is a rim of light.
var InnerGlow = Effect{
	Name: "innerGlow", Title: "Rim of light", Group: Lighting, Says: "Light on its edge, from around or from one side", Begin: []float64{70},
	Properties: []property.Property{
		{Name: "innerGlow", Dims: 1, Max: 200, Title: "Rim of light", Unit: "%"},
		lampColour("innerGlowColour", "Rim of light, colour"),
		{Name: "innerGlowSoftness", Dims: 1, Neutral: 10, Min: 0.5, Max: 200, Title: "Rim of light, softness"},
		{Name: "innerGlowSide", Dims: 1, Max: 100, Title: "Rim of light, one side only", Unit: "%"},
		{Name: "innerGlowAngle", Dims: 1, Neutral: -35, Min: -3600, Max: 3600, Title: "Rim of light, comes from", Unit: "°"},
	},
	Main: 1, Placed: true,
	Rounded: func(v Values) Values { return Values{v[0], v[1], {Soft(v[2][0])}, v[3], v[4]} },
	Draw: func(w Work, v Values) *paint.Sheet {
		out := w.Changeable()
		sigma := v[2][0] * w.Unit
		sin, cos := math.Sincos(radians(v[4][0]))
		// From one side, what is around is seen moved away from there by twice its softness.
		far := 2 * v[2][0] * v[3][0] / 100
		to, _ := w.pixels()
		dx, dy := (to.A*sin-to.C*cos)*far, (to.B*sin-to.D*cos)*far
		m := around(w.Sheet, sigma, dx, dy)
		if v[3][0] > 0 {
			m = m.Less(around(w.Sheet, sigma, -dx, -dy), v[3][0]/100)
		}
		out.Picture.Within(m.Times(2*v[0][0]/100), pixel(v[1]))
		return out
	},
}
