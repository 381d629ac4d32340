package main

import (
	"math"
	"math/rand/v2"

	"billow/demo/synth"
)

// heard is a tune or a sound.
type heard struct {
	id, name, kind string
	author         int
	licence        int
	price          string
	tags           string
	play           func() []float32 // interleaved stereo at synth.Rate
}

var played = []heard{
	{"paper-boats", "Paper boats", "tune", 2, credit, "", "tune, light, 96 bpm, marimba", paperBoats},
	{"neon-walk", "Neon walk", "tune", 2, bought, "6.00", "tune, night, 118 bpm, electronic", neonWalk},
	{"sunday-stall", "Sunday stall", "tune", 4, free, "", "tune, happy, 108 bpm, plucked", sundayStall},
	{"lake-evening", "Lake evening", "tune", 2, credit, "", "tune, calm, 72 bpm, pads", lakeEvening},
	{"whoosh", "Whoosh", "sound", 4, free, "", "sound, fast, pass by, wind", effect(0.9, whoosh)},
	{"pop", "Pop", "sound", 4, free, "", "sound, short, bubble, appear", effect(0.25, pop)},
	{"tick", "Tick", "sound", 4, free, "", "sound, short, click, count", effect(0.12, tick)},
	{"bell", "Bell", "sound", 4, free, "", "sound, ding, shop, price", effect(1.8, bell)},
	{"shimmer", "Shimmer", "sound", 4, credit, "", "sound, sparkle, magic, shine", effect(1.8, shimmer)},
	{"riser", "Riser", "sound", 4, credit, "", "sound, build, before a hit", effect(2.4, riser)},
	{"thud", "Thud", "sound", 4, free, "", "sound, hit, land, heavy", effect(0.8, thud)},
	{"shutter", "Shutter", "sound", 4, free, "", "sound, camera, photo, flash", effect(0.3, shutter)},
}

// effect plays a sound for so many seconds: left and right at a time.
func effect(seconds float64, at func(t float64, noise func() float64) (l, r float64)) func() []float32 {
	return func() []float32 {
		r := rand.New(rand.NewPCG(9, 9))
		noise := func() float64 { return 2*r.Float64() - 1 }
		n := int(seconds * synth.Rate)
		out := make([]float32, 2*n)
		peak := 0.0
		for i := range n {
			t := float64(i) / synth.Rate
			a, b := at(t, noise)
			end := math.Min(1, (seconds-t)/0.02)
			out[2*i], out[2*i+1] = float32(a*end), float32(b*end)
			peak = math.Max(peak, math.Max(math.Abs(a*end), math.Abs(b*end)))
		}
		for i := range out {
			out[i] *= float32(0.85 / peak)
		}
		return out
	}
}

// band is noise of which one part of the spectrum is left: a resonance (Chamberlin's state variable
// filter) that can be moved.
type band struct{ low, mid float64 }

func (b *band) next(in, freq, narrow float64) float64 {
	f := 2 * math.Sin(math.Pi*math.Min(freq, 9000)/synth.Rate)
	b.low += f * b.mid
	b.mid += f * (in - b.low - narrow*b.mid)
	return b.mid
}

var sweep, hiss band

func whoosh(t float64, noise func() float64) (l, r float64) {
	k := math.Exp(-math.Pow((t-0.42)/0.17, 2))
	v := sweep.next(noise(), 300+2600*k, 0.5) * k
	pan := clamp(t / 0.85)
	return v * (1 - 0.75*pan), v * (0.25 + 0.75*pan)
}

func pop(t float64, _ func() float64) (l, r float64) {
	v := math.Sin(2*math.Pi*(900*t-1400*t*t)) * math.Exp(-t*26) * math.Min(1, t*900)
	return v, v
}

func tick(t float64, noise func() float64) (l, r float64) {
	v := (math.Sin(2*math.Pi*2400*t)+0.5*noise())*math.Exp(-t*160) + 0.4*math.Sin(2*math.Pi*900*t)*math.Exp(-t*90)
	return v, v
}

func bell(t float64, _ func() float64) (l, r float64) {
	for i, k := range []float64{1, 2.76, 5.40, 8.93} {
		v := math.Sin(2*math.Pi*1320*k*t) * math.Exp(-t*(2.2+2.4*float64(i))) / (1 + float64(i)*1.2)
		l, r = l+v, r+v*(1-0.2*float64(i%2))
	}
	return l, r
}

func shimmer(t float64, _ func() float64) (l, r float64) {
	for i := range 18 {
		at := 0.055 * float64(i)
		if t < at {
			break
		}
		f := 1046.5 * math.Pow(2, float64([]int{0, 4, 7, 11, 12, 16, 19}[i*5%7])/12)
		v := math.Sin(2*math.Pi*f*(t-at)) * math.Exp(-(t-at)*5) * math.Min(1, (t-at)*200) * (1 - 0.03*float64(i))
		pan := 0.5 + 0.4*math.Sin(float64(i)*2.3)
		l, r = l+v*(1-pan), r+v*pan
	}
	return l, r
}

