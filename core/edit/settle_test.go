package edit

import (
	"fmt"
	"math"
	"strings"
	"testing"

	"billow/core/clip"
	"billow/core/motion"
	"billow/core/timing"
)

// onBeats is a clip of 300 frames at 30 a second with a tempo of 60, so that a
// beat lasts a second, and with keys of rotation at moments.
func onBeats(at ...timing.Moment) *clip.Clip {
	c := sample()
	c.Tempo = timing.Even(60)
	var t motion.Track
	for i, m := range at {
		t = append(t, motion.Key{At: m, Value: []float64{float64(i)}, Ease: motion.Ease{Kind: motion.Linear}})
	}
	c.Layer("mug-layer").Tracks[clip.Rotation] = t
	return c
}

// keysAt is the frames and first numbers of a track.
func keysAt(c *clip.Clip, layer, property string) string {
	var out []string
	for _, k := range c.Layer(layer).Tracks[property] {
		out = append(out, fmt.Sprintf("%d=%g", c.Clock().Frame(k.At), k.Value[0]))
	}
	return strings.Join(out, " ")
}

func at(bpm float64) string {
	return fmt.Sprintf(`{"type":"setTempo","bpm":%g}`, bpm)
}

func TestANewTempoIsNeverRefusedForWhatIsBoundToBeats(t *testing.T) {
	beat, frame := timing.OnBeat, timing.At
	for _, x := range []struct {
		what string
		c    *clip.Clip
		bpm  float64
		want string
	}{
		{"what fits moves with its beats", onBeats(frame(10), beat(2), beat(4).Plus(-3)), 120, "10=0 30=1 57=2"},
		{"before the beginning", onBeats(beat(1).Plus(-20), beat(1)), 120, "0=0 15=1"},
		{"after the end", onBeats(beat(2), beat(8), beat(9)), 40, "90=0 298=1 299=2"},
		// A frame of its own gives way to what is on a beat.
		{"onto a neighbour", onBeats(frame(25), beat(1), frame(40)), 120, "14=0 15=1 40=2"},
		{"past a neighbour", onBeats(beat(1), frame(40), beat(2), frame(70)), 90, "20=0 39=1 40=2 70=3"},
		{"all at once", onBeats(beat(1).Plus(-20), beat(1).Plus(-18), beat(1)), 180, "0=0 1=1 10=2"},
	} {
		if got := keysAt(do(t, x.c, at(x.bpm)), "mug-layer", clip.Rotation); got != x.want {
			t.Errorf("%s: the keys lie at %q, want %q", x.what, got, x.want)
		}
	}
}

func TestAMoveThatNoLongerFitsIsShortened(t *testing.T) {
	c := onBeats(timing.At(200))
	delete(c.Layer("mug-layer").Tracks, clip.Rotation)
	c = do(t, c, `{"type":"setMove","layer":"mug-layer","move":{"kind":"gust","at":{"beat":1},"lands":true,"length":24,"side":"right","turn":20,"strength":100}}`)
	c = do(t, c, at(120))
	if m := c.Layer("mug-layer").Moves[0]; m.Length != 15 {
		t.Errorf("the gust takes %d frames, want the 15 up to its beat", m.Length)
	}
	if got := keysAt(c, "mug-layer", clip.Rotation); got != "0=20 15=0" {
		t.Errorf("its keys are %q", got)
	}
	// It can still be changed by its settings.
	c = do(t, c, strings.Replace(`{"type":"setMove","layer":"mug-layer","move":{"id":"ID","kind":"gust","at":{"beat":1},"lands":true,"length":12,"side":"left","turn":20,"strength":100}}`,
		"ID", c.Layer("mug-layer").Moves[0].ID, 1))
	if got := keysAt(c, "mug-layer", clip.Rotation); got != "3=20 15=0" {
		t.Errorf("made shorter its keys are %q", got)
	}
}

func TestLayersAndMarksComeBackIntoTheClip(t *testing.T) {
	c := sample()
	c.Tempo = timing.Even(60)
	l := c.Layer("mug-layer")
	delete(l.Tracks, clip.Rotation)
	l.From = timing.OnBeat(8)
	to := timing.OnBeat(9)
	l.To = &to
	c.Markers = []clip.Mark{{Name: "A", At: timing.OnBeat(8)}, {Name: "B", At: timing.OnBeat(9)}}
	c.Range = &clip.Range{In: timing.OnBeat(2), Out: timing.OnBeat(9)}
	c.Poster = new(timing.OnBeat(9))
	c = do(t, c, at(40)) // a beat lasts 45 frames now; the clip ends on frame 300
	if from, to := c.Span(c.Layer("mug-layer")); from != 299 || to != 300 {
		t.Errorf("the layer shows from %d to %d", from, to)
	}
	clock := c.Clock()
	if a, b := clock.Frame(c.Markers[0].At), clock.Frame(c.Markers[1].At); a != 298 || b != 299 {
		t.Errorf("the markers are at %d and %d", a, b)
	}
	if in, out := clock.Frame(c.Range.In), clock.Frame(c.Range.Out); in != 90 || out != 300 || clock.Frame(*c.Poster) != 299 {
		t.Errorf("the range goes from %d to %d, the poster is frame %d", in, out, clock.Frame(*c.Poster))
	}
}

