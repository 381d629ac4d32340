package effect

import (
	"math"

	"billow/core/paint"
	"billow/core/property"
)

// Saturation makes colours stronger or weaker: nothing leaves a grey picture. It
// is saturate() of W3C Filter Effects Level 1: each channel moves away from the
// pixel's luminance, or towards it.
var Saturation = Effect{
	Name:       "saturation",
	Properties: []property.Property{{Name: "saturation", Dims: 1, Neutral: 100, Max: 300, Title: "Saturation", Unit: "%"}},
	Draw: func(w Work, v Values) *paint.Sheet {
		out := w.Changeable()
		share := int32(math.Round(v[0][0] / 100 * 256))
		pix := out.Picture.Pix
		for i, p := range pix {
			if p == 0 {
				continue
			}
			r, g, b, a := int32(p&255), int32(p>>8&255), int32(p>>16&255), int32(p>>24)
			// Premultiplied channels have a premultiplied luminance.
			grey := (213*r + 715*g + 72*b) * 256 / 1000 // in 256ths
			to := func(c int32) uint32 { return uint32(min(max((256*grey+share*(256*c-grey)+1<<15)>>16, 0), a)) }
			pix[i] = to(r) | to(g)<<8 | to(b)<<16 | uint32(a)<<24
		}
		return out
	},
}
