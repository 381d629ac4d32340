package excerpt

import (
	"math"
	"slices"
	"testing"

	"billow/core/clip"
	"billow/core/timing"
)

// song is a tune at 120 beats a minute in bars of two seconds: quiet until bar 9, building until bar 13,
// full until bar 21, a break of four, full until it ends after bar 32.
func song() *clip.Sound {
	return &clip.Sound{Seconds: 64, Steady: true, Tempo: timing.Even(120), Sections: []clip.Section{
		{At: 0, Kind: clip.Quiet}, {At: 16, Kind: clip.Build}, {At: 24, Kind: clip.Full}, {At: 40, Kind: clip.Break}, {At: 48, Kind: clip.Full},
	}}
}

// TestTheBestPartLeadsIntoWhatIsFull: of twelve seconds, six bars: two or more of the build-up come before what
// is full, and what is full fills half of it or more.
func TestTheBestPartLeadsIntoWhatIsFull(t *testing.T) {
	s := song()
	all := Best(s, s.Tempo, 12)
	if len(all) != 3 {
		t.Fatalf("there are %d proposals: %+v", len(all), all)
	}
	for _, e := range all {
		p := e.Parts[0]
		if len(e.Parts) != 1 || e.Bars != 6 || p.Seconds() != 12 || math.Mod(p.From, 2) != 0 || e.Tail != 0 || e.Bar != int(p.From/2)+1 {
			t.Errorf("it does not begin and end with bars: %+v", e)
		}
	}
	best := all[0]
	if len(best.Holds) != 2 || best.Holds[0].Kind != clip.Build || best.Holds[1].Kind != clip.Full || best.Holds[1].Bars < 3 {
		t.Errorf("the best holds %+v", best.Holds)
	}
	for i, a := range all {
		for _, b := range all[:i] {
			if overlap(a.Parts[0], b.Parts[0]) > 0.6 {
				t.Errorf("%+v and %+v are much the same", a, b)
			}
		}
	}
}

// TestWhatIsNoWholeBarsDiesAway: of thirteen seconds six bars are heard, and a second is left.
func TestWhatIsNoWholeBarsDiesAway(t *testing.T) {
	s := song()
	for _, e := range Best(s, s.Tempo, 13) {
		if e.Bars != 6 || e.Tail != 1 {
			t.Errorf("it has %d bars and dies away within %g s", e.Bars, e.Tail)
		}
	}
}

// TestAShortTuneIsRepeated: of 64 s, 100 are made: all of it, then what is full at its end twice.
func TestAShortTuneIsRepeated(t *testing.T) {
	s := song()
	all := Best(s, s.Tempo, 100)
	if len(all) != 1 {
		t.Fatalf("there are %d proposals", len(all))
	}
	want := []timing.Part{{From: 0, To: 64}, {From: 48, To: 64}, {From: 48, To: 64}, {From: 48, To: 52}}
	if e := all[0]; !slices.Equal(e.Parts, want) || e.Tail != 0 || e.Bars != 50 {
		t.Errorf("it is %+v", e)
	}
}

func TestWithoutBarsThereIsNothing(t *testing.T) {
	for name, s := range map[string]*clip.Sound{
		"a click": {Seconds: 0.2, Tempo: timing.Even(120)}, "nothing asked": song(),
	} {
		seconds := 12.0
		if name == "nothing asked" {
			seconds = 0
		}
		if got := Best(s, s.Tempo, seconds); len(got) > 0 {
			t.Errorf("%s: %+v", name, got)
		}
	}
}

// FuzzBest: whatever a tune is like, what is proposed begins and ends in it, on bars, and lasts as long as
// was asked for.
func FuzzBest(f *testing.F) {
	f.Add(64.0, 120.0, 0.3, 12.0, 4)
	f.Fuzz(func(t *testing.T, long, bpm, first, seconds float64, per int) {
		if !(long > 1 && long < 600 && bpm >= 40 && bpm <= 220 && first >= 0 && first < 5 && seconds > 0.5 && seconds < 120 && per >= 1 && per <= 8) {
			return
		}
		s := &clip.Sound{Seconds: long, Tempo: timing.Tempo{BPM: bpm, First: first, PerBar: per}, Sections: []clip.Section{{At: 0, Kind: clip.Quiet}, {At: long / 2, Kind: clip.Full}}}
		for _, e := range Best(s, s.Tempo, seconds) {
			sum := e.Tail
			for _, p := range e.Parts {
				if p.From < 0 || p.To > long+1e-9 || p.To <= p.From {
					t.Fatalf("a part of %g s is %+v", long, p)
				}
				sum += p.Seconds()
			}
			if math.Abs(sum-seconds) > 0.06 {
				t.Fatalf("%g s are asked for, it lasts %g", seconds, sum)
			}
		}
	})
}
