package corpus

import (
	"fmt"
	"math"
	"math/rand"
)

// seconds that a steady tune lasts.
const seconds = 28

// Steady is n rounds through all the kinds of steady tunes, with everything about them
// drawn by lot from the seed. Held ones are played with other instruments.
func Steady(rounds int, held bool, seed int64) []func() Tune {
	var out []func() Tune
	for r := range rounds {
		for i, s := range grooves {
			twist := twists[(i+5*r+int(seed))%len(twists)]
			out = append(out, func() Tune {
				return s.play(rand.New(rand.NewSource(seed*1e6+int64(r*1000+i))), twist, held)
			})
		}
	}
	return out
}

// A twist is what makes a tune harder than it would be.
type twist string

const (
	plain   twist = ""
	ramp    twist = "ramp"           // its tempo moves by a tenth
	jump    twist = "jump"           // its tempo changes at once
	noisy   twist = "noise at 20 dB" // as of a bad recording
	pickUp  twist = "pick-up"        // it begins before its first bar
	rests   twist = "a break"        // four bars are played by one instrument
	crossed twist = "metre changes"  // bars of another length come in
)

var twists = []twist{plain, plain, pickUp, plain, ramp, noisy, rests, plain, jump, plain, crossed}

// play makes a tune of a style.
func (s style) play(rng *rand.Rand, t twist, held bool) Tune {
	in := func(a, b float64) float64 { return a + (b-a)*rng.Float64() }
	c := course{bpm: in(s.from, s.to), seconds: seconds, begin: in(0.02, 0.9)}
	switch t {
	case ramp:
		c.ramp = []float64{-0.1, 0.1}[rng.Intn(2)]
	case jump:
		c.jump = in(0.8, 0.92)
		if rng.Intn(2) == 0 {
			c.jump = 1 / c.jump
		}
	}
	b := &band{
		kit: newKit(rng, held), rng: rng, out: make([]float64, seconds*rate), beats: c.beats(), per: s.per,
		swing: 0.5, fine: 0.5, loose: in(0, 0.006), root: 45 + float64(rng.Intn(12)),
	}
	if s.swing > 0 {
		b.swing = s.swing + in(-0.03, 0.02)
	}
	if s.fine > 0 {
		b.fine = s.fine
	}
	b.perform(s, t)
	b.colour(in(-0.5, 0.7), in(20, 110))
	out := b.tune(seconds)
	if t == noisy {
		out.addNoise(rng, 20)
	}
	out.Style, out.Held = s.name, held
	out.Name = fmt.Sprintf("%s %.0f", s.name, c.bpm)
	if t != plain {
		out.Name += ", " + string(t)
	}
	return out
}

// perform plays bar by bar and notes where bars begin.
func (b *band) perform(s style, t twist) {
	bar := s.begin(b)
	at := 0
	if t == pickUp {
		at = 1 + b.rng.Intn(s.per-1)
		for i := range at {
			b.note(b.lead, float64(i), 0.5, b.scale(b.rng.Intn(7))+12, 0.8)
		}
	}
	other := style{}
	if t == crossed {
		switch s.per {
		case 4:
			other = style{per: 3, begin: waltz}
		case 3, 6, 2:
			other = style{per: 4, begin: rock}
		}
	}
	half := len(b.beats) / 2
	for n := 0; at+s.per < len(b.beats); n++ {
		if other.begin != nil && at > half {
			s, bar, other, n = other, other.begin(b), style{}, 0
		}
		b.bars = append(b.bars, at)
		if t == rests && n >= 4 && n < 8 && s.per == 4 {
			for i := range 4 {
				b.note(b.chord, float64(at+i), 0.4, b.scale([]int{0, 4, 2, 5}[i])+12, 0.9)
			}
			b.note(b.bass, float64(at), 0.4, b.scale(0)-12, 3.5)
		} else {
			bar(n, float64(at))
		}
		at += s.per
	}
	b.bars = append(b.bars, at)
}

// addNoise adds white noise so many decibels beneath the tune.
func (t *Tune) addNoise(rng *rand.Rand, decibels float64) {
	sum := 0.0
	for _, v := range t.Mono {
		sum += float64(v) * float64(v)
	}
	level := math.Sqrt(sum/float64(len(t.Mono))) * math.Pow(10, -decibels/20)
	for i := range t.Mono {
		t.Mono[i] += float32(level * rng.NormFloat64())
	}
}

// colour changes the balance of highs, -1..1, and takes out what lies below an edge, in
// Hz: no two rooms and boxes sound alike.
func (b *band) colour(tilt, edge float64) {
	slow, under := 0.0, 0.0
	k, cut := 1-math.Exp(-2*math.Pi*1200/rate), 1-math.Exp(-2*math.Pi*edge/rate)
	for i, v := range b.out {
		slow += k * (v - slow)
		v += tilt * (v - slow)
		under += cut * (v - under)
		b.out[i] = v - under
	}
}
