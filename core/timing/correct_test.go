package timing

import (
	"math"
	"testing"
)

// counted is a list of beats a half second apart from 0.3 s on, whose third is
// the first downbeat.
func counted() Tempo {
	t := Tempo{BPM: 120, PerBar: 4, Zero: 2}
	for i := range 24 {
		t.Beats = append(t.Beats, 0.3+0.5*float64(i))
	}
	return t
}

func TestTwiceAndHalfAsManyBeatsLieOnTheOldOnes(t *testing.T) {
	for _, x := range []Tempo{counted(), {BPM: 120, First: 1.3, PerBar: 4}} {
		twice, half := x.Doubled(), x.Halved()
		if twice.Check() != nil || half.Check() != nil || twice.BPM != 240 || half.BPM != 60 {
			t.Fatalf("twice as many: %+v, half as many: %+v", twice, half)
		}
		for b := -2.0; b < 20; b++ {
			if got := twice.Seconds(2 * b); math.Abs(got-x.Seconds(b)) > 1e-9 {
				t.Errorf("beat %g of twice as many lies at %g, want %g", 2*b, got, x.Seconds(b))
			}
			if got := half.Seconds(b / 2); math.Abs(got-x.Seconds(b)) > 1e-9 {
				t.Errorf("beat %g of half as many lies at %g, want %g", b/2, got, x.Seconds(b))
			}
		}
		if again := twice.Halved(); again.BPM != 120 || math.Abs(again.Seconds(5)-x.Seconds(5)) > 1e-9 {
			t.Errorf("twice and half again gives %+v", again)
		}
	}
}

func TestABarBeginsWhereItIsSaid(t *testing.T) {
	// Beats lie at 0.3, 0.8, 1.3 ...; the one nearest to 2.85 s is at 2.8, three
	// after the first downbeat. The earliest downbeat with it is at 0.8.
	got, gone := counted().WithBarAt(2.85)
	if got.Seconds(0) != 0.8 || gone != -1 || math.Mod(got.Beat(2.8), 4) != 0 {
		t.Errorf("beat 0 lies at %g, and %d beats are gone", got.Seconds(0), gone)
	}
	// An even count goes right through the time: 2.85, 2.35, ... 0.85.
	got, gone = Tempo{BPM: 120, First: 1.3, PerBar: 4}.WithBarAt(2.85)
	if math.Abs(got.Seconds(0)-0.85) > 1e-9 || gone != -1 || math.Abs(got.Beat(2.85)-4) > 1e-9 {
		t.Errorf("beat 0 lies at %g, and %d beats are gone", got.Seconds(0), gone)
	}
	// Where a bar begins already, nothing changes; nor does a waltz's.
	if got, gone := counted().WithBarAt(3.3); got.Seconds(0) != 1.3 || gone != 0 {
		t.Errorf("beat 0 lies at %g, and %d beats are gone", got.Seconds(0), gone)
	}
	three := counted()
	three.PerBar = 3
	if got, _ := three.WithBarAt(1.8); got.Seconds(0) != 0.3 {
		t.Errorf("in bars of three beat 0 lies at %g", got.Seconds(0))
	}
	for s := -1.0; s < 30; s += 0.37 {
		if got, _ := counted().WithBarAt(s); got.Check() != nil {
			t.Errorf("a bar at %g makes %v", s, got.Check())
		}
	}
}

func TestANewCountBeginsWhereTheOldOneDid(t *testing.T) {
	got := counted().At(90)
	if got.Seconds(0) != 1.3 || math.Abs(got.Seconds(3)-3.3) > 1e-9 || got.PerBar != 4 {
		t.Errorf("beats 0 and 3 lie at %g and %g", got.Seconds(0), got.Seconds(3))
	}
}
