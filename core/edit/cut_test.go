package edit

import (
	"math"
	"slices"
	"testing"

	"billow/core/clip"
	"billow/core/timing"
)

// struck is a clip of ten seconds, 300 frames, with a tune at 120 beats a minute: a beat is 15 frames. It has a
// strong low hit on the first beat of each bar and a soft high one on the third.
func struck() *clip.Clip {
	c := onBeats(timing.OnBeat(2), timing.OnBeat(8))
	s := c.Prop("tune").Sound
	s.Tempo = timing.Even(120)
	for at := 0.0; at < 30; at += 2 {
		s.Hits = append(s.Hits, clip.Hit{At: at, Strength: 0.9, Kind: "low", Again: true}, clip.Hit{At: at + 1, Strength: 0.4, Kind: "high", Again: true})
	}
	c.SetTune(&clip.SoundTrack{ID: "tune", Prop: "tune"})
	c.Tempo = s.Tempo
	return c
}

// TestKeysGoWithACutOrStay: the tune is heard from its third second on, in bars of its own.
func TestKeysGoWithACutOrStay(t *testing.T) {
	c := struck()
	if frameOfKeys(c) != "30=0 120=1" {
		t.Fatalf("keys lie at %s", frameOfKeys(c))
	}
	go1 := do(t, c, `{"type":"cutTune","parts":[{"from":3,"to":7},{"from":3,"to":7}],"tail":1.5}`)
	// Bar 1 begins a second later now: the third second lies within a bar.
	if frameOfKeys(go1) != "60=0 150=1" || go1.Tempo.Seconds(0) != 1 {
		t.Errorf("keys go to %s; beat 0 lies at %g s", frameOfKeys(go1), go1.Tempo.Seconds(0))
	}
	stay := do(t, c, `{"type":"cutTune","parts":[{"from":3,"to":7},{"from":3,"to":7}],"tail":1.5,"stay":true}`)
	if frameOfKeys(stay) != "30=0 120=1" {
		t.Errorf("keys that are to stay go to %s", frameOfKeys(stay))
	}
	fits := do(t, c, `{"type":"cutTune","parts":[{"from":4,"to":8}],"tail":1.5,"fits":true}`)
	if fits.Length != 165 {
		t.Errorf("the clip lasts %d frames, want 5.5 s", fits.Length)
	}
	back := do(t, fits, `{"type":"cutTune","parts":[]}`)
	if tune := back.Tune(); len(tune.Parts) > 0 || tune.Trim != 0 || back.Tempo.Seconds(0) != 0 {
		t.Errorf("all of the tune is %+v, its beat 0 at %g s", tune, back.Tempo.Seconds(0))
	}
	refused(t, c, `{"type":"cutTune","parts":[{"from":3,"to":99}]}`, "parts")
	refused(t, c, `{"type":"cutTune","parts":[{"from":5,"to":4}]}`, "parts")
	none := do(t, c, `{"type":"setTune","tune":null}`)
	refused(t, none, `{"type":"cutTune","parts":[]}`, "parts")
}

// TestACorrectionSurvivesACut: the beats are made twice as many, then other parts are heard, then all of
// it again: it stays at 240.
func TestACorrectionSurvivesACut(t *testing.T) {
	c := do(t, struck(), `{"type":"setTempo","times":2}`)
	for _, command := range []string{
		`{"type":"cutTune","parts":[{"from":4,"to":8},{"from":2,"to":6}]}`,
		`{"type":"cutTune","parts":[{"from":10,"to":18}]}`, `{"type":"cutTune","parts":[]}`,
		`{"type":"setTune","tune":{"prop":"tune","start":2,"gain":0,"fadeIn":0,"fadeOut":0}}`,
	} {
		c = do(t, c, command)
		if math.Abs(c.Tempo.Seconds(4)-c.Tempo.Seconds(0)-1) > 1e-9 {
			t.Errorf("after %s four beats last %g s, want 1", command, c.Tempo.Seconds(4)-c.Tempo.Seconds(0))
		}
	}
	// Another tune is counted as it was heard.
	if c = do(t, c, `{"type":"setTune","tune":{"prop":"quick","start":0,"gain":0,"fadeIn":0,"fadeOut":0}}`); c.Tempo.BPM != 150 {
		t.Errorf("another tune has %g BPM", c.Tempo.BPM)
	}
}

func TestALockedCountIsNotCorrected(t *testing.T) {
	c := do(t, struck(), `{"type":"setTempo","kept":true}`)
	for _, how := range []string{`"times":2`, `"bpm":90`, `"barAt":30`, `"drag":{"second":2,"to":2.1}`} {
		refused(t, c, `{"type":"setTempo",`+how+`}`, "kept")
	}
	c = do(t, c, `{"type":"setTempo","kept":false}`)
	if got := do(t, c, `{"type":"setTempo","times":2}`); got.Tempo.BPM != 240 {
		t.Errorf("unlocked, it has %g BPM", got.Tempo.BPM)
	}
}

// TestABeatIsDragged: in the tune, by its own seconds; keys stay at their times.
func TestABeatIsDragged(t *testing.T) {
	c := do(t, struck(), `{"type":"cutTune","parts":[{"from":4,"to":14}]}`)
	was := frameOfKeys(c)
	got := do(t, c, `{"type":"setTempo","drag":{"second":7.02,"to":7.1}}`)
	// The beat at 7 s is the clip's beat 6, at 3 s.
	if at := got.Tempo.Seconds(6); math.Abs(at-3.1) > 1e-9 {
		t.Errorf("the beat lies at %g s of the clip, want 3.1", at)
	}
	if frameOfKeys(got) != was {
		t.Errorf("keys went from %s to %s", was, frameOfKeys(got))
	}
	refused(t, c, `{"type":"setTempo","drag":{"second":7,"to":9}}`, "drag")
}

