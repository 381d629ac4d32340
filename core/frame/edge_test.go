package frame

import (
	"fmt"
	"math"
	"testing"

	"billow/core/clip"
	"billow/core/colour"
	"billow/core/edit"
	"billow/fonts"
)

// edgewise is a Tall clip, with a Wide shape, of one line of words that stands by an
// edge at 400 left or right of the middle.
func edgewise(align, text string) (*clip.Clip, *Library) {
	tall, _ := clip.StandardShape("tall")
	c := clip.New("Edge", tall, 30, 30)
	l := clip.NewWords("line", "Line", clip.KindWords, text)
	l.Words.Align, l.Words.Width = align, 0
	l.Rest.X = map[string]float64{"left": -400, "right": 400}[align]
	l.Group, l.Rest.Size = "scene", 60
	c.Layers = append(c.Layers, l)
	return c, NewLibrary(fonts.All(), 1<<20)
}

func lineOf(c *clip.Clip, shape string, lib *Library) Place {
	s, _ := c.Shape(shape)
	return Arrange(c, s, lib).Places(0, []string{"line"})[0]
}

// Whatever is written, the edge stays where it is; so it does turned, along the line.
func TestWordsStandByTheirEdge(t *testing.T) {
	for align, side := range map[string]float64{"left": -1, "right": 1} {
		for _, turn := range []float64{0, 90, 30} {
			var widths []float64
			for _, text := range []string{"Mug", "A much longer line"} {
				c, lib := edgewise(align, text)
				c.Layer("line").Rest.Turn = turn
				p := lineOf(c, "tall", lib)
				widths = append(widths, p.W)
				// The middle of the edge is half way between its two corners.
				a, b := p.Corners[0], p.Corners[3]
				if align == "right" {
					a, b = p.Corners[1], p.Corners[2]
				}
				if x, y := (a[0]+b[0])/2, (a[1]+b[1])/2; math.Abs(x-side*400) > 1e-6 || math.Abs(y) > 1e-6 {
					t.Errorf("%s, turned by %g: %q has its edge at %g,%g", align, turn, text, x, y)
				}
			}
			if widths[1] < 2*widths[0] {
				t.Errorf("the lines are %v wide", widths)
			}
		}
	}
	// In a wider shape the edge keeps its share of the frame: 400 of 500, 711 of 889.
	c, lib := edgewise("left", "Mug")
	if p := lineOf(c, "wide", lib); math.Abs(p.Corners[0][0]+400*16.0/9) > 1e-6 {
		t.Errorf("in Wide the edge is at %g", p.Corners[0][0])
	}
}

// Words that were aligned before keep their middle.
func TestWordsWithoutAnEdgeKeepTheirMiddle(t *testing.T) {
	c, lib := edgewise("left", "Mug")
	c.Layer("line").Words.ByEdge = false
	if p := lineOf(c, "tall", lib); math.Abs(p.X+400) > 1e-6 {
		t.Errorf("the middle is at %g", p.X)
	}
}

// Sized or turned by its handles, the line keeps its middle, as all layers do.
func TestHandlesKeepTheMiddleOfWordsByAnEdge(t *testing.T) {
	for _, change := range []string{`"factor":1.5`, `"turn":40`} {
		c, lib := edgewise("left", "A longer line")
		c.Layer("line").Rest.Turn = 15
		before := lineOf(c, "tall", lib)
		done, err := edit.Apply(c, []byte(fmt.Sprintf(`{"type":"handle","layer":"line","shape":"tall","anchor":[%g,%g],%s}`, before.Anchor[0], before.Anchor[1], change)))
		if err != nil {
			t.Fatal(err)
		}
		after := lineOf(done, "tall", lib)
		if math.Abs(after.X-before.X) > 0.5 || math.Abs(after.Y-before.Y) > 0.5 {
			t.Errorf("%s: the middle went from %g,%g to %g,%g", change, before.X, before.Y, after.X, after.Y)
		}
		if after.W <= before.W && after.Turn == before.Turn {
			t.Errorf("%s did nothing", change)
		}
	}
}

// Aligned otherwise, the lines stay where they are in the picture.
func TestWordsStayWhereTheyAreWhenAligned(t *testing.T) {
	c, lib := edgewise("left", "A longer line")
	c.Layer("line").Rest.Turn = 20
	before := lineOf(c, "tall", lib)
	for _, align := range []string{"centre", "right", "left"} {
		s, _ := c.Shape("tall")
		r, ok := Arrange(c, s, lib).Aligned("line", align)
		if !ok {
			t.Fatal("they are not words")
		}
		l := c.Layer("line")
		l.Rest, l.Words.Align, l.Words.ByEdge = r, align, true
		if after := lineOf(c, "tall", lib); math.Abs(after.X-before.X) > 1e-6 || math.Abs(after.Y-before.Y) > 1e-6 {
			t.Errorf("%s: the middle went from %g,%g to %g,%g", align, before.X, before.Y, after.X, after.Y)
		}
	}
}

// Letters that keys space apart spread to the right of a left edge.
func TestSpacedLettersSpreadFromTheEdge(t *testing.T) {
	c, lib := edgewise("left", "Mug")
	c.Layers[0].Backdrop.Stops = []clip.Stop{{At: 0, Colour: colour.RGB(0xFFFFFF)}}
	l := c.Layer("line")
	l.Words.Fill = colour.RGB(0xFF0000)
	l.Tracks[clip.LetterSpacing] = linear(0, v(0), 20, v(80))
	x0, _, x1, _, _ := red(draw(t, c, lib, "tall", 540, 960, 0))
	a0, _, a1, _, _ := red(draw(t, c, lib, "tall", 540, 960, 20))
	if a0 < x0-1 || a0 > x0+1 {
		t.Errorf("the edge went from %d to %d", x0, a0)
	}
	// Two gaps of 80 percent of 60 units, 0.54 pixels each, and what follows the last letter.
	if wider := float64(a1 - x1); wider < 2*0.8*60*0.54-2 || wider > 3*0.8*60*0.54+2 {
		t.Errorf("they are %g pixels wider", wider)
	}
	// The caret goes with them: before the first letter it stays at the edge.
	tall, _ := c.Shape("tall")
	stage := Arrange(c, tall, lib)
	for _, f := range []int{0, 20} {
		if x := stage.Carets("line", f)[0].Head[0]; math.Abs(x+400) > 6 {
			t.Errorf("on frame %d the first caret is at %g", f, x)
		}
	}
}
