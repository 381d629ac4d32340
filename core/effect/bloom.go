package effect

import (
	"image"
	"math"

	"billow/core/paint"
	"billow/core/property"
)

// Bloom lets what is brighter than a level, in percent of white, shine into what is around it: so much
// of it, softened by a standard deviation in units, is added as light.
var Bloom = Effect{
	Name: "bloom", Title: "Bloom", Group: Lighting, Says: "Bright places shine", Begin: []float64{70},
	Properties: []property.Property{
		{Name: "bloom", Dims: 1, Max: 200, Title: "Bloom", Unit: "%"},
		{Name: "bloomSoftness", Dims: 1, Neutral: 24, Min: 1, Max: 200, Title: "Bloom, softness"},
		{Name: "bloomFrom", Dims: 1, Neutral: 60, Max: 99, Title: "Bloom, from", Unit: "%"},
	},
	Main:    1,
	Reach:   func(v Values, _ Box) float64 { return SoftReach(v[1][0]) },
	Rounded: func(v Values) Values { return Values{v[0], {Soft(v[1][0])}, v[2]} },
	Draw: func(w Work, v Values) *paint.Sheet {
		s, octaves, sigma := ForBlur(w.Sheet, v[1][0]*w.Unit)
		bright := w.Pool.Get(s.Picture.W, s.Picture.H)
		// Bright is what has much of any channel, of which there is as much as there is of it.
		var share [256]uint32
		from := uint32(v[2][0] / 100 * 255 * 256)
		for i := range share {
			if top := uint32(i) << 8; top > from {
				k := (top - from) << 8 / (0xFF00 - from) // 256ths
				share[i] = k * 256 / max(top>>8+1, k)
			}
		}
		for i, p := range s.Picture.Pix {
			if of := share[max(p&255, p>>8&255, p>>16&255)]; of > 0 {
				bright.Pix[i] = paint.Thinned(p, of)
			}
		}
		margin := int(math.Ceil(3*sigma)) + 1
		soft := bright.Blurred(sigma, margin, w.Pool)
		w.Pool.Put(bright)
		defer w.Pool.Put(soft)
		by := margin << octaves
		return w.grown(by, func(out *paint.Bitmap, dx, dy float64) {
			light := soft.Enlarging(octaves, dx+float64(by), dy+float64(by))
			for left := v[0][0]; left > 0; left -= 100 {
				out.Lit(light, uint64(math.Round(256*min(left, 100)/100)))
			}
		})
	},
}

// grown is the picture with a margin, in pixels, as far as it is needed, changed by a function: what
// lies at (dx, dy) of the picture is the first of its pixels.
func (w Work) grown(margin int, change func(out *paint.Bitmap, dx, dy float64)) *paint.Sheet {
	in, room := w.Picture, w.within(margin)
	dx, dy := float64(room.Min.X), float64(room.Min.Y)
	if w.Mine && room == image.Rect(0, 0, in.W, in.H) {
		change(in, 0, 0)
		return paint.NewSheet(in, w.X, w.Y, w.Per)
	}
	out := w.Pool.Get(room.Dx(), room.Dy())
	out.Put(in, -room.Min.X, -room.Min.Y)
	change(out, dx, dy)
	w.Done()
	return paint.NewSheet(out, w.X+dx, w.Y+dy, w.Per)
}
