package timing

import (
	"math"
	"strings"
	"testing"
)

// changing has two bars of 4, then three of 3, then bars of 2; before beat 0, bars of 4,
// and of 3 before beat -8.
var changing = Tempo{BPM: 120, PerBar: 3, Metres: []Metre{{-8, 4}, {8, 3}, {17, 2}}}

func TestBarsOfSeveralLengths(t *testing.T) {
	if err := changing.Check(); err != nil {
		t.Fatal(err)
	}
	for beat, bar := range map[float64]float64{
		0: 0, 3: 0.75, 4: 1, 8: 2, 9.5: 2.5, 11: 3, 14: 4, 17: 5, 18: 5.5, 19: 6, 27: 10,
		-1: -0.25, -4: -1, -8: -2, -9.5: -2.5, -11: -3, -14: -4,
	} {
		if got := changing.BarAt(beat); math.Abs(got-bar) > 1e-12 {
			t.Errorf("beat %g lies in bar %g, want %g", beat, got, bar)
		}
		if got := changing.Downbeat(bar); math.Abs(got-beat) > 1e-9 {
			t.Errorf("bar %g begins with beat %g, want %g", bar, got, beat)
		}
	}
	c := Clock{Rate: 30, Tempo: changing}
	for text, beat := range map[string]float64{"b3.3": 10, "b6": 17, "b5.2": 15, "b-1.1": -8} {
		m, err := c.ParseMoment(text)
		if err != nil || m.Beat != beat {
			t.Errorf("%s is beat %g, %v; want %g", text, m.Beat, err, beat)
		}
	}
	if got := c.Text(OnBeat(16)); got != "b5.3" {
		t.Errorf("beat 16 is written %s, want b5.3", got)
	}
	if _, err := c.ParseMoment("b4.4"); err == nil || !strings.Contains(err.Error(), "beats 1 to 3") {
		t.Errorf("the fourth beat of a bar of three: %v", err)
	}
}

func TestMetresMoveWithTheTune(t *testing.T) {
	// Two bars earlier: beat 0 is what was beat 8, with which bars of three begin.
	got := changing.Shifted(-8 * 0.5)
	if err := got.Check(); err != nil {
		t.Fatal(err)
	}
	for bar := -4.0; bar < 9; bar++ {
		if a, b := got.Seconds(got.Downbeat(bar)), changing.Seconds(changing.Downbeat(bar+2))-4; math.Abs(a-b) > 1e-9 {
			t.Errorf("bar %g begins at %g s, want %g", bar, a, b)
		}
	}
}

func TestMetresThatCannotBe(t *testing.T) {
	for want, m := range map[string][]Metre{
		"beat 7, within a bar":  {{7, 4}},
		"beat 13, within a bar": {{6, 4}, {13, 3}},
		"not later than":        {{6, 4}, {6, 3}},
		"1 to 16 beats":         {{6, 0}},
		"too far away":          {{3_000_000, 4}},
	} {
		tempo := Tempo{BPM: 120, PerBar: 3, Metres: m}
		if err := tempo.Check(); err == nil || !strings.Contains(err.Error(), want) {
			t.Errorf("%v: %v, want %q", tempo.Metres, err, want)
		}
	}
}
