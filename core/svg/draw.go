package svg

import (
	"image"
	"math"

	"billow/core/colour"
	"billow/core/paint"
)

// Draw draws the whole drawing onto an empty picture of a size.
func (d *Drawing) Draw(w, h int) *paint.Bitmap {
	b := paint.NewBitmap(w, h)
	p := painter{paint.Scale(float64(w)/d.W, float64(h)/d.H), w, h}
	p.items(b, d.Items)
	return b
}

// painter draws items onto pictures of one size.
type painter struct {
	view paint.Affine // from the drawing's space to pixels
	w, h int
}

func (p *painter) items(b *paint.Bitmap, list []Item) {
	for i := range list {
		p.item(b, &list[i])
	}
}

func (p *painter) item(b *paint.Bitmap, i *Item) {
	if i.Opacity >= 1 && len(i.Clips) == 0 {
		p.figure(b, i)
		p.items(b, i.Items)
		return
	}
	// What is cut or lets shine through does so as a whole.
	r := pixels(i.reach(p.view)).Intersect(image.Rect(0, 0, p.w, p.h))
	if r.Empty() {
		return
	}
	in := painter{p.view.Then(paint.Translate(-float64(r.Min.X), -float64(r.Min.Y))), r.Dx(), r.Dy()}
	own := paint.NewBitmap(in.w, in.h)
	in.figure(own, i)
	in.items(own, i.Items)
	for _, c := range i.Clips {
		own.Cut(in.mask(c))
	}
	var brush paint.Brush
	brush.Draw(b, &paint.Pyramid{Picture: own}, paint.Translate(float64(r.Min.X), float64(r.Min.Y)), i.Opacity, paint.Normal)
}

// reach is the box of all that an item draws, after a matrix; one without a width draws
// nothing.
func (i *Item) reach(view paint.Affine) (b [4]float64) {
	b = paint.Path(nil).Bounds()
	if len(i.Path) > 0 {
		at := i.At.Then(view)
		b = i.Path.Transformed(at).Bounds()
		if i.Stroke != nil {
			by := i.Pen.Reach() * max(math.Hypot(at.A, at.B), math.Hypot(at.C, at.D)) * math.Sqrt2
			b = [4]float64{b[0] - by, b[1] - by, b[2] + by, b[3] + by}
		}
	}
	for k := range i.Items {
		o := i.Items[k].reach(view)
		b = [4]float64{min(b[0], o[0]), min(b[1], o[1]), max(b[2], o[2]), max(b[3], o[3])}
	}
	return b
}

// pixels are those that a box touches.
func pixels(b [4]float64) image.Rectangle {
	if !(b[0] <= b[2]) {
		return image.Rectangle{}
	}
	whole := func(v float64) int { return int(min(max(v, -1e6), 1e6)) }
	return image.Rect(whole(math.Floor(b[0])), whole(math.Floor(b[1])), whole(math.Ceil(b[2])), whole(math.Ceil(b[3])))
}

// weight is how often over the whole drawing is covered while items are drawn.
func (d *Drawing) weight(list []Item) (sum float64) {
	for k := range list {
		i := &list[k]
		b := i.reach(paint.Identity())
		share := max(min(b[2], d.W)-max(b[0], 0), 0) * max(min(b[3], d.H)-max(b[1], 0), 0) / (d.W * d.H)
		if len(i.Path) > 0 {
			sum += share
		}
		if i.Opacity < 1 || len(i.Clips) > 0 {
			sum += 2 * share
		}
		for _, c := range i.Clips {
			sum += share * float64(len(c.Parts))
		}
		sum += d.weight(i.Items)
	}
	return sum
}

func (p *painter) mask(c Clip) *paint.Mask {
	out := &paint.Mask{W: p.w, H: p.h, Pix: make([]uint8, p.w*p.h)}
	for _, a := range c.Parts {
		m := paint.RuledMask(a.Path.Transformed(p.view), p.w, p.h, a.EvenOdd)
		for _, inner := range a.Clips {
			m.Combine(p.mask(inner), "intersect")
		}
		out.Combine(m, "add")
	}
	return out
}

