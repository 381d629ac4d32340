package effect

import (
	"math"

	"billow/core/paint"
	"billow/core/property"
)

// InnerShadow is the shadow that a picture's own edge casts into it, as if it lay
// deeper than what is around it: how dark, where it falls (0 up, 90 right), how far and
// how softly, in units.
var InnerShadow = Effect{
	Name: "innerShadow",
	Properties: []property.Property{
		{Name: "innerShadow", Dims: 1, Max: 100, Title: "Inner shadow", Unit: "%"},
		{Name: "innerDirection", Dims: 1, Neutral: 145, Min: -3600, Max: 3600, Title: "Inner shadow, falls towards", Unit: "°"},
		{Name: "innerDistance", Dims: 1, Neutral: 12, Max: 300, Title: "Inner shadow, distance"},
		{Name: "innerSoftness", Dims: 1, Neutral: 10, Max: 200, Title: "Inner shadow, softness"},
	},
	Rounded: func(v Values) Values { return Values{v[0], v[1], v[2], {Soft(v[3][0])}} },
	Draw: func(w Work, v Values) *paint.Sheet {
		out := w.Changeable()
		strength := min(max(v[0][0]/100, 0), 1)
		if strength == 0 {
			return out
		}
		b := out.Picture
		sin, cos := math.Sincos(v[1][0] * math.Pi / 180)
		unit := w.Unit * out.Per
		covers := around(w.Sheet, v[3][0]*w.Unit, -v[2][0]*sin*unit, v[2][0]*cos*unit)
		dark := uint32(math.Round(256 * strength))
		for y := range b.H {
			row, cover := b.Pix[y*b.W:(y+1)*b.W], covers.Pix[y*b.W:(y+1)*b.W]
			for x, p := range row {
				if c := uint32(cover[x]); p != 0 && c != 0 {
					row[x] = paint.Darkened(p, (dark*c+127)/255)
				}
			}
		}
		return out
	},
}

// around is how much of what is around a picture, softened, covers each of its pixels when
// seen so many pixels aside. sigma is in units of its space.
func around(in *paint.Sheet, sigma, dx, dy float64) *paint.Mask {
	b, s := in.Picture, ForBlur(in, sigma)
	octaves := 0
	for per := in.Per; per > 1.5*s.Per; per /= 2 {
		octaves++
	}
	// What is around it is as opaque as it is clear, for as far as is asked.
	reach := int(math.Ceil(3*sigma*s.Per)) + 1
	margin := reach + int(max(math.Abs(dx), math.Abs(dy)))>>octaves
	m := paint.AlphaMask(s.Picture, margin)
	m.Invert()
	m.Blur(sigma * s.Per)
	by := float64(margin << octaves)
	return m.Enlarged(octaves, dx+by, dy+by, b.W, b.H)
}
