package frame

import (
	"math"
	"testing"

	"billow/core/clip"
)

// The block is 400 by 200 units, 216 by 108 pixels about (270, 480).

// A disc shows a disc of it, a second one that subtracts leaves a ring.
func TestMasksShowPartsOfALayer(t *testing.T) {
	c, lib := block(t)
	l := &c.Layers[2]
	l.Masks = []clip.Mask{{ID: 1, Form: "disc", W: 160, H: 160}}
	b := draw(t, c, lib, "tall", 540, 960, 0)
	_, _, _, _, n := red(b)
	if want := math.Pi * 80 * 80 * 0.54 * 0.54; math.Abs(float64(n)-want) > 0.02*want {
		t.Errorf("%d pixels show, want %.0f", n, want)
	}
	lies(t, b, 270-43.2, 480-43.2, 270+43.2, 480+43.2)
	l.Masks = append(l.Masks, clip.Mask{ID: 2, Form: "disc", Mode: "subtract", W: 80, H: 80})
	_, _, _, _, n = red(draw(t, c, lib, "tall", 540, 960, 0))
	if want := math.Pi * (80*80 - 40*40) * 0.54 * 0.54; math.Abs(float64(n)-want) > 0.02*want {
		t.Errorf("of the ring %d pixels show, want %.0f", n, want)
	}
	l.Masks[1].Mode = "intersect"
	_, _, _, _, n = red(draw(t, c, lib, "tall", 540, 960, 0))
	if want := math.Pi * 40 * 40 * 0.54 * 0.54; math.Abs(float64(n)-want) > 0.03*want {
		t.Errorf("of both %d pixels show, want %.0f", n, want)
	}
	l.Masks = []clip.Mask{{ID: 1, Form: "card", W: 200, H: 100, Invert: true}}
	_, _, _, _, n = red(draw(t, c, lib, "tall", 540, 960, 0))
	if want := (400*200 - 200*100) * 0.54 * 0.54; math.Abs(float64(n)-want) > 0.01*want {
		t.Errorf("around it %d pixels show, want %.0f", n, want)
	}
}

// A line shows what is below it, as it is turned; it and the mask move with the layer.
func TestALineMaskTurnsAndMovesWithItsLayer(t *testing.T) {
	c, lib := block(t)
	l := &c.Layers[2]
	l.Masks = []clip.Mask{{ID: 1, Form: "line", Y: 20}}
	lies(t, draw(t, c, lib, "tall", 540, 960, 0), 162, 480+10.8, 378, 534)
	l.Masks[0] = clip.Mask{ID: 1, Form: "line", X: 50, Turn: 90} // below is to the left then
	lies(t, draw(t, c, lib, "tall", 540, 960, 0), 162, 426, 270+27, 534)
	l.Tracks[clip.Position] = linear(0, v(100, 0))
	lies(t, draw(t, c, lib, "tall", 540, 960, 0), 162+54, 426, 270+27+54, 534)
}

// Its numbers have keys: a window that opens.
func TestMasksHaveKeys(t *testing.T) {
	c, lib := block(t)
	l := &c.Layers[2]
	l.Masks = []clip.Mask{{ID: 3, Form: "card", W: 10, H: 400}}
	l.Tracks["maskSize3"] = linear(0, v(0, 400), 20, v(200, 400))
	if _, _, _, _, n := red(draw(t, c, lib, "tall", 540, 960, 0)); n != 0 {
		t.Errorf("closed, %d pixels show", n)
	}
	lies(t, draw(t, c, lib, "tall", 540, 960, 10), 270-27, 426, 270+27, 534)
	l.Tracks["maskExpand3"] = linear(0, v(20))
	lies(t, draw(t, c, lib, "tall", 540, 960, 10), 270-37.8, 426, 270+37.8, 534)
}

// A feathered edge is half way where the edge is, and as soft as a Gaussian.
func TestAFeatheredMaskIsSoft(t *testing.T) {
	c, lib := block(t)
	c.Layers[2].Masks = []clip.Mask{{ID: 1, Form: "line", Turn: 90, Feather: 40}}
	b := draw(t, c, lib, "tall", 540, 960, 0)
	for x, want := range map[int]float64{270: 0.5, 270 - 22: 0.841, 270 + 22: 0.159, 270 - 43: 0.977} {
		// 40 units are 21.6 pixels: one standard deviation covers 0.841.
		if got := 1 - float64(b.Pix[480*540+x]>>8&255)/255; math.Abs(got-want) > 0.03 {
			t.Errorf("at %d it covers %.3f, want %.3f", x, got, want)
		}
	}
}

