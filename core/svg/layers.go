package svg

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"billow/core/clip"
	"billow/core/colour"
	"billow/core/layout"
	"billow/core/paint"
	"billow/core/trace"
)

// mostFigures is how many figures a drawing is taken apart into at most.
const mostFigures = 150

// Layers is the drawing taken apart into figures of a clip: a group, about the middle of the
// frame and with its longer side so many units long, after all that is in it. The lowest
// comes first. What figures cannot show as the drawing does is said.
func (d *Drawing) Layers(name string, size float64) (layers []clip.Layer, notes []string, err error) {
	k := size / max(d.W, d.H)
	m := &maker{
		drawing: &reader{notes: nil},
		at:      paint.Translate(-d.W/2, -d.H/2).Then(paint.Scale(k, k)),
		unit:    k,
	}
	root := m.group(name, "")
	root.Lift = 30 // as a cut-out has that is put into a clip
	m.items(d.Items, root.ID, 0)
	switch {
	case m.figures == 0:
		return nil, nil, fmt.Errorf("there is no figure in it that could be taken out")
	case m.figures > mostFigures:
		return nil, nil, fmt.Errorf("it consists of %d figures; at most %d can be taken apart: use it as a picture", m.figures, mostFigures)
	case m.points > 6000:
		return nil, nil, fmt.Errorf("it has %d points; at most 6000 can be taken apart: use it as a picture", m.points)
	}
	return append(m.out, root), m.drawing.notes, nil
}

// maker collects layers.
type maker struct {
	drawing         *reader // for what is said
	at              paint.Affine
	unit            float64
	out             []clip.Layer
	made            int
	figures, points int
}

func (m *maker) id() string {
	m.made++
	return fmt.Sprintf("drawing-%d", m.made)
}

func (m *maker) group(name, in string) clip.Layer {
	g := clip.NewGroup(m.id(), name)
	g.Group = in
	return g
}

// items makes layers in a group and tells what box they lie in.
func (m *maker) items(list []Item, in string, deep int) (box layout.Box) {
	for i := range list {
		b := m.item(&list[i], in, deep)
		switch {
		case b == layout.Box{}:
		case box == layout.Box{}:
			box = b
		default:
			box = box.Union(b)
		}
	}
	return box
}

func (m *maker) item(i *Item, in string, deep int) layout.Box {
	if len(i.Items) == 1 && i.Opacity == 1 && len(i.Clips) == 0 && len(i.Path) == 0 {
		return m.item(&i.Items[0], in, deep)
	}
	if len(i.Items) == 0 {
		return m.figure(i, in)
	}
	if deep >= clip.MaxDepth-2 {
		m.drawing.note("how its innermost groups are cut")
		return m.items(i.Items, in, deep)
	}
	g := m.group(called(i.ID, "Group"), in)
	opacity(&g, i.Opacity)
	box := m.items(i.Items, g.ID, deep+1)
	// Masks are placed from the middle of what is in the group.
	m.cut(&g, i.Clips, m.at.Then(paint.Translate(-(box.X0+box.X1)/2, -(box.Y0+box.Y1)/2)))
	m.out = append(m.out, g)
	return box
}

// called is a name made of an ID.
func called(id, usual string) string {
	id = strings.TrimSpace(strings.Map(func(r rune) rune {
		if r == '_' || r == '-' {
			return ' '
		}
		return r
	}, id))
	if id == "" || len(id) > 40 {
		return usual
	}
	return strings.ToUpper(id[:1]) + id[1:]
}

func opacity(l *clip.Layer, share float64) {
	if share < 1 {
		set(l, clip.Opacity, math.Round(share*100))
	}
}

func set(l *clip.Layer, property string, values ...float64) {
	if l.Values == nil {
		l.Values = map[string][]float64{}
	}
	l.Values[property] = values
}

