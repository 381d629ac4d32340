package timing

import "testing"

// even is beats at a tempo from a second on, of which one begins the first bar.
func even(bpm, first float64, perBar, zero int) Tempo {
	t := Tempo{BPM: bpm, PerBar: perBar, Zero: zero}
	for at := first; at < 30; at += 60 / bpm {
		t.Beats = append(t.Beats, at)
	}
	return t
}

func TestHowOneCountDiffersFromAnother(t *testing.T) {
	now := even(120, 0.25, 4, 1)
	for says, other := range map[string]Tempo{
		"":                                 even(120, 0.27, 4, 1),
		"60.0, half as fast":               even(60, 0.25, 4, 0),
		"240.0, twice as fast":             even(240, 0.25, 4, 0),
		"180.0, half as fast again":        even(180, 0.25, 4, 0),
		"80.0, a third slower":             even(80, 0.25, 4, 0),
		"120.0, half a beat later":         even(120, 0.5, 4, 0),
		"120.0, a third of a beat later":   even(120, 0.4167, 4, 0),
		"120.0, a third of a beat earlier": even(120, 0.0833, 4, 0),
		"120.0, a little later":            even(120, 0.35, 4, 0),
		"101.0":                            even(101, 0.25, 4, 0),
		"3 in a bar":                       even(120, 0.25, 3, 1),
		"bars a beat later":                even(120, 0.25, 4, 2),
		"bars 2 beats later":               even(120, 0.25, 4, 3),
		"bars a beat earlier":              even(120, 0.25, 4, 0),
		"4 in a bar, which changes":        func() Tempo { m := even(120, 0.25, 4, 1); m.Metres = []Metre{{8, 3}}; return m }(),
	} {
		if got := other.Beside(now); got != says {
			t.Errorf("it says %q, want %q", got, says)
		}
	}
	// A count without a list goes on for ever.
	if got := even(120, 0.25, 4, 0).Beside(Tempo{BPM: 120, First: 0.25, PerBar: 4}); got != "" {
		t.Errorf("beside the same count without a list it says %q", got)
	}
}

func TestBeatsAgree(t *testing.T) {
	a := even(120, 0, 4, 0).Beats
	for _, c := range []struct {
		b    []float64
		want bool
	}{
		{even(120, 0.06, 4, 0).Beats, true}, {even(120, 0.08, 4, 0).Beats, false}, {even(60, 0, 4, 0).Beats, false},
		{a[:len(a)*9/10], true}, {nil, false},
	} {
		if got := Agree(a, c.b); got != c.want {
			t.Errorf("with %d beats from %v on it is %v", len(c.b), c.b[:min(1, len(c.b))], got)
		}
	}
}