func riser(t float64, noise func() float64) (l, r float64) {
	k := t / 2.4
	v := hiss.next(noise(), 250+5200*k*k, 0.35)*k*k + 0.35*k*math.Sin(2*math.Pi*(140*t+90*t*t))
	return v, v * (0.9 + 0.1*math.Sin(t*30))
}

func thud(t float64, noise func() float64) (l, r float64) {
	v := math.Sin(2*math.Pi*(46*t+9*(1-math.Exp(-t*30))))*math.Exp(-t*7) + 0.35*noise()*math.Exp(-t*70)
	return v, v
}

func shutter(t float64, noise func() float64) (l, r float64) {
	click := func(at, k float64) float64 {
		if t < at {
			return 0
		}
		return noise() * math.Exp(-(t-at)*k)
	}
	v := click(0, 220) + 0.6*click(0.028, 300) + 0.9*click(0.095, 160)
	return v, v * 0.9
}

// tune plays bars of four beats.
func tune(bpm float64, bars int, bar func(s *synth.Song, n int, at func(beat float64) float64, beat float64)) []float32 {
	beat := 60 / bpm
	s := synth.New(0.2+float64(4*bars)*beat+1.2, int64(bpm*131))
	for n := range bars {
		bar(s, n, func(b float64) float64 { return 0.2 + (float64(4*n)+b)*beat }, beat)
	}
	return s.Finish(0.9)
}

func paperBoats() []float32 {
	chords := [][]float64{{60, 64, 67}, {62, 65, 69}, {57, 60, 64}, {55, 59, 62}}
	notes := []float64{72, 76, 79, 76, 74, 77, 81, 77, 72, 69, 76, 72, 71, 74, 67, 71}
	return tune(96, 10, func(s *synth.Song, n int, at func(float64) float64, beat float64) {
		c := chords[n%4]
		s.Pad(at(0), 4*beat, 0.10, c...)
		for i := range 4 {
			b := float64(i)
			s.Bar(at(b), notes[(n%4)*4+i], 0.24, 0.3-0.2*b)
			s.Bar(at(b+0.5), c[i%3]+12, 0.12, -0.3)
			s.Hat(at(b+0.5), 0.07, 0.05)
			if n > 1 {
				s.Bass(at(b), 0.8*beat, c[i%2*2]-24, 0.28)
			}
		}
		s.Kick(at(0), 0.6)
		s.Kick(at(2.5), 0.4)
		s.Clap(at(2), 0.2)
	})
}

func neonWalk() []float32 {
	roots := []float64{45, 45, 41, 43}
	return tune(118, 12, func(s *synth.Song, n int, at func(float64) float64, beat float64) {
		root := roots[n%4]
		for i := range 8 {
			b := float64(i) / 2
			s.Bass(at(b), 0.35*beat, root-12+12*float64(i%2), 0.30)
			s.Hat(at(b), 0.12-0.05*float64(i%2), 0.05)
			if n > 3 {
				s.Pluck(at(b), root+24+[]float64{0, 7, 12, 15, 12, 7, 10, 7}[i], 0.14, 0.4*math.Sin(float64(i)))
			}
		}
		for i := range 4 {
			s.Kick(at(float64(i)), 0.85)
		}
		s.Clap(at(1), 0.34)
		s.Clap(at(3), 0.34)
		s.Pad(at(0), 4*beat, 0.08, root+12, root+19, root+27)
	})
}

func sundayStall() []float32 {
	chords := [][]float64{{62, 66, 69}, {67, 71, 74}, {62, 66, 69}, {57, 61, 64}}
	return tune(108, 12, func(s *synth.Song, n int, at func(float64) float64, beat float64) {
		c := chords[n%4]
		for i := range 4 {
			b := float64(i)
			s.Pluck(at(b+0.5), c[0], 0.13, -0.4)
			s.Pluck(at(b+0.5), c[1], 0.13, 0)
			s.Pluck(at(b+0.5), c[2], 0.13, 0.4)
			s.Bass(at(b), 0.6*beat, c[0]-24+7*float64(i%2), 0.32)
			s.Hat(at(b+0.5), 0.08, 0.05)
			if i%2 == 1 {
				s.Clap(at(b), 0.2)
			}
			if n > 1 {
				s.Bar(at(b), c[(i*2+n)%3]+12, 0.2, 0.2)
			}
		}
		s.Kick(at(0), 0.7)
		s.Kick(at(2), 0.6)
		if n%4 == 3 {
			s.Horns(at(2), 1.6*beat, 0.14, c...)
		}
	})
}

func lakeEvening() []float32 {
	chords := [][]float64{{48, 55, 64, 71}, {45, 52, 60, 67}, {53, 60, 64, 69}, {43, 55, 59, 66}}
	return tune(72, 7, func(s *synth.Song, n int, at func(float64) float64, beat float64) {
		c := chords[n%4]
		s.Pad(at(0), 4*beat, 0.17, c...)
		s.Bass(at(0), 3.6*beat, c[0]-12, 0.26)
		for i := range 4 {
			s.Pluck(at(float64(i)+0.25*float64(i%2)), c[(i*3+n)%4]+12, 0.14, 0.5-0.3*float64(i))
		}
		s.Hat(at(2), 0.05, 0.1)
		s.Kick(at(0), 0.35)
	})
}
