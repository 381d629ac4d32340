package corpus

import (
	"math"
	"math/rand"
)

// A voice sounds at a time, in seconds. Gain is 0..1, the note a MIDI number (drums
// do not look at it), the length seconds (what dies away by itself does not either).
type voice func(b *band, at, gain, note, length float64)

// A kit is the voices that one tune is played with.
type kit struct {
	kick, snare, rim, hat, open, shaker, tom voice
	bass, chord, pad, lead                   voice
}

// newKit draws voices by lot. The voices of held tunes are built in other ways than
// those of all others, so that a rule that was made to fit these fails on them.
func newKit(rng *rand.Rand, held bool) kit {
	var k kit
	switch {
	case held:
		k = otherKit(rng)
	default:
		k = commonKit(rng)
		share := float64(rng.Intn(3)) / 2
		other := machineKit(rng)
		voices := k.voices()
		for i, v := range other.voices() {
			if rng.Float64() < share {
				*voices[i] = *v
			}
		}
	}
	silent := func(*band, float64, float64, float64, float64) {}
	switch rng.Intn(9) { // not every tune has everything
	case 0:
		k.chord, k.pad = silent, silent
	case 1:
		k.bass = silent
	case 2:
		k.hat, k.open, k.shaker = silent, silent, silent
	}
	for _, v := range k.voices() {
		play, gain := *v, math.Pow(10, (rng.Float64()*12-8)/20)
		*v = func(b *band, at, g, note, length float64) { play(b, at, g*gain, note, length) }
	}
	return k
}

func (k *kit) voices() []*voice {
	return []*voice{&k.kick, &k.snare, &k.rim, &k.hat, &k.open, &k.shaker, &k.tom, &k.bass, &k.chord, &k.pad, &k.lead}
}

func commonKit(rng *rand.Rand) kit {
	in := func(a, b float64) float64 { return a + (b-a)*rng.Float64() }
	k := kit{
		kick:   thump(in(42, 62), in(60, 180), in(18, 45), in(5, 16), in(0, 0.4)),
		snare:  crack(in(160, 240), in(0.2, 0.7), in(12, 30), in(1200, 4000)),
		rim:    crack(in(400, 900), in(0.5, 0.9), in(50, 90), in(2000, 4500)),
		hat:    hiss(in(5000, 8000), in(40, 110), 0.0005),
		open:   hiss(in(4500, 7000), in(8, 16), 0.0005),
		shaker: hiss(in(4000, 6500), in(25, 45), in(0.012, 0.03)),
		tom:    thump(in(80, 140), in(20, 60), in(20, 40), in(8, 14), 0.1),
		pad:    strings(in(0.08, 0.25), in(0.1, 0.3), 7),
		lead:   pluck(in(2, 7), in(0.3, 0.9)),
	}
	if rng.Intn(3) == 0 {
		k.snare = clap(in(1000, 1800), in(16, 30))
	}
	k.bass = [](func() voice){
		func() voice { return saw(in(0.003, 0.015), in(2, 6), 4) },
		func() voice { return saw(in(0.005, 0.02), in(0.5, 2), 1) },
		func() voice { return pluck(in(3, 8), 0.3) },
	}[rng.Intn(3)]()
	k.chord = [](func() voice){
		func() voice { return pluck(in(2, 6), in(0.3, 0.8)) },
		func() voice { return saw(in(0.003, 0.02), in(2, 7), 6) },
		func() voice { return organ(in(0.005, 0.03)) },
		func() voice { return strings(in(0.03, 0.08), 0.08, 6) },
	}[rng.Intn(4)]()
	return k
}

// machineKit is bursts, pulses and clicks, as of simple drum machines.
func machineKit(rng *rand.Rand) kit {
	in := func(a, b float64) float64 { return a + (b-a)*rng.Float64() }
	k := kit{
		kick: burst(in(30, 60), in(80, 200), in(0.05, 0.2)), snare: burst(in(500, 1200), in(2500, 8000), in(0.05, 0.16)),
		rim: burst(in(1200, 2000), in(300, 900), in(0.01, 0.03)), hat: burst(in(6500, 9000), 3000, in(0.01, 0.04)),
		open: burst(in(6000, 9000), 3500, in(0.1, 0.25)), shaker: burst(in(5000, 7000), 1500, in(0.03, 0.06)),
		tom: thump(in(90, 160), in(30, 80), in(10, 30), in(7, 12), 0), bass: pulses(in(0.1, 0.5), in(0.004, 0.02), in(1, 5)),
		chord: pulses(in(0.2, 0.5), in(0.003, 0.03), in(1, 6)), pad: pulses(0.5, in(0.1, 0.3), 0), lead: pulses(in(0.1, 0.5), 0.005, in(1, 5)),
	}
	if rng.Intn(2) == 0 {
		k.kick = thump(in(45, 55), in(100, 250), in(25, 60), in(3, 7), 0.2) // long, as of a bass drum that sings
	}
	return k
}

// burst is noise about a place, in Hz, that falls evenly to nothing.
func burst(centre, width, length float64) voice {
	return func(b *band, at, gain, _, _ float64) {
		r := newResonance(centre, width)
		b.add(at, length, func(t float64) float64 { return 3 * gain * r.next(b.noise()) * (1 - t/length) })
	}
}

