// Package synth is a small synthesiser for the sample tunes. Sound is stereo
// at 48 kHz; times are seconds; notes are MIDI numbers (69 is A at 440 Hz).
package synth

import (
	"math"
	"math/rand"
)

// Rate is the sampling rate in Hz.
const Rate = 48000

// Song is sound being put together.
type Song struct {
	L, R []float64
	send []float64 // to the room
	rng  *rand.Rand
}

// New is silence.
func New(seconds float64, seed int64) *Song {
	n := int(seconds * Rate)
	return &Song{make([]float64, n), make([]float64, n), make([]float64, n), rand.New(rand.NewSource(seed))}
}

// Freq is the frequency of a note.
func Freq(note float64) float64 { return 440 * math.Pow(2, (note-69)/12) }

// add plays a voice: f is the sample t seconds after its start. pan is -1..1,
// room the share that goes to the reverb.
func (s *Song) add(at, length, gain, pan, room float64, f func(t float64) float64) {
	start, n := int(at*Rate), int(length*Rate)
	l, r := math.Cos((pan+1)*math.Pi/4), math.Sin((pan+1)*math.Pi/4)
	for i := 0; i < n; i++ {
		k := start + i
		if k < 0 || k >= len(s.L) {
			continue
		}
		v := f(float64(i)/Rate) * gain
		// The last 3 ms fade, so that nothing clicks.
		if left := n - i; left < Rate*3/1000 {
			v *= float64(left) / (Rate * 3 / 1000)
		}
		s.L[k] += v * l
		s.R[k] += v * r
		s.send[k] += v * room
	}
}

// Kick is a bass drum.
func (s *Song) Kick(at, gain float64) {
	s.add(at, 0.4, gain, 0, 0.02, func(t float64) float64 {
		phase := 2 * math.Pi * (48*t + 110*(1-math.Exp(-t*32))/32)
		return math.Sin(phase)*math.Exp(-t*9) + 0.25*math.Exp(-t*400)*math.Sin(2*math.Pi*1800*t)
	})
}

// Clap is three short bursts of noise and a tail.
func (s *Song) Clap(at, gain float64) {
	last := 0.0
	s.add(at, 0.25, gain, 0.1, 0.3, func(t float64) float64 {
		env := math.Exp(-t * 22)
		for _, d := range []float64{0, 0.011, 0.023} {
			if t >= d {
				env += 0.8 * math.Exp(-(t-d)*220)
			}
		}
		white := s.rng.Float64()*2 - 1
		high := white - last
		last = white
		return high * env * 0.5
	})
}

// Hat is a cymbal, closed or (longer) open.
func (s *Song) Hat(at, gain, length float64) {
	a, b := 0.0, 0.0
	s.add(at, length, gain, -0.25, 0.05, func(t float64) float64 {
		white := s.rng.Float64()*2 - 1
		high := white - 2*a + b // twice differentiated
		b, a = a, white
		return high * 0.3 * math.Exp(-t*5/length)
	})
}

// Bass is a round low note.
func (s *Song) Bass(at, length, note, gain float64) {
	f, low := Freq(note), 0.0
	s.add(at, length, gain, 0, 0.02, func(t float64) float64 {
		p := t * f
		saw := 2*(p-math.Floor(p)) - 1
		cut := 0.02 + 0.09*math.Exp(-t*7)
		low += (saw - low) * cut
		return (low*0.9 + 0.6*math.Sin(2*math.Pi*p)) * envelope(t, length, 0.006, 0.09)
	})
}

// Pluck is a string after Karplus and Strong.
func (s *Song) Pluck(at, note, gain, pan float64) {
	period := int(Rate / Freq(note))
	line := make([]float64, period)
	low := 0.0
	for i := range line {
		low += (s.rng.Float64()*2 - 1 - low) * 0.55
		line[i] = low
	}
	i := 0
	s.add(at, 1.6, gain, pan, 0.25, func(t float64) float64 {
		v := line[i]
		line[i] = 0.4985 * (v + line[(i+1)%period])
		i = (i + 1) % period
		return v * 2 * math.Exp(-t*1.2)
	})
}

