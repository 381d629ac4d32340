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
	start, n := max(0, int(at*Rate)), int(length*Rate)
	l, r := math.Cos((pan+1)*math.Pi/4), math.Sin((pan+1)*math.Pi/4)
	n = min(n, len(s.L)-start)
	if n <= 0 {
		return
	}
	left, right, send := s.L[start:start+n], s.R[start:start+n], s.send[start:start+n]
	for i := range left {
		v := f(float64(i)*(1.0/Rate)) * gain
		// The last 3 ms fade, so that nothing clicks.
		if rest := n - i; rest < Rate*3/1000 {
			v *= float64(rest) / (Rate * 3 / 1000)
		}
		left[i] += v * l
		right[i] += v * r
		send[i] += v * room
	}
}

// dying falls by e to the -rate in a second, a sample at a time.
type dying struct{ now, by float64 }

func dies(rate float64) dying { return dying{1, math.Exp(-rate / Rate)} }

func (d *dying) next() float64 {
	v := d.now
	d.now *= d.by
	return v
}

// ringing is a sine that dies away: a pointer turned and shortened with each
// sample, which is much quicker than asking for the sine and the power.
type ringing struct{ x, y, cos, sin float64 }

func rings(freq, rate float64) ringing {
	sin, cos := math.Sincos(2 * math.Pi * freq / Rate)
	fall := math.Exp(-rate / Rate)
	return ringing{1, 0, cos * fall, sin * fall}
}

func (r *ringing) next() float64 {
	v := r.y
	r.x, r.y = r.x*r.cos-r.y*r.sin, r.x*r.sin+r.y*r.cos
	return v
}

// Kick is a bass drum.
func (s *Song) Kick(at, gain float64) {
	drop, body, click := dies(32), dies(9), rings(1800, 400)
	s.add(at, 0.4, gain, 0, 0.02, func(t float64) float64 {
		phase := 2 * math.Pi * (48*t + 110*(1-drop.next())/32)
		return math.Sin(phase)*body.next() + 0.25*click.next()
	})
}

// Clap is three short bursts of noise and a tail.
func (s *Song) Clap(at, gain float64) {
	last, tail := 0.0, dies(22)
	bursts := [3]dying{dies(220), dies(220), dies(220)}
	s.add(at, 0.25, gain, 0.1, 0.3, func(t float64) float64 {
		env := tail.next()
		for i, after := range [3]float64{0, 0.011, 0.023} {
			if t >= after {
				env += 0.8 * bursts[i].next()
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
	a, b, tail := 0.0, 0.0, dies(5/length)
	s.add(at, length, gain, -0.25, 0.05, func(t float64) float64 {
		white := s.rng.Float64()*2 - 1
		high := white - 2*a + b // twice differentiated
		b, a = a, white
		return high * 0.3 * tail.next()
	})
}

// Bass is a round low note.
func (s *Song) Bass(at, length, note, gain float64) {
	f, low := Freq(note), 0.0
	bite, round := dies(7), rings(f, 0)
	s.add(at, length, gain, 0, 0.02, func(t float64) float64 {
		p := t * f
		saw := 2*(p-math.Floor(p)) - 1
		cut := 0.02 + 0.09*bite.next()
		low += (saw - low) * cut
		return (low*0.9 + 0.6*round.next()) * envelope(t, length, 0.006, 0.09)
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
	i, tail := 0, dies(1.2)
	s.add(at, 1.6, gain, pan, 0.25, func(float64) float64 {
		v := line[i]
		next := i + 1
		if next == period {
			next = 0
		}
		line[i] = 0.4985 * (v + line[next])
		i = next
		return v * 2 * tail.next()
	})
}

// Bar is a struck wooden bar, as of a marimba.
func (s *Song) Bar(at, note, gain, pan float64) {
	f := Freq(note)
	first, second, third := rings(f, 5.5), rings(f*3.93, 17), rings(f*9.2, 60)
	s.add(at, 1.1, gain, pan, 0.3, func(float64) float64 {
		return first.next() + 0.35*second.next() + 0.12*third.next()
	})
}

// Pad is a soft chord.
func (s *Song) Pad(at, length, gain float64, notes ...float64) {
	for k, note := range notes {
		f, low, low2 := Freq(note), 0.0, 0.0
		pan := (float64(k)/float64(max(len(notes)-1, 1)) - 0.5) * 1.2
		s.add(at, length, gain, pan, 0.5, func(t float64) float64 {
			v := 0.0
			for _, d := range [3]float64{0.996, 1, 1.0045} {
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
		bite, onset := dies(9), dies(120)
		pan := (float64(k)/float64(max(len(notes)-1, 1)) - 0.5) * 0.8
		s.add(at, length, gain, pan, 0.3, func(t float64) float64 {
			v := 0.0
			for _, d := range [2]float64{0.998, 1.003} {
				p := t * f * d
				v += 2*(p-math.Floor(p)) - 1
			}
			cut := 0.05 + 0.25*bite.next()*(1-onset.next())
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
		for c, delay := range [4]int{1687, 1949, 2153, 2411} {
			comb(wet, s.send, delay+side*37+c)
		}
		for _, delay := range [2]int{241, 83} {
			allPass(wet, delay+side*11)
		}
		for i := range out {
			out[i] += wet[i]
		}
	}
}

// comb adds the echoes of in, ever softer and duller, to wet.
func comb(wet, in []float64, delay int) {
	line, low, at := make([]float64, delay), 0.0, 0
	for i, v := range in {
		echo := line[at]
		low += (echo - low) * 0.55
		line[at] = v + low*0.78
		if at++; at == len(line) {
			at = 0
		}
		wet[i] += echo * 0.2
	}
}

// allPass smears sound in time without colouring it.
func allPass(wet []float64, delay int) {
	line, at := make([]float64, delay), 0
	for i, in := range wet {
		echo := line[at]
		line[at] = in + echo*0.6
		wet[i] = echo - in*0.6
		if at++; at == len(line) {
			at = 0
		}
	}
}
