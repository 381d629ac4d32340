package engine

import (
	"testing"

	"billow/core/clip"
	"billow/core/timing"
)

// Once the playhead has been moved, a new layer begins there, on the beat that is
// there, and counts from its scene; a backdrop is there from the beginning.
func TestANewLayerBeginsWhereThePlayheadWasMoved(t *testing.T) {
	e := opened(t)
	if _, err := e.Call("apply", []byte(`{"keep":true,"command":{"type":"setTempo","bpm":120},"shape":"","frame":0,"open":[],"layer":"","layers":[]}`), nil); err != nil {
		t.Fatal(err)
	}
	if _, err := e.Call("apply", []byte(`{"keep":true,"command":{"type":"splitScene","at":45,"id":"second"},"shape":"","frame":0,"open":[],"layer":"","layers":[]}`), nil); err != nil {
		t.Fatal(err)
	}
	for _, c := range []struct {
		kind   string
		frame  int
		begins bool
		want   timing.Moment
	}{
		{clip.KindCard, 30, true, timing.OnBeat(2)}, // at 120 beats a minute, a beat lasts 15 frames
		{clip.KindCard, 31, true, timing.At(31)},
		{clip.KindCard, 30, false, timing.At(0)},
		{clip.KindCard, 0, true, timing.At(0)},
		{clip.KindBackdrop, 30, true, timing.At(0)},
		{clip.KindCard, 52, true, timing.At(7)}, // the second scene begins on frame 45
		{clip.KindCard, 45, true, timing.At(0)},
	} {
		l := answered[clip.Layer](t, e, "draft", Draft{Kind: c.kind, Frame: c.frame, Begins: c.begins})
		if l.From != c.want {
			t.Errorf("a %s on frame %d (asked to begin there: %t) begins at %+v, want %+v", c.kind, c.frame, c.begins, l.From, c.want)
		}
	}
}
