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
	Name: "saturation", Title: "Saturation", Group: Colours, Says: "Stronger or paler colours", Begin: []float64{120},
	Properties: []property.Property{{Name: "saturation", Dims: 1, Neutral: 100, Max: 300, Title: "Saturation", Unit: "%"}},
	Draw: func(w Work, v Values) *paint.Sheet {
		out := w.Changeable()
		share := int32(math.Round(v[0][0] / 100 * 256))
		pix := out.Picture.Pix
		for i, p := range pix {
			if p != 0 {
				pix[i] = fromGrey(p, share)
			}
		}
		return out
	},
}
