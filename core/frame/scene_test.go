package frame

import (
	"math"
	"testing"

	"billow/core/clip"
	"billow/core/colour"
	"billow/core/motion"
	"billow/core/timing"
)

// twoScenes is a red scene of 30 frames and a blue one, each a card that covers
// the frame.
func twoScenes(t *testing.T) (*clip.Clip, *Library) {
	t.Helper()
	c, lib := block(t)
	c.Layers = c.Layers[:2]
	c.Layer("scene").Scene.Frames = 30
	c.Layers = append(c.Layers, clip.NewScene("second", "Second", clip.Scene{Frames: 30}))
	c.Fit()
	for scene, fill := range map[string]uint32{"scene": 0xFF0000, "second": 0x0000FF} {
		l := clip.NewLayer("card-"+scene, "Card", clip.KindCard)
		l.Card = &clip.Card{Form: "card", Aspect: 1, Fills: true, Fill: colour.RGB(fill)}
		l.Group = scene
		c.Layers = append(c.Layers, l)
	}
	return c, lib
}

func TestADissolveLeadsFromSceneToScene(t *testing.T) {
	c, lib := twoScenes(t)
	if a, b := middle(t, c, lib, 29), middle(t, c, lib, 30); a != 0xFF0000FF || b != 0xFFFF0000 {
		t.Errorf("with a cut there are %08x and %08x", a, b)
	}
	c.Layer("scene").Scene.Leave = clip.Leave{Kind: "dissolve", Frames: 9}
	// The second begins on frame 30; over nine frames it comes to be all of it.
	for n, share := range map[int]float64{0: 0, 29: 0, 30: 0.1, 34: 0.5, 38: 0.9, 39: 1, 59: 1} {
		p := middle(t, c, lib, n)
		if blue := float64(p>>16&255) / 255; math.Abs(blue-share) > 0.01 || p>>24 != 255 {
			t.Errorf("frame %d is %08x, want %g of blue", n, p, share)
		}
	}
	// What moves in the first goes on meanwhile.
	l := c.Layer("card-scene")
	l.Card.Fills, l.Rest.Size = false, 400
	l.Tracks[clip.Position] = motion.Track{
		{At: timing.At(0), Value: []float64{0, -600}, Ease: motion.Ease{Kind: motion.Linear}},
		{At: timing.At(40), Value: []float64{0, 600}, Ease: motion.Ease{Kind: motion.Linear}},
	}
	stage, err := Prepare(c, c.Shapes[0], 108, 192, lib)
	if err != nil {
		t.Fatal(err)
	}
	places := stage.Places(34, []string{"card-scene"})
	if len(places) != 1 || math.Abs(places[0].Y-420) > 1e-6 {
		t.Errorf("on frame 34 the first scene's card is at %+v, want 420 down", places)
	}
	// A transition that is longer than the next scene ends with it.
	c.Layer("scene").Scene.Leave.Frames = 300
	draw(t, c, lib, "tall", 108, 192, 59)
	c.Layer("scene").Scene.Leave.Kind = "explode"
	if c.Validate() == nil {
		t.Error("there is a transition explode")
	}
}

// Whatever can be done to a layer can be done to a whole scene.
func TestAWholeSceneIsFadedMovedBlurredAndDesaturated(t *testing.T) {
	c, lib := twoScenes(t)
	scene := c.Layer("scene")
	scene.Values = map[string][]float64{clip.Opacity: {50}}
	if p := middle(t, c, lib, 0); p != 0xFF7F7FFF && p != 0xFF8080FF {
		t.Errorf("at half its opacity over white it is %08x", p)
	}
	scene.Values = map[string][]float64{"saturation": {0}}
	p := middle(t, c, lib, 0)
	if r, g, b := p&255, p>>8&255, p>>16&255; r != g || g != b || r == 255 || r == 0 {
		t.Errorf("without colour it is %08x", p)
	}
	scene.Values = nil
	scene.Tracks[clip.Position] = linear(0, v(0, 0), 29, v(1000, 0))
	if p := middle(t, c, lib, 29); p != 0xFFFFFFFF {
		t.Errorf("moved out of the frame it leaves %08x", p)
	}
	// Its keys count from its beginning: moved after the other, it moves then.
	c.Layers[1], c.Layers[2] = c.Layers[2], c.Layers[1]
	c.Fit()
	if a, b := middle(t, c, lib, 30), middle(t, c, lib, 59); a != 0xFF0000FF || b != 0xFFFFFFFF {
		t.Errorf("as the second scene it begins with %08x and ends with %08x", a, b)
	}
}
