package effect

import (
	"math"

	"billow/core/paint"
	"billow/core/property"
)

// InnerShadow is the shadow that a picture's own edge casts into it, as if it lay
// deeper than what is around it: how dark, where it falls (0 up, 90 right), how far and
// how softly, in units.
var InnerShadow = Effect{
	Name: "innerShadow", Title: "Inner shadow", Group: Lighting, Says: "The edge casts a shadow inwards", Begin: []float64{50},
	Properties: []property.Property{
		{Name: "innerShadow", Dims: 1, Max: 100, Title: "Inner shadow", Unit: "%"},
		{Name: "innerDirection", Dims: 1, Neutral: 145, Min: -3600, Max: 3600, Title: "Inner shadow, falls towards", Unit: "°"},
		{Name: "innerDistance", Dims: 1, Neutral: 12, Max: 300, Title: "Inner shadow, distance"},
		{Name: "innerSoftness", Dims: 1, Neutral: 10, Max: 200, Title: "Inner shadow, softness"},
	},
	Rounded: func(v Values) Values { return Values{v[0], v[1], v[2], {Soft(v[3][0])}} },
	Draw: func(w Work, v Values) *paint.Sheet {
		out := w.Changeable()
		strength := min(max(v[0][0]/100, 0), 1)
		if strength == 0 {
			return out
		}
		sin, cos := math.Sincos(v[1][0] * math.Pi / 180)
		unit := w.Unit * out.Per
		covers := around(w.Sheet, v[3][0]*w.Unit, -v[2][0]*sin*unit, v[2][0]*cos*unit)
		out.Picture.Darken(covers, uint32(math.Round(256*strength)))
		return out
	},
}

// around is how much of what is around a picture, softened, covers each of its pixels when
// seen so many pixels aside. sigma is in units of its space.
func around(in *paint.Sheet, sigma, dx, dy float64) paint.MaskRows {
	octaves, soft := Halvings(in, sigma)
	// What is around it is as opaque as it is clear, for as far as is asked.
	reach := int(math.Ceil(3*soft)) + 1
	margin := reach + int(max(math.Abs(dx), math.Abs(dy)))>>octaves
	m := paint.HalvedAlpha(in.Picture, octaves, margin)
	m.Invert()
	m.Blur(soft)
	by := float64(margin << octaves)
	return m.Enlarging(octaves, dx+by, dy+by)
}
