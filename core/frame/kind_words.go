package frame

import (
	"math"

	"billow/core/clip"
	"billow/core/graph"
	"billow/core/paint"
	"billow/core/words"
)

func init() {
	drawn := drawing{
		measure: func(s *Stage, a *actor) {
			b := s.block(a)
			a.w, a.h = b.W, b.H
			a.ax, a.ay = standing(a.layer.Words, a.w, a.rest.Turn)
			a.cx, a.cy = a.cx-a.ax, a.cy-a.ay
		},
		picture: (*Stage).wording,
	}
	kinds[clip.KindWords], kinds[clip.KindBadge], kinds[clip.KindMarquee] = drawn, drawn, drawn
}

// standing is where words rest, in units from their middle, when they are so wide and turned.
func standing(w *clip.Words, width, turn float64) (x, y float64) {
	sin, cos := math.Sincos(turn * math.Pi / 180)
	by := float64(w.Stands()) * width / 2
	return by * cos, by * sin
}

// spreads is how far words lie beside their middle, in units, when keys space their
// letters: they spread from the edge by which they stand.
func spreads(a *actor, w *clip.Words, now *words.Block) float64 {
	return float64(w.Stands()) * (a.w - now.W) / 2
}

// wording is the picture of words.
func (s *Stage) wording(a *actor, k look, frame float64) *graph.Node {
	at, _, _, _ := s.held(a, frame)
	w := s.wordedAt(a, k, at)
	block := s.blockOf(a, w)
	per := s.raster(a, block.W, block.H)
	key := w.key.Text("words").Nums(per)
	if !k.pen.None() {
		key = key.Nums(k.pen.Width, k.pen.Start, k.pen.End)
	}
	return graph.Source(key, func() *paint.Sheet {
		b, x0, y0 := block.Raster(per, w.ink(k, block))
		x0 += spreads(a, w.words, block)
		return paint.NewSheet(b, x0*per, y0*per, per)
	})
}
