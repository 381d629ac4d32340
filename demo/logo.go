package demo

import (
	"image"

	"billow/core/clip"
	"billow/core/colour"
	"billow/core/paint"
	"billow/core/words"
	"billow/fonts"
)

// logo is Ottermoss's mark and name: two leaves over a wave, 1200 px wide.
func logo() image.Image {
	ink := colour.RGB(0x173F47)
	b := paint.NewBitmap(1240, 420)
	leaf := paint.Path{
		{Op: 'M', P: [3][2]float64{{0, 0}}},
		{Op: 'C', P: [3][2]float64{{-78, -62}, {-70, -160}, {0, -210}}},
		{Op: 'C', P: [3][2]float64{{70, -160}, {78, -62}, {0, 0}}},
	}
	m := paint.Rotate(-28).Then(paint.Translate(150, 285))
	b.FillPath(leaf.Transformed(m), colour.RGB(0x2C7A68))
	b.FillPath(leaf.Transformed(paint.Rotate(30).Then(paint.Scale(0.8, 0.8)).Then(paint.Translate(188, 285))), colour.RGB(0x6FA58C))
	wave := paint.Path{
		{Op: 'M', P: [3][2]float64{{40, 318}}},
		{Op: 'C', P: [3][2]float64{{90, 280}, {130, 280}, {170, 310}}},
		{Op: 'C', P: [3][2]float64{{210, 340}, {250, 340}, {296, 306}}},
		{Op: 'L', P: [3][2]float64{{296, 336}}},
		{Op: 'C', P: [3][2]float64{{250, 372}, {205, 372}, {165, 342}}},
		{Op: 'C', P: [3][2]float64{{128, 314}, {94, 314}, {40, 350}}},
	}
	b.FillPath(wave, ink)
	set := words.Set(fonts.All(), &clip.Words{
		Text: "Ottermoss", Font: "fraunces-600", Fill: ink, EmphasisFill: ink, Align: "left", LineSpacing: 100,
	}, nil, words.Setting{Size: 158})
	m = paint.Translate(340+set.W/2, 232)
	for _, s := range set.Shapes {
		b.FillPath(s.Path.Transformed(m), s.Fill)
	}
	// Straight alpha for the file.
	out := image.NewNRGBA(image.Rect(0, 0, b.W, b.H))
	for y := range b.H {
		for x := range b.W {
			out.Set(x, y, b.Image().At(x, y))
		}
	}
	return out
}
