package frame

import (
	"testing"

	"billow/core/clip"
	"billow/core/colour"
	"billow/core/motion"
	"billow/core/timing"
	"billow/core/words"
)

// The fullest frame is the first on which all that comes is there.
func TestThePosterIsTheFullestFrameUntilOneIsPicked(t *testing.T) {
	tall, _ := clip.StandardShape("tall")
	c := clip.New("Filling", tall, 30, 120)
	for i, at := range []int{20, 50} {
		l := clip.NewLayer([]string{"first", "second"}[i], "Card", clip.KindCard)
		l.Card = &clip.Card{Form: "card", Aspect: 1, Fill: colour.RGB(0xC8922E)}
		l.Rest.Size = 300
		l.Tracks[clip.Opacity] = motion.Track{
			{At: timing.At(at - 10), Value: []float64{0}, Ease: motion.Ease{Kind: motion.Linear}},
			{At: timing.At(at), Value: []float64{100}, Ease: motion.Ease{Kind: motion.Linear}},
			{At: timing.At(100), Value: []float64{100}, Ease: motion.Ease{Kind: motion.Linear}},
			{At: timing.At(110), Value: []float64{0}},
		}
		c.Layers = append(c.Layers, l)
	}
	lib := NewLibrary(words.NewFonts(), 1<<20)
	// Two percent of both are four of the second, whose last tenth takes a frame.
	if got := PosterFrame(c, lib); got != 50 {
		t.Errorf("the fullest frame is %d, want 50", got)
	}
	c.Layer("second").Rest.X = 2000 // it never comes into the frame
	if got := PosterFrame(c, lib); got != 20 {
		t.Errorf("without the second one it is %d, want 20", got)
	}
	c.Poster = new(timing.At(7))
	if got := PosterFrame(c, lib); got != 7 {
		t.Errorf("the one that was picked is %d, want 7", got)
	}
	if got := PosterFrame(clip.New("Empty", tall, 30, 120), lib); got != 0 {
		t.Errorf("of an empty clip it is %d", got)
	}
}
