package corpus

import (
	"fmt"
	"math/rand"
)

// A stretch is so many bars of one kind of section.
type stretch struct {
	kind string
	bars int
}

// plans are how tunes are put together.
var plans = [][]stretch{
	{{"quiet", 4}, {"build", 4}, {"full", 8}, {"break", 4}, {"full", 8}},
	{{"quiet", 8}, {"full", 8}, {"break", 4}, {"build", 4}, {"full", 8}},
	{{"full", 8}, {"break", 4}, {"full", 8}, {"quiet", 4}},
	{{"build", 8}, {"full", 12}},
	{{"full", 16}},
	{{"quiet", 4}, {"full", 8}, {"break", 2}, {"full", 6}, {"quiet", 2}},
}

// Arranged is tunes of several sections: a plan each, in some of the styles.
func Arranged(rounds int, held bool, seed int64) []func() Tune {
	styles := []int{0, 1, 2, 4, 5, 7, 9, 11, 17, 19}
	var out []func() Tune
	for r := range rounds {
		for i, p := range plans {
			s := grooves[styles[(3*r+i+int(seed))%len(styles)]]
			out = append(out, func() Tune {
				return s.arrange(rand.New(rand.NewSource(seed*1e6+int64(r*1000+i))), p, held)
			})
		}
	}
	return out
}

// arrange plays a style by a plan.
func (s style) arrange(rng *rand.Rand, plan []stretch, held bool) Tune {
	bars := 0
	for _, p := range plan {
		bars += p.bars
	}
	bpm := s.from + (s.to-s.from)*rng.Float64()
	long := 0.4 + float64(bars*s.per)*60/bpm
	c := course{bpm: bpm, seconds: long, begin: 0.02 + 0.3*rng.Float64()}
	b := &band{
		kit: newKit(rng, held), rng: rng, out: make([]float64, int(long*rate)), beats: c.beats(), per: s.per,
		swing: max(0.5, s.swing), fine: max(0.5, s.fine), loose: 0.004 * rng.Float64(), root: 45 + float64(rng.Intn(12)),
	}
	bar, soft, grow := s.begin(b), b.softly(), b.growing()
	at, n := 0, 0
	var parts []Part
	for _, p := range plan {
		parts = append(parts, Part{b.beats[at], p.kind})
		for i := range p.bars {
			b.bars = append(b.bars, at)
			switch p.kind {
			case "full":
				bar(n, float64(at))
			case "build":
				grow(n, float64(at), (float64(i)+0.5)/float64(p.bars))
			default:
				soft(n, float64(at))
			}
			at, n = at+s.per, n+1
		}
	}
	b.bars = append(b.bars, at)
	b.colour(-0.5+1.2*rng.Float64(), 20+90*rng.Float64())
	out := b.tune(long)
	out.Style, out.Held, out.Parts = s.name, held, parts
	out.Name = fmt.Sprintf("%s %.0f,", s.name, bpm)
	for _, p := range plan {
		out.Name += fmt.Sprintf(" %d %s", p.bars, p.kind)
	}
	return out
}

// softly is bars with little in them: a chord that lies, with single notes or a soft hat.
func (b *band) softly() func(int, float64) {
	chords, notes, hats := b.walk(), b.chance(0.6), b.chance(0.3)
	return func(bar int, at float64) {
		step := chords[bar%4]
		b.triad(b.pad, at, 0.2, step, float64(b.per))
		for i := range b.per {
			if notes {
				b.note(b.lead, at+float64(i), 0.15, b.scale(step+[]int{0, 2, 4, 2}[i%4])+12, 0.9)
			}
			if hats {
				b.hit(b.hat, at+float64(i), 0.1)
			}
		}
	}
}

// growing is bars that lead to what follows: a roll that becomes denser and louder, above
// a noise that rises.
func (b *band) growing() func(bar int, at, share float64) {
	chords, sweeps, kicks := b.walk(), b.chance(0.6), b.chance(0.5)
	return func(bar int, at, share float64) {
		step, each := chords[bar%4], 1.0
		switch {
		case share > 0.75:
			each = 0.25
		case share > 0.4:
			each = 0.5
		}
		b.triad(b.pad, at, 0.2+0.2*share, step, float64(b.per))
		for t := 0.0; t < float64(b.per); t += each {
			b.hit(b.snare, at+t, 0.15+0.45*share)
		}
		for i := range b.per {
			if kicks {
				b.hit(b.kick, at+float64(i), 0.3+0.4*share)
			}
		}
		if sweeps {
			length := b.span(at, float64(b.per))
			b.add(b.time(at), length, func(t float64) float64 {
				return (0.02 + 0.14*share + 0.03*t/length) * b.noise()
			})
		}
	}
}
