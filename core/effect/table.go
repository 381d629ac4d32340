package effect

import (
	"math"

	"billow/core/paint"
	"billow/core/property"
)

// Table gives colours what a table of colours says becomes of them, so many percent of it.
var Table = Effect{
	Name: "table", Title: "Table of colours", Group: Colours, Says: "A look from a .cube file", Begin: []float64{100},
	Properties: []property.Property{{Name: "table", Dims: 1, Max: 100, Title: "Table of colours", Unit: "%"}},
	Draw: func(w Work, v Values) *paint.Sheet {
		t := w.Table
		if t == nil {
			return w.Sheet
		}
		out := w.Changeable()
		share := int32(math.Round(256 * v[0][0] / 100))
		var last, became uint32
		pix := out.Picture.Pix
		for i, p := range pix {
			a := p >> 24
			if a == 0 {
				continue
			}
			if p == last { // as in flat pictures most are
				pix[i] = became
				continue
			}
			if a == 255 && share == 256 {
				r, g, b := t.Of(uint8(p), uint8(p>>8), uint8(p>>16))
				last, became = p, uint32(r)|uint32(g)<<8|uint32(b)<<16|0xFF000000
				pix[i] = became
				continue
			}
			own := [3]uint32{p & 255, p >> 8 & 255, p >> 16 & 255}
			if a < 255 {
				for c := range own {
					own[c] = min((own[c]*straightened[a]+1<<15)>>16, 255)
				}
			}
			r, g, b := t.Of(uint8(own[0]), uint8(own[1]), uint8(own[2]))
			mixed := func(from uint32, to uint8) uint32 {
				m := uint32(int32(from) + ((int32(to)-int32(from))*share+128)>>8)
				if a < 255 {
					m = (m*a + 127) / 255
				}
				return m
			}
			last, became = p, mixed(own[0], r)|mixed(own[1], g)<<8|mixed(own[2], b)<<16|a<<24
			pix[i] = became
		}
		return out
	},
}
