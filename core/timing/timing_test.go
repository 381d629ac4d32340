package timing

import (
	"encoding/json"
	"math"
	"testing"
)

func TestTimecode(t *testing.T) {
	for frame, want := range map[int]string{0: "0s00f", 125: "4s05f", 29: "0s29f", 360: "12s00f"} {
		if got := Rate(30).Timecode(frame); got != want {
			t.Errorf("frame %d is %s, want %s", frame, got, want)
		}
	}
	for text, want := range map[string]int{"4s05f": 125, "4s": 120, "125": 125, "125f": 125, "2.5s": 75, " 1s 1f ": 31} {
		if got, err := Rate(30).ParseTimecode(text); err != nil || got != want {
			t.Errorf("%q is %d (%v), want %d", text, got, err, want)
		}
	}
	for _, text := range []string{"", "x", "-4s", "4m", "4s5s", "1e9s", "99999999999"} {
		if got, err := Rate(30).ParseTimecode(text); err == nil {
			t.Errorf("%q was read as %d", text, got)
		}
	}
}

func TestLengthInBars(t *testing.T) {
	// Five bars of four beats at 100 BPM last 12 seconds.
	c := Clock{Rate: 30, Tempo: Even(100)}
	if got, err := c.ParseLength("5 bars"); err != nil || got != 360 {
		t.Errorf("5 bars are %d frames (%v), want 360", got, err)
	}
}

func TestBeatAndSecondsAreInverse(t *testing.T) {
	maps := []Tempo{Even(93), {BPM: 100, PerBar: 4, Beats: []float64{-0.2, 0.41, 1.0, 1.62, 2.2, 2.81}, Zero: 2}}
	for _, m := range maps {
		for s := -3.0; s < 9; s += 0.137 {
			if got := m.Seconds(m.Beat(s)); math.Abs(got-s) > 1e-9 {
				t.Errorf("%g seconds came back as %g", s, got)
			}
		}
	}
	if got := maps[1].Seconds(0); got != 1.0 {
		t.Errorf("beat 0 is at %g, want 1.0", got)
	}
}

func TestShiftedBeginsAtTheFirstDownbeatOfTheClip(t *testing.T) {
	var beats []float64
	for i := range 40 {
		beats = append(beats, 0.25+0.6*float64(i))
	}
	tune := Tempo{BPM: 100, PerBar: 4, Beats: beats}
	// From 3 seconds on, the next downbeat of the tune is 0.25 + 8*0.6 = 5.05.
	clip := tune.Shifted(-3)
	if got := clip.Seconds(0); math.Abs(got-2.05) > 1e-9 {
		t.Errorf("the first downbeat is at %g, want 2.05", got)
	}
	if tune.Beats[0] != 0.25 {
		t.Error("shifting changed the tune's own map")
	}
}

func TestMomentJSON(t *testing.T) {
	for _, text := range []string{`45`, `{"beat":8,"frames":-2}`, `{"beat":0}`} {
		var m Moment
		if err := json.Unmarshal([]byte(text), &m); err != nil {
			t.Fatal(err)
		}
		if b, _ := json.Marshal(m); string(b) != text {
			t.Errorf("%s came back as %s", text, b)
		}
	}
	for _, text := range []string{`"4"`, `4.5`, `{}`, `{"beat":1,"bar":2}`, `[]`} {
		var m Moment
		if json.Unmarshal([]byte(text), &m) == nil {
			t.Errorf("%s was read as %v", text, m)
		}
	}
}

// At many tempos every beat, or every second one, falls exactly between two
// frames. All of them go up, wherever the first beat lies.
func TestBeatsBetweenTwoFramesAllGoUp(t *testing.T) {
	halves := 0
	for _, rate := range Rates {
		for bpm := int64(40); bpm <= 240; bpm++ {
			for tenths := int64(0); tenths < 10; tenths++ {
				c := Clock{Rate: rate, Tempo: Tempo{BPM: float64(bpm), PerBar: 4, First: float64(tenths) / 10}}
				for beat := int64(0); beat < 64; beat++ {
					// frame = (tenths/10 + 60 beat/bpm) rate, as a fraction of whole numbers.
					over, under := (tenths*bpm+600*beat)*int64(rate), 10*bpm
					want := int((2*over + under) / (2 * under))
					if (2*over+under)%(2*under) == 0 {
						halves++
					}
					if got := c.Frame(OnBeat(float64(beat))); got != want {
						t.Fatalf("%d frames a second, %d BPM from 0.%ds: beat %d is on frame %d, want %d", rate, bpm, tenths, beat, got, want)
					}
				}
			}
		}
	}
	if halves < 1000 {
		t.Errorf("only %d beats lay between two frames", halves)
	}
}
