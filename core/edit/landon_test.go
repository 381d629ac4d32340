package edit

import (
	"math"
	"testing"

	"billow/core/clip"
	"billow/core/timing"
)

// TestAFrameLandsOnABeat: at 120 beats a minute a beat is 15 frames. What shows on frame 40 is to show on beat 4,
// frame 60: half as slow again.
func TestAFrameLandsOnABeat(t *testing.T) {
	c := three()
	c.Tempo = timing.Even(120)
	c = do(t, c, `{"type":"setKey","layer":"a","property":"rotation","key":{"at":20,"value":[0],"ease":{"kind":"linear"}}}`)
	c = do(t, c, `{"type":"setKey","layer":"a","property":"rotation","key":{"at":{"beat":2},"value":[30],"ease":{"kind":"linear"}}}`)
	c = do(t, c, `{"type":"setKey","layer":"a","property":"rotation","key":{"at":40,"value":[90],"ease":{"kind":"linear"}}}`)
	landed := do(t, c, `{"type":"landOn","layers":["a"],"frame":40,"on":{"beat":4}}`)
	if got := keysAt(landed, "a", clip.Rotation); got != "30=0 45=30 60=90" {
		t.Errorf("keys lie at %s", got)
	}
	// What came to a beat goes with it: at 60 beats a minute those are on twice the frame.
	if got := keysAt(do(t, landed, at(60)), "a", clip.Rotation); got != "30=0 90=30 120=90" {
		t.Errorf("at half the tempo keys lie at %s", got)
	}
	if back := do(t, landed, `{"type":"landOn","layers":["a"],"frame":60,"on":40}`); keysAt(back, "a", clip.Rotation) != "20=0 30=30 40=90" {
		t.Errorf("back they lie at %s", keysAt(back, "a", clip.Rotation))
	}
	refused(t, c, `{"type":"landOn","layers":[],"frame":40,"on":60}`, "layers")
	refused(t, c, `{"type":"landOn","layers":["nobody"],"frame":40,"on":60}`, "layers")
	refused(t, c, `{"type":"landOn","layers":["a"],"frame":0,"on":60}`, "frame")
	refused(t, c, `{"type":"landOn","layers":["a"],"frame":40,"on":0}`, "frame")
}

// TestAMoveLandsWithItsLayer: the settings of a move tell of its keys.
func TestAMoveLandsWithItsLayer(t *testing.T) {
	c := do(t, three(), `{"type":"setMove","layer":"a","move":{"kind":"gust","at":10,"length":20,"side":"left","turn":10,"strength":100}}`)
	c = do(t, c, `{"type":"landOn","layers":["a"],"frame":30,"on":45}`)
	l := c.Layer("a")
	if m := l.Moves[0]; m.At != timing.At(15) || m.Length != 30 {
		t.Errorf("it begins at %v and lasts %d frames, want 15 and 30", m.At, m.Length)
	}
	position := l.Tracks[clip.Position]
	if from, to := c.Clock().Frame(position[0].At), c.Clock().Frame(position[len(position)-1].At); from != 15 || to != 45 {
		t.Errorf("its keys reach from %d to %d", from, to)
	}
}

// TestAGroupGoesFasterAndAScene: a group's inside goes as fast as it has to, in a scene of which a frame lands
// elsewhere as well.
func TestAGroupGoesFasterAndAScene(t *testing.T) {
	c := do(t, three(), `{"type":"groupLayers","layers":["a","b"],"id":"g","name":"G"}`)
	c = do(t, c, `{"type":"setKey","layer":"a","property":"rotation","key":{"at":40,"value":[90],"ease":{"kind":"linear"}}}`)
	group := do(t, c, `{"type":"landOn","layers":["g"],"frame":40,"on":50}`)
	if speed := group.Layer("g").Inside.Speed; math.Abs(speed-0.8) > 1e-9 {
		t.Errorf("the group is %g times as fast, want 0.8", speed)
	}
	if keysAt(group, "a", clip.Rotation) != keysAt(c, "a", clip.Rotation) {
		t.Error("keys in a group that has a speed are left where they are")
	}
	refused(t, c, `{"type":"landOn","layers":["g"],"frame":1,"on":290}`, "layers[g].inside.speed")
	refused(t, group, `{"type":"landOn","layers":["a"],"frame":40,"on":50}`, "layers")

	scene := c.Scenes()[0].ID
	c = do(t, c, `{"type":"intoGroup","layers":["g","c"],"group":"`+scene+`"}`)
	c = do(t, c, `{"type":"setKey","layer":"c","property":"rotation","key":{"at":100,"value":[90],"ease":{"kind":"linear"}}}`)
	slow := do(t, c, `{"type":"landOn","layers":["`+scene+`"],"frame":100,"on":200}`)
	if got := keysAt(slow, "c", clip.Rotation); got != "200=90" {
		t.Errorf("in a scene half as fast the key lies at %s", got)
	}
	if got := keysAt(slow, "a", clip.Rotation); got != "80=90" || ownTime(slow.Layer("g")) {
		t.Errorf("of a group in it the key lies at %s", got)
	}
	faster := do(t, do(t, c, `{"type":"landOn","layers":["g"],"frame":40,"on":50}`), `{"type":"landOn","layers":["`+scene+`"],"frame":100,"on":200}`)
	if speed := faster.Layer("g").Inside.Speed; math.Abs(speed-0.4) > 1e-9 || keysAt(faster, "a", clip.Rotation) != "40=90" {
		t.Errorf("a group that has a speed is %g times as fast, want 0.4; its key lies at %s", speed, keysAt(faster, "a", clip.Rotation))
	}
	if slow.Length != c.Length {
		t.Errorf("the scene lasts %d frames, before %d", slow.Length, c.Length)
	}
	// What does not show any more is kept, and comes back.
	gone := do(t, c, `{"type":"landOn","layers":["`+scene+`"],"frame":50,"on":200}`)
	if got := keysAt(gone, "c", clip.Rotation); got != "400=90" {
		t.Errorf("beyond the scene's end the key lies at %s", got)
	}
	refused(t, c, `{"type":"landOn","layers":["`+scene+`"],"frame":100,"on":0}`, "frame")
}

// TestHitsKeepWhatHappensOnThem: a swell on hits stays on them, though its layer is stretched.
func TestHitsKeepWhatHappensOnThem(t *testing.T) {
	c := do(t, struck(), `{"type":"actOnHits","layers":["mug-layer"],"move":{"id":"","kind":"hits","at":0,"length":290,"turn":0,"strength":100,"hits":{"does":"swell","least":0.5,"frames":6}}}`)
	was := keysAt(c, "mug-layer", clip.Scale)
	if got := keysAt(do(t, c, `{"type":"landOn","layers":["mug-layer"],"frame":30,"on":50}`), "mug-layer", clip.Scale); was == "" || got != was {
		t.Errorf("the swells are %s, were %s", got, was)
	}
}
