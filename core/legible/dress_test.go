package legible

import (
	"testing"

	"billow/core/clip"
	"billow/core/colour"
	"billow/core/timing"
)

// New words can be read on a plain ground, dark or light, that fills the frame where they begin.
func TestNewWordsCanBeRead(t *testing.T) {
	c := clip.New("Sale", clip.Shape{ID: "square", W: 1080, H: 1080}, 30, 120)
	night, paper := colour.RGB(0x12202A), colour.RGB(0xFBF8F1)
	dress := func(from int) *clip.Words {
		l := clip.Draft(c, clip.KindWords, "", "", "")
		l.From = timing.At(from)
		Dress(c, &l)
		return l.Words
	}
	fill := func(l *clip.Layer, hex colour.Colour) {
		l.Backdrop.Stops = []clip.Stop{{At: 0, Colour: hex}, {At: 100, Colour: hex}}
	}
	fill(&c.Layers[0], night)
	dark := clip.Draft(c, clip.KindBackdrop, "", "", "")
	dark.From = timing.At(60)
	fill(&dark, paper)
	c.Layers = append(c.Layers, dark)
	for from, ground := range map[int]colour.Colour{0: night, 59: night, 60: paper} {
		w := dress(from)
		if r := colour.Contrast(w.Fill, ground); r < 7 {
			t.Errorf("words that begin on frame %d differ from their ground by %.1f", from, r)
		}
		if r := colour.Contrast(w.EmphasisFill, ground); r < 3 {
			t.Errorf("emphasis from frame %d on differs from its ground by %.1f", from, r)
		}
	}
	// What is hidden is no ground.
	c.Layers[len(c.Layers)-1].Hidden = true
	if r := colour.Contrast(dress(60).Fill, night); r < 7 {
		t.Errorf("on what shows behind a hidden backdrop they differ by %.1f", r)
	}
	// A badge has its ground with it.
	badge := clip.Draft(c, clip.KindBadge, "", "", "")
	before := badge.Words.Fill
	if Dress(c, &badge); badge.Words.Fill != before {
		t.Error("a badge changes its colours for what is behind its plate")
	}
}
