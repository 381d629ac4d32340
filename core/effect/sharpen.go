package effect

import (
	"math"

	"billow/core/paint"
	"billow/core/property"
)

// Sharpen makes edges stronger: what a blur of a radius in units would take away is added once more,
// so many percent of it.
var Sharpen = Effect{
	Name: "sharpen", Title: "Sharpen", Group: Blurring, Says: "Edges stronger", Begin: []float64{60},
	Properties: []property.Property{
		{Name: "sharpen", Dims: 1, Max: 300, Title: "Sharpen", Unit: "%"},
		{Name: "sharpenRadius", Dims: 1, Neutral: 1.5, Min: 0.3, Max: 20, Title: "Sharpen, radius"},
	},
	Main: 1,
	Draw: func(w Work, v Values) *paint.Sheet {
		out := w.Changeable()
		s, octaves, sigma := ForBlur(out, max(v[1][0]*w.Unit, 0.4/out.Per))
		share := int32(math.Round(v[0][0] / 100 * 256))
		b := out.Picture
		if octaves == 0 {
			// What is blurred are rows that were read, so each can be changed once it is given.
			b.BlurredRows(sigma, 0, func(y int, soft []uint32) { stronger(b.Pix[y*b.W:][:b.W], soft, share) })
			return out
		}
		margin := int(math.Ceil(3*sigma)) + 1
		blurred := s.Picture.Blurred(sigma, margin, w.Pool)
		rows := blurred.Enlarging(octaves, float64(margin<<octaves), float64(margin<<octaves))
		soft := make([]uint32, b.W)
		for y := range b.H {
			rows(y, soft)
			stronger(b.Pix[y*b.W:][:b.W], soft, share)
		}
		w.Pool.Put(blurred)
		return out
	},
}

// stronger makes the edges in a row stronger, by a share in 256ths: what sets it off from what is
// softer. Compared are colours, not how much of them is there: an edge of the picture is none in it.
func stronger(row, soft []uint32, share int32) {
	soft = soft[:len(row)]
	for i, p := range row {
		q := soft[i]
		if p == q || p == 0 {
			continue
		}
		a := int32(p >> 24)
		if k := int32(q >> 24); k != a && k > 0 {
			as := func(at uint) uint32 { return uint32((int32(q>>at&255)*a+k/2)/k) << at }
			q = as(0) | as(8) | as(16)
		}
		r, g, b := int32(p&255), int32(p>>8&255), int32(p>>16&255)
		r += ((r-int32(q&255))*share + 128) >> 8
		g += ((g-int32(q>>8&255))*share + 128) >> 8
		b += ((b-int32(q>>16&255))*share + 128) >> 8
		row[i] = within(r, g, b, a)
	}
}
