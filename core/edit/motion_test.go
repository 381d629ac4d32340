package edit

import (
	"slices"
	"testing"

	"billow/core/clip"
	"billow/core/timing"
)

// given is a clip at 100 BPM (18 frames a beat at 30 frames a second) in which a
// mug lands on beat 4 and turns, and words that have motion of their own.
func given(t *testing.T) *clip.Clip {
	c := do(t, sample(), `{"type":"setTune","tune":{"prop":"tune","start":0,"gain":0,"fadeIn":0,"fadeOut":0}}`)
	c = do(t, c, `{"type":"setMove","layer":"mug-layer","move":{"id":"gust","kind":"gust","at":{"beat":4},"lands":true,"length":15,"strength":100,"side":"left"}}`)
	c = do(t, c, `{"type":"setKey","layer":"mug-layer","property":"opacity","key":{"at":80,"value":[50],"ease":{"kind":"linear"}}}`)
	c = do(t, c, `{"type":"setKey","layer":"words","property":"rotation","key":{"at":5,"value":[9],"ease":{"kind":"linear"}}}`)
	return do(t, c, `{"type":"setKey","layer":"words","property":"fillColour","key":{"at":5,"value":[1,2,3,255],"ease":{"kind":"linear"}}}`)
}

func framesOf(c *clip.Clip, layer, property string) (out []int) {
	l := c.Layer(layer)
	for _, k := range l.Tracks[property] {
		out = append(out, c.ClockOf(l).Frame(k.At))
	}
	return out
}

func TestMotionIsGivenAtTheSameTimes(t *testing.T) {
	c := given(t)
	got := do(t, c, `{"type":"pasteMotion","from":"mug-layer","onto":["words"]}`)
	for _, p := range []string{clip.Position, clip.Rotation, clip.Opacity} {
		if want := framesOf(c, "mug-layer", p); !slices.Equal(framesOf(got, "words", p), want) {
			t.Errorf("%s has keys at %v, want %v", p, framesOf(got, "words", p), want)
		}
	}
	w := got.Layer("words")
	if len(w.Moves) != 1 || len(w.Tracks["fillColour"]) != 1 {
		t.Errorf("it has %d moves and %d keys of colour", len(w.Moves), len(w.Tracks["fillColour"]))
	}
	// The move is one: it can be taken away with its keys.
	less := do(t, got, `{"type":"removeMove","layer":"words","id":"`+w.Moves[0].ID+`"}`)
	if n := len(less.Layer("words").Tracks[clip.Position]); n != 0 {
		t.Errorf("%d keys of the move are left", n)
	}
}

// Given from a beat on, all of it goes on by whole beats, and stays on them when
// the tempo changes.
func TestMotionIsGivenFromABeatOn(t *testing.T) {
	c := given(t)
	first := framesOf(c, "mug-layer", clip.Position)[0] // of the move: 15 frames before beat 4
	at := c.Clock().Frame(timing.OnBeat(4)) - first
	if at != 15 {
		t.Fatalf("the move begins %d frames before its beat", at)
	}
	// From frame 0, where the rotation of the mug begins, to beat 2, 36 frames on.
	got := do(t, c, `{"type":"pasteMotion","from":"mug-layer","onto":["words"],"at":{"beat":2}}`)
	for i, f := range framesOf(c, "mug-layer", clip.Opacity) {
		if g := framesOf(got, "words", clip.Opacity)[i]; g != f+36 {
			t.Errorf("opacity at %d came to %d, want %d", f, g, f+36)
		}
	}
	land := func(c *clip.Clip, layer string) int { f := framesOf(c, layer, clip.Position); return f[len(f)-1] }
	if land(got, "words") != land(c, "mug-layer")+36 {
		t.Errorf("it lands on %d, the mug on %d", land(got, "words"), land(c, "mug-layer"))
	}
	fast := do(t, got, `{"type":"setTempo","bpm":120}`)
	if land(fast, "words")-land(fast, "mug-layer") != 30 { // two beats of 15 frames
		t.Errorf("at 120 BPM it lands on %d, the mug on %d", land(fast, "words"), land(fast, "mug-layer"))
	}
	refused(t, c, `{"type":"pasteMotion","from":"backdrop","onto":["words"]}`, "from")
	refused(t, c, `{"type":"pasteMotion","from":"mug-layer","onto":["words"],"at":290}`, "")
}
