// Package loud measures how loud sound is and keeps it within limits: loudness as ITU-R
// BS.1770-5 and EBU R 128 define it, true peaks, and a limiter.
//
// Sound is interleaved stereo at 48 kHz; 1 is full scale.
package loud

import (
	"math"
	"sort"
)

// Rate is the sampling rate of all sound here, in Hz.
const Rate = 48000

const (
	step      = Rate / 10 // samples between two readings: 100 ms
	momentary = 4         // steps of a momentary reading: 400 ms
	shortTerm = 30        // steps of a short-term reading: 3 s
	silence   = -70       // LUFS; what is softer never counts
)

// The K weighting of BS.1770 at 48 kHz: a shelf (table 1), then a high pass (table 2) of which the numerator
// is 1, -2, 1.
const (
	shelfB0, shelfB1, shelfB2 = 1.53512485958697, -2.69169618940638, 1.19839281085285
	shelfA1, shelfA2          = -1.69065929318241, 0.73248077421585
	passA1, passA2            = -1.99004745483398, 0.99007225036621
)

// weighting is what the filters of one channel remember.
type weighting struct{ s1, s2, p1, p2 float64 }

// next weights a sample. It takes and gives the memory by value, which stays in registers so.
func (w weighting) next(x float64) (weighting, float64) {
	y := shelfB0*x + w.s1
	v := y + w.p1
	return weighting{
		shelfB1*x - shelfA1*y + w.s2, shelfB2*x - shelfA2*y,
		-2*y - passA1*v + w.p2, y - passA2*v,
	}, v
}

// A Meter reads sound that is given piece by piece.
type Meter struct {
	left, right weighting
	sum         float64
	n           int
	steps       []float64 // mean square of each 100 ms, both channels added
}

// NewMeter begins.
func NewMeter() *Meter { return &Meter{} }

// Add reads the next samples.
func (m *Meter) Add(stereo []float32) {
	left, right, sum := m.left, m.right, m.sum
	var l, r float64
	for i := 0; i+1 < len(stereo); i += 2 {
		left, l = left.next(float64(stereo[i]))
		right, r = right.next(float64(stereo[i+1]))
		sum += l*l + r*r
		if m.n++; m.n == step {
			m.steps = append(m.steps, sum/step)
			sum, m.n = 0, 0
		}
	}
	m.left, m.right, m.sum = left, right, sum
}

// Louder is what the meter would have read of the same sound, so many decibels louder.
func (m *Meter) Louder(decibels float64) *Meter {
	out := &Meter{steps: make([]float64, len(m.steps))}
	by := math.Pow(10, decibels/10)
	for i, v := range m.steps {
		out.steps[i] = v * by
	}
	return out
}

// lufs is the loudness of a mean square.
func lufs(square float64) float64 {
	if square <= 0 {
		return math.Inf(-1)
	}
	return -0.691 + 10*math.Log10(square)
}

// over is the mean squares over so many steps, one ending with each step from the first
// full one on.
func (m *Meter) over(steps int) []float64 {
	var out []float64
	sum := 0.0
	for i, v := range m.steps {
		if sum += v; i >= steps {
			sum -= m.steps[i-steps]
		}
		if i >= steps-1 {
			out = append(out, max(0, sum)/float64(steps))
		}
	}
	return out
}

// Momentary is the loudness of the last 400 ms at each 100 ms, from the first full 400 ms
// on, in LUFS.
func (m *Meter) Momentary() []float64 { return inLUFS(m.over(momentary)) }

// ShortTerm is the loudness of the last 3 s at each 100 ms, from the first full 3 s on, in
// LUFS.
func (m *Meter) ShortTerm() []float64 { return inLUFS(m.over(shortTerm)) }

func inLUFS(squares []float64) []float64 {
	for i, v := range squares {
		squares[i] = lufs(v)
	}
	return squares
}

// Integrated is the loudness of all that was read, in LUFS, gated as BS.1770 has it: what
// is softer than -70 LUFS does not count, nor what lies 10 LU beneath the mean of the rest.
// It is negative infinity for silence and for less than 400 ms.
func (m *Meter) Integrated() float64 {
	blocks := m.over(momentary)
	mean := gated(blocks, silence)
	return lufs(gated(blocks, lufs(mean)-10))
}

// gated is the mean of what is louder than a limit in LUFS.
func gated(squares []float64, limit float64) float64 {
	sum, n := 0.0, 0
	for _, v := range squares {
		if lufs(v) > limit && lufs(v) > silence {
			sum, n = sum+v, n+1
		}
	}
	if n == 0 {
		return 0
	}
	return sum / float64(n)
}

// Range is the loudness range of EBU Tech 3342 in LU: from the tenth to the 95th of a
// hundred of the short-term readings that are not softer than -70 LUFS, nor than 20 LU
// beneath their mean.
func (m *Meter) Range() float64 {
	readings := m.over(shortTerm)
	limit := max(silence, lufs(gated(readings, silence))-20)
	var loud []float64
	for _, v := range readings {
		if l := lufs(v); l >= limit {
			loud = append(loud, l)
		}
	}
	if len(loud) == 0 {
		return 0
	}
	sort.Float64s(loud)
	at := func(share float64) float64 { return loud[int(math.Round(share*float64(len(loud)-1)))] }
	return at(0.95) - at(0.1)
}
