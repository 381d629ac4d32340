package effect

import (
	"billow/core/paint"
	"billow/core/property"
)

// Bulge makes a picture swell about a place as behind a lens, or shrink with less than nothing: in its
// middle it is 1/(1 - bulge) times as large, at the edge of its reach as it was.
var Bulge = Effect{
	Name: "bulge", Title: "Bulge", Group: Bending, Says: "Swells as behind a lens", Begin: []float64{40},
	Properties: []property.Property{
		{Name: "bulge", Dims: 1, Min: -100, Max: 90, Title: "Bulge", Unit: "%"},
		{Name: "bulgeReach", Dims: 1, Neutral: 100, Min: 5, Max: 400, Title: "Bulge, reach", Unit: "%"},
		{Name: "bulgeAt", Dims: 2, Min: -100, Max: 100, Title: "Bulge, at", Unit: "%", Parts: []string{"right", "down"}},
	},
	Main: 1, Placed: true,
	Reach: func(v Values, b Box) float64 {
		// r (1 - fall(r/R) bulge) is off by at most 0.26 R times the bulge.
		return b.radius(v[1][0]) * 0.26 * max(v[0][0], -v[0][0]) / 100 * 2
	},
	Draw: func(w Work, v Values) *paint.Sheet {
		by, reach := v[0][0]/100, w.Box.radius(v[1][0])
		cx, cy := w.Box.share(v[2])
		return turned(w, w.Far, cx, cy, reach, func(r float64) (cos, sin float64) {
			return 1 - by*fall(r/reach), 0
		})
	},
}