// pulses is a tone that is up for a share of its period.
func pulses(share, attack, decay float64) voice {
	return func(b *band, at, gain, note, length float64) {
		f := freq(note)
		var part [10]float64
		for n := range part {
			part[n] = math.Sin(math.Pi*float64(n+1)*share) / float64(n+1)
		}
		b.add(at, length, func(t float64) float64 {
			v := 0.0
			for n := 0; n < len(part) && f*float64(n+1) < rate/2.2; n++ {
				v += part[n] * wave(f*float64(n+1)*t)
			}
			return 0.5 * gain * v * held(t, length, attack, 0.03) * math.Exp(-t*decay)
		})
	}
}

func otherKit(rng *rand.Rand) kit {
	in := func(a, b float64) float64 { return a + (b-a)*rng.Float64() }
	k := kit{
		kick:   knock(in(48, 70), in(0.08, 0.22)),
		snare:  rattle(in(900, 2600), in(0.07, 0.2)),
		rim:    bell(in(700, 1500), in(1.3, 2.7), in(0.03, 0.06)),
		hat:    metal(in(3300, 5200), in(0.02, 0.06)),
		open:   metal(in(3300, 5200), in(0.12, 0.3)),
		shaker: rattle(in(5000, 7500), in(0.04, 0.08)),
		tom:    knock(in(90, 150), in(0.1, 0.2)),
		bass:   wire(in(0.994, 0.998), 0.4),
		pad:    organ(in(0.1, 0.25)),
		lead:   wire(in(0.99, 0.996), 0.7),
	}
	if rng.Intn(2) == 0 {
		k.bass = tine(1, in(0.5, 2), in(0.2, 0.5))
		k.lead = tine(2, in(0.5, 3), in(0.2, 0.6))
	}
	k.chord = []voice{tine(1, in(0.5, 2.5), in(0.2, 0.6)), wire(in(0.993, 0.997), 0.6), strings(in(0.02, 0.06), 0.1, 9)}[rng.Intn(3)]
	return k
}

// thump is a drum whose pitch falls: from base+drop to base, in Hz.
func thump(base, drop, fall, decay, click float64) voice {
	return func(b *band, at, gain, _, _ float64) {
		phase := 0.0
		b.add(at, 5/decay, func(t float64) float64 {
			phase += (base + drop*math.Exp(-t*fall)) / rate
			return gain * (wave(phase)*math.Exp(-t*decay) + click*b.noise()*math.Exp(-t*400))
		})
	}
}

// crack is a tone within noise through a band about centre, in Hz.
func crack(tone, share, decay, centre float64) voice {
	return func(b *band, at, gain, _, _ float64) {
		band := newResonance(centre, centre)
		b.add(at, 5/decay, func(t float64) float64 {
			v := share*wave(tone*t)*math.Exp(-t*decay*1.4) + (1-share)*1.6*band.next(b.noise())
			return gain * v * math.Exp(-t*decay)
		})
	}
}

// clap is three bursts, the last of which dies away.
func clap(centre, decay float64) voice {
	return func(b *band, at, gain, _, _ float64) {
		band := newResonance(centre, centre/2)
		b.add(at, 5/decay, func(t float64) float64 {
			e := math.Exp(-t * decay)
			if t < 0.022 {
				e = math.Exp(-math.Mod(t, 0.011) * 200)
			}
			return 2 * gain * e * band.next(b.noise())
		})
	}
}

// hiss is noise above an edge, in Hz, that rises within attack seconds.
func hiss(edge, decay, attack float64) voice {
	return func(b *band, at, gain, _, _ float64) {
		low := 0.0
		k := 1 - math.Exp(-2*math.Pi*edge/rate)
		b.add(at, attack+5/decay, func(t float64) float64 {
			n := b.noise()
			low += k * (n - low)
			return 0.6 * gain * (n - low) * min(1, t/attack) * math.Exp(-max(0, t-attack)*decay)
		})
	}
}

// saw is a bright tone made of so many partials, and dies away.
func saw(attack, decay float64, partials int) voice {
	return func(b *band, at, gain, note, length float64) {
		f := freq(note)
		b.add(at, length, func(t float64) float64 {
			v := 0.0
			for n := 1; n <= partials && f*float64(n) < rate/2.2; n++ {
				v += wave(f*float64(n)*t) / float64(n)
			}
			return 0.5 * gain * v * held(t, length, attack, 0.02) * math.Exp(-t*decay*0.5)
		})
	}
}

// pluck dies away, its upper partials faster.
func pluck(decay, bright float64) voice {
	return func(b *band, at, gain, note, length float64) {
		f := freq(note)
		var level, less [7]float64
		for n := 1; n <= 6; n++ {
			level[n], less[n] = math.Pow(bright, float64(n-1)), math.Exp(-decay*float64(n)/rate)
		}
		b.add(at, max(length, 0.25), func(t float64) float64 {
			v := 0.0
			for n := 1; n <= 6 && f*float64(n) < rate/2.2; n++ {
				v += level[n] * wave(f*float64(n)*t)
				level[n] *= less[n]
			}
			return 0.5 * gain * v * held(t, max(length, 0.25), 0.002, 0.03)
		})
	}
}

