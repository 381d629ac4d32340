package corpus

import "math"

func waltz(b *band) func(int, float64) {
	chords, drums := b.walk(), b.chance(0.5)
	return func(bar int, at float64) {
		step := chords[bar%4]
		b.note(b.bass, at, 0.7, b.scale(step)-12, 0.9)
		b.triad(b.chord, at+1, 0.4, step, 0.5)
		b.triad(b.chord, at+2, 0.4, step, 0.5)
		if drums {
			b.hit(b.kick, at, 0.7)
			b.hit(b.hat, at+1, 0.3)
			b.hit(b.hat, at+2, 0.3)
		}
		b.note(b.lead, at, 0.35, b.scale(step+b.rng.Intn(5))+12, 1)
		for i := 1; i < 3; i++ {
			if b.chance(0.6) {
				b.note(b.lead, at+float64(i), 0.3, b.scale(step+b.rng.Intn(7))+12, 0.8)
			}
			if b.chance(0.3) {
				b.note(b.lead, at+float64(i)+0.5, 0.25, b.scale(step+b.rng.Intn(7))+12, 0.5)
			}
		}
	}
}

func sixEight(b *band) func(int, float64) {
	chords, arpeggio := b.walk(), b.chance(0.6)
	return func(bar int, at float64) {
		step := chords[bar%4]
		b.hit(b.kick, at, 0.8)
		b.hit(b.snare, at+3, 0.7)
		if b.chance(0.3) {
			b.hit(b.kick, at+5, 0.5)
		}
		b.note(b.bass, at, 0.5, b.scale(step)-12, 2.5)
		b.note(b.bass, at+3, 0.4, b.scale(step+4)-12, 2)
		for i := range 6 {
			b.hit(b.hat, at+float64(i), []float64{0.35, 0.2, 0.2}[i%3])
			if arpeggio {
				b.note(b.chord, at+float64(i), 0.35, b.scale(step+[]int{0, 2, 4, 7, 4, 2}[i])+12, 0.9)
			}
		}
		if !arpeggio {
			b.triad(b.chord, at, 0.4, step, 2.5)
			b.triad(b.chord, at+3, 0.3, step, 2.5)
		}
	}
}

func march(b *band) func(int, float64) {
	chords := b.walk()
	return func(bar int, at float64) {
		step := chords[bar%4]
		b.hit(b.kick, at, 0.8)
		b.hit(b.snare, at+1, 0.4)
		b.note(b.bass, at, 0.6, b.scale(step)-12, 0.5)
		b.note(b.bass, at+1, 0.45, b.scale(step+4)-24, 0.5)
		b.triad(b.chord, at+0.5, 0.35, step, 0.3)
		b.triad(b.chord, at+1.5, 0.35, step, 0.3)
		if bar%4 == 3 {
			b.hit(b.snare, at+1.5, 0.3)
			b.hit(b.snare, at+1.75, 0.3)
		}
		b.note(b.lead, at, 0.4, b.scale(step+b.rng.Intn(5))+12, 1)
		if b.chance(0.6) {
			b.note(b.lead, at+1, 0.35, b.scale(step+b.rng.Intn(5))+12, 0.8)
		}
	}
}

func pads(b *band) func(int, float64) {
	chords, each := b.walk(), b.one(1, 2, 4)
	return func(bar int, at float64) {
		step := chords[bar%4]
		for t := 0.0; t < 4; t += each {
			b.triad(b.pad, at+t, 0.4, step, each)
		}
		for i := range 4 {
			b.note(b.chord, at+float64(i), 0.3, b.scale(step+[]int{0, 4, 2, 4}[i])+12, 1.5)
			if b.chance(0.5) {
				b.note(b.chord, at+float64(i)+0.5, 0.2, b.scale(step+2)+12, 1)
			}
		}
		b.note(b.bass, at, 0.4, b.scale(step)-12, 3.6)
	}
}

