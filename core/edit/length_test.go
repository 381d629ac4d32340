package edit

import (
	"reflect"
	"strings"
	"testing"

	"billow/core/clip"
	"billow/core/motion"
	"billow/core/timing"
)

// long is a clip of two scenes of five seconds, a product in each, and a line
// over both that is keyed at 2 s and at 9 s.
func long(t *testing.T) *clip.Clip {
	c := do(t, sample(), `{"type":"trimScene","scene":"scene","length":{"frames":150}}`)
	c = do(t, c, `{"type":"addScene","id":"second","name":"Second","after":"scene","scene":{"frames":150}}`)
	l := clip.Draft(c, clip.KindWords, "", "", "")
	l.ID, l.Name = "line", "Line"
	l.Tracks[clip.Opacity] = motion.Track{
		{At: timing.At(60), Value: []float64{0}, Ease: motion.Ease{Kind: motion.Linear}},
		{At: timing.At(270), Value: []float64{100}, Ease: motion.Ease{Kind: motion.Linear}},
	}
	c.Layers = append(c.Layers, l)
	if err := c.Validate(); err != nil || c.Length != 300 {
		t.Fatalf("the clip lasts %d frames: %v", c.Length, err)
	}
	return c
}

func opacityFrames(c *clip.Clip, layer string) []int {
	var out []int
	l := c.Layer(layer)
	for _, k := range l.Tracks[clip.Opacity] {
		out = append(out, c.ClockOf(l).Frame(k.At))
	}
	return out
}

func TestWhatLiesPastANewEndIsNamed(t *testing.T) {
	c := long(t)
	if got, want := WouldLiePast(c, 240), (PastEnd{Scenes: []string{}, Layers: []string{"Line"}, Keys: 1}); !reflect.DeepEqual(got, want) {
		t.Errorf("at eight seconds %+v would lie past the end, want %+v", got, want)
	}
	if got := WouldLiePast(c, 150); !reflect.DeepEqual(got.Scenes, []string{"Second"}) {
		t.Errorf("at five seconds %+v would lie past the end", got)
	}
	if got := WouldLiePast(c, 280); got.Keys != 0 || len(got.Layers) > 0 || len(got.Scenes) > 0 {
		t.Errorf("past the last key %+v would lie past the end", got)
	}
}

func TestAClipIsMadeShorterWithItsKeysOrWithoutThem(t *testing.T) {
	c := long(t)
	refused(t, c, `{"type":"setClip","length":240}`, "")
	refused(t, c, `{"type":"setClip","length":240,"past":"burn"}`, "past")
	in := do(t, c, `{"type":"setClip","length":240,"past":"bring"}`)
	if got := opacityFrames(in, "line"); in.Length != 240 || !reflect.DeepEqual(got, []int{60, 239}) {
		t.Errorf("brought in, the keys lie on %v of %d", got, in.Length)
	}
	off := do(t, c, `{"type":"setClip","length":240,"past":"cut"}`)
	if got := opacityFrames(off, "line"); off.Length != 240 || !reflect.DeepEqual(got, []int{60}) {
		t.Errorf("cut off, the keys lie on %v of %d", got, off.Length)
	}
}

func TestAScenePastANewEndIsOnlyCutOffWhenAsked(t *testing.T) {
	c := long(t)
	refused(t, c, `{"type":"setClip","length":100}`, "length")
	refused(t, c, `{"type":"setClip","length":100,"past":"bring"}`, "length")
	off := do(t, c, `{"type":"setClip","length":100,"past":"cut"}`)
	if off.Length != 100 || off.Layer("second") != nil || len(off.Scenes()) != 1 {
		t.Errorf("the clip lasts %d frames and has %d scenes", off.Length, len(off.Scenes()))
	}
	if strings.Contains(string(off.Encode()), `"second"`) {
		t.Error("something still speaks of the scene that is gone")
	}
}

// What is in the last scene does not show past its end, and comes back with it;
// brought in it shows.
func TestKeysOfTheLastScene(t *testing.T) {
	c := sample()
	for _, l := range []string{"mug-layer", "words"} {
		c.Own(l).Group = "scene"
	}
	kept := do(t, do(t, c, `{"type":"setClip","length":12}`), `{"type":"setClip","length":300}`)
	if got := kept.Layer("mug-layer").Tracks[clip.Rotation][1].At; got != timing.At(15) {
		t.Errorf("after it was shorter for a while the key lies at %+v", got)
	}
	in := do(t, c, `{"type":"setClip","length":12,"past":"bring"}`)
	if got := in.Layer("mug-layer").Tracks[clip.Rotation][1].At; got != timing.At(11) {
		t.Errorf("brought in, the key lies at %+v, want the last frame", got)
	}
}
