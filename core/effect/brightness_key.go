package effect

import (
	"math"

	"billow/core/paint"
	"billow/core/property"
)

// BrightnessKey takes out what is dark, as the night around a flame, or what is bright, as the paper
// under a pen: by luma (ITU-R BT.601), softly. Of what lies before black the light stays as it is and
// only what hides is taken; before white the white goes out of the mixture.
var BrightnessKey = Effect{
	Name: "brightnessKey",
	Properties: []property.Property{
		{Name: "keyDark", Dims: 1, Max: 100, Title: "Key, darker than", Unit: "%"},
		{Name: "keyBright", Dims: 1, Neutral: 100, Max: 100, Title: "Key, brighter than", Unit: "%"},
		{Name: "keyLightSoft", Dims: 1, Neutral: 30, Max: 100, Title: "Key of light, softness", Unit: "%"},
	},
	Main: 2,
	Draw: func(w Work, v Values) *paint.Sheet {
		out := w.Changeable()
		dark, bright := stays(v)
		for i, p := range out.Picture.Pix {
			a := p >> 24
			if a == 0 {
				continue
			}
			r, g, b := p&255, p>>8&255, p>>16&255
			luma := (77*r + 150*g + 29*b + 128) >> 8
			if a < 255 {
				luma = luma * 255 / a
			}
			luma = min(luma, 255)
			d, br := uint32(dark[luma]), uint32(bright[luma])
			if d&br == 255 {
				continue
			}
			left := (a*d/255*br + 127) / 255
			// Of the mixture with white, white goes: as much as is taken.
			white := (a*(255-br) + 127) / 255
			out.Picture.Pix[i] = min(less(r, white), left) | min(less(g, white), left)<<8 | min(less(b, white), left)<<16 | left<<24
		}
		return out
	},
}

func less(v, by uint32) uint32 { return v - min(v, by) }

// stays is how much stays of what is so bright, because of what is dark and of what is bright.
func stays(v Values) (dark, bright [256]uint8) {
	soft := max(v[2][0]/100, 1.0/255)
	for i := range 256 {
		at := float64(i) / 255
		dark[i], bright[i] = 255, 255
		if v[0][0] > 0 { // from just above the bound on
			dark[i] = uint8(math.Round(255 * min(max((at-v[0][0]/100+soft/2)/soft, 0), 1)))
			if i == 0 {
				dark[i] = 0
			}
		}
		if v[1][0] < 100 {
			bright[i] = uint8(math.Round(255 * min(max((v[1][0]/100+soft/2-at)/soft, 0), 1)))
			if i == 255 {
				bright[i] = 0
			}
		}
	}
	return dark, bright
}
