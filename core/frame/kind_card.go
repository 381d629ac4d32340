package frame

import (
	"billow/core/clip"
	"billow/core/colour"
	"billow/core/graph"
	"billow/core/paint"
	"billow/core/words"
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

// figure is a card at its size.
type figure struct {
	form          string
	fills         bool
	w, h, corner  float64
	hole          clip.Hole
	fill, outline colour.Colour
	pen           words.Pen
	per           float64 // pixels a unit
}

// card draws a plain figure with its hole and outline.
func (s *Stage) card(a *actor, k look, _ float64) *graph.Node {
	d := a.layer.Card
	f := figure{
		form: d.Form, fills: d.Fills, w: a.w, h: a.h, corner: k.edge.corner, fill: k.colours[0], outline: k.colours[3],
		pen: k.pen, per: s.raster(a, a.w, a.h),
	}
	if d.Hole != nil {
		shrink := a.rest.Size / a.layer.Rest.Size
		f.hole = *d.Hole
		f.hole.X, f.hole.Y = a.hx+d.Hole.X*shrink, a.hy+d.Hole.Y*shrink
		f.hole.Size, f.hole.Corner = d.Hole.Size*shrink, d.Hole.Corner*shrink
	}
	key := a.content.Text("card").Nums(f.w, f.h, f.corner, f.per, a.hx, a.hy, f.pen.Width, f.pen.Start, f.pen.End).
		Colour(f.fill).Colour(f.outline)
	return graph.Source(key, f.draw)
}

func (f figure) path() paint.Path {
	switch f.form {
	case "disc":
		return paint.Ellipse(f.w, f.h)
	case "burst":
		side := max(f.w, f.h)
		return paint.Burst(side/2, 18).Transformed(paint.Scale(f.w/side, f.h/side))
	case "line":
		return paint.Line(-f.w/2, 0, f.w/2, 0)
	}
	return paint.RoundRect(f.w, f.h, f.corner)
}

func holePath(h clip.Hole) paint.Path {
	path := paint.Ellipse(h.Size, h.Size/h.Aspect)
	if h.Form == "card" {
		path = paint.RoundRect(h.Size, h.Size/h.Aspect, h.Corner)
	}
	return path.Transformed(paint.Translate(h.X, h.Y)).Reversed()
}

func (f figure) draw() *paint.Sheet {
	path := f.path()
	if f.hole.Size > 0 && f.form != "line" {
		path = append(path, holePath(f.hole)...)
	}
	margin := 2/f.per + f.pen.Width/2
	x0, y0 := -f.w/2-margin, -f.h/2-margin
	if f.form == "line" {
		y0 = -margin
		f.h = 0
	}
	b := paint.NewBitmap(int((f.w+2*margin)*f.per)+1, int((f.h+2*margin)*f.per)+1)
	m := paint.Translate(-x0, -y0).Then(paint.Scale(f.per, f.per))
	path = path.Transformed(m)
	if f.form != "line" {
		b.FillPath(path, f.fill)
	}
	if f.fills { // only the window has an edge that can be seen
		path = nil
		if f.hole.Size > 0 {
			path = holePath(f.hole).Transformed(m)
		}
	}
	if !f.pen.None() {
		b.FillPath(path.Stroked(f.pen.Width*f.per, f.pen.Start, f.pen.End, 0.1), f.outline)
	}
	return paint.NewSheet(b, x0*f.per, y0*f.per, f.per)
}
