package words

import (
	"billow/core/clip"
	"billow/core/paint"
)

// plate puts the plate behind the words and widens the block to it.
func (s *setter) plate(b *Block, p *clip.Plate, l laid) {
	size := b.Size
	capsHeight := (l.high - em + s.caps()) * l.k
	room := p.Room / 100 * size
	if p.Kind == "lines" {
		s.plates(b, p, l)
		return
	}
	round := 0.2 * size
	if p.Round != nil {
		round = *p.Round / 100 * size
	}
	w, h := b.W+2.4*room, capsHeight+2*room
	var path paint.Path
	switch p.Kind {
	case "card":
		path = paint.RoundRect(w, h, round)
	case "pill":
		path = paint.RoundRect(w, h, h/2)
	default:
		// Around the corners of the words, but words are seldom square: three
		// quarters of the way from their longer side to their diagonal.
		side := max(b.W, capsHeight)
		d := side + 0.5*min(b.W, capsHeight) + 2*room
		if p.Size > 0 {
			d = p.Size / 100 * size
		}
		w, h = d, d
		path = paint.RoundRect(d, d, d/2)
		if p.Kind == "burst" {
			path = paint.Burst(d/2*1.1, 18)
			w, h = d*1.1, d*1.1
		}
	}
	b.W, b.H = max(b.W, w), max(b.H, h)
	if p.Kind == "pill" || p.Kind == "card" {
		b.H = h
	}
	b.behind([]Shape{{Path: path, Fill: p.Fill}})
}

// plates puts a card behind each line. Those of lines that are close are as high as half the
// way to each other at least, so that no gap is left between them.
func (s *setter) plates(b *Block, p *clip.Plate, l laid) {
	var cards []Shape
	round := 0.12
	if p.Round != nil {
		round = *p.Round / 100
	}
	caps := s.caps()
	for i := range l.lines {
		if l.widths[i] <= 0 {
			continue
		}
		at := l.places[i]
		tall := em * at.high // of its letters, in units of the place once k is taken
		room := p.Room / 100 * tall
		hang := l.hangs[i][0]
		own := l.widths[i] * l.k / at.k
		high := caps*at.high + 2*room
		card := paint.RoundRect(own+2.4*room, high, min(round*tall, high/2))
		x, y := at.x+hang+own/2, at.y-caps*at.high/2
		cards = append(cards, Shape{Path: card.Transformed(paint.Translate(x, y)).Transformed(paint.Scale(at.k, at.k)), Fill: p.Fill, Line: i})
	}
	box := [4]float64{-b.W / 2, -b.H / 2, b.W / 2, b.H / 2}
	for _, c := range cards {
		own := c.Path.Bounds()
		box = [4]float64{min(box[0], own[0]), min(box[1], own[1]), max(box[2], own[2]), max(box[3], own[3])}
	}
	b.W, b.H = 2*max(-box[0], box[2]), 2*max(-box[1], box[3])
	b.behind(cards)
}

// behind puts shapes behind all others.
func (b *Block) behind(shapes []Shape) {
	b.Shapes = append(shapes, b.Shapes...)
	for i := range b.Glyphs {
		b.Glyphs[i].Shape += len(shapes)
	}
}
