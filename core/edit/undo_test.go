package edit

import (
	"encoding/json"
	"strings"
	"testing"

	"billow/core/clip"
)

// undoOf is the command that takes back what another did.
func undoOf(t *testing.T, before, after *clip.Clip) string {
	t.Helper()
	p, err := Difference(before, after)
	if err != nil {
		t.Fatal(err)
	}
	b, err := json.Marshal(Undo{Typed: Typed{"undo"}, Changes: p.Inverse()})
	if err != nil {
		t.Fatal(err)
	}
	return string(b)
}

func TestUndoTouchesOnlyWhatWasChanged(t *testing.T) {
	c := sample()
	mine := do(t, c, `{"type":"setLayer","layer":"mug-layer","set":{"lift":77}}`)
	undo := undoOf(t, c, mine)
	if len(undo) > 200 {
		t.Errorf("taking back one number is written as %s", undo)
	}
	theirs := do(t, mine, `{"type":"batch","commands":[{"type":"setLayer","layer":"mug-layer","set":{"name":"Cup"}},{"type":"setClip","name":"Other"}]}`)
	back := do(t, theirs, undo)
	l := back.Layer("mug-layer")
	if l.Lift != c.Layer("mug-layer").Lift || l.Name != "Cup" || back.Name != "Other" {
		t.Errorf("the lift is %g, the names are %q and %q", l.Lift, l.Name, back.Name)
	}
}

func TestUndoLeavesWhatSomeoneChangedSince(t *testing.T) {
	c := sample()
	mine := do(t, c, `{"type":"batch","commands":[{"type":"setLayer","layer":"mug-layer","set":{"lift":77,"blend":"multiply"}},{"type":"setClip","name":"Mine"}]}`)
	undo := undoOf(t, c, mine)
	theirs := do(t, mine, `{"type":"setLayer","layer":"mug-layer","set":{"lift":5}}`)
	if got := Stays(theirs, []byte(undo)); got != "lift of Mug" {
		t.Errorf("what stays is told as %q", got)
	}
	if got := Stays(mine, []byte(undo)); got != "" {
		t.Errorf("with nobody else, %q stays", got)
	}
	back := do(t, theirs, undo)
	if l := back.Layer("mug-layer"); l.Lift != 5 || l.Blend != c.Layer("mug-layer").Blend || back.Name != c.Name {
		t.Errorf("afterwards the lift is %g, the blend mode %s, the name %q", l.Lift, l.Blend, back.Name)
	}
	// Of which nothing is left to be undone is refused in words.
	alone := do(t, c, `{"type":"setLayer","layer":"mug-layer","set":{"lift":77}}`)
	_, err := Apply(do(t, alone, `{"type":"setLayer","layer":"mug-layer","set":{"lift":5}}`), []byte(undoOf(t, c, alone)))
	if err == nil || !strings.Contains(err.Error(), "lift of Mug was changed elsewhere") {
		t.Errorf("the refusal is %v", err)
	}
}

// Two people's keys of one track, undone out of order, stay in order of time.
func TestKeysOfTwoPeopleStayInOrder(t *testing.T) {
	c := sample()
	key := func(frame string) string {
		return `{"type":"setKey","layer":"mug-layer","property":"rotation","key":{"at":` + frame + `,"value":[3],"ease":{"kind":"linear"}}}`
	}
	mine := do(t, c, `{"type":"removeKeys","keys":[{"layer":"mug-layer","property":"rotation","frame":0}]}`)
	theirs := do(t, mine, key("40"))
	theirs = do(t, theirs, key("2"))
	back := do(t, theirs, undoOf(t, c, mine))
	last := -1
	for _, k := range back.Layer("mug-layer").Tracks[clip.Rotation] {
		f := back.Clock().Frame(k.At)
		if f <= last {
			t.Fatalf("a key on frame %d comes after one on %d", f, last)
		}
		last = f
	}
	if got := back.Layer("mug-layer").Tracks[clip.Rotation][0]; back.Clock().Frame(got.At) != 0 || got.Value[0] != 20 {
		t.Errorf("the first key is %+v", got)
	}
}

func TestHistorySaysWhatAnUndoWas(t *testing.T) {
	for raw, want := range map[string]string{
		`{"type":"undo","changes":[]}`:                "Undone",
		`{"type":"undo","changes":[],"kind":"again"}`: "Done again",
		`{"type":"undo","changes":[],"kind":"17"}`:    "Back to revision 17",
	} {
		if got := Describe([]byte(raw)); got != want {
			t.Errorf("%s is described as %q, want %q", raw, got, want)
		}
	}
}

// FuzzUndo: whatever is sent as a change leaves a valid clip or a reason.
func FuzzUndo(f *testing.F) {
	f.Add(`[{"at":["layers","mug-layer","lift"],"from":40,"to":5}]`)
	f.Add(`[{"at":["layers"],"from":["mug-layer"],"to":["words"],"order":true},{"at":["layers","words"],"from":null}]`)
	f.Add(`[{"at":["layers","mug-layer","tracks","rotation","0"],"to":{"at":0}},{"at":[],"to":{}}]`)
	f.Fuzz(func(t *testing.T, changes string) {
		take(t, sample(), object{"type": "undo", "changes": json.RawMessage(valid(changes))})
	})
}

// valid is the text if it is JSON, else an empty list.
func valid(text string) string {
	if json.Valid([]byte(text)) {
		return text
	}
	return "[]"
}
