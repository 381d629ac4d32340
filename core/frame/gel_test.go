package frame

import (
	"testing"

	"billow/core/clip"
	"billow/core/colour"
	"billow/core/motion"
	"billow/core/paint"
	"billow/core/timing"
)

// gelled is red on the left and blue on the right, with a green card of 200 units in the middle that lies
// in a group with what is put there, and layers over all.
func gelled(t *testing.T, within, over []clip.Layer) (*clip.Clip, *Library) {
	t.Helper()
	c, lib := sceneOf(t, "square", clip.KindPhoto, func(l *clip.Layer) { l.Cutout.Covering.Fit = "fill" })
	group := clip.Draft(c, clip.KindGroup, "Group", "", "")
	group.ID = "together"
	card := clip.Draft(c, clip.KindCard, "Card", "", "")
	card.ID, card.Group, card.Card.Fill, card.Card.Outline, card.Rest.Size, card.Card.Aspect = "card", group.ID, colour.RGB(0x00C000), colour.Colour{}, 200, 1
	card.Card.Form, card.Shadow = "card", &clip.Shadow{None: true}
	c.Layers = append(c.Layers, group, card)
	for _, l := range within {
		l.Group = group.ID
		c.Layers = append(c.Layers, l)
	}
	c.Layers = append(c.Layers, over...)
	return c, lib
}

func gelOf(values map[string][]float64) clip.Layer {
	l := clip.NewLayer("gel", "Gel", clip.KindGel)
	l.Gel, l.Values = &clip.Gel{}, values
	return l
}

// colours are those on the left, in the middle and on the right of a square of 200 pixels.
func colours(b *paint.Bitmap) [3]uint32 {
	return [3]uint32{b.Pix[100*200+20], b.Pix[100*200+100], b.Pix[100*200+180]}
}

func TestAGelChangesAllThatLiesBeneathIt(t *testing.T) {
	negative := gelOf(map[string][]float64{"invert": {100}})
	c, lib := gelled(t, nil, []clip.Layer{negative})
	if got, want := colours(draw(t, c, lib, "square", 200, 200, 0)), [3]uint32{0xFFFFFF00, 0xFFFF3FFF, 0xFF00FFFF}; got != want {
		t.Errorf("over all it gives %08x, not %08x", got, want)
	}
	c, lib = gelled(t, []clip.Layer{negative}, nil)
	if got, want := colours(draw(t, c, lib, "square", 200, 200, 0)), [3]uint32{0xFF0000FF, 0xFFFF3FFF, 0xFFFF0000}; got != want {
		t.Errorf("in a group it gives %08x, not %08x", got, want)
	}
	// What lies above it stays as it is.
	c, lib = gelled(t, nil, []clip.Layer{negative})
	last := len(c.Layers) - 1
	c.Layers[last], c.Layers[last-1] = c.Layers[last-1], c.Layers[last]
	c.Layers[last].Group = ""
	if got := colours(draw(t, c, lib, "square", 200, 200, 0)); got[1] != 0xFF00C000 || got[0] != 0xFFFFFF00 {
		t.Errorf("beneath the card it gives %08x", got)
	}
}

func TestAGelIsFaintAndMasked(t *testing.T) {
	half := gelOf(map[string][]float64{"invert": {100}, clip.Opacity: {50}})
	c, lib := gelled(t, nil, []clip.Layer{half})
	for i, p := range colours(draw(t, c, lib, "square", 200, 200, 0)) {
		if i == 1 {
			continue
		}
		for s := 0; s < 24; s += 8 {
			if v := p >> s & 255; v < 126 || v > 129 {
				t.Errorf("half of a negative is %08x", p)
			}
		}
	}
	masked := gelOf(map[string][]float64{"invert": {100}})
	masked.Masks = []clip.Mask{{ID: 1, Form: "card", Mode: "add", X: -400, W: 200, H: 900}}
	c, lib = gelled(t, nil, []clip.Layer{masked})
	if got := colours(draw(t, c, lib, "square", 200, 200, 0)); got != [3]uint32{0xFFFFFF00, 0xFF00C000, 0xFFFF0000} {
		t.Errorf("masked on the left it gives %08x", got)
	}
	multiplied := gelOf(map[string][]float64{"saturation": {100}, "exposure": {0.01}})
	multiplied.Blend = "difference"
	c, lib = gelled(t, nil, []clip.Layer{multiplied})
	if got := colours(draw(t, c, lib, "square", 200, 200, 0)); got[0]&0xFFFFFF > 0x020202 {
		t.Errorf("its difference from itself is %08x", got)
	}
}

