package words

import (
	"math"
	"testing"
)

// Three words a second and half a second more; numbers count double, signs not at all.
func TestReadingTimes(t *testing.T) {
	for text, want := range map[string]float64{
		"": 0, "—  …": 0, "Boil": 0.8333, "Boil it anywhere": 1.5, "Now €14.90": 1.5, "40 % off\nthis week": 2.1667,
	} {
		if got := ReadingTime(text); math.Abs(got-want) > 0.001 {
			t.Errorf("%q takes %.3f seconds, want %.3f", text, got, want)
		}
	}
}
