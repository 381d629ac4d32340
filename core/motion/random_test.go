package motion

import (
	"math"
	"testing"
)

func TestAWanderIsSmoothSeededAndWithinItsAmount(t *testing.T) {
	w := Wander{Amount: 10, Turn: 4, Pace: 1, Seed: 3}
	other := w
	other.Seed = 4
	far, differs := 0.0, false
	last := w.At(0, 20)
	for f := 1; f < 600; f++ {
		s := float64(f) / 30
		d := w.At(s, 20)
		if math.Abs(d.X) > 10 || math.Abs(d.Y) > 10 || math.Abs(d.Turn) > 4 {
			t.Fatalf("at %g s it is %+v, beyond its amount", s, d)
		}
		// The quintic's steepest slope is 15/8 a unit; between -1 and 1, with half
		// as much at twice the pace on top, less than 5 amounts a second.
		if math.Abs(d.X-last.X) > 50.0/30 {
			t.Errorf("at %g s it jumps from %g to %g", s, last.X, d.X)
		}
		far, last = max(far, math.Abs(d.X)), d
		differs = differs || other.At(s, 20) != d
	}
	if far < 4 {
		t.Errorf("in 20 seconds it goes only %g of 10 units far", far)
	}
	if !differs {
		t.Error("another seed wanders the same way")
	}
}

func TestAClosedWanderIsNothingAtBothEnds(t *testing.T) {
	for _, whole := range []float64{0.5, 2, 9} {
		w := Wander{Amount: 30, Turn: 9, Size: 5, Pace: 2, Seed: 1, Closed: true}
		for _, at := range []float64{0, whole} {
			if d := w.At(at, whole); d != (Drift{}) {
				t.Errorf("over %g s, at %g s it is %+v", whole, at, d)
			}
		}
		if d := w.At(whole/2, whole); d == (Drift{}) {
			t.Errorf("over %g s it does nothing in the middle", whole)
		}
	}
}

func TestSteppingHoldsThePictureSoManyTimesASecond(t *testing.T) {
	for _, rate := range []int{24, 25, 30, 60} {
		for _, steps := range []int{4, 8, 12, 24} {
			s := Stepping{Rate: steps}
			seen := map[float64]int{}
			for f := range rate {
				held, step := s.Hold(float64(f), rate)
				if held > float64(f) || held != math.Trunc(held) {
					t.Fatalf("%d a second at %d fps: frame %d shows %g", steps, rate, f, held)
				}
				seen[held] = step
			}
			if len(seen) != steps {
				t.Errorf("%d a second at %d fps: %d pictures in a second", steps, rate, len(seen))
			}
		}
	}
}

func TestIrregularTurnsAreNeverEven(t *testing.T) {
	for seed := range 20 {
		s := Stepping{Rate: 8, Turn: 180, Shift: 6, Seed: seed}
		last, left, right := 0.0, 0, 0
		for step := range 200 {
			turn, dx, dy := s.Irregular(step)
			if math.Abs(turn) > 180 || math.Abs(dx) > 6 || math.Abs(dy) > 6 {
				t.Fatalf("step %d is %g, %g, %g", step, turn, dx, dy)
			}
			for _, even := range []float64{0, 45, 90, 180} {
				if math.Abs(math.Abs(turn)-even) < 0.3 {
					t.Errorf("step %d turns by %g, which is even", step, turn)
				}
			}
			if math.Abs(math.Abs(turn)-math.Abs(last)) < 1 {
				t.Errorf("step %d turns as far as the one before: %g, %g", step, turn, last)
			}
			if last = turn; turn < 0 {
				left++
			} else {
				right++
			}
		}
		if left < 40 || right < 40 {
			t.Errorf("seed %d turns %d times to the left and %d to the right", seed, left, right)
		}
	}
}

func TestWandersAndSteppingSayWhatIsWrong(t *testing.T) {
	for _, w := range []Wander{{Pace: 0}, {Pace: 9}, {Pace: 1, Amount: -1}, {Pace: math.NaN()}, {Pace: 1, Turn: 999}} {
		if w.Check() == nil {
			t.Errorf("%+v was taken", w)
		}
	}
	for _, s := range []Stepping{{}, {Rate: 3}, {Rate: 25}, {Rate: 8, Turn: math.Inf(1)}, {Rate: 8, Shift: -1}} {
		if s.Check() == nil {
			t.Errorf("%+v was taken", s)
		}
	}
}
