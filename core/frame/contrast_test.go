package frame

import (
	"math"
	"testing"

	"billow/core/clip"
	"billow/core/colour"
	"billow/core/motion"
	"billow/core/timing"
)

func readableIn(t *testing.T, c *clip.Clip, lib *Library, brand ...colour.Colour) Readable {
	t.Helper()
	square, _ := c.Shape("square")
	stage, err := Prepare(c, square, 240, 240, lib)
	if err != nil {
		t.Fatal(err)
	}
	out, ok := stage.Readable("words", brand, nil)
	if !ok {
		t.Fatal("nothing was measured")
	}
	return out
}

// What counts is what is behind the letters, over the time for which they stand there: not
// what is beside them, in front of them, or there at other times.
func TestContrastIsMeasuredBehindTheLetters(t *testing.T) {
	c, lib := worded(t, "MMMM", func(l *clip.Layer) {
		l.Words.Fill, l.Rest.Size = colour.RGB(0xFFFFFF), 120
		l.To = at(90)
	})
	card := func(id string, hex uint32, w float64, from, to int) clip.Layer {
		l := clip.Draft(c, clip.KindCard, id, "", "")
		l.ID, l.Group, l.Lift = id, c.SceneAt(0).ID, 0
		l.Card.Fill, l.Card.Aspect, l.Rest.Size = colour.RGB(hex), 1, w
		l.From, l.To = timing.At(from), at(to)
		return l
	}
	// White words on white; behind them comes a card that is black, for all the time.
	words := c.Layers[len(c.Layers)-1]
	below := c.Layers[:len(c.Layers)-1]
	c.Layers = append(append(below[:len(below):len(below)], card("black", 0x000000, 900, 0, 120)), words)
	if r := readableIn(t, c, lib); r.Contrast < 20.9 || r.Wanted != 3 || r.Emphasis != 0 {
		t.Errorf("white on black has %.2f of %.1f", r.Contrast, r.Wanted)
	}
	// A grey card for a third of a second in the middle, and white ones after them and in front.
	c.Layers = append(append(below[:len(below):len(below)], card("black", 0x000000, 900, 0, 120), card("grey", 0x777777, 900, 40, 60), card("late", 0xFFFFFF, 900, 95, 120)), words, card("front", 0xFFFFFF, 900, 0, 120))
	r := readableIn(t, c, lib)
	if math.Abs(r.Contrast-4.48) > 0.02 || r.Frame < 40 || r.Frame >= 60 {
		t.Errorf("white on grey for a while has %.2f on frame %d", r.Contrast, r.Frame)
	}
	// A card that reaches under one letter alone.
	c.Layers = append(append(below[:len(below):len(below)], card("black", 0x000000, 900, 0, 120), card("small", 0xF0F0F0, 100, 0, 120)), words)
	if r := readableIn(t, c, lib); r.Contrast > 1.2 {
		t.Errorf("with something light under one letter it has %.2f", r.Contrast)
	}
}

func at(n int) *timing.Moment {
	m := timing.At(n)
	return &m
}

// Colours that are proposed can be read on every frame: measured on frames as they are
// drawn, with the proposal taken.
func TestProposedColoursCanBeReadOnEveryFrame(t *testing.T) {
	c, lib := worded(t, "Now *40%*", func(l *clip.Layer) { l.Words.Fill, l.Rest.Size = colour.RGB(0x707070), 160 })
	// The ground goes from dark green to middle grey.
	l := &c.Layers[0]
	l.Backdrop.Stops = []clip.Stop{{ID: 1, Colour: colour.RGB(0x103020)}}
	l.Tracks["colour1"] = motion.Track{
		{At: timing.At(0), Value: []float64{16, 48, 32, 255}, Ease: motion.Ease{Kind: motion.Linear}},
		{At: timing.At(119), Value: []float64{128, 128, 128, 255}, Ease: motion.Ease{Kind: motion.Linear}},
	}
	r := readableIn(t, c, lib, colour.RGB(0x20C060), colour.RGB(0xF6F0D0))
	if r.Contrast > 1.2 || r.Emphasis == 0 || len(r.Proposals) < 2 || !r.Proposals[0].Brand {
		t.Fatalf("%+v", r)
	}
	for _, p := range r.Proposals {
		for _, behind := range []colour.Colour{colour.RGB(0x103020), colour.RGB(0x707070), colour.RGB(0x7F7F7F)} {
			if got := colour.Contrast(p.Colour, behind); got < 2.95 {
				t.Errorf("%s is proposed; on %s it has %.2f", p.Colour, behind, got)
			}
		}
	}
	if r.Shade != nil && r.Shade.Opacity < 5 {
		t.Errorf("the veil is %+v", r.Shade)
	}
}

// On a plate, the plate counts.
func TestOnAPlateThePlateCounts(t *testing.T) {
	c, lib := worded(t, "Now", func(l *clip.Layer) {
		l.Words.Fill, l.Words.Plate = colour.RGB(0xFFFFFF), &clip.Plate{Kind: "pill", Fill: colour.RGB(0x767676), Room: 40}
	})
	if r := readableIn(t, c, lib); math.Abs(r.Contrast-4.54) > 0.01 {
		t.Errorf("white on a grey plate has %.2f", r.Contrast)
	}
}
