package frame

import (
	"math"
	"testing"

	"billow/core/clip"
	"billow/core/colour"
)

// A pattern covers so much of the frame as its figures do, with one of them in
// the middle, and moves and takes colours like any layer.
func TestAPatternIsAGridOfFigures(t *testing.T) {
	c, lib := block(t)
	l := clip.Draft(c, clip.KindPattern, "", "", "")
	l.Pattern.Fill, l.Pattern.Apart, l.Pattern.Size = colour.RGB(0xFF0000), 100, 50
	c.Layers[2] = l
	// Discs of a quarter of pi of the square of half the distance: 19.6 percent.
	b := draw(t, c, lib, "tall", 540, 960, 0)
	_, _, _, _, n := red(b)
	if share, want := float64(n)/540/960, math.Pi/16; math.Abs(share-want) > 0.01 {
		t.Errorf("%.3f of the frame is covered, want %.3f", share, want)
	}
	if p := b.Pix[480*540+270]; p != 0xFF0000FF {
		t.Errorf("in the middle there is %08x", p)
	}
	// Every other row lies half a step aside: 54 pixels down and none aside there
	// is the gap between two.
	if p := b.Pix[(480+54)*540+270]; p != 0xFFFFFFFF {
		t.Errorf("in the next row there is %08x", p)
	}
	c.Layers[2].Pattern.Form, c.Layers[2].Pattern.Size = "card", 100
	c.Layers[2].Tracks[clip.FillColour] = linear(0, v(255, 0, 0, 255))
	if _, _, _, _, n := red(draw(t, c, lib, "wide", 480, 270, 0)); float64(n) < 0.95*480*270 {
		t.Errorf("cards that touch each other cover %d pixels", n)
	}
	c.Layers[2].Pattern.Apart = 1
	if c.Validate() == nil {
		t.Error("a pattern of a million figures passed")
	}
}
