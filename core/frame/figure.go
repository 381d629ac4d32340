package frame

import (
	"billow/core/clip"
	"billow/core/colour"
	"billow/core/paint"
)

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
	hollow       bool       // by the even-odd rule
	waves        paint.Waves
	offset       float64
	lines        []line  // the lowest last
	per          float64 // pixels a unit
}

// line is one more outline.
type line struct {
	width, apart float64
	colour       colour.Colour
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
	"tag": func(f *figure) paint.Path {
		x, hole := paint.TagHole(f.w, f.h)
		return append(paint.Tag(f.w, f.h, f.inner).Rounded(f.corner), paint.Ellipse(hole, hole).Transformed(paint.Translate(x, 0)).Reversed()...)
	},
	"ticket": func(f *figure) paint.Path { return paint.Ticket(f.w, f.h, f.inner/4) },
	"ribbon": func(f *figure) paint.Path { return paint.Ribbon(f.w, f.h, 2*f.inner*0.7).Rounded(f.corner) },
	"line":   func(f *figure) paint.Path { return paint.Line(-f.w/2, 0, f.w/2, 0) },
	"path":   func(f *figure) paint.Path { return f.path.Rounded(f.corner) },
}

// Form is the outline of a form of figures as it is at first, in a size, about its middle;
// nothing where there is none of its own.
func Form(form string, w, h float64) paint.Path {
	draw := figures[form]
	if draw == nil || form == "path" || form == "line" {
		return nil
	}
	return draw(&figure{form: form, w: w, h: h, inner: 0.5, sweep: 360})
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

func holePath(h clip.Hole) paint.Path {
	path := paint.Ellipse(h.Size, h.Size/h.Aspect)
	if h.Form == "card" {
		path = paint.RoundRect(h.Size, h.Size/h.Aspect, h.Corner)
	}
	return path.Transformed(paint.Translate(h.X, h.Y)).Reversed()
}

// within is the paths on a plane and how it lies.
type within struct {
	path, own paint.Path // what is filled, and what has the figure's own outline
	lines     []paint.Path
	box       [4]float64
}

// draw draws a figure with its outlines, the further ones beneath.
func (f figure) draw() *paint.Sheet {
	all := f.paths()
	box := all.box
	x0, y0 := box[0]-2/f.per, box[1]-2/f.per
	w, h := min(box[2]+2/f.per-x0, clip.MaxUnits), min(box[3]+2/f.per-y0, clip.MaxUnits)
	per := min(f.per, clip.MaxSide/max(w, h, 1))
	b := paint.NewBitmap(int(w*per)+1, int(h*per)+1)
	m := paint.Translate(-x0, -y0).Then(paint.Scale(per, per))
	for i := len(all.lines) - 1; i >= 0; i-- {
		f.drawLine(b, f.lines[i], all.lines[i].Transformed(m), per)
	}
	path := all.path.Transformed(m)
	if !f.open {
		if f.fill.solid() && !f.hollow {
			b.FillPath(path, f.fill.gradient.Stops[0].Colour)
		} else {
			x, y := m.Apply(-f.w/2, -f.h/2)
			b.FillPathShaded(path, f.fill.shader(paint.Box{X: x, Y: y, W: f.w * per, H: f.h * per}), f.hollow)
		}
	}
	if f.pen.Width > 0 && f.pen.End > f.pen.Start {
		b.FillPath(all.own.Transformed(m).Drawn(f.pen.Scaled(per), 0.1), f.outline)
	}
	return paint.NewSheet(b, x0*per, y0*per, per)
}

// paths are all that is drawn, in units.
func (f figure) paths() (all within) {
	path := figures[f.form](&f)
	if f.hole.Size > 0 && !f.open {
		path = append(path, holePath(f.hole)...)
	}
	path = path.Waved(f.waves)
	tolerance := 0.1 / f.per
	if !f.open {
		path = path.Offset(f.offset, f.pen.Join, tolerance)
	}
	all.path, all.own = path, path
	if f.fills { // only the window has an edge that can be seen
		all.own = nil
		if f.hole.Size > 0 {
			all.own = holePath(f.hole)
		}
		margin := f.pen.Reach() + f.waves.Height
		all.box = [4]float64{-f.w/2 - margin, -f.h/2 - margin, f.w/2 + margin, f.h/2 + margin}
		return all
	}
	all.box = grownBox(path.Bounds(), f.pen.Reach())
	for _, l := range f.lines {
		along, reach := path, l.pen(f.pen).Reach()
		if f.open {
			reach = f.beside(l).Reach()
		} else {
			along = path.Offset(f.pen.Width/2+l.apart+l.width/2, f.pen.Join, tolerance)
		}
		all.lines = append(all.lines, along)
		if o := grownBox(along.Bounds(), reach); o[0] <= o[2] {
			all.box = [4]float64{min(all.box[0], o[0]), min(all.box[1], o[1]), max(all.box[2], o[2]), max(all.box[3], o[3])}
		}
	}
	if !(all.box[0] <= all.box[2]) { // nothing is left of it
		all.box = [4]float64{}
	}
	return all
}

func grownBox(b [4]float64, by float64) [4]float64 {
	return [4]float64{b[0] - by, b[1] - by, b[2] + by, b[3] + by}
}

// pen is that of the figure, as wide as the line.
func (l line) pen(p paint.Pen) paint.Pen {
	p.Width = l.width
	return p
}

// beside is a pen that covers a line on both sides of an open one, and all in between.
func (f figure) beside(l line) paint.Pen {
	p := f.pen
	p.Width = max(0, f.pen.Width+2*(l.apart+l.width))
	return p
}

// drawLine draws a further outline; one of an open line lies on both of its sides.
func (f figure) drawLine(b *paint.Bitmap, l line, along paint.Path, per float64) {
	if l.width <= 0 || f.pen.End <= f.pen.Start {
		return
	}
	if !f.open {
		b.FillPath(along.Drawn(l.pen(f.pen).Scaled(per), 0.1), l.colour)
		return
	}
	outer := f.beside(l)
	inner := outer
	inner.Width = max(0, inner.Width-2*l.width)
	mask := paint.PathMask(along.Drawn(outer.Scaled(per), 0.1), b.W, b.H)
	mask.Combine(paint.PathMask(along.Drawn(inner.Scaled(per), 0.1), b.W, b.H), "subtract")
	row := make([]uint32, b.W)
	for x := range row {
		row[x] = paint.Premultiplied(l.colour)
	}
	for y := range b.H {
		paint.CoverRow(b.Pix[y*b.W:(y+1)*b.W], row, mask.Pix[y*b.W:])
	}
}
