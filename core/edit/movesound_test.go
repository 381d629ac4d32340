package edit

import (
	"strings"
	"testing"

	"billow/core/clip"
	"billow/core/timing"
)

// TestAMoveComesWithItsSound: a gust from the right within 20 frames, with a whoosh that is loudest after 0.3 s:
// the sound begins so that this lies two thirds into the move, lasts half as long again, and comes from the right.
func TestAMoveComesWithItsSound(t *testing.T) {
	c := sample()
	levels := make([]uint8, 40)
	levels[6] = 200
	c.Props = append(c.Props, clip.Prop{ID: "whoosh", Name: "Whoosh", Kind: clip.KindTune, Hash: strings.Repeat("b", 64), Media: "audio/wav", Sound: &clip.Sound{Seconds: 2, Tempo: timing.Even(120), Hits: []clip.Hit{}, Levels: levels}})
	c = do(t, c, `{"type":"setMove","layer":"mug-layer","move":{"id":"gust","kind":"gust","at":60,"length":20,"side":"right","turn":10,"strength":100}}`)
	c = do(t, c, `{"type":"soundOfMove","layer":"mug-layer","move":"gust","prop":"whoosh"}`)
	sound := func(c *clip.Clip) clip.SoundTrack {
		t.Helper()
		if len(c.Sounds) != 1 {
			t.Fatalf("there are %d sounds", len(c.Sounds))
		}
		return c.Sounds[0]
	}
	s := sound(c)
	// Two thirds of 20 frames are 0.447 s: it begins 0.147 s late, on the fourth frame.
	if f := c.Clock().Frame(s.At); f != 64 || s.Trim != 0 || s.Length < 20 || s.Pan != 70 || s.Pans != -70 {
		t.Errorf("it begins on %d, %+v", f, s)
	}
	// The move goes elsewhere, and becomes short: the sound comes along, its beginning left out.
	later := sound(do(t, c, `{"type":"setMove","layer":"mug-layer","move":{"id":"gust","kind":"gust","at":120,"length":9,"side":"left","turn":10,"strength":100}}`))
	if later.At.Frames != 120 || later.Trim != 0.099 || later.Pan != -70 || later.Length >= s.Length {
		t.Errorf("then it is %+v", later)
	}
	// A layer that slides takes it along, too.
	if slid := sound(do(t, c, `{"type":"shiftLayer","layer":"mug-layer","by":10,"part":"whole"}`)); slid.At.Frames != 74 {
		t.Errorf("slid by ten frames it begins on %d", slid.At.Frames)
	}
	for _, command := range []string{
		`{"type":"removeMove","layer":"mug-layer","id":"gust"}`, `{"type":"removeLayer","layer":"mug-layer"}`,
		`{"type":"soundOfMove","layer":"mug-layer","move":"gust","prop":""}`,
	} {
		if gone := do(t, c, command); len(gone.Sounds) != 0 {
			t.Errorf("after %s it still sounds", command)
		}
	}
	refused(t, c, `{"type":"soundOfMove","layer":"mug-layer","move":"none","prop":"whoosh"}`, "move")
	refused(t, c, `{"type":"soundOfMove","layer":"mug-layer","move":"gust","prop":"mug"}`, "prop")
}