func TestAtALowerRateKeysStayApart(t *testing.T) {
	c := onBeats(timing.At(10), timing.At(11), timing.At(12), timing.At(200))
	// 10 and 11 of 30 are 8 and 8.8 of 24.
	if got := keysAt(do(t, c, `{"type":"setClip","rate":24}`), "mug-layer", clip.Rotation); got != "8=0 9=1 10=2 160=3" {
		t.Errorf("the keys lie at %q", got)
	}
}

func TestWhoDidNotFitIsNamed(t *testing.T) {
	beat := timing.OnBeat
	c := onBeats(beat(1).Plus(-20), beat(1))
	if names := Settled(c, do(t, c, at(61))); len(names) > 0 {
		t.Errorf("where all fits %v are named", names)
	}
	if names := Settled(c, do(t, c, at(120))); len(names) != 1 || names[0] != c.Layer("mug-layer").Name {
		t.Errorf("of a key before the beginning %v are named", names)
	}
	// A move counted in beats is counted in frames once it is shorter.
	delete(c.Layer("mug-layer").Tracks, clip.Rotation)
	c = do(t, c, `{"type":"setMove","layer":"mug-layer","move":{"kind":"waft","at":{"beat":2},"beats":6,"side":"above","turn":3,"strength":100}}`)
	next := do(t, c, at(40)) // beat 2 lies on frame 90, beat 8 would lie on 360
	if m := next.Layer("mug-layer").Moves[0]; m.Beats != 0 || m.Length != 209 || len(Settled(c, next)) != 1 {
		t.Errorf("the waft takes %g beats, %d frames; named are %v", m.Beats, m.Length, Settled(c, next))
	}
}

// frameOfKeys is where the mug's rotation keys are.
func frameOfKeys(c *clip.Clip) string { return keysAt(c, "mug-layer", clip.Rotation) }

func TestCorrectingTheBeatsLeavesKeysAtTheirTimes(t *testing.T) {
	c := onBeats(timing.OnBeat(1), timing.OnBeat(3).Plus(4), timing.At(200))
	for _, how := range []string{`"times":2`, `"times":0.5`, `"barAt":60`} {
		got := do(t, c, `{"type":"setTempo",`+how+`}`)
		if frameOfKeys(got) != "30=0 94=1 200=2" {
			t.Errorf("after %s the keys lie at %s", how, frameOfKeys(got))
		}
		if names := Settled(c, got); len(names) > 0 {
			t.Errorf("after %s %v are said to have moved", how, names)
		}
	}
	if got := do(t, c, `{"type":"setTempo","times":2}`); got.Tempo.BPM != 120 || got.Layer("mug-layer").Tracks[clip.Rotation][0].At.Beat != 2 {
		t.Errorf("with twice as many beats the tempo is %g", got.Tempo.BPM)
	}
	// Another count moves them.
	if got := do(t, c, `{"type":"setTempo","bpm":120}`); frameOfKeys(got) != "15=0 49=1 200=2" {
		t.Errorf("at 120 the keys lie at %s", frameOfKeys(got))
	}
	refused(t, c, `{"type":"setTempo","times":3}`, "times")
	refused(t, c, `{"type":"setTempo","bpm":4000}`, "tempo")
	refused(t, c, `{"type":"setTempo","perBar":40}`, "tempo")
	refused(t, c, `{"type":"setTempo","barAt":900}`, "barAt")
}

func TestACorrectedTempoStaysWithItsTune(t *testing.T) {
	tune := func(c *clip.Clip, prop string, start, gain float64) *clip.Clip {
		return do(t, c, fmt.Sprintf(`{"type":"setTune","tune":{"prop":%q,"start":%g,"gain":%g,"fadeIn":0,"fadeOut":0}}`, prop, start, gain))
	}
	c := do(t, tune(sample(), "tune", 0, 0), `{"type":"setTempo","times":2}`)
	if c = tune(c, "tune", 0, -6); c.Tempo.BPM != 200 {
		t.Errorf("made quieter the tune has %g beats a minute", c.Tempo.BPM)
	}
	// 0.1 s later in the tune its beats, 0.3 s apart, come as much sooner.
	if c = tune(c, "tune", 0.1, -6); c.Tempo.BPM != 200 || math.Abs(c.Tempo.Seconds(1)-0.2) > 1e-9 {
		t.Errorf("begun later it has %g beats a minute, beat 1 at %g s", c.Tempo.BPM, c.Tempo.Seconds(1))
	}
	if c = tune(c, "quick", 0, 0); c.Tempo.BPM != 150 {
		t.Errorf("the other tune has %g beats a minute", c.Tempo.BPM)
	}
}
