package beat

import "math"

// parts of a beat into which a lattice divides it: halves, thirds and quarters are among
// them.
const parts = 12

// A lattice is what rises on each twelfth of each beat, for one way of counting: so what
// comes again after so many beats is found at a fixed distance, whatever the tempo does.
type lattice struct {
	beats int
	bands [7][]float64  // beats*parts values of each
	notes [][24]float64 // of each beat: of the chords, then of the bass
}

const (
	all = iota
	low
	mid
	high
	lowForce
	midForce
	highForce
)

// An ear is a tune as heard, with what stands out in each band.
type ear struct {
	*heard
	clear [7][]float64
}

func newEar(h *heard) *ear {
	return &ear{h, [7][]float64{
		clear(h.all), clear(h.low), clear(h.mid), clear(h.high), clear(h.force[0]), clear(h.force[1]), clear(h.force[2]),
	}}
}

// lay makes the lattice of beats, in windows.
func (e *ear) lay(beats []float64) *lattice {
	n := len(beats) - 1
	l := &lattice{beats: n, notes: make([][24]float64, n)}
	for b := range l.bands {
		l.bands[b] = make([]float64, n*parts)
	}
	for i := range n {
		step := (beats[i+1] - beats[i]) / parts
		reach := max(1, step/2)
		for k := range parts {
			at := beats[i] + float64(k)*step
			from, to := int(math.Ceil(at-reach)), int(at+reach)
			for b, rises := range e.clear {
				most := 0.0
				for t := max(0, from); t <= to && t < len(rises); t++ {
					most = max(most, rises[t])
				}
				l.bands[b][i*parts+k] = most
			}
		}
		l.notes[i] = e.notes(beats[i], beats[i+1])
	}
	return l
}

// notes is the mean harmony between two windows.
func (e *ear) notes(from, to float64) (out [24]float64) {
	a := int(math.Ceil(from/harmonyHop + 0.5))
	b := max(a, int(to/harmonyHop-0.5))
	for t := a; t <= b; t++ {
		for k, v := range e.harmony[min(max(t, 0), len(e.harmony)-1)] {
			out[k] += v / float64(b-a+1)
		}
	}
	return out
}

// mean is what rises at a part of the beats, over those from one on in steps.
func (l *lattice) mean(band, part, from, step int) float64 {
	sum, n := 0.0, 0
	for i := from; i < l.beats; i += step {
		sum += l.bands[band][i*parts+part]
		n++
	}
	return sum / float64(max(n, 1))
}

// again is how much of what rises in a band does so again so many parts later: the
// correlation of the lattice with itself.
func (l *lattice) again(band, distance int) float64 {
	v := l.bands[band]
	if distance >= len(v) {
		return 0
	}
	mean := 0.0
	for _, x := range v {
		mean += x / float64(len(v))
	}
	product, square := 0.0, 1e-9
	for i, x := range v {
		square += (x - mean) * (x - mean) / float64(len(v))
		if i+distance < len(v) {
			product += (x - mean) * (v[i+distance] - mean) / float64(len(v)-distance)
		}
	}
	return product / square
}

// change is how much the notes from one on to another change from so many beats before a
// beat to as many from it on, 0..2.
func (l *lattice) change(at, over, from, to int) float64 {
	if at < 1 || at >= l.beats {
		return 0
	}
	var before, after [24]float64
	for i := max(0, at-over); i < at; i++ {
		for k := from; k < to; k++ {
			before[k] += l.notes[i][k] / float64(min(over, at))
		}
	}
	last := min(l.beats, at+over)
	for i := at; i < last; i++ {
		for k := from; k < to; k++ {
			after[k] += l.notes[i][k] / float64(last-at)
		}
	}
	sum := 0.0
	for k := from; k < to; k++ {
		sum += math.Abs(after[k] - before[k])
	}
	return 5 * sum
}

// against is how much more there is of a than of b, -1..1.
func against(a, b float64) float64 {
	const little = 0.15 // below it there is as good as nothing, and no more of one than of the other
	return (a - b) / (a + b + little)
}
