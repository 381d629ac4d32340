package svg

import (
	"strings"

	"billow/core/paint"
)

// notDrawn are elements of which nothing shows, and what is said of them.
var notDrawn = map[string]string{
	"script": "a script", "image": "an embedded picture", "text": "text (make outlines of it)", "foreignObject": "an embedded page",
	"iframe": "an embedded page", "video": "a video", "audio": "a sound", "animate": "a motion", "animateTransform": "a motion",
	"animateMotion": "a motion", "set": "a motion", "marker": "arrowheads", "filter": "", "mask": "", "pattern": "", "symbol": "", "defs": "",
	"clipPath": "", "linearGradient": "", "radialGradient": "", "style": "", "title": "", "desc": "", "metadata": "", "other": "", "view": "",
}

// children are an element's items.
func (r *reader) children(e *element, in context) (out []Item) {
	for _, k := range e.kids {
		out = append(out, r.item(k, in)...)
		if e.name == "switch" && len(out) > 0 {
			break
		}
	}
	return out
}

func (r *reader) item(e *element, in context) []Item {
	if says, is := notDrawn[e.name]; is {
		if says != "" {
			r.note(says)
		}
		return nil
	}
	r.count(1, 0)
	at := in
	at.style = r.styled(e, in.style)
	if at.display == "none" || at.opacity == 0 {
		return nil
	}
	at.matrix = transform(e.attr["transform"]).Then(in.matrix)
	item := Item{ID: e.attr["id"], Opacity: at.opacity}
	switch e.name {
	case "g", "a", "switch":
		if e.name == "a" && e.attr["href"] != "" {
			r.note("a link")
		}
		item.Items = r.children(e, at)
	case "svg":
		item.Items, item.Clips = r.view(e, at, e.attr["width"], e.attr["height"])
	case "use":
		item.Items = r.used(e, at)
	default:
		path, known := r.outline(e, at)
		if !known {
			r.note("what is called " + e.name)
			return nil
		}
		if len(path) == 0 || at.hidden {
			return nil
		}
		r.figure(&item, path, at)
		if item.Fill == nil && item.Stroke == nil {
			return nil
		}
	}
	if item.Path == nil && len(item.Items) == 0 {
		return nil
	}
	if id, _, is := r.reference(at.clip); is && r.ids[id] != nil {
		item.Clips = append(item.Clips, r.clip(r.ids[id], at, bounds(item, at.matrix), 0)...)
	}
	if item.Path == nil && item.Opacity == 1 && len(item.Clips) == 0 && item.ID == "" {
		return item.Items // nothing of its own
	}
	return []Item{item}
}

// figure is what a path is drawn with.
func (r *reader) figure(item *Item, path paint.Path, at context) {
	item.Path, item.At, item.EvenOdd = path, at.matrix, at.evenOdd
	box := path.Bounds()
	item.Fill = r.ink(at.fill, at.fillOpacity, at, box)
	width := at.along(at.width, 1)
	if width <= 0 {
		return
	}
	item.Stroke = r.ink(at.stroke, at.strokeOpacity, at, box)
	item.Pen = paint.Pen{Width: width, End: 1, Cap: at.cap, Join: at.join, Miter: at.miter, Each: true}
	if at.dash == "" || at.dash == "none" {
		return
	}
	sum := 0.0
	var dash []float64
	for _, f := range strings.FieldsFunc(at.dash, func(c rune) bool { return strings.ContainsRune(", \t\r\n", c) }) {
		d := at.along(f, -1)
		if d < 0 || len(dash) > 100 {
			return // as if there were none
		}
		dash = append(dash, d)
		sum += d
	}
	if sum <= 0 {
		return
	}
	if item.Dash = dash; len(dash)%2 == 1 {
		item.Dash = append(dash, dash...)
	}
	item.DashFrom = at.along(at.dashFrom, 0)
}

