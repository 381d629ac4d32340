package corpus

import (
	"math"
	"testing"
)

func grid(from, step float64, n int) (out []float64) {
	for i := range n {
		out = append(out, from+step*float64(i))
	}
	return out
}

func TestMeasures(t *testing.T) {
	truth := grid(1, 0.5, 40)
	near := func(what string, got, want float64) {
		t.Helper()
		if math.Abs(got-want) > 1e-9 {
			t.Errorf("%s: %v, want %v", what, got, want)
		}
	}
	near("F of the same", F(truth, truth), 1)
	near("F of what is 69 ms late", F(grid(1.069, 0.5, 40), truth), 1)
	near("F of what is 71 ms late", F(grid(1.071, 0.5, 40), truth), 0)
	near("F of every second", F(Every(truth, 2, 0), truth), 2.0*20/60)
	near("F of twice as many", F(Finer(truth, 2), truth), 2.0*40/(79+40))
	near("F of nothing", F(nil, truth), 0)
	near("continuity of the same", Continuity(truth, truth), 1)
	near("continuity of what is between", Continuity(grid(1.25, 0.5, 39), truth), 0)
	// One beat that is missed takes two distances with it.
	holed := append(append([]float64{}, truth[:20]...), truth[21:]...)
	near("continuity with a hole", Continuity(holed, truth), 37.0/39)
	near("the best level of what is between", Best(F, grid(1.25, 0.5, 39), truth), 1)
	near("the best level of every third", Best(Continuity, Every(truth, 3, 1), truth), 1)
	late, ok := Bias(grid(1.01, 0.5, 40), truth)
	if !ok || math.Abs(late-0.01) > 1e-9 {
		t.Errorf("what is 10 ms late is said to be %v, %v", late, ok)
	}
	if _, ok := Bias(grid(1.25, 0.5, 39), truth); ok {
		t.Error("what is nowhere near has a bias")
	}
}

// TestTunesAreTheSameEachTime: a tune depends on its seed alone, has its beats in order,
// and bars on beats.
func TestTunesAreTheSameEachTime(t *testing.T) {
	a, b := Steady(1, false, 3)[2](), Steady(1, false, 3)[2]()
	for i, v := range a.Mono {
		if b.Mono[i] != v {
			t.Fatalf("sample %d is %v the first time, %v the second", i, v, b.Mono[i])
		}
	}
	for i := 1; i < len(a.Beats); i++ {
		if a.Beats[i] <= a.Beats[i-1] {
			t.Fatalf("beat %d is not later than the one before it", i)
		}
	}
	for i := 1; i < len(a.Bars); i++ {
		if d := a.Bars[i] - a.Bars[i-1]; d < 2 || d > 6 {
			t.Errorf("bar %d has %d beats", i-1, d)
		}
	}
	if c := Steady(1, false, 5)[2](); c.Beats[5] == a.Beats[5] {
		t.Error("another seed made the same tune")
	}
}
