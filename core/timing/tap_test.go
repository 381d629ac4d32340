package timing

import (
	"math"
	"strings"
	"testing"
)

// tapped is taps at a tempo from first on, each off by one of a few hands' errors.
func tapped(bpm, first float64, n int, late float64) (out []float64) {
	errors := []float64{0.01, -0.02, 0.015, -0.005, 0.02, -0.015, -0.01, 0.005}
	for i := range n {
		out = append(out, first+60/bpm*float64(i)+errors[i%len(errors)]+late)
	}
	return out
}

func TestTapsTellATempo(t *testing.T) {
	got, err := Tapped(tapped(100, 2, 16, 0), 4, nil)
	if err != nil {
		t.Fatal(err)
	}
	if math.Abs(got.BPM-100) > 0.5 || math.Abs(got.Seconds(0)-2) > 0.02 || got.PerBar != 4 {
		t.Errorf("taps at 100 from 2 s are %.2f from %.3f s", got.BPM, got.Seconds(0))
	}
	// Two that were left out change nothing.
	taps := tapped(100, 2, 16, 0)
	taps = append(taps[:5:5], taps[7:]...)
	if got, err = Tapped(taps, 4, nil); err != nil || math.Abs(got.BPM-100) > 0.5 {
		t.Errorf("with two left out they are %.2f, %v", got.BPM, err)
	}
}

func TestTapsChooseAmongWhatWasHeard(t *testing.T) {
	beats := func(bpm, first float64) Tempo {
		m := Tempo{BPM: bpm, PerBar: 3, Zero: 1}
		for i := range 60 {
			m.Beats = append(m.Beats, first+60/bpm*float64(i))
		}
		return m
	}
	heard := []Tempo{beats(160, 0.2), beats(80, 0.2), beats(80, 0.575)}
	// Hands that are 40 ms late throughout: the beats of the music count.
	got, err := Tapped(tapped(80, 0.575+7.5, 8, 0.04), 4, heard)
	if err != nil || got.BPM != 80 || got.Beats[0] != 0.575 || got.PerBar != 3 {
		t.Errorf("chosen were %v beats a minute from %v, %v", got.BPM, got.Beats, err)
	}
	// Nothing that was heard goes with these.
	if got, err = Tapped(tapped(95, 3, 12, 0), 4, heard); err != nil || len(got.Beats) > 0 || math.Abs(got.BPM-95) > 0.6 {
		t.Errorf("taps of their own are %v, %v", got, err)
	}
}

func TestTapsThatTellNothing(t *testing.T) {
	for want, taps := range map[string][]float64{
		"4 taps tell a tempo":     {1, 2, 3},
		"not later than":          {1, 2, 2, 3},
		"too uneven":              {1, 1.4, 2.7, 2.9, 4.4, 4.5, 6.1},
		"beats a minute":          {0, 10, 20, 30},
		"tap 3 is not later than": {1, 2, math.NaN(), 4},
	} {
		if _, err := Tapped(taps, 4, nil); err == nil || !strings.Contains(err.Error(), want) {
			t.Errorf("%v: %v, want %q", taps, err, want)
		}
	}
}
