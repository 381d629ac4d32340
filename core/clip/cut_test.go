package clip

import (
	"slices"
	"strings"
	"testing"

	"billow/core/timing"
)

// withTune is a clip of six seconds at 30 frames with a tune of 20 s at 120 beats a minute that has
// two hits and three sections.
func withTune(change func(t *SoundTrack)) *Clip {
	square, _ := StandardShape("square")
	c := New("x", square, 30, 180)
	c.Props = []Prop{{ID: "t", Name: "Tune", Kind: KindTune, Hash: strings.Repeat("a", 64), Media: "audio/wav", Sound: &Sound{
		Seconds: 20, Tempo: timing.Even(120), Steady: true, Hits: []Hit{{At: 4.5, Strength: 1, Kind: "low"}, {At: 9, Strength: 0.4, Kind: "high"}},
		Sections: []Section{{0, Quiet}, {4, Build}, {8, Full}},
	}}}
	track := SoundTrack{Prop: "t"}
	change(&track)
	c.SetTune(&track)
	c.Tempo = track.Counted(timing.Even(120))
	return c
}

// TestWhatARepeatedPartHoldsIsHeardAgain: the part from 4 to 6 s twice, then from 8 to 10 s: its hit at 4.5 s is
// heard at half a second and at two and a half, that of 9 s at 5 s.
func TestWhatARepeatedPartHoldsIsHeardAgain(t *testing.T) {
	c := withTune(func(t *SoundTrack) {
		t.Trim, t.Parts = 4, []timing.Part{{From: 4, To: 6}, {From: 4, To: 6}, {From: 8, To: 10}}
	})
	if err := c.Validate(); err != nil {
		t.Fatal(err)
	}
	var frames []int
	for _, h := range c.Hits() {
		frames = append(frames, h.Frame)
	}
	if want := []int{15, 75, 150}; !slices.Equal(frames, want) {
		t.Errorf("hits are heard on the frames %v, want %v", frames, want)
	}
	if got, want := c.Sections(), []HeardSection{{Build, 0, 120}, {Full, 120, 180}}; !slices.Equal(got, want) {
		t.Errorf("sections are %v, want %v", got, want)
	}
	tune := c.Tune()
	s := c.Prop("t").Sound
	for at, want := range map[float64]float64{0.5: 4.5, 2.5: 4.5, 4.5: 8.5} {
		if got := tune.InSound(s, at); got != want {
			t.Errorf("at %g s of the clip %g s of the tune is heard, want %g", at, got, want)
		}
	}
	if got := tune.Seconds(s); got != 6 {
		t.Errorf("it lasts %g s", got)
	}
}

func TestPartsThatASoundHasNotAreRefused(t *testing.T) {
	for name, change := range map[string]func(*SoundTrack){
		"past its end":   func(t *SoundTrack) { t.Parts = []timing.Part{{From: 0, To: 21}} },
		"backwards":      func(t *SoundTrack) { t.Trim, t.Parts = 5, []timing.Part{{From: 5, To: 4}} },
		"before it":      func(t *SoundTrack) { t.Trim, t.Parts = -1, []timing.Part{{From: -1, To: 4}} },
		"too short":      func(t *SoundTrack) { t.Parts = []timing.Part{{From: 0, To: 0.01}} },
		"another trim":   func(t *SoundTrack) { t.Trim, t.Parts = 1, []timing.Part{{From: 0, To: 4}} },
		"a long tail":    func(t *SoundTrack) { t.Tail = 11 },
		"a shape":        func(t *SoundTrack) { t.FadeInShape = "wobbly" },
		"too many parts": func(t *SoundTrack) { t.Parts = slices.Repeat([]timing.Part{{From: 0, To: 1}}, MaxParts+1) },
	} {
		if err := withTune(change).Validate(); err == nil {
			t.Errorf("%s: it is taken", name)
		}
	}
}

// TestAHitIsBoundToItsBeat: one a frame beside a quarter of a beat belongs to that; one in between
// stays where it is.
func TestAHitIsBoundToItsBeat(t *testing.T) {
	c := withTune(func(*SoundTrack) {})
	for frame, beat := range map[int]float64{30: 2, 31: 2, 37: 2.5, 34: 2.25, 25: 5.0 / 3} {
		m := c.MomentOfHit(frame)
		if !m.OnBeat || m.Frames != 0 || m.Beat != beat {
			t.Errorf("a hit on frame %d is bound to %+v, want beat %g", frame, m, beat)
		}
	}
	if m := c.MomentOfHit(28); !m.OnBeat || c.Clock().Frame(m) != 28 {
		t.Errorf("a hit between beats is bound to %+v", m)
	}
}

// TestHitsAreChosen: by kind, strength, whether they come in each bar, and how far apart.
func TestHitsAreChosen(t *testing.T) {
	c := withTune(func(*SoundTrack) {})
	c.Props[0].Sound.Hits = []Hit{
		{At: 1, Strength: 1, Kind: "low", Again: true}, {At: 1.2, Strength: 0.6, Kind: "mid"}, {At: 2, Strength: 0.3, Kind: "low", Again: true},
		{At: 3, Strength: 0.9, Kind: "high"}, {At: 3.5, Lasts: 1, Strength: 0.8, Kind: "rise"},
	}
	for _, x := range []struct {
		o    HitChoice
		want []int
	}{
		{HitChoice{}, []int{30, 36, 60, 90}},
		{HitChoice{Least: 0.5}, []int{30, 36, 90}},
		{HitChoice{Apart: 1}, []int{30, 60, 90}},
		{HitChoice{Kinds: []string{"low"}}, []int{30, 60}},
		{HitChoice{Which: "alone"}, []int{36, 90}},
		{HitChoice{Kinds: []string{"rise"}}, []int{135}}, // at its top
		{HitChoice{Kinds: []string{"low", "high"}, Which: "again"}, []int{30, 60}},
	} {
		var got []int
		for _, s := range c.Struck(&x.o, 0, 180, 1) {
			got = append(got, s.Frame)
		}
		if !slices.Equal(got, x.want) {
			t.Errorf("%+v takes the hits on %v, want %v", x.o, got, x.want)
		}
	}
}
