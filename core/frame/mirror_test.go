package frame

import (
	"testing"

	"billow/core/clip"
	"billow/core/paint"
)

// lopsided is a block whose left half is blue, with a red corner above on the right.
func lopsided(t *testing.T) (*clip.Clip, *Library) {
	c, lib := block(t)
	b := paint.NewBitmap(300, 300)
	for y := 50; y < 150; y++ {
		for x := 20; x < 220; x++ {
			b.Pix[y*300+x] = 0xFF00AA00
			if x < 120 {
				b.Pix[y*300+x] = 0xFF0000FF
			} else if y < 90 && x > 180 {
				b.Pix[y*300+x] = 0xFFFF2020
			}
		}
	}
	lib.AddPicture(hash, b)
	return c, lib
}

// differ counts pixels that differ by more than 2 of 255 between a picture and
// another one looked at through at.
func differ(a, b *paint.Bitmap, at func(x, y int) (int, int)) (n int) {
	for y := range a.H {
		for x := range a.W {
			mx, my := at(x, y)
			p, q := a.Pix[y*a.W+x], b.Pix[my*b.W+mx]
			for shift := 0; shift < 24; shift += 8 {
				if d := int(p>>shift&255) - int(q>>shift&255); d > 2 || d < -2 {
					n++
					break
				}
			}
		}
	}
	return n
}

func TestALayerIsMirrored(t *testing.T) {
	c, lib := lopsided(t)
	c.Light.Strength = 0
	before := draw(t, c, lib, "tall", 540, 960, 0)
	l := &c.Layers[2]
	l.Values = map[string][]float64{clip.Mirror: {-100, 100}}
	across := draw(t, c, lib, "tall", 540, 960, 0)
	if n := differ(before, across, func(x, y int) (int, int) { return 539 - x, y }); n > 0 {
		t.Errorf("mirrored left to right, %d pixels are not where they should be", n)
	}
	if n := differ(before, across, func(x, y int) (int, int) { return x, y }); n < 10000 {
		t.Errorf("only %d pixels have changed", n)
	}
	l.Values[clip.Mirror] = []float64{100, -100}
	down := draw(t, c, lib, "tall", 540, 960, 0)
	if n := differ(before, down, func(x, y int) (int, int) { return x, 959 - y }); n > 0 {
		t.Errorf("mirrored upside down, %d pixels are not where they should be", n)
	}
	// By keys it turns over: half way it is an edge.
	delete(l.Values, clip.Mirror)
	l.Tracks[clip.Mirror] = linear(0, v(100, 100), 40, v(-100, 100))
	if w := Arrange(c, c.Shapes[0], lib).Places(20, []string{"red-layer"})[0].W; w > 1 {
		t.Errorf("half way it is %.1f wide", w)
	}
	over := draw(t, c, lib, "tall", 540, 960, 40)
	if n := differ(across, over, func(x, y int) (int, int) { return x, y }); n > 0 {
		t.Errorf("turned over, %d pixels differ from mirrored", n)
	}
}
