package frame

import (
	"billow/core/clip"
	"billow/core/graph"
	"billow/core/paint"
)

func init() { kinds[clip.KindPattern] = drawing{picture: (*Stage).pattern} }

// pattern is the grid of figures as a whole, over the frame and a little beyond it, for what
// changes it as a whole.
func (s *Stage) pattern(a *actor, k look, frame float64) *graph.Node {
	g, _ := s.gridAt(a, frame)
	per := s.raster(a, a.w, a.h)
	key := a.content.Text("pattern").Nums(a.w, a.h, per, g.dx, g.aside, g.moved[0], g.moved[1], g.turn, g.size).Colour(k.colours[0])
	return graph.Source(key, func() *paint.Sheet {
		b := paint.NewBitmap(int(a.w*per)+1, int(a.h*per)+1)
		figure := figureOf(a.layer.Pattern.Form, g.dx)
		to := paint.Translate(a.w/2, a.h/2).Then(paint.Scale(per, per))
		var all paint.Path
		for _, c := range g.copies([4]float64{-a.w / 2, -a.h / 2, a.w / 2, a.h / 2}, g.dx) {
			all = append(all, figure.Transformed(c.m.Then(to))...)
		}
		b.FillPath(all, k.colours[0])
		return paint.NewSheet(b, -a.w/2*per, -a.h/2*per, per)
	})
}

// patternFigure is one figure of a pattern, as large as all are on a frame.
func (s *Stage) patternFigure(a *actor, k look, frame float64) *graph.Node {
	g, _ := s.gridAt(a, frame)
	side := g.dx * g.size
	per := s.raster(a, side, side)
	key := a.content.Text("figure of a pattern").Nums(side, per).Colour(k.colours[0])
	return graph.Source(key, func() *paint.Sheet {
		n := int(side*per) + 4
		b := paint.NewBitmap(n, n)
		b.FillPath(figureOf(a.layer.Pattern.Form, side*per).Transformed(paint.Translate(float64(n)/2, float64(n)/2)), k.colours[0])
		return paint.NewSheet(b, -float64(n)/2, -float64(n)/2, per)
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
