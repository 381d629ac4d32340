package corpus

// A style is how tunes of one kind are played. Its band plays a bar from a beat on; what
// it draws by lot at first stays for the whole tune.
type style struct {
	name     string
	from, to float64 // beats a minute
	per      int     // beats in a bar
	swing    float64 // 0 is straight
	fine     float64 // of sixteenths
	begin    func(b *band) func(bar int, at float64)
}

// grooves are the steady kinds.
var grooves = []style{
	{"four on the floor", 116, 132, 4, 0, 0, fourOnTheFloor},
	{"techno", 124, 142, 4, 0, 0, techno},
	{"rock", 88, 152, 4, 0, 0, rock},
	{"ballad", 62, 84, 4, 0, 0, ballad},
	{"breaks", 158, 178, 4, 0, 0, breaks},
	{"half time", 128, 152, 4, 0, 0, halfTime},
	{"offbeat", 146, 176, 4, 0, 0, offbeat},
	{"one drop", 70, 92, 4, 0, 0, oneDrop},
	{"syncopated", 90, 112, 4, 0, 0, syncopated},
	{"swing", 112, 190, 4, 0.66, 0, swing},
	{"shuffle", 88, 132, 4, 0.65, 0, shuffle},
	{"waltz", 84, 188, 3, 0, 0, waltz},
	{"six eight", 150, 190, 6, 0, 0, sixEight},
	{"march", 96, 128, 2, 0, 0, march},
	{"pads", 62, 96, 4, 0, 0, pads},
	{"strummed", 84, 132, 4, 0, 0, strummed},
	{"piano", 62, 100, 4, 0, 0, piano},
	{"latin", 90, 124, 4, 0, 0, latin},
	{"hip hop", 78, 100, 4, 0, 0.6, hipHop},
	{"funk", 94, 116, 4, 0, 0.53, funk},
	{"bowed", 98, 142, 4, 0, 0, bowed},
	{"bells", 80, 126, 4, 0, 0, bells},
	{"clicks", 64, 184, 4, 0, 0, clicks},
	{"clicks of three", 80, 184, 3, 0, 0, clicks},
	{"plain drums", 76, 160, 4, 0, 0, plainDrums},
}

// walk is four steps of a scale on which a tune's chords stand.
func (b *band) walk() [4]int {
	return [][4]int{{0, 5, 3, 4}, {0, 3, 4, 0}, {0, 4, 5, 3}, {5, 3, 0, 4}, {0, 0, 3, 4}, {0, 2, 3, 1}}[b.rng.Intn(6)]
}

func fourOnTheFloor(b *band) func(int, float64) {
	chords, claps, eighths, stabs := b.walk(), b.chance(0.8), b.chance(0.4), b.chance(0.6)
	where := [][]float64{{0.5, 1.5, 2.5, 3.5}, {0, 0.75, 1.5, 2.5, 3.25}, {0, 1.5, 3}}[b.rng.Intn(3)]
	return func(bar int, at float64) {
		step := chords[bar%4]
		for i := range 4 {
			t := at + float64(i)
			b.hit(b.kick, t, 0.9)
			b.hit(b.open, t+0.5, 0.35)
			if eighths {
				b.hit(b.hat, t, 0.2)
				b.hit(b.hat, t+0.25, 0.15)
				b.hit(b.hat, t+0.75, 0.15)
			}
			if claps && i%2 == 1 {
				b.hit(b.snare, t, 0.6)
			}
			b.note(b.bass, t+0.5, 0.5, b.scale(step)-12, 0.4)
		}
		if stabs {
			for _, w := range where {
				b.triad(b.chord, at+w, 0.4, step, 0.4)
			}
		} else {
			b.triad(b.pad, at, 0.3, step, 4)
		}
	}
}

func techno(b *band) func(int, float64) {
	chords, riff := b.walk(), [16]bool{}
	for i := range riff {
		riff[i] = b.chance(0.4)
	}
	ride := b.chance(0.5)
	return func(bar int, at float64) {
		for i := range 4 {
			t := at + float64(i)
			b.hit(b.kick, t, 0.95)
			b.hit(b.hat, t+0.5, 0.4)
			if ride {
				b.hit(b.hat, t, 0.2)
			}
		}
		if bar%2 == 1 {
			b.hit(b.rim, at+3.75, 0.3)
		}
		for i, on := range riff {
			if on {
				b.note(b.bass, at+float64(i)/4, 0.4, b.scale(0)-12+float64(i%3)*12, 0.2)
			}
		}
		if bar%4 == 0 {
			b.hit(b.open, at, 0.6)
		}
		b.triad(b.pad, at, 0.3, chords[bar/2%4], 4)
	}
}

