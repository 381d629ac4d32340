package engine

import "math"

// Loudness is how loud the last mix is.
type Loudness struct {
	Silent bool    `json:"silent"`
	LUFS   float64 `json:"lufs"`  // integrated
	Range  float64 `json:"range"` // LU
	Peak   float64 `json:"peak"`  // true peak, decibels of full scale
	Taken  float64 `json:"taken"` // decibels that the limiter takes off at most
	// Momentary is the loudness of 400 ms that end with each tenth of a second from the
	// fourth on, LUFS; -70 is silence.
	Momentary []float64 `json:"momentary"`
}

func loudness(e *Engine, _ *struct{}) (Loudness, error) {
	if e.kept == nil {
		return Loudness{}, errClosed
	}
	r := e.reading
	tenth := func(v float64) float64 { return math.Round(10*max(v, -70)) / 10 }
	out := Loudness{Silent: math.IsInf(r.Loudness, -1) || len(r.Momentary) == 0, Momentary: make([]float64, len(r.Momentary))}
	if !out.Silent {
		out.LUFS, out.Range, out.Peak, out.Taken = tenth(r.Loudness), tenth(r.Range), tenth(r.Peak), tenth(r.Taken)
	}
	for i, v := range r.Momentary {
		out.Momentary[i] = tenth(v)
	}
	return out, nil
}
