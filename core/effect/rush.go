package effect

import (
	"math"

	"billow/core/alike"
	"billow/core/paint"
	"billow/core/property"
)

// Rush draws a picture out from a place, as if it rushed at whoever looks: what lies at its edge by so
// many percent of its way from there.
var Rush = Effect{
	Name: "rush", Title: "Zoom blur", Group: Blurring, Says: "Rushes out of the middle", Begin: []float64{20},
	Properties: []property.Property{
		{Name: "rush", Dims: 1, Max: 100, Title: "Zoom blur", Unit: "%"},
		{Name: "rushAt", Dims: 2, Min: -100, Max: 100, Title: "Zoom blur, at", Unit: "%", Parts: []string{"right", "down"}},
	},
	Main: 1, Placed: true,
	Reach: func(v Values, b Box) float64 {
		x, y := b.share(v[1])
		return max(b.W/2+math.Abs(x), b.H/2+math.Abs(y)) * v[0][0] / 100
	},
	Draw: func(w Work, v Values) *paint.Sheet {
		to, _ := w.pixels()
		x, y := to.Apply(w.Box.share(v[1]))
		room := w.room(w.Far)
		in := w.Pool.Get(room.Dx(), room.Dy())
		in.Put(w.Picture, -room.Min.X, -room.Min.Y)
		w.Done()
		s := paint.NewSheet(in, w.X+float64(room.Min.X), w.Y+float64(room.Min.Y), w.Per)
		x, y = x-float64(room.Min.X), y-float64(room.Min.Y)
		most := 1 + v[0][0]/100
		long := (most - 1) * float64(max(in.W, in.H)) / 2
		if long > 40 { // nothing that fine is left but in the very middle
			s = s.Coarser()
			x, y, long = x/2, y/2, long/2
		}
		passes := paint.Passes(long)
		out := s.Picture.Rushed(x, y, alike.Exp(alike.Log(most)/math.Ldexp(1, passes)), passes, w.Pool)
		w.Pool.Put(in)
		return paint.NewSheet(out, s.X, s.Y, s.Per)
	},
}
