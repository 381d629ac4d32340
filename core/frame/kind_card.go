package frame

import (
	"billow/core/clip"
	"billow/core/colour"
	"billow/core/graph"
	"billow/core/paint"
)

func init() {
	kinds[clip.KindCard] = drawing{
		measure: func(s *Stage, a *actor) {
			d := a.layer.Card
			if d.Fills {
				// The card stands still; its rest is where the hole is.
				a.hx, a.hy = a.cx, a.cy
				s.fill(a)
				return
			}
			a.w, a.h = a.rest.Size, a.rest.Size/d.Aspect
			if d.Aspect < 1 {
				a.w, a.h = a.rest.Size*d.Aspect, a.rest.Size
			}
		},
		picture: (*Stage).card,
	}
}

// card draws a plain figure with its hole and outline.
func (s *Stage) card(a *actor, k look, frame float64) *graph.Node {
	f := s.figureAt(a, k, frame)
	key := a.content.Text("card").Nums(f.w, f.h, f.corner, f.per, a.hx, a.hy, f.pen.Width, f.pen.Start, f.pen.End, f.pen.Shift).
		Nums(f.corners[:]...).Nums(f.inner, f.begin, f.sweep).Colour(f.outline)
	key = key.Nums(f.waves.Height, f.waves.Length, f.waves.Shift, f.offset)
	for _, l := range f.lines {
		key = key.Nums(l.width, l.apart).Colour(l.colour)
	}
	for _, s := range f.path {
		key = key.Word(uint64(s.Op)).Nums(s.P[0][0], s.P[0][1], s.P[1][0], s.P[1][1], s.P[2][0], s.P[2][1])
	}
	return graph.Source(f.fill.key(key), f.draw)
}

// Figure is the outline of a figure on a frame of the clip, in units about its middle, and
// its size; nothing for layers that are none.
func (s *Stage) Figure(layer string, frame int) (p paint.Path, w, h float64) {
	a := s.byID[layer]
	if a == nil || a.layer.Card == nil || a.layer.Card.Fills {
		return nil, 0, 0
	}
	env, _ := s.surroundings(a, float64(frame))
	k, _ := s.lookAt(a, env)
	f := s.figureAt(a, k, env.frame)
	return figures[f.form](&f), f.w, f.h
}

// figureAt is a card's figure on a frame of its scene.
func (s *Stage) figureAt(a *actor, k look, frame float64) figure {
	d := a.layer.Card
	at, _, _, _ := s.held(a, frame)
	f := figure{
		form: d.Form, fills: d.Fills, w: a.w, h: a.h, corner: k.edge.corner, corners: a.value(cornersApart, at), points: d.Points,
		inner: a.number(inner, at) / 100, begin: a.number(begin, at), sweep: a.number(sweep, at),
		outline: k.colours[3], pen: a.penAt(k, d.Pen, at), per: s.raster(a, a.w, a.h),
	}
	shrink := a.shrink()
	f.waves = paint.Waves{Height: a.number(wave, at) * shrink, Length: a.number(waveLong, at) * shrink, Shift: a.number(waveShift, at) / 360}
	f.offset = a.number(edgeOffset, at) * shrink
	for _, l := range d.Lines {
		number := func(family string) [4]float64 { return a.named(clip.NumberedName(family, l.ID), at) }
		c := number(clip.LineColour)
		f.lines = append(f.lines, line{
			number(clip.LineWidth)[0] * shrink, number(clip.LineApart)[0] * shrink, colour.FromFloats(c[0], c[1], c[2], c[3]),
		})
	}
	f.open = d.Form == "line"
	if d.Form == "path" {
		f.path, f.open = a.drawnPath(at), !d.Path.Closed
	}
	// By their number every contour of what is hollow has an edge of its own.
	f.hollow, f.pen.Each = d.Hollow, d.Hollow
	f.fill.gradient.Stops = []paint.Stop{{Colour: k.colours[0]}}
	if d.Gradient != nil {
		f.fill = a.shadingAt(d.Gradient, at)
	}
	if d.Hole != nil {
		f.hole = *d.Hole
		f.hole.X, f.hole.Y = a.hx+d.Hole.X*shrink, a.hy+d.Hole.Y*shrink
		f.hole.Size, f.hole.Corner = d.Hole.Size*shrink, d.Hole.Corner*shrink
	}
	return f
}

// penAt is how an outline is drawn on a frame, in units.
func (a *actor) penAt(k look, p *clip.Pen, frame float64) paint.Pen {
	pen := paint.Pen{Width: k.pen.Width, Start: k.pen.Start, End: k.pen.End, Shift: a.number(dashShift, frame)}
	if p != nil {
		shrink := a.shrink()
		pen.Cap = map[string]paint.Cap{"butt": paint.ButtCap, "square": paint.SquareCap}[p.Cap]
		pen.Join = map[string]paint.Join{"miter": paint.MiterJoin, "bevel": paint.BevelJoin}[p.Join]
		pen.Dash, pen.Gap = p.Dash*shrink, p.Gap*shrink
		for _, v := range p.Then {
			pen.Then = append(pen.Then, v*shrink)
		}
	}
	return pen
}

// drawnPath is a path with its points as they are on a frame, in units.
func (a *actor) drawnPath(frame float64) paint.Path {
	d := a.layer.Card.Path
	return course(d, d.Closed, a.w, a.h, func(p *clip.PathPoint) (at, bend [4]float64) {
		if p.ID == 0 {
			return resting(p)
		}
		return a.named(clip.NumberedName(clip.Point, p.ID), frame), a.named(clip.NumberedName(clip.Bend, p.ID), frame)
	})
}
