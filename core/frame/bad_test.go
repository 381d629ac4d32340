package frame

import (
	"math"
	"strings"
	"testing"

	"billow/core/clip"
	"billow/core/colour"
	"billow/core/paint"
	"billow/core/words"
)

// What makes no sense is refused in a sentence that names the field.
func TestSenselessFiguresAreRefused(t *testing.T) {
	many := func(n int) *clip.DrawnPath {
		p := &clip.DrawnPath{}
		for i := range n {
			p.Points = append(p.Points, clip.PathPoint{X: float64(i % 100), Y: float64(i / 1000)})
		}
		return p
	}
	for says, set := range map[string]func(l *clip.Layer){
		"points": func(l *clip.Layer) { l.Card.Form, l.Card.Path = "path", many(100_000) },
		"points[0]": func(l *clip.Layer) {
			l.Card.Form, l.Card.Path = "path", &clip.DrawnPath{Points: []clip.PathPoint{{ID: 1, X: math.NaN()}, {ID: 2}}}
		},
		"points[1]": func(l *clip.Layer) {
			l.Card.Form, l.Card.Path = "path", &clip.DrawnPath{Points: []clip.PathPoint{{ID: 1}, {ID: 2, Out: [2]float64{math.Inf(1), 0}}}}
		},
		"points[2]": func(l *clip.Layer) {
			l.Card.Form, l.Card.Path = "path", &clip.DrawnPath{Points: []clip.PathPoint{{ID: 1}, {ID: 2}, {ID: 2}}}
		},
		"path":       func(l *clip.Layer) { l.Card.Form = "path" },
		"stops":      func(l *clip.Layer) { l.Card.Gradient = &clip.Fill{} },
		"lines":      func(l *clip.Layer) { l.Card.Lines = make([]clip.Line, 9) },
		"lines[0]":   func(l *clip.Layer) { l.Card.Lines = []clip.Line{{ID: 1, Width: math.NaN()}} },
		"columns":    func(l *clip.Layer) { l.Repeat = &clip.Repeat{Columns: 1000, Rows: 1000} },
		"masks":      func(l *clip.Layer) { l.Masks = make([]clip.Mask, 13) },
		"masks[0].w": func(l *clip.Layer) { l.Masks = []clip.Mask{{ID: 1, Form: "disc", W: math.NaN()}} },
	} {
		c := white(set)
		err := c.Validate()
		if err == nil || !strings.Contains(err.Error(), says) {
			t.Errorf("%s: %v", says, err)
		}
	}
}

// What is odd and allowed is drawn, at its extremes, too, and soon: a picture comes of it.
func TestOddFiguresAreDrawn(t *testing.T) {
	zigzag := &clip.DrawnPath{Closed: true}
	for i := range clip.MaxPathPoints {
		zigzag.Points = append(zigzag.Points, clip.PathPoint{X: float64(i*37%100) - 50, Y: float64(i*61%100) - 50})
	}
	one := &clip.DrawnPath{Closed: true, Points: []clip.PathPoint{{ID: 1}, {ID: 2}}}
	for name, set := range map[string]func(l *clip.Layer){
		"a path of many points that cross": func(l *clip.Layer) { l.Card.Form, l.Card.Path = "path", zigzag },
		"a path of one place": func(l *clip.Layer) {
			l.Card.Form, l.Card.Path, l.Card.Lines = "path", one, []clip.Line{{ID: 1, Width: 9}}
		},
		"bends far away": func(l *clip.Layer) {
			l.Card.Form, l.Card.Path = "path", &clip.DrawnPath{Points: []clip.PathPoint{{ID: 1, Out: [2]float64{1000, 1000}}, {ID: 2, X: 1000, In: [2]float64{-1000, 1000}}}}
			l.Values[clip.Outline] = []float64{200}
		},
		"a gradient of one colour": func(l *clip.Layer) {
			l.Card.Gradient = &clip.Fill{Run: "radial", Reach: 100, Stops: []clip.Stop{{ID: 1, Colour: colour.RGB(0xFFFFFF)}}}
		},
		"a free gradient of two at one place": func(l *clip.Layer) {
			l.Card.Gradient = &clip.Fill{Run: "free", Stops: []clip.Stop{{ID: 1}}, Points: []clip.ColourPoint{{ID: 1}, {ID: 2, Colour: colour.RGB(0xFFFFFF)}}}
		},
		"a gradient that ends where it begins": func(l *clip.Layer) {
			l.Card.Gradient = &clip.Fill{Stops: []clip.Stop{{ID: 1, At: 50}, {ID: 2, At: 50, Colour: colour.RGB(0xFFFFFF)}}}
		},
		"masks without an area": func(l *clip.Layer) {
			l.Masks = []clip.Mask{{ID: 1, Form: "disc"}, {ID: 2, Form: "path", Path: one}, {ID: 3, Form: "card", W: 9, Expand: -99}}
		},
		"a mask that only takes away": func(l *clip.Layer) {
			l.Masks = []clip.Mask{{ID: 1, Form: "disc", Mode: "subtract", W: 1000, H: 1000, Feather: 300}}
		},
		"ten thousand tiles": func(l *clip.Layer) {
			l.Repeat = &clip.Repeat{Columns: 100, Rows: 100}
			l.Values[clip.Gap] = []float64{-399, -399}
		},
		"a still mask of a layer without size": func(l *clip.Layer) {
			l.Masks = []clip.Mask{{ID: 1, Form: "disc", W: 99, H: 99, Still: true}}
			l.Tracks[clip.Scale] = linear(0, v(0, 0))
		},
		"an edge moved away": func(l *clip.Layer) {
			l.Values[clip.Offset] = []float64{-300}
			l.Card.Lines = []clip.Line{{ID: 1, Width: 200, Apart: -300}}
		},
		"an edge moved far out": func(l *clip.Layer) {
			l.Card.Form, l.Card.Path = "path", zigzag
			l.Values[clip.Offset] = []float64{300}
			l.Card.Lines = []clip.Line{{ID: 1, Width: 200, Apart: 300, Colour: colour.RGB(0xFFFFFF)}}
			l.Values[clip.Wave] = []float64{500}
		},
	} {
		c := white(set)
		if err := c.Validate(); err != nil {
			t.Errorf("%s: %v", name, err)
			continue
		}
		stage, err := Prepare(c, c.Shapes[0], 320, 320, NewLibrary(words.NewFonts(), 64<<20))
		if err != nil {
			t.Fatal(err)
		}
		b := paint.NewBitmap(320, 320)
		stage.Painter().Draw(b, 0)
		for i, p := range b.Pix {
			if p>>24 != 255 {
				t.Errorf("%s: pixel %d is not opaque", name, i)
				break
			}
		}
	}
}
