package motion

import (
	"math"
	"testing"

	"billow/core/timing"
)

var clock30 = timing.Clock{Rate: 30, Tempo: timing.Even(120)}

func TestABounceFallsAndComesBack(t *testing.T) {
	// One bounce to a quarter of the height: the fall takes one unit of time, the
	// bounce twice the root of a quarter, one more. Its peak is a quarter below.
	e := Ease{Kind: Bounce, Count: 1, Decay: 0.25}
	for _, want := range [][2]float64{{0.25, 0.25}, {0.5, 1}, {0.75, 0.75}, {1, 1}} {
		if got := e.At(want[0]); math.Abs(got-want[1]) > 1e-9 {
			t.Errorf("at %g it is %g, want %g", want[0], got, want[1])
		}
	}
	for count := 1; count <= 8; count++ {
		for i := range 1000 {
			if v := (Ease{Kind: Bounce, Count: count, Decay: 0.6}).At(float64(i) / 999); v < 0 || v > 1 {
				t.Fatalf("%d bounces: %g", count, v)
			}
		}
	}
}

func TestStepsAreThoseOfCSS(t *testing.T) {
	e := Ease{Kind: Steps, Count: 4} // steps(4, jump-end)
	for _, want := range [][2]float64{{0, 0}, {0.24, 0}, {0.25, 0.25}, {0.74, 0.5}, {0.99, 0.75}, {1, 1}} {
		if got := e.At(want[0]); got != want[1] {
			t.Errorf("at %g it is %g, want %g", want[0], got, want[1])
		}
	}
}

func TestASpringIsStillAfterItsSettlingTime(t *testing.T) {
	e := Ease{Kind: Spring, Bounce: 0.6, Settle: 40}
	for _, at := range []float64{0.4, 0.5, 0.9, 1} {
		if got := e.At(at); got != 1 {
			t.Errorf("at %g it is %g", at, got)
		}
	}
	if whole := (Ease{Kind: Spring, Bounce: 0.6}).At(0.25); math.Abs(e.At(0.1)-whole) > 1e-12 {
		t.Errorf("a spring settling in 40 percent is not the same, quicker: %g, %g", e.At(0.1), whole)
	}
}

func TestAnEasingTurnedRoundRunsBackwards(t *testing.T) {
	for _, e := range []Ease{{Kind: Linear}, {Kind: In}, {Kind: Out}, {Kind: InOut}, {Kind: Bezier, X1: 0.1, Y1: 0.9, X2: 0.3, Y2: 1.4}} {
		for i := range 50 {
			at := float64(i) / 49
			if got, want := e.Reversed().At(at), 1-e.At(1-at); math.Abs(got-want) > 1e-6 {
				t.Errorf("%s at %g: %g, want %g", e.Kind, at, got, want)
			}
		}
	}
}

func TestEasingsSayWhatIsWrong(t *testing.T) {
	for _, e := range []Ease{{Kind: Bounce}, {Kind: Bounce, Count: 9, Decay: 0.5}, {Kind: Bounce, Count: 2, Decay: 1}, {Kind: Steps}, {Kind: Steps, Count: 1e6}, {Kind: Spring, Settle: 2}} {
		if e.Check() == nil {
			t.Errorf("%+v was taken", e)
		}
	}
}