func TestABeatIsEvenedOut(t *testing.T) {
	c := do(t, struck(), `{"type":"setTempo","drag":{"second":6,"to":6.15}}`)
	if got := do(t, c, `{"type":"setTempo","even":true}`); len(got.Tempo.Beats) > 0 || math.Abs(got.Tempo.BPM-120) > 1 {
		t.Errorf("evened out it has %d beats of its own at %g BPM", len(got.Tempo.Beats), got.Tempo.BPM)
	}
}

func TestATuneLaidForAClipThatStays(t *testing.T) {
	c := struck()
	got := do(t, c, `{"type":"setTune","stay":true,"tune":{"prop":"quick","start":0,"gain":0,"fadeIn":0,"fadeOut":0}}`)
	if got.Tempo.BPM != 150 || frameOfKeys(got) != frameOfKeys(c) {
		t.Errorf("keys went from %s to %s", frameOfKeys(c), frameOfKeys(got))
	}
	if got = do(t, c, `{"type":"setTune","tune":{"prop":"quick","start":0,"gain":0,"fadeIn":0,"fadeOut":0}}`); frameOfKeys(got) != "24=0 96=1" {
		t.Errorf("with the music keys go to %s: beats 2 and 8 of 12 frames each", frameOfKeys(got))
	}
}

// TestWhatAChangeDoesIsToldFirst holds what is told against what then happens.
func TestWhatAChangeDoesIsToldFirst(t *testing.T) {
	c := struck()
	after := do(t, c, `{"type":"cutTune","parts":[{"from":3,"to":7}],"fits":true}`)
	o := RetimingOf(c, after)
	if o.Was != "10s00f" || o.Is != "4s00f" || len(o.Scenes) != 1 || o.Scenes[0].Is != "4s00f" || o.Keys == 0 || !slices.Contains(o.Layers, "Mug") {
		t.Errorf("it says %+v", o)
	}
	if o := RetimingOf(c, c); o.Keys != 0 || len(o.Scenes) != 0 || o.Was != o.Is {
		t.Errorf("of nothing it says %+v", o)
	}
}

// TestScenesAreFittedToBars: at 120 a bar is 60 frames; scenes of 50, 45 and 118 frames become ones that end
// on bars, the second of at least one.
func TestScenesAreFittedToBars(t *testing.T) {
	c := sample()
	c.Tempo = timing.Even(120)
	c = do(t, c, `{"type":"trimScene","scene":"`+c.Scenes()[0].ID+`","length":{"frames":50}}`)
	c = do(t, c, `{"type":"addScene","id":"two","scene":{"frames":25}}`)
	c = do(t, c, `{"type":"addScene","id":"three","scene":{"frames":130}}`)
	got := do(t, c, `{"type":"fitScenes","unit":"bars"}`)
	var ends []int
	for _, p := range got.Scenes() {
		ends = append(ends, p.To)
	}
	if want := []int{60, 120, 180}; !slices.Equal(ends, want) {
		t.Errorf("scenes end on %v, want %v", ends, want)
	}
	ends = nil
	for _, p := range do(t, c, `{"type":"fitScenes","unit":"beats"}`).Scenes() {
		ends = append(ends, p.To)
	}
	if want := []int{45, 75, 210}; !slices.Equal(ends, want) {
		t.Errorf("scenes end on %v, want %v", ends, want)
	}
	refused(t, c, `{"type":"fitScenes","unit":"days"}`, "unit")
}

// TestLayersAreSpreadOverBeats: three layers over six beats begin two beats apart, and go along when the
// tempo changes.
func TestLayersAreSpreadOverBeats(t *testing.T) {
	c := three()
	c.Tempo = timing.Even(120)
	for _, id := range []string{"a", "b", "c"} {
		c = do(t, c, `{"type":"setMove","layer":"`+id+`","move":{"kind":"gust","at":10,"length":12,"side":"left","turn":10,"strength":100}}`)
	}
	begins := func(c *clip.Clip) (out []int) {
		for _, id := range []string{"c", "b", "a"} { // from the front to the back
			out = append(out, first(c, c.Layer(id)))
		}
		return out
	}
	got := do(t, c, `{"type":"spreadOut","layers":["a","b","c"],"beat":4,"beats":6}`)
	if want := []int{60, 90, 120}; !slices.Equal(begins(got), want) {
		t.Errorf("they begin on %v, want %v", begins(got), want)
	}
	if slow := do(t, got, `{"type":"setTempo","bpm":90}`); !slices.Equal(begins(slow), []int{80, 120, 160}) {
		t.Errorf("at 90 they begin on %v", begins(slow))
	}
	words := do(t, c, `{"type":"setLayer","layer":"wa","set":{"words":{"comes":{"by":"word","at":0,"each":7,"over":4,"ease":{"kind":"linear"}}}}}`)
	words = do(t, do(t, words, `{"type":"spreadOut","layers":["wb","wa"],"beat":4,"beats":8}`), `{"type":"setTempo","bpm":90}`)
	if got := words.Clock().Frame(words.Layer("wa").Words.Comes.At); got != 80 && got != 160 {
		t.Errorf("words begin to come on frame %d, on no beat of theirs", got)
	}
	refused(t, c, `{"type":"spreadOut","layers":["a","b"],"beat":2,"beats":90}`, "beats")
	refused(t, c, `{"type":"spreadOut","layers":["a"],"beat":2,"beats":4}`, "layers")
}
