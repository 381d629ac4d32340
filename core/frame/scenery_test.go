package frame

import (
	"testing"

	"billow/core/clip"
	"billow/core/colour"
	"billow/core/paint"
	"billow/core/words"
)

// scene is a clip with one layer of a kind that covers the frame, and a picture of 400 by 200
// pixels at hand: left of its middle red, right of it blue.
func sceneOf(t *testing.T, shape, kind string, set func(l *clip.Layer)) (*clip.Clip, *Library) {
	t.Helper()
	s, _ := clip.StandardShape(shape)
	c := clip.New("Scenery", s, 30, 120)
	b := paint.NewBitmap(400, 200)
	for i := range b.Pix {
		b.Pix[i] = 0xFF0000FF
		if i%400 >= 200 {
			b.Pix[i] = 0xFFFF0000
		}
	}
	lib := NewLibrary(words.NewFonts(), 64<<20)
	lib.AddPicture(hash, b)
	c.Props = []clip.Prop{{ID: "photo", Name: "Photo", Kind: clip.KindCutout, Hash: hash, Media: "image/png", Picture: &clip.Picture{W: 400, H: 200, Visible: [4]int{0, 0, 400, 200}, Area: 1}}}
	l := clip.Draft(c, kind, "Scenery", "photo", "")
	set(&l)
	c.Layers = append(c.Layers, l)
	return c, lib
}

// hue tells whether a pixel is red, blue, or neither.
func hue(p uint32) string {
	switch r, b := p&255, p>>16&255; {
	case r > 200 && b < 60:
		return "red"
	case b > 200 && r < 60:
		return "blue"
	}
	return "neither"
}

func TestAPictureCoversTheFrameAboutItsPlaceOfInterest(t *testing.T) {
	at := func(x float64, fit string) *paint.Bitmap {
		c, lib := sceneOf(t, "square", clip.KindPhoto, func(l *clip.Layer) { l.Cutout.Covering.X, l.Cutout.Covering.Fit = x, fit })
		return draw(t, c, lib, "square", 200, 200, 0)
	}
	// The picture is as high as the frame and twice as wide. Its seam is in the middle.
	if b := at(0, "fill"); hue(b.Pix[100*200+80]) != "red" || hue(b.Pix[100*200+120]) != "blue" {
		t.Error("the middle of the picture is not in the middle of the frame")
	}
	// A quarter to the left of it, the seam comes to the right edge.
	if b := at(-25, "fill"); hue(b.Pix[100*200+190]) != "red" || hue(b.Pix[3*200+3]) != "red" {
		t.Error("the place of interest is not in the middle")
	}
	// At the very edge it cannot be in the middle: the frame stays covered.
	for _, x := range []float64{-50, 50} {
		for i, p := range at(x, "fill").Pix {
			if hue(p) == "neither" && i%200 > 1 && i%200 < 198 {
				t.Fatalf("with the place of interest at %g the frame is not covered at %d,%d", x, i%200, i/200)
			}
		}
	}
	// All of it: as wide as the frame, with half of that free above and below.
	b := at(0, "fit")
	if hue(b.Pix[100*200+10]) != "red" || hue(b.Pix[100*200+190]) != "blue" || hue(b.Pix[40*200+100]) != "neither" || hue(b.Pix[160*200+20]) != "neither" {
		t.Error("a picture that is shown as a whole does not lie in the middle")
	}
}

func TestAPictureIsZoomedAboutItsPlaceOfInterestAndPanned(t *testing.T) {
	c, lib := sceneOf(t, "square", clip.KindPhoto, func(l *clip.Layer) {
		l.Values = map[string][]float64{clip.Zoom: {200}, clip.Pan: {20, 0}}
	})
	b := draw(t, c, lib, "square", 200, 200, 0)
	// A fifth of the frame to the right.
	if hue(b.Pix[100*200+136]) != "red" || hue(b.Pix[100*200+144]) != "blue" {
		t.Error("the seam is not a fifth to the right")
	}
}

func TestTilesHaveNoSeams(t *testing.T) {
	for _, zoom := range []float64{100, 10, 37.3, 171.7} {
		c, lib := sceneOf(t, "square", clip.KindPhoto, func(l *clip.Layer) {
			l.Cutout.Covering.Fit, l.Cutout.Covering.Side = "tile", 333
			l.Values = map[string][]float64{clip.Zoom: {zoom}, clip.Pan: {3.3, 1.7}}
		})
		even := paint.NewBitmap(400, 200)
		even.Fill(0xFF40C080)
		lib.AddPicture(hash, even)
		b := draw(t, c, lib, "square", 300, 300, 0)
		for i, p := range b.Pix {
			if apart := int(p>>8&255) - 0xC0; apart < -1 || apart > 1 || p>>24 != 255 {
				t.Fatalf("at %g percent there is a seam at %d,%d: %08x", zoom, i%300, i/300, p)
			}
		}
	}
	// The picture is half of one colour: so is what it is laid over.
	c, lib := sceneOf(t, "square", clip.KindPhoto, func(l *clip.Layer) {
		l.Cutout.Covering.Fit, l.Cutout.Covering.Side = "tile", 200
	})
	b := draw(t, c, lib, "square", 1000, 1000, 0)
	for x, want := range map[int]string{500 - 50: "red", 500 + 50: "blue", 500 + 150: "red", 500 - 150: "blue", 500 + 250: "blue"} {
		if got := hue(b.Pix[500*1000+x]); got != want {
			t.Errorf("at %d it is %s, not %s", x, got, want)
		}
	}
}

func TestATintKeepsLightAndDark(t *testing.T) {
	c, lib := sceneOf(t, "square", clip.KindPhoto, func(l *clip.Layer) {
		l.Cutout.Covering.Tint = colour.RGB(0x808000)
		l.Values = map[string][]float64{clip.Tint: {100}}
	})
	b := draw(t, c, lib, "square", 200, 200, 0)
	// Red has a luminosity of 0.3 (W3C Compositing), so has what it becomes.
	p := b.Pix[100*200+20]
	r, g, bl := float64(p&255), float64(p>>8&255), float64(p>>16&255)
	if lum := 0.3*r + 0.59*g + 0.11*bl; lum < 74 || lum > 79 {
		t.Errorf("%08x has a luminosity of %.1f, not 76.5", p, lum)
	}
	if r != g || bl > 5 {
		t.Errorf("%08x has not the colour of the tint", p)
	}
}

func TestABackdropOpensInTwoHalves(t *testing.T) {
	for _, turn := range []float64{0, 90} {
		c, lib := sceneOf(t, "square", clip.KindFloor, func(l *clip.Layer) {
			l.Floor.Wall, l.Floor.Ground, l.Floor.Glow = colour.RGB(0xFF0000), colour.RGB(0xFF0000), 0
			l.Values = map[string][]float64{clip.Open: {400}, clip.OpenTurn: {turn}}
		})
		c.Layer("backdrop").Backdrop.Stops = []clip.Stop{{Colour: colour.RGB(0x0000FF)}}
		b := draw(t, c, lib, "square", 200, 200, 0)
		at := func(along, across int) string {
			if turn == 0 {
				return hue(b.Pix[across*200+along])
			}
			return hue(b.Pix[along*200+across])
		}
		// 400 of 1000 units in the middle show what lies behind.
		for along, want := range map[int]string{20: "red", 58: "red", 62: "blue", 100: "blue", 138: "blue", 142: "red", 180: "red"} {
			if got := at(along, 30); got != want {
				t.Errorf("turned by %g, at %d it is %s, not %s", turn, along, got, want)
			}
		}
	}
}