func TestACurvedPathIsTravelledEvenly(t *testing.T) {
	// A quarter of a circle of radius 100 about the origin, from the right to
	// below: its usual Bezier has handles of 55.2285 units.
	const k = 55.22847498
	c := NewCurve(Track{
		{At: timing.At(0), Value: []float64{100, 0}, Ease: Ease{Kind: Linear}, Out: []float64{0, k}},
		{At: timing.At(90), Value: []float64{0, 100}, In: []float64{k, 0}},
	}, 2, false, clock30)
	for f := 0; f <= 90; f += 5 {
		v := c.Sample(float64(f))
		s, co := math.Sincos(float64(f) * math.Pi / 180)
		if math.Hypot(v[0]-100*co, v[1]-100*s) > 0.1 {
			t.Errorf("frame %d is at %.2f, %.2f, want %.2f, %.2f", f, v[0], v[1], 100*co, 100*s)
		}
	}
	// On a straight line uneven handles change nothing.
	line := NewCurve(Track{
		{At: timing.At(0), Value: []float64{0, 0}, Ease: Ease{Kind: Linear}, Out: []float64{5, 0}},
		{At: timing.At(10), Value: []float64{100, 0}, In: []float64{-80, 0}},
	}, 2, false, clock30)
	if v := line.Sample(5); math.Abs(v[0]-50) > 0.2 || v[1] != 0 {
		t.Errorf("half-way it is at %g, %g", v[0], v[1])
	}
	// An easing that overshoots goes on straight beyond the end.
	over := NewCurve(Track{
		{At: timing.At(0), Value: []float64{0, 0}, Ease: Ease{Kind: Bezier, X1: 0.3, Y1: 2, X2: 0.7, Y2: 2}, Out: []float64{10, 0}},
		{At: timing.At(10), Value: []float64{100, 0}, In: []float64{-10, 0}},
	}, 2, false, clock30)
	if v := over.Sample(6); v[0] <= 100 || math.Abs(v[1]) > 1e-6 {
		t.Errorf("it does not overshoot: %g, %g", v[0], v[1])
	}
}

func TestColoursAreMixedInOKLab(t *testing.T) {
	// CSS Color 4: the middle of black and white in OKLab is rgb(99 99 99).
	c := NewCurve(Track{
		{At: timing.At(0), Value: []float64{0, 0, 0, 255}, Ease: Ease{Kind: Linear}},
		{At: timing.At(10), Value: []float64{255, 255, 255, 55}},
	}, 4, true, clock30)
	v := c.Sample(5)
	for i := range 3 {
		if math.Abs(v[i]-99) > 0.6 {
			t.Errorf("the middle of black and white is %v", v)
		}
	}
	if v[3] != 155 {
		t.Errorf("the middle of alpha 255 and 55 is %g", v[3])
	}
	if at := c.Sample(0); at != [4]float64{0, 0, 0, 255} {
		t.Errorf("on its first key it is %v", at)
	}
}

func TestACreepIsASlowStretchBesideAFastOne(t *testing.T) {
	// In quickly until 15, then on to 120 slowly, where it leaves quickly.
	track := Track{
		{At: timing.At(0), Value: []float64{900}, Ease: Ease{Kind: Out}},
		{At: timing.At(15), Value: []float64{0}, Ease: Ease{Kind: Linear}},
		{At: timing.At(120), Value: []float64{-40}, Ease: Ease{Kind: In}},
		{At: timing.At(132), Value: []float64{-900}},
	}
	creeps := func(t Track) []Creep { return NewCurve(t, 1, false, clock30).Creeps(22, 2) }
	if got := creeps(track); len(got) != 1 || got[0].From != 15 || got[0].To != 120 || got[0].Change != 40 {
		t.Errorf("the creeps are %+v, want one from 15 to 120", got)
	}
	held := track.Clone()
	held[1].Ease.Kind = Hold
	meant := track.Clone()
	meant[1].Move = "waft"
	still := track.Clone()
	still[2].Value[0] = 0
	alone := track[1:3]
	for name, tr := range map[string]Track{"a hold": held, "a move": meant, "no change": still, "a drift on its own": alone} {
		if got := creeps(tr); len(got) != 0 {
			t.Errorf("%s is said to creep: %+v", name, got)
		}
	}
}

// BenchmarkBentPath is a sample of a curved path.
func BenchmarkBentPath(b *testing.B) {
	c := NewCurve(Track{
		{At: timing.At(0), Value: []float64{100, 0}, Ease: Ease{Kind: InOut}, Out: []float64{0, 50}},
		{At: timing.At(90), Value: []float64{0, 100}, In: []float64{50, 0}},
	}, 2, false, clock30)
	b.ReportAllocs()
	for i := range b.N {
		c.Sample(float64(i % 90))
	}
}
