package frame

import (
	"billow/core/clip"
	"billow/core/colour"
	"billow/core/paint"
	"billow/core/words"
)

type cardKey struct {
	form          string
	fills         bool
	w, h, corner  float64
	hole          clip.Hole
	fill, outline colour.Colour
	pen           words.Pen
	per           float64
}

// card draws a plain figure with its hole and outline.
func (s *Stage) card(a *actor, k look) *sprite {
	d := a.layer.Card
	key := cardKey{
		form: d.Form, fills: d.Fills, w: a.w, h: a.h, corner: k.edge.corner, fill: k.colours[0], outline: k.colours[3],
		pen: k.pen, per: s.raster(a, a.w, a.h),
	}
	if d.Hole != nil {
		shrink := a.rest.Size / a.layer.Rest.Size
		key.hole = *d.Hole
		key.hole.X, key.hole.Y = a.hx+d.Hole.X*shrink, a.hy+d.Hole.Y*shrink
		key.hole.Size, key.hole.Corner = d.Hole.Size*shrink, d.Hole.Corner*shrink
	}
	return cached(s.lib, key, spriteBytes, key.draw)
}

func (k cardKey) path() paint.Path {
	switch k.form {
	case "disc":
		return paint.Ellipse(k.w, k.h)
	case "burst":
		side := max(k.w, k.h)
		return paint.Burst(side/2, 18).Transformed(paint.Scale(k.w/side, k.h/side))
	case "line":
		return paint.Line(-k.w/2, 0, k.w/2, 0)
	}
	return paint.RoundRect(k.w, k.h, k.corner)
}

func holePath(h clip.Hole) paint.Path {
	path := paint.Ellipse(h.Size, h.Size/h.Aspect)
	if h.Form == "card" {
		path = paint.RoundRect(h.Size, h.Size/h.Aspect, h.Corner)
	}
	return path.Transformed(paint.Translate(h.X, h.Y)).Reversed()
}

func (k cardKey) draw() *sprite {
	path := k.path()
	if k.hole.Size > 0 && k.form != "line" {
		path = append(path, holePath(k.hole)...)
	}
	margin := 2/k.per + k.pen.Width/2
	x0, y0 := -k.w/2-margin, -k.h/2-margin
	if k.form == "line" {
		y0 = -margin
		k.h = 0
	}
	b := paint.NewBitmap(int((k.w+2*margin)*k.per)+1, int((k.h+2*margin)*k.per)+1)
	m := paint.Translate(-x0, -y0).Then(paint.Scale(k.per, k.per))
	path = path.Transformed(m)
	if k.form != "line" {
		b.FillPath(path, k.fill)
	}
	if k.fills { // only the window has an edge that can be seen
		path = nil
		if k.hole.Size > 0 {
			path = holePath(k.hole).Transformed(m)
		}
	}
	if !k.pen.None() {
		b.FillPath(path.Stroked(k.pen.Width*k.per, k.pen.Start, k.pen.End, 0.1), k.outline)
	}
	return &sprite{paint.NewPyramid(b), x0, y0, k.per, k}
}