// Blurred, the frame's edge does not become dark, and a seam is softened.
func TestAGelBlursTheFrameToItsEdges(t *testing.T) {
	c, lib := gelled(t, nil, []clip.Layer{gelOf(map[string][]float64{"blur": {30}})})
	b := draw(t, c, lib, "square", 200, 200, 0)
	for _, i := range []int{0, 199, 199 * 200, 200*200 - 1, 100 * 200} {
		if b.Pix[i]>>24 != 255 {
			t.Errorf("pixel %d is %08x", i, b.Pix[i])
		}
	}
	if p := b.Pix[5*200+2]; p&255 < 250 || p>>16&255 > 5 {
		t.Errorf("at the edge red is %08x", p)
	}
	if p := b.Pix[5*200+100]; p&255 < 100 || p&255 > 155 || p>>16&255 < 100 {
		t.Errorf("on the seam there is %08x", p)
	}
}

// A gel that moves on and one that stands still give what is drawn anew.
func TestFramesUnderAGelDependOnNothingBefore(t *testing.T) {
	gel := gelOf(map[string][]float64{"blur": {6}})
	gel.Tracks = map[string]motion.Track{"invert": {{At: timing.At(0), Value: []float64{0}, Ease: motion.Ease{Kind: motion.Linear}}, {At: timing.At(10), Value: []float64{100}, Ease: motion.Ease{Kind: motion.Linear}}}}
	c, lib := gelled(t, []clip.Layer{gel}, nil)
	c.Layers[2].Tracks = map[string]motion.Track{clip.Position: {{At: timing.At(5), Value: []float64{0, 0}, Ease: motion.Ease{Kind: motion.Linear}}, {At: timing.At(15), Value: []float64{200, 0}, Ease: motion.Ease{Kind: motion.Linear}}}}
	square, _ := clip.StandardShape("square")
	s, err := Prepare(c, square, 200, 200, lib)
	if err != nil {
		t.Fatal(err)
	}
	p, on := s.Painter(), paint.NewBitmap(200, 200)
	for _, n := range []int{0, 1, 2, 9, 10, 11, 12, 20, 21, 3} {
		p.Draw(on, n)
		fresh := draw(t, c, lib, "square", 200, 200, n)
		for i, v := range on.Pix {
			if v != fresh.Pix[i] {
				t.Fatalf("frame %d: pixel %d is %08x, drawn by itself %08x", n, i, v, fresh.Pix[i])
			}
		}
	}
}

// A gel that is kept to a layer changes what that covers, however clear it is, and nothing else; a layer that
// does not show covers nothing.
func TestAGelOfGlass(t *testing.T) {
	pane := func(opacity float64, until int) clip.Layer {
		l := clip.NewLayer("pane", "Pane", clip.KindCard)
		l.Card = &clip.Card{Form: "card", Aspect: 1, Fill: colour.RGB(0xFFFFFF)}
		l.Rest = clip.Rest{Pin: "centre", X: -400, Size: 120}
		l.Shadow = &clip.Shadow{None: true}
		l.Values = map[string][]float64{clip.Opacity: {opacity}}
		if until > 0 {
			end := timing.At(until)
			l.To = &end
		}
		return l
	}
	gel := gelOf(map[string][]float64{"invert": {100}})
	gel.Gel.Where = "pane"
	// The pane lies over what it bends, and is so clear that it is hardly seen.
	c, lib := gelled(t, nil, []clip.Layer{gel, pane(25, 0)})
	got := colours(draw(t, c, lib, "square", 200, 200, 0))
	if got[1] != 0xFF00C000 || got[2] != 0xFFFF0000 {
		t.Errorf("beside the pane it gives %08x", got)
	}
	if p := got[0]; p&255 > 70 || p>>8&255 < 250 || p>>16&255 < 250 {
		t.Errorf("a quarter of white over the negative of red is %08x", p)
	}
	c, lib = gelled(t, nil, []clip.Layer{gel, pane(25, 1)})
	if got := colours(draw(t, c, lib, "square", 200, 200, 5)); got[0] != 0xFF0000FF {
		t.Errorf("when the pane is gone it gives %08x", got)
	}
}
