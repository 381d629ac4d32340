package effect

import (
	"math"

	"billow/core/paint"
	"billow/core/property"
)

// Duotone draws a picture in two colours: one for what is dark and one for what is light, by luma
// (ITU-R BT.709).
var Duotone = Effect{
	Name: "duotone", Title: "Two colours", Group: Colours, Says: "Dark in one colour, light in another", Begin: []float64{100},
	Properties: []property.Property{
		{Name: "duotone", Dims: 1, Max: 100, Title: "Two colours", Unit: "%"},
		{Name: "duotoneDark", Dims: 4, Max: 255, Colour: true, Title: "Colour of the dark", Usual: []float64{23, 63, 71, 255}},
		{Name: "duotoneLight", Dims: 4, Max: 255, Colour: true, Title: "Colour of the light", Usual: []float64{252, 250, 245, 255}},
	},
	Main: 1,
	Draw: func(w Work, v Values) *paint.Sheet {
		out := w.Changeable()
		var in [256]uint32 // the colour of each luma
		for i := range in {
			k := float64(i) / 255
			for c := range 3 {
				in[i] |= uint32(math.Round(v[1][c]+(v[2][c]-v[1][c])*k)) << (8 * c)
			}
		}
		share := uint32(math.Round(256 * min(max(v[0][0]/100, 0), 1)))
		pix := out.Picture.Pix
		for i, p := range pix {
			a := p >> 24
			if a == 0 {
				continue
			}
			luma := (54*(p&255) + 183*(p>>8&255) + 19*(p>>16&255) + 128) >> 8
			if a < 255 {
				luma = min((luma*straightened[a]+1<<15)>>16, 255)
			}
			q := in[luma]
			if a == 255 && share == 256 {
				pix[i] = q | 0xFF000000
				continue
			}
			mix := func(s uint32) uint32 {
				to := (q>>s&255*a + 127) / 255
				return min(((p>>s&255)*(256-share)+to*share+128)>>8, a) << s
			}
			pix[i] = mix(0) | mix(8) | mix(16) | a<<24
		}
		return out
	},
}