// outline is the path of a figure; known tells whether it is one.
func (r *reader) outline(e *element, at context) (p paint.Path, known bool) {
	a := e.attr
	switch e.name {
	case "path":
		path, whole := pathData(a["d"])
		if !whole {
			r.note("the rest of a path after a mistake in it")
		}
		p = path
	case "rect":
		p = rectangle(at.across(a["x"], 0), at.down(a["y"], 0), at.across(a["width"], 0), at.down(a["height"], 0), at.across(a["rx"], -1), at.down(a["ry"], -1))
	case "circle":
		d := 2 * at.along(a["r"], 0)
		p = ellipse(at.across(a["cx"], 0), at.down(a["cy"], 0), d, d)
	case "ellipse":
		rx, ry := at.across(a["rx"], -1), at.down(a["ry"], -1)
		if rx < 0 {
			rx = ry
		}
		if ry < 0 {
			ry = rx
		}
		p = ellipse(at.across(a["cx"], 0), at.down(a["cy"], 0), 2*rx, 2*ry)
	case "line":
		p = paint.Line(at.across(a["x1"], 0), at.down(a["y1"], 0), at.across(a["x2"], 0), at.down(a["y2"], 0))
	case "polyline", "polygon":
		v := numbers(a["points"])
		for i := 0; i+1 < len(v); i += 2 {
			p = append(p, paint.Segment{Op: 'L', P: [3][2]float64{{v[i], v[i+1]}}})
		}
		if len(p) > 0 {
			if p[0].Op = 'O'; e.name == "polygon" {
				p[0].Op = 'M'
			}
		}
	default:
		return nil, false
	}
	r.count(0, len(p))
	for _, s := range p {
		for _, pt := range s.P[:s.Points()] {
			if !finite(pt[0]) || !finite(pt[1]) {
				r.note("a figure that is too large")
				return nil, true
			}
		}
	}
	return p, true
}

// ellipse begins at its right, as dashes show.
func ellipse(x, y, w, h float64) paint.Path {
	if !(w > 0 && h > 0) {
		return nil
	}
	t := tracer{}
	t.begin(x+w/2, y)
	for _, end := range []float64{x - w/2, x + w/2} {
		for _, s := range arcs(t.at, w/2, h/2, 0, false, true, [2]float64{end, y}) {
			t.add('C', s.P[:]...)
		}
	}
	t.close()
	return t.p
}

func rectangle(x, y, w, h, rx, ry float64) paint.Path {
	if !(w > 0 && h > 0) {
		return nil
	}
	switch {
	case rx < 0 && ry < 0:
		rx, ry = 0, 0
	case rx < 0:
		rx = ry
	case ry < 0:
		ry = rx
	}
	rx, ry = min(rx, w/2), min(ry, h/2)
	if rx == 0 || ry == 0 {
		p := paint.Path{{Op: 'M'}, {Op: 'L'}, {Op: 'L'}, {Op: 'L'}}
		for i, c := range [][2]float64{{x, y}, {x + w, y}, {x + w, y + h}, {x, y + h}} {
			p[i].P[0] = c
		}
		return p
	}
	t := tracer{}
	t.begin(x+rx, y)
	to := func(ax, ay, bx, by float64) {
		t.add('L', [2]float64{ax, ay})
		for _, s := range arcs(t.at, rx, ry, 0, false, true, [2]float64{bx, by}) {
			t.add('C', s.P[:]...)
		}
	}
	to(x+w-rx, y, x+w, y+ry)
	to(x+w, y+h-ry, x+w-rx, y+h)
	to(x+rx, y+h, x, y+h-ry)
	to(x, y+ry, x+rx, y)
	t.close()
	return t.p
}

// used are the items that a use shows.
func (r *reader) used(e *element, at context) []Item {
	id, inside := strings.CutPrefix(e.attr["href"], "#")
	if !inside {
		r.note("a reference to another file")
		return nil
	}
	of := r.ids[id]
	if of == nil {
		return nil
	}
	for _, u := range r.using {
		if u == of {
			r.note("something that shows itself")
			return nil
		}
	}
	if len(r.using) >= 16 {
		r.note("what is used too deep within others")
		return nil
	}
	r.using = append(r.using, of)
	defer func() { r.using = r.using[:len(r.using)-1] }()
	at.matrix = paint.Translate(at.across(e.attr["x"], 0), at.down(e.attr["y"], 0)).Then(at.matrix)
	if of.name == "symbol" {
		r.count(1, 0)
		at.style = r.styled(of, at.style)
		items, clips := r.view(of, at, e.attr["width"], e.attr["height"])
		return []Item{{Opacity: at.opacity, Items: items, Clips: clips}}
	}
	return r.item(of, at)
}
