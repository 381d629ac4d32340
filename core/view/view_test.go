package view

import (
	"math"
	"reflect"
	"testing"

	"billow/core/clip"
	"billow/core/frame"
	"billow/core/motion"
	"billow/core/timing"
	"billow/core/words"
)

// sample is two seconds at 120 BPM with a hidden layer, a keyed one, and a tune.
func sample() *clip.Clip {
	tall, _ := clip.StandardShape("tall")
	c := clip.New("View", tall, 30, 60)
	l := clip.NewLayer("moving", "Moving", clip.KindBackdrop)
	l.Backdrop = c.Layers[0].Backdrop
	l.From = timing.At(10)
	l.Tracks[clip.Scale] = motion.Track{
		{At: timing.At(10), Value: []float64{50}, Ease: motion.Ease{Kind: motion.Hold}},
		{At: timing.At(20), Value: []float64{100}, Ease: motion.Ease{Kind: motion.Linear}},
		{At: timing.OnBeat(2), Value: []float64{150}, Ease: motion.Ease{Kind: motion.Linear}},
	}
	l.Tracks[clip.Position] = motion.Track{
		{At: timing.At(10), Value: []float64{0, 0}, Off: "left", Ease: motion.Ease{Kind: motion.Linear}},
		{At: timing.At(30), Value: []float64{0, 5}, Ease: motion.Ease{Kind: motion.Linear}},
	}
	hidden := l.Clone()
	hidden.ID, hidden.Hidden = "hidden", true
	c.Layers = append(c.Layers, l, hidden)
	return c
}

func look(c *clip.Clip) View {
	return Of(c, frame.Arrange(c, c.Shapes[0], frame.NewLibrary(words.NewFonts(), 1<<20)), []string{"moving"})
}

func TestBeatsAreCountedInBars(t *testing.T) {
	v := look(sample())
	// At 120 BPM and 30 frames a second a beat is 15 frames.
	if len(v.Beats) != 4 {
		t.Fatalf("there are %d beats, want 4", len(v.Beats))
	}
	for i, b := range v.Beats {
		if b.Frame != 15*i || b.Bar != 1 || b.In != i+1 || b.Down != (i == 0) {
			t.Errorf("beat %d is %+v", i, b)
		}
	}
	c := sample()
	c.Tempo.First = 1 // the first downbeat a second in: two beats before it
	v = look(c)
	if b := v.Beats[0]; b.Bar != 0 || b.In != 3 || b.Frame != 0 {
		t.Errorf("before the first downbeat there is %+v", b)
	}
}

func TestStringsAreTheRealCurves(t *testing.T) {
	v := look(sample())
	row := v.Rows[1] // rows go from the front to the back
	if row.Layer != "moving" || row.From != 10 || row.To != 60 {
		t.Fatalf("the row is %+v", row)
	}
	scale := row.Tracks[1]
	if scale.Property != clip.Scale || len(scale.Beads) != 3 {
		t.Fatalf("the track is %+v", scale)
	}
	for i, want := range []Bead{
		{Frame: 10, When: "0s10f", Text: "50%", Ease: "hold"},
		{Frame: 20, When: "0s20f", Height: 0.5, Text: "100%", Ease: "linear"},
		{Frame: 30, When: "b1.3", Height: 1, OnBeat: true, Text: "150%", Ease: "linear"},
	} {
		got := scale.Beads[i]
		got.Curve = nil
		if !reflect.DeepEqual(got, want) {
			t.Errorf("bead %d is %+v, want %+v", i, got, want)
		}
	}
	for i := 0; i < len(scale.String); i += 2 {
		at, height := scale.String[i], scale.String[i+1]
		want := 0.0
		if at >= 20 {
			want = 0.5 + 0.5*(at-20)/10
		}
		if math.Abs(height-want) > 1e-3 {
			t.Errorf("at %g the string is at %g, want %g: a hold is flat, a line slopes", at, height, want)
		}
	}
}

func TestAPositionIsShownByItsLongerWay(t *testing.T) {
	v := look(sample())
	p := v.Rows[1].Tracks[0]
	// It comes from outside on the left, farther than the five units down.
	if p.Beads[0].Height != 0 || p.Beads[1].Height != 1 || p.Beads[0].Text != "just outside, left" {
		t.Errorf("the beads are %+v", p.Beads)
	}
	if hidden := v.Rows[0]; hidden.Layer != "hidden" || len(hidden.Tracks) != 2 {
		t.Errorf("the hidden layer's row is %+v", hidden)
	}
}

func TestHitsAndWaveAreTrimmedToTheClip(t *testing.T) {
	c := sample()
	sound := &clip.Sound{Seconds: 10, Tempo: timing.Even(120), Levels: make([]uint8, 200), Hits: []clip.Hit{{At: 0.5, Strength: 1}, {At: 3.5, Strength: 1, Kind: "low"}, {At: 9, Strength: 1}}}
	c.Props = []clip.Prop{{ID: "t", Name: "T", Kind: clip.KindTune, Hash: "", Sound: sound}}
	c.SetTune(&clip.SoundTrack{Prop: "t", Trim: 3})
	v := look(c)
	if len(v.Hits) != 1 || v.Hits[0].Frame != 15 {
		t.Errorf("the hits are %+v, want one on frame 15", v.Hits)
	}
	if len(v.Wave) != 40 { // two seconds of twentieths
		t.Errorf("there are %d levels", len(v.Wave))
	}
}

func TestShapesThatDifferAreMarked(t *testing.T) {
	c := sample()
	c.Layers[2].Rests = map[string]clip.Rest{"square": {Pin: "centre", Size: 5}}
	v := look(c)
	if d := v.Rows[1].Differ; len(d) != 1 || d[0] != "square" {
		t.Errorf("differing are %v", d)
	}
	if len(v.Rows[2].Differ) != 0 {
		t.Error("a layer without rests of its own differs")
	}
}
