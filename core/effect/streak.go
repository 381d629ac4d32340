package effect

import (
	"math"

	"billow/core/paint"
	"billow/core/property"
)

// Streak draws a picture out along a line, as what moves while a shutter is open: so many units, in a
// direction (0 up, 90 right).
var Streak = Effect{
	Name: "streak", Title: "Blur along a line", Group: Blurring, Says: "As what rushes by", Begin: []float64{60},
	Properties: []property.Property{
		{Name: "streak", Dims: 1, Max: 1000, Title: "Blur along a line"},
		{Name: "streakAngle", Dims: 1, Neutral: 90, Min: -3600, Max: 3600, Title: "Blur along a line, direction", Unit: "°"},
	},
	Main: 1, Placed: true,
	Reach: func(v Values, _ Box) float64 { return v[0][0]/2 + 4 },
	Draw: func(w Work, v Values) *paint.Sheet {
		sin, cos := math.Sincos(radians(v[1][0]))
		to, _ := w.pixels()
		dx, dy := (to.A*sin-to.C*cos)*v[0][0], (to.B*sin-to.D*cos)*v[0][0]
		passes := paint.Passes(max(math.Abs(dx), math.Abs(dy)))
		if passes == 0 {
			return w.Sheet
		}
		n := math.Ldexp(1, passes)
		out, x, y := w.Picture.Streaked(dx/n, dy/n, passes, w.Pool)
		w.Done()
		half := 0.5 - 0.5/n
		return paint.NewSheet(out, w.X-float64(x)-dx*half, w.Y-float64(y)-dy*half, w.Per)
	},
}
