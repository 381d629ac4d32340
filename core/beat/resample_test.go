package beat

import (
	"math"
	"testing"
)

func sine(hz, seconds float64) []float32 {
	out := make([]float32, 2*int(48000*seconds))
	for i := range out {
		out[i] = float32(math.Sin(2 * math.Pi * hz * float64(i/2) / 48000))
	}
	return out
}

func TestMonoKeepsWhatCountsAndDropsWhatWouldFold(t *testing.T) {
	for hz, want := range map[float64]float64{60: 1, 440: 1, 4000: 1, 8000: 1, 12500: 0, 18000: 0} {
		m := Mono(sine(hz, 1))
		if len(m) != Rate {
			t.Fatalf("one second is %d samples", len(m))
		}
		peak := 0.0
		for _, v := range m[2000 : Rate-2000] {
			peak = max(peak, math.Abs(float64(v)))
		}
		if math.Abs(peak-want) > 0.03 {
			t.Errorf("%g Hz comes through at %.3f, want %g", hz, peak, want)
		}
	}
}

func TestMonoKeepsTime(t *testing.T) {
	in := make([]float32, 2*48000)
	in[2*24000], in[2*24000+1] = 1, 1 // a click at half a second
	top := 0
	m := Mono(in)
	for i, v := range m {
		if v > m[top] {
			top = i
		}
	}
	if math.Abs(float64(top)/Rate-0.5) > 1.0/Rate {
		t.Errorf("the click comes at %.5f s", float64(top)/Rate)
	}
}
