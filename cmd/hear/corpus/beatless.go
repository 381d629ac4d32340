package corpus

import (
	"math"
	"math/rand"
)

// Beatless is sounds that have no steady beat, one of each kind, drawn from a seed.
func Beatless(seed int64) []func() Tune {
	kinds := []struct {
		name string
		make func(b *band)
	}{
		{"drone", drone}, {"hum", hum}, {"chords that swell", swells}, {"sweep", sweep}, {"noise", whiteNoise},
		{"wind", wind}, {"speech", speech}, {"rain", rain}, {"piano without a beat", rubato}, {"crowd", crowd},
		{"birds", birds}, {"steps that stumble", steps},
	}
	var out []func() Tune
	for i, k := range kinds {
		out = append(out, func() Tune {
			rng := rand.New(rand.NewSource(seed*1e5 + int64(i)))
			b := &band{kit: newKit(rng, seed%2 == 1), rng: rng, out: make([]float64, 24*rate), beats: []float64{0, 1, 2}, root: 45}
			k.make(b)
			t := b.tune(24)
			return Tune{Name: k.name, Style: "beatless", Mono: t.Mono, Held: seed%2 == 1}
		})
	}
	return out
}

func drone(b *band) {
	f, slow := b.in(50, 140), b.in(0.05, 0.2)
	b.add(0, 24, func(t float64) float64 {
		v := 0.0
		for n := 1; n < 9; n++ {
			v += math.Sin(2*math.Pi*f*float64(n)*t*(1+0.001*float64(n%3))) / float64(n) * (1 + 0.3*math.Sin(2*math.Pi*slow*float64(n)*t))
		}
		return v
	})
}

func hum(b *band) {
	b.add(0, 24, func(t float64) float64 {
		return math.Sin(2*math.Pi*50*t) + 0.4*math.Sin(2*math.Pi*100*t) + 0.2*math.Sin(2*math.Pi*150*t) + 0.01*b.noise()
	})
}

func swells(b *band) {
	for at := 0.0; at < 22; at += b.in(1.5, 4.5) {
		v := strings(b.in(0.4, 1.2), 1.5, 5)
		for _, k := range []int{0, 2, 4} {
			v(b, at, 0.4, b.scale(b.rng.Intn(5)+k)+12, b.in(2, 4))
		}
	}
}

func sweep(b *band) {
	phase := 0.0
	up := b.in(2, 7)
	b.add(0, 24, func(t float64) float64 {
		phase += 80 * math.Pow(2, math.Mod(t, up*3)/3) / rate
		return math.Sin(2 * math.Pi * phase)
	})
}

func whiteNoise(b *band) { b.add(0, 24, func(float64) float64 { return b.noise() }) }

func wind(b *band) {
	low, level, want := 0.0, 0.3, 0.3
	b.add(0, 24, func(t float64) float64 {
		if b.rng.Float64() < 1.0/(0.8*rate) {
			want = b.in(0.1, 1)
		}
		level += (want - level) / (0.5 * rate)
		low += 0.05 * (b.noise() - low)
		return low * level
	})
}

// speech is syllables of three vowels' resonances, at the pace and with the pauses of talk.
func speech(b *band) {
	for at := 0.3; at < 23; {
		words := 3 + b.rng.Intn(9)
		for range words {
			length := b.in(0.09, 0.28)
			f1, f2, pitch := b.in(300, 800), b.in(900, 2300), b.in(95, 170)
			a, c := newResonance(f1, 90), newResonance(f2, 120)
			phase := 0.0
			if b.chance(0.5) {
				hiss(3500, 60, 0.01)(b, at-0.04, 0.3, 0, 0)
			}
			b.add(at, length, func(t float64) float64 {
				phase += pitch * (1 - 0.15*t/length) / rate
				pulse := 0.0
				if phase >= 1 {
					phase--
					pulse = 8
				}
				e := held(t, length, 0.02, 0.05)
				return e * (a.next(pulse) + 0.7*c.next(pulse))
			})
			at += length + b.in(0.01, 0.09)
		}
		at += b.in(0.25, 1.1)
	}
}

func rain(b *band) {
	drop := hiss(3000, 200, 0.0005)
	for at := 0.0; at < 23; at += b.rng.ExpFloat64() * 0.05 {
		drop(b, at, b.in(0.1, 0.7), 0, 0)
	}
}

func rubato(b *band) {
	v := pluck(3, 0.6)
	for at := 0.2; at < 23; at += 0.18 + b.rng.ExpFloat64()*0.5 {
		v(b, at, b.in(0.3, 0.7), b.scale(b.rng.Intn(14)), 1.5)
	}
}

func crowd(b *band) {
	for range 500 {
		length := b.in(0.1, 0.5)
		r := newResonance(b.in(300, 2500), 200)
		b.add(b.in(0, 23), length, func(t float64) float64 { return r.next(b.noise()) * held(t, length, 0.05, 0.1) })
	}
}

func birds(b *band) {
	for at := 0.3; at < 23; at += b.in(0.4, 2.2) {
		n, f, gap := 1+b.rng.Intn(6), b.in(2000, 4500), b.in(0.07, 0.16)
		for k := range n {
			b.add(at+float64(k)*gap, gap*0.7, func(t float64) float64 {
				return math.Sin(2*math.Pi*f*t*(1+2*t)) * held(t, gap*0.7, 0.01, 0.02)
			})
		}
	}
}

// steps are knocks at two thirds of a second that come early and late at will.
func steps(b *band) {
	v := knock(90, 0.06)
	for at := 0.3; at < 23; at += 0.66 * b.in(0.45, 1.6) {
		v(b, at, b.in(0.2, 0.9), 0, 0)
	}
}
