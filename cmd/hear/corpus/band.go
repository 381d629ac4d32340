// Package corpus makes tunes by code of which it is known where their beats are, to
// try what finds them. It is for tests and for cmd/hear alone.
package corpus

import (
	"math"
	"math/rand"
)

// rate is samples a second, as beat.Rate.
const rate = 22050

// A Tune is mono samples at beat.Rate and what is true of them.
type Tune struct {
	Name, Style string
	Held        bool // never looked at while weights are fitted
	Mono        []float32
	Steady      bool
	Beats       []float64 // seconds
	Bars        []int     // which of the beats begin a bar
	Parts       []Part    // of arranged tunes
}

// A Part is a section of an arranged tune.
type Part struct {
	At   float64 // seconds
	Kind string  // quiet, build, full or break
}

// A band plays one tune.
type band struct {
	kit
	rng   *rand.Rand
	out   []float64
	beats []float64 // seconds of each beat
	bars  []int
	per   int     // beats in a bar
	swing float64 // where the second eighth of a beat lies: 0.5 is straight
	fine  float64 // where the second sixteenth of an eighth lies
	loose float64 // seconds by which players are off, as a standard deviation
	root  float64
}

// add sounds something; f gives the sample t seconds after it began.
func (b *band) add(at, length float64, f func(t float64) float64) {
	from := int(math.Ceil(at * rate))
	for i := max(0, from); i < min(len(b.out), from+int(length*rate)); i++ {
		b.out[i] += f(float64(i)/rate - at)
	}
}

func (b *band) noise() float64 { return 2*b.rng.Float64() - 1 }

func (b *band) in(from, to float64) float64 { return from + (to-from)*b.rng.Float64() }

func (b *band) one(of ...float64) float64 { return of[b.rng.Intn(len(of))] }

func (b *band) chance(p float64) bool { return b.rng.Float64() < p }

// time is the second of a beat, fractions with their swing.
func (b *band) time(beat float64) float64 {
	i := int(math.Floor(beat + 1e-9))
	f := beat - float64(i)
	f = bent(f, 0.5, b.swing)
	if f < b.swing {
		f = b.swing * bent(f/b.swing, 0.5, b.fine)
	} else {
		f = b.swing + (1-b.swing)*bent((f-b.swing)/(1-b.swing), 0.5, b.fine)
	}
	i = min(max(i, 0), len(b.beats)-2)
	return b.beats[i] + f*(b.beats[i+1]-b.beats[i]) + b.rng.NormFloat64()*b.loose
}

// bent moves what lies at from to to, evenly on both sides.
func bent(f, from, to float64) float64 {
	if f < from {
		return f / from * to
	}
	return to + (f-from)/(1-from)*(1-to)
}

// hit sounds a voice at a beat; strength varies a little.
func (b *band) hit(v voice, beat, gain float64) { b.note(v, beat, gain, 60, 0.2) }

func (b *band) note(v voice, beat, gain, note, beats float64) {
	at := b.time(beat)
	v(b, max(0, at), gain*b.in(0.85, 1.1), note, b.span(beat, beats))
}

// span is the seconds of so many beats from a beat on.
func (b *band) span(beat, n float64) float64 {
	i := min(max(int(beat), 0), len(b.beats)-2)
	return n * (b.beats[i+1] - b.beats[i])
}

// triad sounds a chord of the scale upon a step of it.
func (b *band) triad(v voice, beat, gain float64, step int, beats float64) {
	at := b.time(beat)
	for _, k := range [...]int{0, 2, 4} {
		v(b, max(0, at+b.rng.NormFloat64()*0.002), gain*0.4, b.scale(step+k)+12, b.span(beat, beats))
	}
}

// scale is the note of a step of the scale, upon the root.
func (b *band) scale(step int) float64 {
	steps := [...]float64{0, 2, 3, 5, 7, 8, 10}
	o := math.Floor(float64(step) / 7)
	return b.root + 12*o + steps[step-int(o)*7]
}

// A course is where beats lie: begin is seconds before the first one.
type course struct {
	bpm, seconds, begin float64
	ramp                float64 // share by which the tempo has changed at the end
	jump                float64 // factor of the tempo from the middle on; 0 is none
}

func (c course) beats() (out []float64) {
	for at := c.begin; at < c.seconds+3; {
		out = append(out, at)
		share := at / c.seconds
		bpm := c.bpm * (1 + c.ramp*share)
		if c.jump != 0 && share > 0.5 {
			bpm *= c.jump
		}
		at += 60 / bpm
	}
	return out
}

// tune ends what a band plays: what lies beyond the end is cut, the loudest is set.
func (b *band) tune(seconds float64) Tune {
	peak := 1e-9
	for _, v := range b.out {
		peak = max(peak, math.Abs(v))
	}
	t := Tune{Mono: make([]float32, len(b.out)), Steady: true}
	for i, v := range b.out {
		t.Mono[i] = float32(0.8 * v / peak)
	}
	for i, at := range b.beats {
		if at < seconds-0.2 {
			t.Beats = append(t.Beats, at)
			for _, k := range b.bars {
				if k == i {
					t.Bars = append(t.Bars, i)
				}
			}
		}
	}
	return t
}