// organ is a few even partials that stand.
func organ(attack float64) voice {
	return func(b *band, at, gain, note, length float64) {
		f := freq(note)
		b.add(at, length, func(t float64) float64 {
			v := wave(f*t) + 0.5*wave(2*f*t) + 0.3*wave(3*f*t)
			return 0.35 * gain * v * held(t, length, attack, 0.05)
		})
	}
}

// strings are two detuned tones that swell.
func strings(attack, release float64, partials int) voice {
	return func(b *band, at, gain, note, length float64) {
		f := freq(note)
		b.add(at, length+release, func(t float64) float64 {
			v := 0.0
			for n := 1; n <= partials && f*float64(n) < rate/2.2; n++ {
				w := f * float64(n) * t
				v += (wave(w) + wave(w*1.004+0.16*float64(n))) / float64(n)
			}
			return 0.25 * gain * v * held(t, length+release, attack, release)
		})
	}
}

// knock is a damped tone with its octave, as of wood or skin.
func knock(base, length float64) voice {
	return func(b *band, at, gain, _, _ float64) {
		b.add(at, 4*length, func(t float64) float64 {
			e := max(0, 1-t/(4*length))
			return gain * e * e * e * (wave(base*t) + 0.4*wave(base*2.3*t)*math.Exp(-t*40)) * min(1, t/0.002)
		})
	}
}

// rattle is noise about a place, in Hz, under a bell-shaped end.
func rattle(centre, length float64) voice {
	return func(b *band, at, gain, _, _ float64) {
		band := newResonance(centre, centre*0.7)
		b.add(at, 2.5*length, func(t float64) float64 {
			x := t / length
			return 2 * gain * band.next(b.noise()) * math.Exp(-x*x) * min(1, t/0.001)
		})
	}
}

// bell and metal are tones modulated by others that do not belong to them.
func bell(f, ratio, length float64) voice {
	return func(b *band, at, gain, _, _ float64) {
		b.add(at, 5*length, func(t float64) float64 {
			e := math.Exp(-t / length)
			return 0.7 * gain * e * wave(f*t+0.5*e*wave(f*ratio*t))
		})
	}
}

func metal(f, length float64) voice {
	return func(b *band, at, gain, _, _ float64) {
		b.add(at, 5*length, func(t float64) float64 {
			v := 0.0
			for _, r := range [...]float64{1, 1.342, 1.531, 1.874} {
				v += math.Copysign(0.25, wave(f*r*t))
			}
			return 0.6 * gain * v * math.Exp(-t/length)
		})
	}
}

// wire is a string as a delay that loses its highs (Karplus and Strong, 1983).
func wire(keep, bright float64) voice {
	return func(b *band, at, gain, note, length float64) {
		n := max(2, int(rate/freq(note)))
		loop := make([]float64, n)
		last := 0.0
		for i := range loop {
			last += bright * (b.noise() - last)
			loop[i] = last
		}
		i := 0
		b.add(at, max(length, 0.2), func(t float64) float64 {
			v := loop[i%n]
			loop[i%n] = keep * (0.5*v + 0.5*loop[(i+1)%n])
			i++
			return 1.2 * gain * v * held(t, max(length, 0.2), 0.001, 0.04)
		})
	}
}

// tine is a tone whose own modulation dies away (Chowning, 1973).
func tine(ratio, depth, length float64) voice {
	return func(b *band, at, gain, note, _ float64) {
		f := freq(note)
		b.add(at, 4*length, func(t float64) float64 {
			e := math.Exp(-t / length)
			return 0.6 * gain * e * wave(f*t+0.16*depth*e*wave(f*ratio*t)) * min(1, t/0.003)
		})
	}
}

// held rises within attack, stays, and falls within release before its end, seconds.
func held(t, length, attack, release float64) float64 {
	return max(0, min(1, t/attack, (length-t)/release))
}

func freq(note float64) float64 { return 440 * math.Pow(2, (note-69)/12) }

// A resonance lets through what lies about a place, in Hz, so many Hz wide.
type resonance struct{ a, b, g, y1, y2 float64 }

func newResonance(centre, width float64) *resonance {
	r := math.Exp(-math.Pi * width / rate)
	return &resonance{a: 2 * r * math.Cos(2*math.Pi*centre/rate), b: -r * r, g: 1 - r}
}

func (r *resonance) next(x float64) float64 {
	y := r.g*x + r.a*r.y1 + r.b*r.y2
	r.y1, r.y2 = y, r.y1
	return y
}

var sines = func() (out [4097]float64) {
	for i := range out {
		out[i] = math.Sin(2 * math.Pi * float64(i) / 4096)
	}
	return out
}()

// wave is a sine after so many turns, from a table.
func wave(turns float64) float64 {
	x := (turns - math.Floor(turns)) * 4096
	i := int(x)
	return sines[i] + (x-float64(i))*(sines[i+1]-sines[i])
}
