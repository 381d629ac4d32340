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
	Name: "innerShadow",
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
		b := out.Levels[0]
		sin, cos := math.Sincos(v[1][0] * math.Pi / 180)
		unit := w.Unit * out.Per
		dx, dy := int(math.Round(v[2][0]*sin*unit)), int(math.Round(-v[2][0]*cos*unit))
		sigma := v[3][0] * unit
		// What is around it is as opaque as it is clear.
		margin := int(math.Ceil(3*sigma)) + 1
		around := paint.AlphaMask(b, margin)
		for i, a := range around.Pix {
			around.Pix[i] = 255 - a
		}
		around.Blur(sigma)
		cover := func(x, y int) float64 {
			x, y = x-dx+margin, y-dy+margin
			if x < 0 || y < 0 || x >= around.W || y >= around.H {
				return 255
			}
			return float64(around.Pix[y*around.W+x])
		}
		for y := range b.H {
			row := b.Pix[y*b.W : (y+1)*b.W]
			for x, p := range row {
				if p == 0 {
					continue
				}
				left := uint32(256 - 256*strength*cover(x, y)/255 + 0.5)
				to := func(c uint32) uint32 { return c * left >> 8 }
				row[x] = to(p&255) | to(p>>8&255)<<8 | to(p>>16&255)<<16 | p&0xFF000000
			}
		}
		return out
	},
}
