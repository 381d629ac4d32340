package frame

import (
	"math"
	"testing"

	"billow/core/clip"
	"billow/core/words"
)

// Pinned to a corner, a turned layer lies inside, with all of its bounds within the
// safe area and touching it on both sides.
func TestPinnedLayersLieInside(t *testing.T) {
	tall, _ := clip.StandardShape("tall")
	c := clip.New("Pinned", tall, 30, 30)
	l := clip.NewLayer("card", "Card", clip.KindCard)
	l.Card = &clip.Card{Form: "card", Aspect: 2}
	l.Group, l.Rest = "scene", clip.Rest{Pin: "centre", Size: 200, Turn: 30}
	c.Layers = append(c.Layers, l)
	lib := NewLibrary(words.NewFonts(), 1<<20)
	for pin, side := range map[string][2]float64{"topLeft": {-1, -1}, "bottomRight": {1, 1}, "right": {1, 0}, "centre": {0, 0}} {
		r, ok := Arrange(c, tall, lib).Pinned("card", pin)
		if !ok {
			t.Fatal("it cannot be pinned")
		}
		d := c.Clone()
		d.Layer("card").Rest = r
		at := Arrange(d, tall, lib).Places(0, []string{"card"})[0]
		for axis, half := range []float64{500, 500 * 16.0 / 9} {
			far := 0.0
			for _, k := range at.Corners {
				far = max(far, side[axis]*k[axis])
			}
			if side[axis] == 0 {
				if math.Abs([]float64{at.X, at.Y}[axis]) > 1e-6 {
					t.Errorf("%s: on axis %d it is at %g", pin, axis, []float64{at.X, at.Y}[axis])
				}
			} else if want := 0.9 * half; math.Abs(far-want) > 1e-6 {
				t.Errorf("%s: on axis %d it reaches %g, want %g", pin, axis, far, want)
			}
		}
	}
	if _, ok := Arrange(c, tall, lib).Pinned("backdrop", "left"); ok {
		t.Error("a backdrop is pinned")
	}
}