func strummed(b *band) func(int, float64) {
	chords, drum := b.walk(), b.chance(0.4)
	return func(bar int, at float64) {
		step := chords[bar%4]
		for _, s := range []struct{ t, g float64 }{{0, 0.7}, {1, 0.5}, {1.5, 0.4}, {2.5, 0.4}, {3, 0.5}, {3.5, 0.35}} {
			when := b.time(at + s.t)
			for k := range 4 {
				b.chord(b, when+float64(k)*0.007, s.g*0.35, b.scale(step+2*k)+12, b.span(at, 0.9))
			}
		}
		if drum {
			b.hit(b.kick, at, 0.6)
			b.hit(b.kick, at+2, 0.6)
			b.hit(b.rim, at+1, 0.4)
			b.hit(b.rim, at+3, 0.4)
			for i := range 8 {
				b.hit(b.shaker, at+float64(i)/2, 0.3)
			}
		}
		b.note(b.bass, at, 0.45, b.scale(step)-12, 1.5)
		b.note(b.bass, at+2, 0.4, b.scale(step)-12, 1.5)
	}
}

func piano(b *band) func(int, float64) {
	chords := b.walk()
	figure := [][]int{{0, 4, 7, 4, 9, 4, 7, 4}, {0, 2, 4, 2, 7, 4, 2, 4}, {0, 7, 4, 7, 2, 7, 4, 7}}[b.rng.Intn(3)]
	return func(bar int, at float64) {
		step := chords[bar%4]
		for i, f := range figure {
			b.note(b.chord, at+float64(i)/2, []float64{0.5, 0.3}[i%2], b.scale(step+f), 0.9)
		}
		b.note(b.bass, at, 0.5, b.scale(step)-12, 3)
		for i := range 4 {
			if i == 0 || b.chance(0.5) {
				b.note(b.lead, at+float64(i), 0.4, b.scale(step+b.rng.Intn(6))+24, 1)
			}
		}
	}
}

func latin(b *band) func(int, float64) {
	chords, first := b.walk(), b.rng.Intn(2)
	return func(bar int, at float64) {
		step := chords[bar/2%4]
		clave := [][]float64{{0, 1.5, 3}, {1, 2}}[(bar+first)%2]
		for _, c := range clave {
			b.hit(b.rim, at+c, 0.5)
		}
		for _, s := range []float64{1.5, 3} {
			b.note(b.bass, at+s, 0.6, b.scale(step)-12, 0.9)
		}
		for i, s := range []float64{0, 0.5, 1, 1.5, 2, 2.5, 3, 3.5} {
			b.hit(b.shaker, at+s, []float64{0.4, 0.2}[i%2])
		}
		for _, s := range []float64{1, 3, 3.5} {
			b.hit(b.tom, at+s, 0.5)
		}
		b.hit(b.kick, at, 0.5)
		b.hit(b.kick, at+2, 0.5)
		for _, s := range []float64{0, 0.5, 1.5, 2.5, 3.5} {
			b.triad(b.chord, at+s, 0.35, step, 0.3)
		}
	}
}

func hipHop(b *band) func(int, float64) {
	chords := b.walk()
	kicks := [][]float64{{0, 1.75, 2.5}, {0, 0.75, 2.25}, {0, 2.5, 2.75}, {0, 1.5, 2.5}}[b.rng.Intn(4)]
	return func(bar int, at float64) {
		step := chords[bar/2%4]
		for _, k := range kicks {
			b.hit(b.kick, at+k, 0.9)
		}
		b.hit(b.snare, at+1, 0.8)
		b.hit(b.snare, at+3, 0.8)
		for i := range 8 {
			b.hit(b.hat, at+float64(i)/2, 0.3)
			if b.chance(0.3) {
				b.hit(b.hat, at+float64(i)/2+0.25, 0.2)
			}
		}
		b.note(b.bass, at, 0.6, b.scale(step)-12, 1)
		b.note(b.bass, at+kicks[1], 0.5, b.scale(step)-12, 0.7)
		b.triad(b.chord, at, 0.4, step, 1.2)
		b.triad(b.chord, at+b.one(1.5, 2.5), 0.3, step, 1)
	}
}

