// Package svg reads drawings in SVG (W3C, Scalable Vector Graphics 1.1 and 2): their
// figures with fills, strokes, gradients, transforms and clip paths. It draws them as
// pictures and takes them apart into figures of clips. What could run, or would be
// fetched from elsewhere, is dropped, and it is said.
package svg

import (
	"cmp"
	"fmt"
	"math"
	"slices"

	"billow/core/colour"
	"billow/core/paint"
)

// Drawing is what an SVG file shows.
type Drawing struct {
	W, H  float64  // its size in its own units; its upper left corner is at 0, 0
	Items []Item   // the lowest first
	Notes []string // what was dropped, as sentences' ends: "a script"
}

// Item is a figure, or a group of items that are drawn together.
type Item struct {
	ID      string
	Opacity float64 // 0..1
	Clips   []Clip  // only what lies in all of them shows
	Items   []Item  // of a group

	Path         paint.Path   // of a figure, in its own space
	At           paint.Affine // from that space to the drawing's
	EvenOdd      bool         // what its outline runs around twice is not filled
	Fill, Stroke *Ink         // none draws nothing
	Pen          paint.Pen    // of the stroke, in the figure's space
	Dash         []float64    // of the stroke: drawn and left out in turn
	DashFrom     float64      // how far into its dashes the stroke begins
}

// Clip is an area, in the drawing's space: what any of its parts covers.
type Clip struct {
	Parts []Area
}

// Area is what a path covers.
type Area struct {
	Path    paint.Path
	EvenOdd bool
	Clips   []Clip // only what lies in these, too
}

// Ink is a colour or a gradient.
type Ink struct {
	Colour   colour.Colour // with the opacity, where there is no gradient
	Gradient *Gradient
}

// Gradient is a linear or a radial gradient.
type Gradient struct {
	Radial                 bool
	X1, Y1, X2, Y2         float64 // of a linear one: from where to where
	X, Y, R, FocalX, Focal float64 // of a radial one: its middle, radius and focus (FocalX, Focal)
	At                     paint.Affine
	Spread                 string // pad, reflect or repeat
	Stops                  []Stop
}

// Stop is a colour of a gradient.
type Stop struct {
	At     float64 // 0..1
	Colour colour.Colour
}

// Limits that no drawing of people reaches.
const (
	MaxBytes    = 5 << 20
	maxElements = 20_000
	maxDepth    = 60
	maxRules    = 1000
	maxPoints   = 200_000
	maxNumber   = 1e6
	mostWeight  = 1500 // how often the whole drawing may be covered
)

// reader goes through a file's elements.
type reader struct {
	ids      map[string]*element
	rules    []rule
	notes    []string
	elements int // that were drawn: with use, more than there are
	points   int
	using    []*element // what is being used, so that nothing uses itself
}

// tooMuch ends reading.
type tooMuch struct{ error }

// Read reads a drawing. Errors are sentences that a person can act on.
func Read(file []byte) (d *Drawing, err error) {
	if len(file) > MaxBytes {
		return nil, fmt.Errorf("the drawing is larger than %d MB", MaxBytes>>20)
	}
	root, err := parse(file)
	if err != nil {
		return nil, err
	}
	if root.name != "svg" {
		return nil, fmt.Errorf("it is not a drawing: it begins with %q", root.name)
	}
	r := &reader{ids: map[string]*element{}}
	defer func() {
		if p := recover(); p != nil {
			stop, ok := p.(tooMuch)
			if !ok {
				panic(p)
			}
			d, err = nil, stop.error
		}
	}()
	r.index(root)
	slices.SortStableFunc(r.rules, func(a, b rule) int { return cmp.Compare(a.weight, b.weight) })
	return r.drawing(root)
}

func (r *reader) drawing(root *element) (*Drawing, error) {
	box, has := viewBox(root)
	at := context{w: 300, h: 150, size: 16}
	if has {
		at.w, at.h = box[2], box[3]
	}
	w, h := at.length(root.attr["width"], at.w, at.w), at.length(root.attr["height"], at.h, at.h)
	if !has {
		box = [4]float64{0, 0, w, h}
	}
	if !(w > 0 && h > 0 && box[2] > 0 && box[3] > 0) || max(w, h) > maxNumber || max(w/h, h/w) > 1000 {
		return nil, fmt.Errorf("the drawing has no size that can be drawn")
	}
	at.w, at.h = box[2], box[3]
	at.style = r.styled(root, initial)
	at.matrix = fitted(root, box, w, h)
	d := &Drawing{W: w, H: h}
	if at.style.display != "none" {
		d.Items = r.children(root, at)
		if at.style.opacity < 1 {
			d.Items = []Item{{Opacity: at.style.opacity, Items: d.Items}}
		}
	}
	if !drawsAnything(d.Items) {
		return nil, fmt.Errorf("nothing in it can be seen%s", also(r.notes))
	}
	if d.weight(d.Items) > mostWeight {
		return nil, fmt.Errorf("the drawing has too many large parts over one another: simplify it")
	}
	d.Notes = r.notes
	return d, nil
}

func also(notes []string) string {
	if len(notes) == 0 {
		return ""
	}
	return " (left out: " + Listed(notes) + ")"
}

func drawsAnything(items []Item) bool {
	return slices.ContainsFunc(items, func(i Item) bool {
		return i.Opacity > 0 && (i.Fill != nil || i.Stroke != nil || drawsAnything(i.Items))
	})
}

// note says once that something is left out.
func (r *reader) note(what string) {
	if !slices.Contains(r.notes, what) && len(r.notes) < 12 {
		r.notes = append(r.notes, what)
	}
}

// count ends reading when there is too much.
func (r *reader) count(elements, points int) {
	r.elements += elements
	r.points += points
	switch {
	case r.elements > maxElements:
		panic(tooMuch{fmt.Errorf("the drawing has more than %d parts: simplify it", maxElements)})
	case r.points > maxPoints:
		panic(tooMuch{fmt.Errorf("the drawing has more than %d points: simplify it", maxPoints)})
	}
}

func (r *reader) index(e *element) {
	if id := e.attr["id"]; id != "" && r.ids[id] == nil {
		r.ids[id] = e
	}
	if e.name == "style" {
		r.rules = append(r.rules, rules(e.text)...)
		r.rules = r.rules[:min(len(r.rules), maxRules)]
	}
	for name := range e.attr {
		if len(name) > 2 && name[:2] == "on" {
			r.note("a script")
		}
	}
	for _, k := range e.kids {
		r.index(k)
	}
}

// Listed is a list as it is spoken: a, b and c.
func Listed(list []string) string {
	switch n := len(list); n {
	case 0:
		return ""
	case 1:
		return list[0]
	default:
		s := list[0]
		for _, more := range list[1 : n-1] {
			s += ", " + more
		}
		return s + " and " + list[n-1]
	}
}

func finite(v float64) bool { return !math.IsNaN(v) && math.Abs(v) <= maxNumber }
