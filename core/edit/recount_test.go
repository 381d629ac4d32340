package edit

import (
	"encoding/json"
	"fmt"
	"math"
	"testing"

	"billow/core/clip"
	"billow/core/timing"
)

// heardTwice is a clip at 60 whose tune can be counted otherwise: at 90, in bars
// of three. The clip plays it from its second second on.
func heardTwice() *clip.Clip {
	c := onBeats(timing.OnBeat(1), timing.OnBeat(3).Plus(4), timing.At(200))
	beats := func(bpm, first float64) (out []float64) {
		for at := first; at < 30; at += 60 / bpm {
			out = append(out, at)
		}
		return out
	}
	s := c.Prop("tune").Sound
	s.Tempo = timing.Tempo{BPM: 60, PerBar: 4, Beats: beats(60, 0)}
	s.Others = []timing.Tempo{{BPM: 90, PerBar: 3, Beats: beats(90, 0), Zero: 1}}
	track := clip.SoundTrack{ID: "tune", Prop: "tune", Trim: 2}
	c.SetTune(&track)
	c.Tempo = s.Tempo.Shifted(-2)
	return c
}

func TestATuneIsCountedOtherwise(t *testing.T) {
	c := heardTwice()
	got := do(t, c, `{"type":"setTempo","other":0}`)
	if got.Tempo.BPM != 90 || got.Tempo.PerBar != 3 || frameOfKeys(got) != "90=0 154=1 200=2" {
		t.Errorf("counted otherwise it has %g beats in bars of %d, keys at %s", got.Tempo.BPM, got.Tempo.PerBar, frameOfKeys(got))
	}
	// Its beats are those of the tune, two seconds earlier: the fourth lies at the clip's start.
	beat := math.Ceil(got.Tempo.Beat(-0.01))
	if at := got.Tempo.Seconds(beat); math.Abs(at) > 1e-6 {
		t.Errorf("its first beat in the clip is at %g s, want 0", at)
	}
	if names := Settled(c, got); len(names) > 0 {
		t.Errorf("%v are said to have moved", names)
	}
	refused(t, c, `{"type":"setTempo","other":1}`, "other")
	refused(t, c, `{"type":"setTempo","other":-2}`, "other")

	// What is offered is what counts otherwise than it does now, and the first count is had again.
	if says := OtherCounts(c); len(says) != 1 || says[0] != (OtherCount{0, "90.0, half as fast again"}) {
		t.Errorf("at first it is offered to count %v", says)
	}
	if says := OtherCounts(got); len(says) != 1 || says[0] != (OtherCount{-1, "60.0, a third slower"}) {
		t.Errorf("counted otherwise it is offered to count %v", says)
	}
	back := do(t, got, `{"type":"setTempo","other":-1}`)
	if back.Tempo.BPM != 60 || back.Tempo.PerBar != 4 || frameOfKeys(back) != frameOfKeys(c) {
		t.Errorf("back again it has %g beats in bars of %d, keys at %s", back.Tempo.BPM, back.Tempo.PerBar, frameOfKeys(back))
	}
}

func TestTapsCountATune(t *testing.T) {
	tapping := func(bpm, from float64, n int) string {
		var frames []float64
		for i := range n {
			frames = append(frames, math.Round(30*(from+60/bpm*float64(i))))
		}
		b, _ := json.Marshal(frames)
		return fmt.Sprintf(`{"type":"setTempo","taps":%s}`, b)
	}
	c := heardTwice()
	for _, want := range []struct{ bpm, from float64 }{{90, 4}, {180, 4}, {45, 4}, {60, 5}, {30, 4}, {110, 3}} {
		got := do(t, c, tapping(want.bpm, want.from, 9))
		if math.Abs(got.Tempo.BPM-want.bpm) > 0.6 {
			t.Errorf("taps at %g are counted with %g", want.bpm, got.Tempo.BPM)
		}
		if b := got.Tempo.Beat(want.from); math.Abs(b-math.Round(b)) > 0.05 {
			t.Errorf("taps at %g: the first lies at beat %.3f", want.bpm, b)
		}
		if heard := want.bpm != 110; heard != (len(got.Tempo.Beats) > 0) {
			t.Errorf("taps at %g are counted with %d beats of the tune", want.bpm, len(got.Tempo.Beats))
		}
		if frameOfKeys(got) != "90=0 154=1 200=2" {
			t.Errorf("after taps at %g the keys lie at %s", want.bpm, frameOfKeys(got))
		}
	}
	refused(t, c, tapping(90, 4, 3), "taps")
	refused(t, c, `{"type":"setTempo","taps":[10,20,15,30]}`, "taps")
	// Without a tune taps make a count of their own.
	c.SetTune(nil)
	if got := do(t, c, tapping(72, 1, 8)); math.Abs(got.Tempo.BPM-72) > 0.5 || math.Abs(got.Tempo.Seconds(0)-1) > 0.03 {
		t.Errorf("without a tune they are %g from %g s", got.Tempo.BPM, got.Tempo.Seconds(0))
	}
}
