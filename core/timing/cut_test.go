package timing

import (
	"math"
	"slices"
	"testing"
)

// barsOfFour is a tune of bars of four at 120 beats a minute from half a second on, with a list.
func barsOfFour(beats int) Tempo {
	t := Tempo{BPM: 120, PerBar: 4}
	for i := range beats {
		t.Beats = append(t.Beats, 0.5+0.5*float64(i))
	}
	return t
}

// TestACutCountsOnAcrossItsJoins: bars 3 and 4 of a tune, then bar 2, twice: four bars of two seconds
// from zero on, whether the tune has a list of beats or an even count.
func TestACutCountsOnAcrossItsJoins(t *testing.T) {
	parts := []Part{{4.5, 8.5}, {2.5, 4.5}, {2.5, 4.5}}
	early := Tempo{BPM: 120, First: 6.5, PerBar: 4}.Cut(parts) // its beat 0 comes after the first bar
	if at := early.Seconds(early.Downbeat(1)); math.Abs(at-2) > 1e-9 {
		t.Errorf("counted from bar 4 on, bar 2 begins at %g s", at)
	}
	for name, tune := range map[string]Tempo{"a list": barsOfFour(40), "an even count": {BPM: 120, First: 0.5, PerBar: 4}} {
		got := tune.Cut(parts)
		if err := got.Check(); err != nil {
			t.Fatalf("%s: %v", name, err)
		}
		for beat := 0.0; beat < 16; beat += 0.5 {
			if s := got.Seconds(beat); math.Abs(s-beat/2) > 1e-9 {
				t.Errorf("%s: beat %g lies at %g s", name, beat, s)
			}
		}
		for bar := 0.0; bar <= 4; bar++ {
			if b := got.Downbeat(bar); b != 4*bar {
				t.Errorf("%s: bar %g begins with beat %g", name, bar, b)
			}
		}
	}
}

// TestAJoinWithinABarMakesAShorterOne: six beats, then whole bars: the second bar has two.
func TestAJoinWithinABarMakesAShorterOne(t *testing.T) {
	got := barsOfFour(60).Cut([]Part{{0.5, 3.5}, {8.5, 16.5}})
	if err := got.Check(); err != nil {
		t.Fatal(err)
	}
	var downs []float64
	for bar := range 5 {
		downs = append(downs, got.Downbeat(float64(bar)))
	}
	if want := []float64{0, 4, 6, 10, 14}; !slices.Equal(downs, want) {
		t.Errorf("bars begin with the beats %v, want %v", downs, want)
	}
}

func TestACutOfOnePartIsATrim(t *testing.T) {
	tune := barsOfFour(40)
	a, b := tune.Cut([]Part{{2.5, 12}}), tune.Shifted(-2.5)
	for beat := -4.0; beat < 20; beat++ {
		if math.Abs(a.Seconds(beat)-b.Seconds(beat)) > 1e-9 || a.BarAt(beat) != b.BarAt(beat) {
			t.Errorf("beat %g lies at %g s in bar %g, and trimmed at %g s in %g", beat, a.Seconds(beat), a.BarAt(beat), b.Seconds(beat), b.BarAt(beat))
		}
	}
}

// TestADraggedBeatTakesItsNeighboursAlong: the beat itself goes all the way, the one four away half
// of it, the one eight away not at all.
func TestADraggedBeatTakesItsNeighboursAlong(t *testing.T) {
	was := barsOfFour(40)
	got, err := was.Dragged(20, 10.6)
	if err != nil {
		t.Fatal(err)
	}
	for beat, by := range map[int]float64{20: 0.1, 16: 0.05, 24: 0.05, 12: 0, 28: 0, 5: 0} {
		if moved := got.Beats[beat] - was.Beats[beat]; math.Abs(moved-by) > 1e-9 {
			t.Errorf("beat %d has moved by %g s, want %g", beat, moved, by)
		}
	}
	if _, err := was.Dragged(20, 11); err == nil {
		t.Error("a beat was dragged onto its neighbour")
	}
	if _, err := was.Dragged(-3, 0.4); err == nil {
		t.Error("a beat that is not there was dragged")
	}
}

func TestBeatsAreEvenedOut(t *testing.T) {
	tune := barsOfFour(41)
	for i := range tune.Beats {
		tune.Beats[i] += 0.02 * float64(i%2*2-1) // players are off to either side
	}
	got := tune.Evened()
	if math.Abs(got.BPM-120) > 0.1 || math.Abs(got.Seconds(20)-10.5) > 0.03 || len(got.Beats) != 0 {
		t.Errorf("it is %g BPM, and beat 20 lies at %g s", got.BPM, got.Seconds(20))
	}
}

// FuzzCuts: whatever parts are cut from a tune, the count is one that a clip can have, and
// beats and seconds lead to each other.
func FuzzCuts(f *testing.F) {
	f.Add(1.0, 3.0, 2.0, 0.7, true)
	f.Fuzz(func(t *testing.T, a, b, c, d float64, list bool) {
		for _, v := range []float64{a, b, c, d} {
			if !(v >= 0 && v < 100) {
				return
			}
		}
		tune := Tempo{BPM: 97, First: 0.3, PerBar: 3}
		if list {
			tune = barsOfFour(150)
		}
		got := tune.Cut([]Part{{a, a + b + 0.1}, {c, c + d + 0.1}, {d, d + a + 0.1}})
		if err := got.Check(); err != nil {
			t.Fatal(err)
		}
		for s := 0.0; s < 20; s += 0.37 {
			if back := got.Seconds(got.Beat(s)); math.Abs(back-s) > 1e-6 {
				t.Fatalf("%g s is beat %g, which is %g s", s, got.Beat(s), back)
			}
		}
	})
}
