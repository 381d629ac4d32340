package svg

import (
	"math"
	"strings"

	"billow/core/paint"
)

// viewBox is the part of its plane that an element shows: x, y, width, height.
func viewBox(e *element) (box [4]float64, has bool) {
	v := numbers(e.attr["viewBox"])
	if len(v) != 4 || v[2] <= 0 || v[3] <= 0 {
		return box, false
	}
	return [4]float64(v), true
}

// fitted maps a view box into a place of a size (SVG 2, preserveAspectRatio).
func fitted(e *element, box [4]float64, w, h float64) paint.Affine {
	kx, ky := w/box[2], h/box[3]
	align, rest, _ := strings.Cut(strings.TrimSpace(e.attr["preserveAspectRatio"]), " ")
	x, y := 0.0, 0.0
	if align != "none" {
		k := min(kx, ky)
		if strings.TrimSpace(rest) == "slice" {
			k = max(kx, ky)
		}
		place := func(min, mid string) float64 {
			switch {
			case strings.Contains(align, min):
				return 0
			case align == "" || strings.Contains(align, mid):
				return 0.5
			}
			return 1
		}
		x, y = (w-box[2]*k)*place("xMin", "xMid"), (h-box[3]*k)*place("YMin", "YMid")
		kx, ky = k, k
	}
	return paint.Affine{A: kx, D: ky, E: x - box[0]*kx, F: y - box[1]*ky}
}

// view is what a drawing within the drawing shows, cut to its place.
func (r *reader) view(e *element, at context, width, height string) ([]Item, []Clip) {
	x, y := 0.0, 0.0
	if e.name == "svg" {
		x, y = at.across(e.attr["x"], 0), at.down(e.attr["y"], 0)
	}
	w, h := at.across(width, at.w), at.down(height, at.h)
	if !(w > 0 && h > 0) {
		return nil, nil
	}
	place := paint.Translate(x, y).Then(at.matrix)
	cut := []Clip{{Parts: []Area{{Path: rectangle(0, 0, w, h, 0, 0).Transformed(place)}}}}
	box, has := viewBox(e)
	at.matrix = place
	if at.w, at.h = w, h; has {
		at.matrix = fitted(e, box, w, h).Then(place)
		at.w, at.h = box[2], box[3]
	}
	return r.children(e, at), cut
}

// clip is what a clip path leaves; box is that of what it cuts, in its own space.
func (r *reader) clip(e *element, in context, box [4]float64, depth int) []Clip {
	if e.name != "clipPath" || depth > 8 {
		return nil
	}
	at := in
	at.style = r.styled(e, initial)
	at.matrix = transform(e.attr["transform"]).Then(in.matrix)
	if e.attr["clipPathUnits"] == "objectBoundingBox" {
		at.matrix = boxed(box).Then(at.matrix)
		at.w, at.h = 1, 1
	}
	var out Clip
	for _, k := range e.kids {
		r.count(1, 0)
		inside := at
		inside.style = r.styled(k, at.style)
		inside.matrix = transform(k.attr["transform"]).Then(at.matrix)
		shape := k
		if k.name == "use" {
			id, _ := strings.CutPrefix(k.attr["href"], "#")
			if shape = r.ids[id]; shape == nil {
				continue
			}
			inside.matrix = paint.Translate(at.across(k.attr["x"], 0), at.down(k.attr["y"], 0)).Then(inside.matrix)
			inside.style = r.styled(shape, inside.style)
			inside.matrix = transform(shape.attr["transform"]).Then(inside.matrix)
		}
		if inside.hidden || inside.display == "none" || notDrawn[shape.name] != "" {
			continue
		}
		path, known := r.outline(shape, inside)
		if !known || len(path) == 0 {
			continue
		}
		area := Area{Path: path.Transformed(inside.matrix), EvenOdd: inside.clipEvenOdd}
		if id, _, is := r.reference(inside.clip); is && r.ids[id] != nil {
			area.Clips = r.clip(r.ids[id], inside, path.Bounds(), depth+1)
		}
		out.Parts = append(out.Parts, area)
	}
	all := []Clip{out}
	if id, _, is := r.reference(at.clip); is && r.ids[id] != nil {
		all = append(all, r.clip(r.ids[id], in, box, depth+1)...)
	}
	return all
}

// bounds is the box of an item in the space that a matrix maps to the drawing's.
func bounds(item Item, matrix paint.Affine) [4]float64 {
	back, ok := matrix.Inverse()
	b := paint.Path(nil).Bounds()
	if !ok {
		return b
	}
	var grow func(i Item)
	grow = func(i Item) {
		if len(i.Path) > 0 {
			o := i.Path.Transformed(i.At.Then(back)).Bounds()
			b = [4]float64{math.Min(b[0], o[0]), math.Min(b[1], o[1]), math.Max(b[2], o[2]), math.Max(b[3], o[3])}
		}
		for _, k := range i.Items {
			grow(k)
		}
	}
	grow(item)
	return b
}

// boxed maps 0..1 to a box.
func boxed(b [4]float64) paint.Affine {
	return paint.Affine{A: b[2] - b[0], D: b[3] - b[1], E: b[0], F: b[1]}
}
