package effect

import (
	"billow/core/paint"
	"billow/core/property"
)

// Sharpen makes edges stronger: what a blur of a radius in units would take away is added once more,
// so many percent of it.
var Sharpen = Effect{
	Name: "sharpen",
	Properties: []property.Property{
		{Name: "sharpen", Dims: 1, Max: 300, Title: "Sharpen", Unit: "%"},
		{Name: "sharpenRadius", Dims: 1, Neutral: 1.5, Min: 0.3, Max: 20, Title: "Sharpen, radius"},
	},
	Main: 1,
	Draw: func(w Work, v Values) *paint.Sheet {
		out := w.Changeable()
		b := out.Picture
		soft := b.Blurred(max(v[1][0]*w.Unit*out.Per, 0.4), 0)
		share := int32(v[0][0] / 100 * 256)
		for i, p := range b.Pix {
			q := soft.Pix[i]
			if p == 0 || p == q {
				continue
			}
			// Compared are colours, not how much of them is there: an edge of the picture is none in it.
			a, k := int32(p>>24), int32(q>>24)
			edge := func(s uint32) uint32 {
				v, o := int32(p>>s&255), int32(q>>s&255)
				if k != a && k > 0 {
					o = (o*a + k/2) / k
				}
				return uint32(min(max(v+((v-o)*share+128)>>8, 0), a)) << s
			}
			b.Pix[i] = edge(0) | edge(8) | edge(16) | uint32(a)<<24
		}
		return out
	},
}
