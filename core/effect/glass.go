package effect

import (
	"math"

	"billow/core/paint"
	"billow/core/property"
)

// Glass shows a picture through a pane that bends light by so many units at most: of upright ribs of a
// width, or, the more uneven it is, with the dents of hammered glass.
var Glass = Effect{
	Name: "glass", Title: "Glass", Group: Bending, Says: "Seen through a ribbed or hammered pane", Begin: []float64{26},
	Properties: []property.Property{
		{Name: "glass", Dims: 1, Max: 300, Title: "Glass"},
		{Name: "glassSize", Dims: 1, Neutral: 60, Min: 4, Max: 1000, Title: "Glass, ribs"},
		{Name: "glassUneven", Dims: 1, Max: 100, Title: "Glass, uneven", Unit: "%"},
		{Name: "glassTurn", Dims: 1, Min: -3600, Max: 3600, Title: "Glass, turned", Unit: "°"},
	},
	Main: 1, Placed: true,
	Reach: func(v Values, _ Box) float64 { return v[0][0] },
	Draw: func(w Work, v Values) *paint.Sheet {
		by, size, uneven := v[0][0], v[1][0], v[2][0]/100
		sin, cos := math.Sincos(radians(v[3][0]))
		out := w.Sheet
		if uneven > 0 {
			out = warped(w, by*uneven, 12*by*uneven/(size*size), func(x, y float64) (float64, float64) {
				return x - by*uneven*dents(x/size, y/size, 1), y - by*uneven*dents(x/size, y/size, 2)
			})
			w.Sheet, w.Mine = out, true
		}
		if uneven < 1 {
			out = ribbed(w, by*(1-uneven), size, sin, cos)
		}
		return out
	},
}

// ribbed shows a picture through ribs of a width, each of which bends by so many units at its sides.
func ribbed(w Work, by, size, sin, cos float64) *paint.Sheet {
	return banded(w, by, size, cos, sin, cos, sin, func(part float64) float64 {
		// A rib is a cylinder: the farther from its middle, the more it bends.
		q := 1 - 2*part
		return -by * q * (0.6 + 0.4*q*q)
	})
}

// dents is smooth noise from -1 to 1: values of a lattice, mixed between its points with a slope of
// nothing at each (Perlin, "Improving noise", 2002).
func dents(x, y float64, which uint64) float64 {
	fx, fy := math.Floor(x), math.Floor(y)
	smooth := func(t float64) float64 { return t * t * t * (t*(6*t-15) + 10) }
	tx, ty := smooth(x-fx), smooth(y-fy)
	at := func(i, j float64) float64 {
		v := uint64(int64(fx+i))*0x9E3779B97F4A7C15 ^ uint64(int64(fy+j))*0xC2B2AE3D27D4EB4F ^ which<<57
		v = (v ^ v>>30) * 0xBF58476D1CE4E5B9
		v = (v ^ v>>27) * 0x94D049BB133111EB
		return float64((v^v>>31)>>11)/(1<<52) - 1
	}
	upper := at(0, 0) + (at(1, 0)-at(0, 0))*tx
	lower := at(0, 1) + (at(1, 1)-at(0, 1))*tx
	return upper + (lower-upper)*ty
}