func rock(b *band) func(int, float64) {
	chords := b.walk()
	kicks := [][]float64{{0, 2}, {0, 2, 2.5}, {0, 1.5, 2}, {0, 2.5}, {0, 0.5, 2}}[b.rng.Intn(5)]
	quarters := b.chance(0.25)
	return func(bar int, at float64) {
		for _, k := range kicks {
			b.hit(b.kick, at+k, 0.9)
		}
		b.hit(b.snare, at+1, 0.8)
		b.hit(b.snare, at+3, 0.8)
		for i := range 8 {
			if !quarters || i%2 == 0 {
				b.hit(b.hat, at+float64(i)/2, []float64{0.35, 0.22}[i%2])
			}
			b.note(b.bass, at+float64(i)/2, 0.4, b.scale(chords[bar%4])-12, 0.45)
		}
		b.triad(b.chord, at, 0.45, chords[bar%4], 2)
		b.triad(b.chord, at+2, 0.35, chords[bar%4], 2)
		if bar%4 == 3 {
			for i := range 4 {
				b.hit(b.tom, at+3+float64(i)/4, 0.5)
			}
		}
		if bar%8 == 0 {
			b.hit(b.open, at, 0.6)
		}
	}
}

func ballad(b *band) func(int, float64) {
	chords, sixteenths := b.walk(), b.chance(0.35)
	return func(bar int, at float64) {
		step := chords[bar%4]
		b.hit(b.kick, at, 0.8)
		b.hit(b.kick, at+2, 0.6)
		if b.chance(0.4) {
			b.hit(b.kick, at+2.5, 0.5)
		}
		b.hit(b.snare, at+1, 0.6)
		b.hit(b.snare, at+3, 0.6)
		for i := range 8 {
			b.hit(b.hat, at+float64(i)/2, 0.22)
			if sixteenths {
				b.hit(b.hat, at+float64(i)/2+0.25, 0.12)
			}
		}
		b.note(b.bass, at, 0.5, b.scale(step)-12, 1.8)
		b.note(b.bass, at+2, 0.4, b.scale(step)-12, 1.8)
		for i := range 4 {
			b.triad(b.chord, at+float64(i), 0.35, step, 1)
		}
		b.note(b.lead, at+b.one(0, 1, 0.5, 2), 0.3, b.scale(b.rng.Intn(7))+24, 1)
	}
}

func breaks(b *band) func(int, float64) {
	chords := b.walk()
	kicks := [][]float64{{0, 2.5}, {0, 1.5, 2.5}, {0, 0.5, 2.5}}[b.rng.Intn(3)]
	ghosts := b.chance(0.5)
	return func(bar int, at float64) {
		for _, k := range kicks {
			b.hit(b.kick, at+k, 0.9)
		}
		b.hit(b.snare, at+1, 0.8)
		b.hit(b.snare, at+3, 0.8)
		if ghosts {
			b.hit(b.snare, at+1.75, 0.2)
			b.hit(b.snare, at+2.25, 0.2)
		}
		for i := range 8 {
			b.hit(b.hat, at+float64(i)/2, []float64{0.35, 0.25}[i%2])
		}
		b.note(b.bass, at, 0.6, b.scale(chords[bar/2%4])-12, 1.5)
		b.note(b.bass, at+2.5, 0.5, b.scale(chords[bar/2%4]+2)-12, 1.3)
		if bar%2 == 0 {
			b.triad(b.pad, at, 0.25, chords[bar/2%4], 8)
		}
	}
}

func halfTime(b *band) func(int, float64) {
	chords, rolls := b.walk(), b.chance(0.6)
	kicks := [][]float64{{0}, {0, 1.5}, {0, 0.75, 3.5}, {0, 3}}[b.rng.Intn(4)]
	return func(bar int, at float64) {
		for _, k := range kicks {
			b.hit(b.kick, at+k, 0.9)
			b.note(b.bass, at+k, 0.6, b.scale(chords[bar%4])-24, 0.8)
		}
		b.hit(b.snare, at+2, 0.85)
		for i := range 8 {
			b.hit(b.hat, at+float64(i)/2, 0.3)
		}
		if rolls && bar%2 == 1 {
			for i := range 6 {
				b.hit(b.hat, at+3+float64(i)/6, 0.25)
			}
		}
		for i := range 4 {
			b.note(b.lead, at+float64(i), 0.3, b.scale(chords[bar%4]+[]int{0, 2, 4, 2}[i])+24, 0.6)
		}
	}
}