func (p *painter) figure(b *paint.Bitmap, i *Item) {
	if len(i.Path) == 0 {
		return
	}
	at := i.At.Then(p.view)
	if i.Fill != nil {
		p.fill(b, i.Path.Transformed(at), i.EvenOdd, i.Fill, at)
	}
	if i.Stroke != nil {
		p.fill(b, i.line(at), false, i.Stroke, at)
	}
}

// line is the outline of a figure's stroke, after a matrix.
func (i *Item) line(at paint.Affine) paint.Path {
	scale := math.Sqrt(math.Abs(at.Det()))
	if scale == 0 {
		return nil
	}
	tolerance := 0.02 / scale
	path := i.Path
	if len(i.Dash) > 0 {
		path = path.Dashed(i.Dash, i.DashFrom, tolerance)
	}
	return path.Drawn(i.Pen, tolerance).Transformed(at)
}

func (p *painter) fill(b *paint.Bitmap, path paint.Path, evenOdd bool, ink *Ink, at paint.Affine) {
	r := pixels(path.Bounds()).Intersect(image.Rect(0, 0, p.w, p.h))
	if r.Empty() {
		return
	}
	x0, y0, x1, y1 := r.Min.X, r.Min.Y, r.Max.X, r.Max.Y
	mask := paint.RuledMask(path.Transformed(paint.Translate(float64(-x0), float64(-y0))), x1-x0, y1-y0, evenOdd)
	row := make([]uint32, x1-x0)
	draw := func(y int) {}
	if g := ink.Gradient; g != nil {
		back, ok := g.At.Then(at).Then(paint.Translate(float64(-x0), float64(-y0))).Inverse()
		if !ok {
			return
		}
		ramp := g.ramp()
		draw = func(y int) { g.row(back, y, ramp, row) }
	} else {
		pixel := paint.Premultiplied(ink.Colour)
		for x := range row {
			row[x] = pixel
		}
	}
	for y := range y1 - y0 {
		draw(y)
		paint.CoverRow(b.Pix[(y+y0)*b.W+x0:][:x1-x0], row, mask.Pix[y*mask.W:])
	}
}

// ramp is the colours from 0 to 1. They are mixed as they are, not premultiplied (SVG 2,
// "Gradients").
func (g *Gradient) ramp() *[1025]uint32 {
	var out [1025]uint32
	n := 0
	for i := range out {
		t := float64(i) / 1024
		for n < len(g.Stops) && g.Stops[n].At <= t {
			n++
		}
		switch {
		case n == 0:
			out[i] = paint.Premultiplied(g.Stops[0].Colour)
		case n == len(g.Stops):
			out[i] = paint.Premultiplied(g.Stops[n-1].Colour)
		default:
			a, b := g.Stops[n-1], g.Stops[n]
			k := (t - a.At) / (b.At - a.At)
			mix := func(x, y uint8) float64 { return float64(x) + (float64(y)-float64(x))*k }
			out[i] = paint.Premultiplied(colour.FromFloats(mix(a.Colour.R, b.Colour.R), mix(a.Colour.G, b.Colour.G),
				mix(a.Colour.B, b.Colour.B), mix(a.Colour.A, b.Colour.A)))
		}
	}
	return &out
}

// spread brings what lies beyond a gradient's ends into it.
func spread(t float64, how string) float64 {
	switch {
	case math.IsNaN(t):
		return 0
	case how == "repeat":
		return t - math.Floor(t)
	case how == "reflect":
		t = math.Abs(math.Mod(t, 2))
		return min(t, 2-t)
	}
	return min(max(t, 0), 1)
}

// around is where a place lies between the focus and the circle of a radial gradient.
func (g *Gradient) around(x, y float64) float64 {
	fx, fy := g.FocalX-g.X, g.Focal-g.Y
	// A focus outside is moved onto the circle (SVG 1.1).
	if d := math.Hypot(fx, fy); d > g.R*0.999 {
		fx, fy = fx*g.R*0.999/d, fy*g.R*0.999/d
	}
	px, py := x-g.X-fx, y-g.Y-fy
	// |f + p/t| = r, solved for t.
	a, b, c := fx*fx+fy*fy-g.R*g.R, px*fx+py*fy, px*px+py*py
	if c == 0 {
		return 0
	}
	return (-b - math.Sqrt(b*b-a*c)) / a
}
