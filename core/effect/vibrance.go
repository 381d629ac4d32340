package effect

import (
	"math"

	"billow/core/paint"
	"billow/core/property"
)

// Vibrance makes pale colours stronger and leaves strong ones nearly as they are: a saturation of
// which each pixel gets the less the stronger its colour is.
var Vibrance = Effect{
	Name: "vibrance", Title: "Vibrance", Group: Colours, Says: "Pale colours stronger", Begin: []float64{30},
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
			pix[i] = fromGrey(p, share[min(strong, 255)])
		}
		return out
	},
}
