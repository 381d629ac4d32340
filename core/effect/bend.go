package effect

import (
	"math"

	"billow/core/alike"
	"billow/core/paint"
	"billow/core/property"
)

// Bend lays a picture along a circle: its upright middle line becomes an arc of so many degrees, of the
// same length, head and foot to the right. Turned by 90 degrees it is the level line that is bent, its
// ends up.
var Bend = Effect{
	Name: "bend", Title: "Bend", Group: Bending, Says: "Along a circle", Begin: []float64{40},
	Properties: []property.Property{
		{Name: "bend", Dims: 1, Min: -330, Max: 330, Title: "Bend", Unit: "°"},
		{Name: "bendTurn", Dims: 1, Min: -3600, Max: 3600, Title: "Bend, turned", Unit: "°"},
	},
	Main: 1, Placed: true,
	Reach: func(v Values, b Box) float64 {
		// An end of the line moves by an eighth of its length times the arc, and what lies aside of it is
		// turned by half of the arc.
		return min(math.Abs(radians(v[0][0]))*(max(b.W, b.H)/8+min(b.W, b.H)/4), (b.W+b.H)/2)
	},
	Draw: func(w Work, v Values) *paint.Sheet {
		arc := radians(v[0][0])
		sin, cos := math.Sincos(radians(v[1][0]))
		long := math.Abs(w.Box.H*cos) + math.Abs(w.Box.W*sin)
		radius := long / arc // to the right, or to the left where it is less than nothing
		side := 1.0
		if radius < 0 {
			side = -1
		}
		return warped(w, w.Far, 3*(math.Abs(arc)+arc*arc)/long, func(x, y float64) (float64, float64) {
			along, aside := y*cos-x*sin, x*cos+y*sin
			if math.Abs(arc) > 1e-6 {
				dx := radius - aside
				angle := math.Atan2(along*side, dx*side)
				along, aside = radius*angle, radius-side*alike.Hypot(dx, along)
			}
			return aside*cos - along*sin, along*cos + aside*sin
		})
	},
}
