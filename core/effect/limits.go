package effect

import (
	"billow/core/paint"
	"billow/core/property"
)

// WhiteLimit lets nothing be brighter than so many percent of white. What is brighter than twice that
// less a whole is drawn together towards it, evenly from there on: a knee of a parabola.
var WhiteLimit = Effect{
	Name: "whiteLimit", Title: "White limit", Group: Limits, Says: "Nothing brighter than this", Begin: []float64{90},
	Properties: []property.Property{{Name: "whiteLimit", Dims: 1, Neutral: 100, Min: 50, Max: 100, Title: "White limit", Unit: "%"}},
	Draw: func(w Work, v Values) *paint.Sheet {
		knee := 2*v[0][0]/100 - 1
		return toned(w, every(func(_ int, at float64) float64 {
			if at <= knee {
				return at
			}
			u := at - knee
			return at - u*u/(2*(1-knee))
		}))
	},
}

// SafeLevels keeps each channel, and with them the luma of ITU-R BT.709, between two levels in percent,
// as broadcasters ask for (EBU R 103 tells why): the luma is kept first, and then the colour is made
// paler until it fits, so that it keeps its hue.
var SafeLevels = Effect{
	Name: "safeLevels", Title: "Broadcast-safe levels", Group: Limits, Says: "Colours made paler until a station takes them", Begin: []float64{5},
	Properties: []property.Property{
		{Name: "safeDarkest", Dims: 1, Max: 20, Title: "Safe levels, darkest", Unit: "%"},
		{Name: "safeLightest", Dims: 1, Neutral: 100, Min: 60, Max: 100, Title: "Safe levels, lightest", Unit: "%"},
	},
	Draw: func(w Work, v Values) *paint.Sheet {
		out := w.Changeable()
		low, high := int32(level(v[0][0]/100)), int32(level(v[1][0]/100))
		for i, p := range out.Picture.Pix {
			a := int32(p >> 24)
			if a == 0 {
				continue
			}
			r, g, b := int32(p&255), int32(p>>8&255), int32(p>>16&255)
			low, high := low, high
			if a < 255 {
				low, high = (low*a+127)/255, (high*a+127)/255
			}
			top, least := max(r, g, b), min(r, g, b)
			if top <= high && least >= low {
				continue
			}
			luma := (218*r + 732*g + 74*b + 512) >> 10
			to := min(max(luma, low), high)
			k := int32(256) // 256ths of the colour that are left
			if top > luma {
				k = min(k, (high-to)*256/(top-luma))
			}
			if least < luma {
				k = min(k, (to-low)*256/(luma-least))
			}
			c := func(v int32) uint32 { return uint32(min(max(to+((v-luma)*k+128)>>8, low), high)) }
			out.Picture.Pix[i] = c(r) | c(g)<<8 | c(b)<<16 | uint32(a)<<24
		}
		return out
	},
}