// figure makes one layer, or two where some of its contours are closed and others not.
func (m *maker) figure(i *Item, in string) (box layout.Box) {
	at := i.At.Then(m.at)
	contours := trace.OfPath(i.Path.Transformed(at))
	if i.Stroke == nil { // a fill closes what is open
		for k := range contours {
			contours[k].Closed = true
		}
	} else if i.Fill != nil {
		for k := range contours {
			contours[k].Closed = contours[k].Closed || i.Fill != nil && len(contours) == 1 && len(contours[k].Nodes) > 2
		}
	}
	var open, closed []trace.Contour
	for _, c := range contours {
		if c.Closed {
			closed = append(closed, c)
		} else {
			open = append(open, c)
		}
	}
	hollow := false
	if i.EvenOdd && i.Fill != nil {
		if hollow = crosses(closed); !hollow {
			turnedEvenOdd(closed)
		}
	}
	of := [2]*Item{i, i}
	if len(i.Dash) > 0 && i.Stroke != nil {
		// Along closed contours our dashes are stretched until they fit, those of SVG are not.
		for _, c := range closed {
			open = append(open, trace.Contour{Nodes: append(slices.Clone(c.Nodes), c.Nodes[0])})
		}
		filled := *i
		filled.Stroke = nil
		if of[0] = &filled; i.Fill == nil {
			closed = nil
		}
	}
	for k, part := range [][]trace.Contour{closed, open} {
		if l := m.layer(of[k], part, in, at); l != nil {
			l.Card.Hollow = hollow
			a := l.Card.Aspect
			b := layout.Turned(l.Rest.Size*min(a, 1), l.Rest.Size/max(a, 1), 0).Moved(l.Rest.X, l.Rest.Y)
			if box != (layout.Box{}) {
				b = b.Union(box)
			}
			box = b
		}
	}
	return box
}

func (m *maker) layer(i *Item, contours []trace.Contour, in string, at paint.Affine) *clip.Layer {
	if len(contours) == 0 {
		return nil
	}
	m.figures++
	p, x, y, w, h := trace.Boxed(contours)
	m.points += len(p.Points)
	if m.figures > mostFigures || len(p.Points) > clip.MaxPathPoints {
		if len(p.Points) > clip.MaxPathPoints {
			m.figures--
			m.drawing.note("a figure of more than 2000 points")
		}
		return nil
	}
	l := clip.NewLayer(m.id(), called(i.ID, "Figure"), clip.KindCard)
	l.Group = in
	l.Card = &clip.Card{Form: "path", Path: &p, Aspect: min(max(w/h, 0.02), 50), Fill: colour.Colour{}, Outline: colour.RGB(0x173F47)}
	l.Rest.X, l.Rest.Y, l.Rest.Size = rounded(x), rounded(y), min(max(w, h, 1), clip.MaxUnits)
	opacity(&l, i.Opacity)
	if i.Fill != nil && p.Closed {
		m.ink(&l, i.Fill, i.At.Then(m.at), [4]float64{x - w/2, y - h/2, x + w/2, y + h/2})
	}
	if i.Stroke != nil {
		m.stroke(&l, i, math.Sqrt(math.Abs(at.Det())))
	}
	m.cut(&l, i.Clips, m.at.Then(paint.Translate(-l.Rest.X, -l.Rest.Y)))
	m.out = append(m.out, l)
	return &m.out[len(m.out)-1]
}

func rounded(v float64) float64 { return math.Round(v*100) / 100 }

func within(v float64) float64 { return min(max(rounded(v), -clip.MaxUnits), clip.MaxUnits) }

func (m *maker) stroke(l *clip.Layer, i *Item, scale float64) {
	l.Card.Outline = i.Stroke.Colour
	if g := i.Stroke.Gradient; g != nil {
		l.Card.Outline = g.Stops[len(g.Stops)/2].Colour
		m.drawing.note("the gradient of a stroke")
	}
	set(l, clip.Outline, min(rounded(i.Pen.Width*scale), 400))
	pen := &clip.Pen{Cap: clip.Caps[i.Pen.Cap], Join: clip.Joins[i.Pen.Join]}
	if len(i.Dash) >= 2 {
		long := make([]float64, min(len(i.Dash), clip.MaxThen+2))
		for k := range long {
			long[k] = max(rounded(i.Dash[k]*scale), 0.01) // none would draw all
		}
		pen.Dash, pen.Gap, pen.Then = long[0], long[1], long[2:]
		if len(i.Dash) > len(long) {
			m.drawing.note("dashes of so many lengths")
		}
		set(l, clip.DashShift, within(i.DashFrom*scale))
	}
	l.Card.Pen = pen
}

