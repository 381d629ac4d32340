// Package wave draws sounds as people read them: how far they swing, low, middle and high
// apart.
package wave

import "math"

// PerSecond is how many columns a second of a sound has.
const PerSecond = 100

// Edges between low and middle, and between middle and high, in Hz.
const (
	LowEdge  = 180
	HighEdge = 2500
)

// A Splitter finds how far a sound swings, which is given piece by piece. It splits it by Butterworth
// filters of the second order (Bristow-Johnson, "Cookbook formulae for audio EQ", Q = 1/√2).
type Splitter struct {
	step, n                int // samples of a column, and of the one that is begun
	peak                   [3]float32
	out                    [3][]uint8
	low, under, over, high *filter
}

// NewSplitter begins a sound at a rate, in Hz.
func NewSplitter(rate int) *Splitter {
	return &Splitter{
		step: rate / PerSecond, low: newFilter(LowEdge, rate, false), under: newFilter(LowEdge, rate, true),
		over: newFilter(HighEdge, rate, false), high: newFilter(HighEdge, rate, true),
	}
}

// Add takes the next samples, interleaved stereo.
func (s *Splitter) Add(stereo []float32) {
	for i := 0; i+1 < len(stereo); i += 2 {
		v := 0.5 * (stereo[i] + stereo[i+1])
		rest := s.under.next(v)
		s.peak[0] = max(s.peak[0], abs(s.low.next(v)))
		s.peak[1] = max(s.peak[1], abs(s.over.next(rest)))
		s.peak[2] = max(s.peak[2], abs(s.high.next(rest)))
		if s.n++; s.n == s.step {
			s.column()
		}
	}
}

func (s *Splitter) column() {
	for b, v := range s.peak {
		s.out[b] = append(s.out[b], uint8(min(v, 1)*255+0.5))
	}
	s.peak, s.n = [3]float32{}, 0
}

// Bands is the peaks of each column of what is low, then of what lies in the middle, then of
// what is high; 255 is full scale. It ends the sound.
func (s *Splitter) Bands() [3][]uint8 {
	if s.n > 0 {
		s.column()
	}
	return s.out
}

func abs(v float32) float32 { return max(v, -v) }

// filter is a filter of the second order in direct form II, transposed.
type filter struct{ b0, b1, b2, a1, a2, z1, z2 float32 }

// newFilter lets pass what lies above an edge in Hz, or below it.
func newFilter(edge float64, rate int, above bool) *filter {
	w := 2 * math.Pi * edge / float64(rate)
	cos, alpha := math.Cos(w), math.Sin(w)/math.Sqrt2
	a0 := 1 + alpha
	b0, b1 := (1-cos)/2, 1-cos
	if above {
		b0, b1 = (1+cos)/2, -(1 + cos)
	}
	return &filter{b0: float32(b0 / a0), b1: float32(b1 / a0), b2: float32(b0 / a0), a1: float32(-2 * cos / a0), a2: float32((1 - alpha) / a0)}
}

func (f *filter) next(x float32) float32 {
	y := f.b0*x + f.z1
	f.z1 = f.b1*x - f.a1*y + f.z2
	f.z2 = f.b2*x - f.a2*y
	return y
}