func offbeat(b *band) func(int, float64) {
	chords, back := b.walk(), b.chance(0.7)
	return func(bar int, at float64) {
		step := chords[bar%4]
		for i := range 4 {
			t := at + float64(i)
			b.triad(b.chord, t+0.5, 0.75, step, 0.25)
			b.note(b.bass, t, 0.5, b.scale(step+[]int{0, 2, 4, 2}[i])-12, 0.8)
			b.hit(b.hat, t, 0.2)
			b.hit(b.hat, t+0.5, 0.25)
		}
		if back {
			b.hit(b.kick, at, 0.5)
			b.hit(b.kick, at+2, 0.5)
			b.hit(b.snare, at+1, 0.5)
			b.hit(b.snare, at+3, 0.5)
		} else {
			b.hit(b.kick, at+2, 0.6)
			b.hit(b.snare, at+2, 0.5)
		}
	}
}

func oneDrop(b *band) func(int, float64) {
	chords, doubled := b.walk(), b.chance(0.4)
	return func(bar int, at float64) {
		step := chords[bar%4]
		for i := range 4 {
			t := at + float64(i)
			b.triad(b.chord, t+0.5, 0.5, step, 0.2)
			if doubled {
				b.triad(b.chord, t+0.75, 0.3, step, 0.2)
			}
			b.hit(b.hat, t, 0.25)
			b.hit(b.hat, t+0.5, 0.2)
		}
		b.hit(b.kick, at+2, 0.9)
		b.hit(b.rim, at+2, 0.6)
		for _, n := range [][2]float64{{0, 0}, {0.5, 0}, {1.5, 2}, {2, 4}, {3, 2}} {
			b.note(b.bass, at+n[0], 0.6, b.scale(step+int(n[1]))-12, 0.5)
		}
	}
}

func syncopated(b *band) func(int, float64) {
	chords := b.walk()
	late := b.chance(0.5)
	return func(bar int, at float64) {
		step := chords[bar/2%4]
		for i := range 4 {
			b.hit(b.kick, at+float64(i), 0.8)
			b.hit(b.shaker, at+float64(i)+0.5, 0.3)
		}
		for _, s := range []float64{0.75, 1.5, 2.75, 3.5} {
			b.hit(b.snare, at+s, 0.6)
		}
		if late {
			b.hit(b.rim, at+3.75, 0.4)
		}
		for _, s := range []float64{0, 0.75, 1.5, 2, 2.75, 3.5} {
			b.note(b.bass, at+s, 0.5, b.scale(step)-12, 0.4)
		}
		for _, s := range []float64{0.75, 1.5, 2.75, 3.5} {
			b.triad(b.chord, at+s, 0.35, step, 0.3)
		}
	}
}

func swing(b *band) func(int, float64) {
	chords := b.walk()
	return func(bar int, at float64) {
		step := chords[bar%4]
		for i := range 4 {
			t := at + float64(i)
			b.hit(b.open, t, []float64{0.3, 0.4}[i%2])
			if i%2 == 1 {
				b.hit(b.open, t+0.5, 0.25)
				b.hit(b.hat, t, 0.4)
			}
			b.note(b.bass, t, 0.5, b.scale(step+[]int{0, 2, 4, 5}[i])-12, 0.9)
			if b.chance(0.3) {
				b.hit(b.kick, t, 0.3)
			}
		}
		b.triad(b.chord, at+b.one(0.5, 1.5, 0), 0.4, step, 0.4)
		if b.chance(0.5) {
			b.triad(b.chord, at+2.5, 0.35, step, 0.4)
		}
		if b.chance(0.4) {
			b.hit(b.snare, at+b.one(1.5, 2.5, 3.5), 0.3)
		}
		for i := range 3 {
			b.note(b.lead, at+float64(i)+b.one(0, 0.5), 0.3, b.scale(step+b.rng.Intn(7))+12, 0.5)
		}
	}
}

func shuffle(b *band) func(int, float64) {
	chords := b.walk()
	return func(bar int, at float64) {
		step := chords[bar%4]
		for i := range 4 {
			t := at + float64(i)
			b.hit(b.hat, t, 0.3)
			b.hit(b.hat, t+0.5, 0.25)
			b.note(b.bass, t, 0.45, b.scale(step)-12, 0.5)
			b.note(b.bass, t+0.5, 0.35, b.scale(step+[]int{2, 4, 5, 4}[i])-12, 0.3)
		}
		b.hit(b.kick, at, 0.8)
		b.hit(b.kick, at+2, 0.8)
		b.hit(b.snare, at+1, 0.7)
		b.hit(b.snare, at+3, 0.7)
		b.triad(b.chord, at, 0.35, step, 0.8)
		b.triad(b.chord, at+1.5, 0.3, step, 0.4)
	}
}