// Bar is a struck wooden bar, as of a marimba.
func (s *Song) Bar(at, note, gain, pan float64) {
	f := Freq(note)
	s.add(at, 1.1, gain, pan, 0.3, func(t float64) float64 {
		return math.Sin(2*math.Pi*f*t)*math.Exp(-t*5.5) + 0.35*math.Sin(2*math.Pi*f*3.93*t)*math.Exp(-t*17) +
			0.12*math.Sin(2*math.Pi*f*9.2*t)*math.Exp(-t*60)
	})
}

// Pad is a soft chord.
func (s *Song) Pad(at, length, gain float64, notes ...float64) {
	for k, note := range notes {
		f, low, low2 := Freq(note), 0.0, 0.0
		pan := (float64(k)/float64(max(len(notes)-1, 1)) - 0.5) * 1.2
		s.add(at, length, gain, pan, 0.5, func(t float64) float64 {
			v := 0.0
			for _, d := range []float64{0.996, 1, 1.0045} {
				p := t * f * d
				v += 2*(p-math.Floor(p)) - 1
			}
			low += (v - low) * 0.035
			low2 += (low - low2) * 0.05
			return low2 * envelope(t, length, 0.35, 0.5)
		})
	}
}

// Horns is a short stab of a chord.
func (s *Song) Horns(at, length, gain float64, notes ...float64) {
	for k, note := range notes {
		f, low := Freq(note), 0.0
		pan := (float64(k)/float64(max(len(notes)-1, 1)) - 0.5) * 0.8
		s.add(at, length, gain, pan, 0.3, func(t float64) float64 {
			v := 0.0
			for _, d := range []float64{0.998, 1.003} {
				p := t * f * d
				v += 2*(p-math.Floor(p)) - 1
			}
			cut := 0.05 + 0.25*math.Exp(-t*9)*(1-math.Exp(-t*120))
			low += (v - low) * cut
			return low * envelope(t, length, 0.012, 0.08)
		})
	}
}

// envelope rises within attack and falls within release before the end.
func envelope(t, length, attack, release float64) float64 {
	return min(t/attack, 1) * min(max((length-t)/release, 0), 1)
}

// Finish adds the room, fades the last seconds and levels the peak to -1 dB of
// full scale. The result is interleaved stereo.
func (s *Song) Finish(fade float64) []float32 {
	s.room()
	n := len(s.L)
	peak := 1e-9
	for i := range n {
		g := min(1, float64(n-1-i)/(fade*Rate))
		// A soft knee keeps drums from ruling the level.
		s.L[i], s.R[i] = math.Tanh(s.L[i]*g*1.3), math.Tanh(s.R[i]*g*1.3)
		peak = max(peak, math.Abs(s.L[i]), math.Abs(s.R[i]))
	}
	k := math.Pow(10, -1.0/20) / peak
	out := make([]float32, 2*n)
	for i := range n {
		out[2*i], out[2*i+1] = float32(s.L[i]*k), float32(s.R[i]*k)
	}
	return out
}

// room is a reverb of four combs and two all-passes a side (Schroeder, 1962).
func (s *Song) room() {
	for side, out := range [][]float64{s.L, s.R} {
		wet := make([]float64, len(out))
		for c, delay := range []int{1687, 1949, 2153, 2411} {
			line, low, at := make([]float64, delay+side*37+c), 0.0, 0
			for i, in := range s.send {
				v := line[at]
				low += (v - low) * 0.55
				line[at] = in + low*0.78
				at = (at + 1) % len(line)
				wet[i] += v * 0.2
			}
		}
		for _, delay := range []int{241, 83} {
			line, at := make([]float64, delay+side*11), 0
			for i, in := range wet {
				v := line[at]
				line[at] = in + v*0.6
				wet[i] = v - in*0.6
				at = (at + 1) % len(line)
			}
		}
		for i := range out {
			out[i] += wet[i]
		}
	}
}
