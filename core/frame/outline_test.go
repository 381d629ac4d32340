package frame

import (
	"math"
	"testing"

	"billow/core/clip"
	"billow/core/colour"
	"billow/core/motion"
	"billow/core/paint"
	"billow/core/timing"
)

// blue is the bounds of what is rather blue than red or white.
func blue(b *paint.Bitmap) (x0, y0, x1, y1 int) {
	x0, y0 = b.W, b.H
	for i, p := range b.Pix {
		if p&255 < 128 && p>>16&255 > 128 {
			x, y := i%b.W, i/b.W
			x0, y0, x1, y1 = min(x0, x), min(y0, y), max(x1, x+1), max(y1, y+1)
		}
	}
	return
}

func outlinedBlock(t *testing.T) (*clip.Clip, *Library, *clip.Layer) {
	c, lib := block(t)
	l := &c.Layers[2]
	l.Shadow = &clip.Shadow{None: true}
	still(l, clip.Outline, 20)
	l.Cutout.Outline = colour.RGB(0x0000FF)
	return c, lib, l
}

func TestACutoutHasAnOutlineAroundIt(t *testing.T) {
	c, lib, l := outlinedBlock(t)
	// The block lies from (162, 426) to (378, 534); 20 units are 10.8 pixels.
	b := draw(t, c, lib, "tall", 540, 960, 0)
	lies(t, b, 162, 426, 378, 534)
	around := func(what string, b *paint.Bitmap, by float64) {
		t.Helper()
		x0, y0, x1, y1 := blue(b)
		for i, d := range []float64{162 - float64(x0), 426 - float64(y0), float64(x1) - 378, float64(y1) - 534} {
			if math.Abs(d-by) > 1.01 {
				t.Errorf("%s: on side %d the outline reaches out by %g, want %g", what, i, d, by)
			}
		}
	}
	around("at rest", b, 10.8)
	l.Tracks[clip.Outline] = linear(0, v(0), 20, v(40))
	around("growing", draw(t, c, lib, "tall", 540, 960, 15), 16.2)
	l.Tracks[clip.Scale] = linear(0, v(50))
	x0, _, x1, _ := blue(draw(t, c, lib, "tall", 540, 960, 20))
	if math.Abs(float64(x1-x0)-(108+2*10.8)) > 2 {
		t.Errorf("at half the size it is %d pixels wide with its outline", x1-x0)
	}
}

func TestJustOutsideIsOutsideWithTheOutline(t *testing.T) {
	c, lib, l := outlinedBlock(t)
	l.Tracks[clip.Position] = motion.Track{{At: timing.At(0), Value: v(0, 0), Off: "left", Ease: motion.Ease{Kind: motion.Linear}}}
	if x0, _, x1, _ := blue(draw(t, c, lib, "tall", 540, 960, 0)); x1 > x0 {
		t.Errorf("the outline is seen from %d to %d", x0, x1)
	}
	s := Arrange(c, c.Shapes[0], lib)
	p, _ := s.place(s.byID["red-layer"], 0)
	// 400 wide and 20 around: its middle is 220 units and the one of grace beyond -500.
	if math.Abs(p.X+721) > 0.01 {
		t.Errorf("its middle is at %g", p.X)
	}
}
