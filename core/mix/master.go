package mix

import (
	"math"

	"billow/core/loud"
)

// Ceiling is the true peak that no clip passes, in decibels of full scale: what encoders
// add stays below full scale then.
const Ceiling = -1

// Reading is how loud a clip's sound is.
type Reading struct {
	Loudness float64 // integrated, LUFS; negative infinity for silence
	Range    float64 // LU
	Peak     float64 // true peak, decibels of full scale
	Taken    float64 // decibels that the limiter took off at most
	// Momentary is the loudness of 400 ms that end with each tenth of a second from the
	// fourth on, LUFS.
	Momentary []float64
}

// Master brings a mix, in place, to a loudness in LUFS, or leaves it as loud as it is where
// that is 0, and keeps its true peaks below the ceiling.
func Master(stereo []float32, target float64) Reading {
	l := loud.NewLimiter(append([]float32(nil), stereo...))
	// It takes off no more to reach a loudness than a sound bears.
	const most, near, rounds = 9, 0.05, 4 // decibels, LU
	first, gain := read(stereo), 0.0
	if is := first.Integrated(); target != 0 && !math.IsInf(is, -1) {
		gain = target - is
		// The limiter makes it softer: about as much is added at once.
		for range rounds {
			loss, taken := l.Softer(gain, Ceiling)
			more := target - is + loss - gain
			if taken > most || math.Abs(more) < near/2 {
				break
			}
			gain += more
		}
	}
	for round := 0; ; round++ {
		taken, peak := l.Limit(stereo, gain, Ceiling)
		m := first.Louder(gain)
		if taken > 0 {
			m = read(stereo)
		}
		is := m.Integrated()
		missing := target - is
		if target == 0 || round == rounds || !(math.Abs(missing) > near) || math.IsInf(missing, 0) || missing > 0 && taken > most {
			return Reading{is, m.Range(), peak, taken, m.Momentary()}
		}
		gain += missing
	}
}

func read(stereo []float32) *loud.Meter {
	m := loud.NewMeter()
	m.Add(stereo)
	return m
}