// ink fills a figure that lies in a box.
func (m *maker) ink(l *clip.Layer, ink *Ink, at paint.Affine, box [4]float64) {
	l.Card.Fill = ink.Colour
	if g := ink.Gradient; g != nil {
		f, same := g.fill(g.At.Then(at), box)
		l.Card.Gradient = &f
		l.Card.Fill = f.Stops[0].Colour
		if !same {
			m.drawing.note("the exact course of a gradient")
		}
	}
}

// cut turns clip paths into masks; to is from the drawing's space to the layer's.
func (m *maker) cut(l *clip.Layer, clips []Clip, to paint.Affine) {
	for n, c := range clips {
		if n > 0 && len(c.Parts) > 1 {
			m.drawing.note("a clip path of several parts within another")
			continue
		}
		for k, a := range c.Parts {
			mode := "add"
			if n > 0 {
				mode = "intersect"
			}
			m.mask(l, a, mode, to)
			for _, inner := range a.Clips {
				if k > 0 || len(inner.Parts) != 1 {
					m.drawing.note("a clip path within another")
					continue
				}
				m.mask(l, inner.Parts[0], "intersect", to)
			}
		}
		if len(c.Parts) == 0 { // it leaves nothing
			l.Masks = append(l.Masks, clip.Mask{ID: len(l.Masks) + 1, Form: "disc", Mode: "intersect"})
		}
	}
}

func (m *maker) mask(l *clip.Layer, a Area, mode string, to paint.Affine) {
	contours := trace.OfPath(a.Path.Transformed(to))
	if len(contours) == 0 || len(l.Masks) >= clip.MaxMasks {
		return
	}
	for k := range contours {
		contours[k].Closed = true
	}
	if a.EvenOdd {
		turnedEvenOdd(contours)
	}
	p, x, y, w, h := trace.Boxed(contours)
	if len(p.Points) > clip.MaxPathPoints {
		m.drawing.note("a clip path of more than 2000 points")
		return
	}
	m.points += len(p.Points)
	l.Masks = append(l.Masks, clip.Mask{ID: len(l.Masks) + 1, Form: "path", Mode: mode,
		X: within(x), Y: within(y), W: within(w), H: within(h), Path: &p})
}

// turnedEvenOdd lets contours run so that by the non-zero rule they fill what they fill by
// the even-odd rule, as long as they do not cross.
func turnedEvenOdd(all []trace.Contour) {
	for i := range all {
		inside := 0
		for k := range all {
			if k != i && winds(all[k].Nodes, all[i].Nodes[0].At) {
				inside++
			}
		}
		if (trace.Area(all[i].Nodes) > 0) != (inside%2 == 0) {
			trace.Reverse(all[i].Nodes)
		}
	}
}

// crosses tells whether straight lines between nodes cross others.
func crosses(all []trace.Contour) bool {
	var lines [][2][2]float64
	for _, c := range all {
		for i, a := range c.Nodes {
			lines = append(lines, [2][2]float64{a.At, c.Nodes[(i+1)%len(c.Nodes)].At})
		}
	}
	side := func(l [2][2]float64, p [2]float64) float64 {
		return (l[1][0]-l[0][0])*(p[1]-l[0][1]) - (l[1][1]-l[0][1])*(p[0]-l[0][0])
	}
	for i, l := range lines[:min(len(lines), 1000)] {
		for _, o := range lines[:i] {
			if side(l, o[0])*side(l, o[1]) < 0 && side(o, l[0])*side(o, l[1]) < 0 {
				return true
			}
		}
	}
	return false
}

// winds tells whether a contour of straight lines between nodes runs around a place.
func winds(nodes []trace.Node, at [2]float64) bool {
	in := false
	for i, a := range nodes {
		b := nodes[(i+1)%len(nodes)]
		if (a.At[1] <= at[1]) != (b.At[1] <= at[1]) && a.At[0]+(at[1]-a.At[1])/(b.At[1]-a.At[1])*(b.At[0]-a.At[0]) > at[0] {
			in = !in
		}
	}
	return in
}
