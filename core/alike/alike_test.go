package alike

import (
	"math"
	"testing"
)

func TestTheyAreWhatTheySay(t *testing.T) {
	near := func(name string, got, want, x float64) {
		t.Helper()
		if math.Abs(got-want) > 2e-15*max(math.Abs(want), 1) {
			t.Errorf("%s of %g is %.17g, want %.17g", name, x, got, want)
		}
	}
	for i := 1; i < 20_000; i++ {
		x := float64(i) / 700
		near("Exp", Exp(-x), math.Exp(-x), x)
		near("Exp", Exp(x/8), math.Exp(x/8), x)
		near("Log", Log(x), math.Log(x), x)
		near("Hypot", Hypot(x, 3), math.Hypot(x, 3), x)
		near("Pow", Pow(x/30, 2.4), math.Pow(x/30, 2.4), x)
	}
	if Pow(0, 2) != 0 || Exp(0) != 1 || Log(1) != 0 || Hypot(3, 4) != 5 {
		t.Error("the simplest are wrong")
	}
}