// A group is masked as a whole, and its shadow follows what is left.
func TestAGroupIsMasked(t *testing.T) {
	c, lib := block(t)
	g := clip.NewGroup("group", "Group")
	g.Masks = []clip.Mask{{ID: 1, Form: "disc", W: 100, H: 100}}
	c.Layers = append(c.Layers, g)
	c.Layers[2].Group = "group"
	c.Layers[2].Lift = 0
	if err := c.Validate(); err != nil {
		t.Fatal(err)
	}
	b := draw(t, c, lib, "tall", 540, 960, 0)
	lies(t, b, 270-27, 480-27, 270+27, 480+27)
	c.Layers[3].Lift, c.Light.Softness, c.Light.Direction = 60, 0, -90
	b = draw(t, c, lib, "tall", 540, 960, 0)
	// From the left the shadow falls to the right, by 60/tan(50°) units, 27 pixels: it
	// ends 54 pixels from the middle.
	if left, right := b.Pix[480*540+200]>>8&255, b.Pix[480*540+270+45]>>8&255; left != 255 || right > 240 {
		t.Errorf("on the left it is %d, where its shadow falls %d", left, right)
	}
}

// A mask that was drawn shows what it goes around; its expansion moves its edge out or in evenly.
func TestAMaskIsDrawnAroundAPart(t *testing.T) {
	diamond := &clip.DrawnPath{Closed: true}
	for i, at := range [][2]float64{{0, -50}, {50, 0}, {0, 50}, {-50, 0}} {
		diamond.Points = append(diamond.Points, clip.PathPoint{ID: i + 1, X: at[0], Y: at[1]})
	}
	with := func(expand, feather float64) func(x, y int) bool {
		return lit(t, repeatedCard(func(_ *clip.Clip, l *clip.Layer) {
			l.Repeat, l.Values, l.Rest.Size = nil, nil, 800
			l.Masks = []clip.Mask{{ID: 1, Form: "path", X: 100, W: 400, H: 400, Expand: expand, Feather: feather, Path: diamond}}
		}), 0)
	}
	// Its sides lie 200/√2 = 141 from its middle, which is 100 to the right.
	for _, at := range []struct {
		expand float64
		inside int // from the middle, along a diagonal
	}{{0, 141}, {40, 181}, {-40, 101}} {
		white := with(at.expand, 0)
		d := int(float64(at.inside) / 1.4142)
		if !white(100+d-4, d-4) || white(100+d+4, d+4) || !white(100-d+4, -d+4) || white(100-d-4, -d-4) {
			t.Errorf("expanded by %g it does not end %d from its middle", at.expand, at.inside)
		}
	}
	if soft := with(0, 30); !soft(100, 0) || soft(100+140, 140) {
		t.Error("a soft one does not show its middle alone")
	}
}

// A mask that stands still is a window past which its layer, or its group, moves, turns and
// grows.
func TestAMaskStandsStillWhileItsLayerMoves(t *testing.T) {
	for name, in := range map[string]bool{"a layer": false, "a group": true} {
		c, lib := block(t)
		l := &c.Layers[2]
		if in {
			g := clip.NewGroup("g", "Group")
			g.Group = l.Group
			l.Group = "g"
			c.Layers = append(c.Layers, g)
			l = c.Layer("g")
		}
		// The block lies from -200 to 200, -100 to 100; the window from -50 to 50, -40 to 40.
		l.Masks = []clip.Mask{{ID: 1, Form: "card", W: 100, H: 80, Still: true}}
		l.Tracks[clip.Position] = linear(0, v(0, 0), 10, v(180, 0), 20, v(0, 0))
		l.Tracks[clip.Scale] = linear(10, v(100, 100), 20, v(200, 200))
		t.Log(name)
		lies(t, draw(t, c, lib, "tall", 540, 960, 0), 270-27, 480-21.6, 270+27, 480+21.6)
		lies(t, draw(t, c, lib, "tall", 540, 960, 10), 270-10.8, 480-21.6, 270+27, 480+21.6) // its left edge is at -20
		lies(t, draw(t, c, lib, "tall", 540, 960, 20), 270-27, 480-21.6, 270+27, 480+21.6)
	}
}
