package beat

// metres are the beats of the bars that are tried.
var metres = [...]int{2, 3, 4, 6}

// channels of the marks of a beat.
const channels = 16

// marks is, for each beat, how it differs from the mean of all: by what rises on it low,
// mid, high and at all, low in its middle, the same by force, and by how much bass and chords change into
// it, out of it, and from the beats before to those after.
func (l *lattice) marks() [][]float64 {
	out := make([][]float64, l.beats)
	for i := range out {
		at := i * parts
		out[i] = []float64{
			l.bands[low][at], l.bands[mid][at], l.bands[high][at], l.bands[all][at], l.bands[low][at+6],
			l.bands[lowForce][at], l.bands[midForce][at], l.bands[highForce][at], l.bands[lowForce][at+6],
			l.change(i, 1, 0, 12), l.change(i+1, 1, 0, 12), l.change(i, 1, 12, 24), l.change(i+1, 1, 12, 24),
			l.change(i, 2, 0, 24), l.change(i, 4, 0, 24), l.change(i, 8, 0, 24),
		}
	}
	for c := range channels {
		mean := 0.0
		for _, m := range out {
			mean += m[c] / float64(len(out))
		}
		const little = 0.4 // a channel in which hardly anything happens says nothing
		for _, m := range out {
			m[c] = min(max((m[c]-mean)/(mean+little), -1.5), 3)
		}
	}
	return out
}

// repeated are the beats after which it is asked what comes again.
var repeated = [...]int{1, 2, 3, 4, 6, 8}

// repeats is how much of what rises does so again after some beats, in all bands and in
// the lowest.
func (l *lattice) repeats() []float64 {
	var out []float64
	for _, band := range []int{all, low} {
		for _, m := range repeated {
			out = append(out, l.again(band, m*parts))
		}
	}
	return out
}

// A Barring is one way to put beats into bars: how many to a bar, and which of the beats
// begins the first whole one.
type Barring struct {
	PerBar, First int
	At            int       // where the weights of its metre begin
	Says          []float64 // what speaks for it
}

// BarWeights is how many weights there are for all metres.
var BarWeights = barsAt(len(metres))

// barsAt is where the weights of a metre begin: its channels at each of its beats, then
// what repeats, the tempo, its square and one more.
func barsAt(metre int) int {
	n := 0
	for _, m := range metres[:metre] {
		n += m*channels + len(repeated)*2 + 3
	}
	return n
}

// Barrings are all ways to put the beats of a way into bars.
func (w *Way) Barrings() (out []Barring) {
	octaves := w.octaves()
	for k, m := range metres {
		for first := range min(m, len(w.Marks)) {
			says, n := make([]float64, m*channels, m*channels+len(w.Repeats)+3), make([]float64, m)
			for i, marks := range w.Marks {
				p := ((i-first)%m + m) % m
				n[p]++
				for c, v := range marks {
					says[p*channels+c] += v
				}
			}
			for i := range says {
				says[i] /= max(1, n[i/channels])
			}
			says = append(append(says, w.Repeats...), octaves, octaves*octaves, 1)
			out = append(out, Barring{m, first, barsAt(k), says})
		}
	}
	return out
}
