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

// figure is a card at its size.
type figure struct {
	form         string
	fills        bool
	w, h         float64
	corner       float64
	corners      [4]float64
	points       int
	inner        float64 // a share
	begin, sweep float64 // degrees
	hole         clip.Hole
	fill         shading
	outline      colour.Colour
	pen          paint.Pen
	path         paint.Path // of one drawn by hand
	open         bool       // it is a line alone
	waves        paint.Waves
	per          float64 // pixels a unit
}

// figures are the paths of the forms of cards.
var figures = map[string]func(f *figure) paint.Path{
	"card": func(f *figure) paint.Path {
		each := f.corners
		for i := range each {
			each[i] += f.corner
		}
		if each == [4]float64{f.corner, f.corner, f.corner, f.corner} {
			return paint.RoundRect(f.w, f.h, f.corner)
		}
		return paint.Corners(f.w, f.h, each)
	},
	"disc": func(f *figure) paint.Path { return paint.Ellipse(f.w, f.h) },
	"ring": func(f *figure) paint.Path {
		return paint.Ring(f.w, f.h, f.inner, f.begin, f.sweep).Rounded(f.corner)
	},
	"polygon": func(f *figure) paint.Path { return f.star(6, 1) },
	"star":    func(f *figure) paint.Path { return f.star(5, f.inner) },
	"burst": func(f *figure) paint.Path {
		side := max(f.w, f.h)
		return paint.Burst(side/2, f.count(18)).Transformed(paint.Scale(f.w/side, f.h/side))
	},
	"arrow": func(f *figure) paint.Path { return paint.Arrow(f.w, f.h, f.inner).Rounded(f.corner) },
	"line":  func(f *figure) paint.Path { return paint.Line(-f.w/2, 0, f.w/2, 0) },
	"path":  func(f *figure) paint.Path { return f.path },
}

func (f *figure) count(usual int) int {
	if f.points == 0 {
		return usual
	}
	return f.points
}

// star is a star, or a polygon, that is as wide and high as the figure at least one way.
func (f *figure) star(usual int, inner float64) paint.Path {
	side := max(f.w, f.h)
	return paint.Star(side/2, f.count(usual), inner).Transformed(paint.Scale(f.w/side, f.h/side)).Rounded(f.corner)
}

// card draws a plain figure with its hole and outline.
func (s *Stage) card(a *actor, k look, frame float64) *graph.Node {
	d := a.layer.Card
	at, _, _, _ := s.held(a, frame)
	f := figure{
		form: d.Form, fills: d.Fills, w: a.w, h: a.h, corner: k.edge.corner, corners: a.value(cornersApart, at), points: d.Points,
		inner: a.number(inner, at) / 100, begin: a.number(begin, at), sweep: a.number(sweep, at),
		outline: k.colours[3], pen: a.penAt(k, d.Pen, at), per: s.raster(a, a.w, a.h),
	}
	shrink := a.shrink()
	f.waves = paint.Waves{Height: a.number(wave, at) * shrink, Length: a.number(waveLong, at) * shrink, Shift: a.number(waveShift, at) / 360}
	f.open = d.Form == "line"
	if d.Form == "path" {
		f.path, f.open = a.drawnPath(at), !d.Path.Closed
	}
	f.fill.gradient.Stops = []paint.Stop{{Colour: k.colours[0]}}
	if d.Gradient != nil {
		f.fill = a.shadingAt(d.Gradient, at)
	}
	if d.Hole != nil {
		f.hole = *d.Hole
		f.hole.X, f.hole.Y = a.hx+d.Hole.X*shrink, a.hy+d.Hole.Y*shrink
		f.hole.Size, f.hole.Corner = d.Hole.Size*shrink, d.Hole.Corner*shrink
	}
	key := a.content.Text("card").Nums(f.w, f.h, f.corner, f.per, a.hx, a.hy, f.pen.Width, f.pen.Start, f.pen.End, f.pen.Shift).
		Nums(f.corners[:]...).Nums(f.inner, f.begin, f.sweep).Colour(f.outline)
	key = key.Nums(f.waves.Height, f.waves.Length, f.waves.Shift)
	for _, s := range f.path {
		key = key.Word(uint64(s.Op)).Nums(s.P[0][0], s.P[0][1], s.P[1][0], s.P[1][1], s.P[2][0], s.P[2][1])
	}
	return graph.Source(f.fill.key(key), f.draw)
}

// penAt is how an outline is drawn on a frame, in units.
func (a *actor) penAt(k look, p *clip.Pen, frame float64) paint.Pen {
	pen := paint.Pen{Width: k.pen.Width, Start: k.pen.Start, End: k.pen.End, Shift: a.number(dashShift, frame)}
	if p != nil {
		shrink := a.shrink()
		pen.Cap = map[string]paint.Cap{"butt": paint.ButtCap, "square": paint.SquareCap}[p.Cap]
		pen.Join = map[string]paint.Join{"miter": paint.MiterJoin, "bevel": paint.BevelJoin}[p.Join]
		pen.Dash, pen.Gap = p.Dash*shrink, p.Gap*shrink
	}
	return pen
}

func holePath(h clip.Hole) paint.Path {
	path := paint.Ellipse(h.Size, h.Size/h.Aspect)
	if h.Form == "card" {
		path = paint.RoundRect(h.Size, h.Size/h.Aspect, h.Corner)
	}
	return path.Transformed(paint.Translate(h.X, h.Y)).Reversed()
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

func (f figure) draw() *paint.Sheet {
	path := figures[f.form](&f)
	if f.hole.Size > 0 && !f.open {
		path = append(path, holePath(f.hole)...)
	}
	path = path.Waved(f.waves)
	// A path may lie anywhere about its middle; all others fill their bounds.
	margin := 2/f.per + f.pen.Reach() + f.waves.Height
	box := [4]float64{-f.w / 2, -f.h / 2, f.w / 2, f.h / 2}
	if f.form == "path" {
		box = path.Bounds()
		margin = 2/f.per + f.pen.Reach()
	} else if f.form == "line" {
		box[1], box[3] = 0, 0
	}
	x0, y0 := box[0]-margin, box[1]-margin
	w, h := min(box[2]+margin-x0, clip.MaxUnits), min(box[3]+margin-y0, clip.MaxUnits)
	per := min(f.per, clip.MaxSide/max(w, h, 1))
	b := paint.NewBitmap(int(w*per)+1, int(h*per)+1)
	m := paint.Translate(-x0, -y0).Then(paint.Scale(per, per))
	path = path.Transformed(m)
	if !f.open {
		if f.fill.solid() {
			b.FillPath(path, f.fill.gradient.Stops[0].Colour)
		} else {
			x, y := m.Apply(-f.w/2, -f.h/2)
			b.FillPathShaded(path, f.fill.shader(paint.Box{X: x, Y: y, W: f.w * per, H: f.h * per}))
		}
	}
	if f.fills { // only the window has an edge that can be seen
		path = nil
		if f.hole.Size > 0 {
			path = holePath(f.hole).Transformed(m)
		}
	}
	if f.pen.Width > 0 && f.pen.End > f.pen.Start {
		b.FillPath(path.Drawn(f.pen.Scaled(per), 0.1), f.outline)
	}
	return paint.NewSheet(b, x0*per, y0*per, per)
}