func funk(b *band) func(int, float64) {
	riff := [16]float64{}
	for i := range riff {
		if b.chance(0.35) || i == 0 {
			riff[i] = b.in(0.3, 0.6)
		}
	}
	scratch := b.chance(0.6)
	return func(bar int, at float64) {
		for _, k := range []float64{0, 0.5, 2.5} {
			b.hit(b.kick, at+k, 0.85)
		}
		b.hit(b.snare, at+1, 0.8)
		b.hit(b.snare, at+3, 0.8)
		b.hit(b.snare, at+1.75, 0.2)
		for i := range 16 {
			t := at + float64(i)/4
			b.hit(b.hat, t, []float64{0.3, 0.15, 0.22, 0.15}[i%4])
			if riff[i] > 0 {
				b.note(b.bass, t, riff[i], b.scale([]int{0, 0, 2, 4}[i%4])-12, 0.25)
			}
			if scratch && i%4 == 2 {
				b.triad(b.chord, t, 0.3, 0, 0.15)
			}
		}
		if bar%2 == 0 {
			b.triad(b.chord, at, 0.5, 0, 0.3)
		}
	}
}

func bowed(b *band) func(int, float64) {
	chords, timpani := b.walk(), b.chance(0.7)
	return func(bar int, at float64) {
		step := chords[bar%4]
		for i := range 8 {
			b.note(b.chord, at+float64(i)/2, []float64{0.6, 0.35, 0.45, 0.35}[i%4], b.scale(step+[]int{0, 2}[i%2]), 0.35)
		}
		b.note(b.bass, at, 0.6, b.scale(step)-12, 0.9)
		b.note(b.bass, at+2, 0.45, b.scale(step)-12, 0.9)
		if timpani {
			b.hit(b.tom, at, 0.8)
		}
		b.note(b.pad, at, 0.3, b.scale(step+4)+24, 2)
		b.note(b.pad, at+2, 0.3, b.scale(step+2)+24, 2)
	}
}

func bells(b *band) func(int, float64) {
	chords := b.walk()
	tune := [8]int{}
	for i := range tune {
		tune[i] = b.rng.Intn(8)
	}
	return func(bar int, at float64) {
		step := chords[bar%4]
		for i, k := range tune {
			if i%2 == 0 || k%3 == 0 {
				b.note(b.lead, at+float64(i)/2, []float64{0.5, 0.35}[i%2], b.scale(step+k)+24, 0.6)
			}
		}
		b.note(b.bass, at, 0.5, b.scale(step)-12, 0.9)
		b.note(b.bass, at+2, 0.45, b.scale(step+4)-12, 0.9)
		b.triad(b.chord, at+1, 0.3, step, 0.5)
		b.triad(b.chord, at+3, 0.3, step, 0.5)
		b.hit(b.rim, at+math.Floor(b.in(0, 4)), 0.2)
	}
}

// clicks is one sound on each beat and another on the first of a bar, as a metronome has it.
func clicks(b *band) func(int, float64) {
	sounds := []voice{b.rim, b.hat, b.snare, b.kick, b.shaker}
	each, first := sounds[b.rng.Intn(5)], sounds[b.rng.Intn(5)]
	return func(bar int, at float64) {
		for i := range b.per {
			b.hit(each, at+float64(i), 0.5)
		}
		b.hit(first, at, 0.8)
		b.hit(each, at, 0.3)
	}
}

// plainDrums is low, high, low, high, and hardly anything besides.
func plainDrums(b *band) func(int, float64) {
	eighths, crash := b.chance(0.5), b.chance(0.5)
	return func(bar int, at float64) {
		b.hit(b.kick, at, 0.95)
		b.hit(b.snare, at+1, 0.8)
		b.hit(b.kick, at+2, 0.75)
		b.hit(b.snare, at+3, 0.8)
		if eighths {
			for i := range 8 {
				b.hit(b.hat, at+float64(i)/2, 0.25)
			}
		}
		if bar%2 == 1 {
			b.hit(b.kick, at+2.5, 0.6)
		}
		if crash && bar%4 == 0 {
			b.hit(b.open, at, 0.8)
		}
		b.note(b.bass, at, 0.5, b.scale(0)-12, 1)
	}
}
