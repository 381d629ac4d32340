package effect

import (
	"math"

	"billow/core/paint"
	"billow/core/property"
)

// Vibrance makes pale colours stronger and leaves strong ones nearly as they are: a saturation of
// which each pixel gets the less the stronger its colour is.
var Vibrance = Effect{
	Name:       "vibrance",
	Properties: []property.Property{{Name: "vibrance", Dims: 1, Min: -100, Max: 100, Title: "Vibrance", Unit: "%"}},
	Draw: func(w Work, v Values) *paint.Sheet {
		out := w.Changeable()
		// By how strong a colour is, 255ths, how much farther it goes from its grey, 256ths.
		var share [256]int32
		for i := range share {
			pale := 1 - float64(i)/255
			share[i] = int32(math.Round(256 * (1 + v[0][0]/100*pale*pale)))
		}
		pix := out.Picture.Pix
		for i, p := range pix {
			if p == 0 {
				continue
			}
			r, g, b, a := int32(p&255), int32(p>>8&255), int32(p>>16&255), int32(p>>24)
			strong := max(r, g, b) - min(r, g, b)
			if strong == 0 {
				continue
			}
			if a < 255 {
				strong = strong * 255 / a
			}
			k, grey := share[min(strong, 255)], (213*r+715*g+72*b)*256/1000
			to := func(c int32) uint32 { return uint32(min(max((256*grey+k*(256*c-grey)+1<<15)>>16, 0), a)) }
			pix[i] = to(r) | to(g)<<8 | to(b)<<16 | uint32(a)<<24
		}
		return out
	},
}
