package frame

import (
	"math"

	"billow/core/clip"
	"billow/core/graph"
	"billow/core/paint"
)

func init() { kinds[clip.KindPattern] = drawing{picture: (*Stage).pattern} }

// pattern is a grid of figures over the frame and a little beyond it, one of them
// in the middle.
func (s *Stage) pattern(a *actor, k look, _ float64) *graph.Node {
	p, fill := a.layer.Pattern, k.colours[0]
	per := s.raster(a, a.w, a.h)
	return graph.Source(a.content.Text("pattern").Nums(a.w, a.h, per).Colour(fill), func() *paint.Sheet {
		b := paint.NewBitmap(int(math.Ceil(a.w*per)), int(math.Ceil(a.h*per)))
		side := p.Apart * p.Size / 100
		figure := figureOf(p.Form, side)
		var all paint.Path
		rows, columns := int(a.h/p.Apart/2)+1, int(a.w/p.Apart/2)+2
		for y := -rows; y <= rows; y++ {
			shift := 0.0
			if y&1 != 0 {
				shift = p.Apart * p.Shift / 100
			}
			for x := -columns; x <= columns; x++ {
				all = append(all, figure.Transformed(paint.Translate(float64(x)*p.Apart+shift+a.w/2, float64(y)*p.Apart+a.h/2).Then(paint.Scale(per, per)))...)
			}
		}
		b.FillPath(all, fill)
		return paint.NewSheet(b, -a.w/2*per, -a.h/2*per, per)
	})
}

// figureOf is a figure so large about the origin.
func figureOf(form string, side float64) paint.Path {
	switch form {
	case "card":
		return paint.RoundRect(side, side, side*0.15)
	case "burst":
		return paint.Burst(side/2, 8)
	case "cross":
		third := side / 3
		return append(paint.RoundRect(side, third, third/4), paint.RoundRect(third, side, third/4)...)
	}
	return paint.Ellipse(side, side)
}
