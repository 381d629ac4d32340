package loud

import "math"

const (
	ahead   = Rate * 5 / 1000 // samples by which the limiter knows what comes: 5 ms
	release = 0.12            // seconds in which two thirds of what it took off come back
	// A gain that moves makes peaks of its own between samples; they stay below this.
	margin = 0.03 // decibels
)

// A Limiter keeps the true peaks of a sound below a ceiling at any gain. It looks ahead,
// so that nothing is cut: the gain falls evenly within 5 ms before a peak and comes back
// slowly. What is below the ceiling all along is not touched.
type Limiter struct {
	raw   []float32
	peaks *peaks
	power []float64 // of spans, once it was asked for
}

// NewLimiter looks through a sound, which must not change while the limiter is used.
func NewLimiter(stereo []float32) *Limiter { return &Limiter{raw: stereo, peaks: newPeaks(stereo)} }

// Limit puts the sound into out, with a gain and beneath a ceiling in decibels of full
// scale, and gives how many decibels it took off at most and the true peak that is left.
// out may be the sound itself.
func (l *Limiter) Limit(out []float32, gain, ceiling float64) (most, peak float64) {
	factor := float32(math.Pow(10, gain/20))
	top := float32(math.Pow(10, (ceiling-gain)/20))
	below := float32(math.Pow(10, (ceiling-margin-gain)/20))
	s := newSlope()
	var off, left float32
	var gains [span]float32
	for k := -late; k < len(l.peaks.bound)+late; k++ {
		over := l.peaks.of(k, top)
		to := k - late
		if to < 0 || to >= len(l.peaks.bound) {
			s.pass(over, top, below)
			continue
		}
		if over == nil && s.rests() {
			for j := range gains {
				gains[j] = factor
			}
		} else {
			for j := range gains {
				d := s.next(share(over, j, top, below))
				off = max(off, d)
				gains[j] = factor * (1 - d)
			}
		}
		raw := l.raw[2*span*to : min(2*span*(to+1), len(l.raw))]
		into := out[2*span*to:][:len(raw)]
		for j := 0; j+1 < len(raw); j += 2 {
			g := gains[j/2]
			into[j], into[j+1] = raw[j]*g, raw[j+1]*g
		}
		for j, p := range l.peaks.of(to, left/factor) {
			left = max(left, p*gains[j])
		}
	}
	return -20 * math.Log10(float64(1-off)), 20 * math.Log10(float64(left))
}

// Softer is about how many decibels a sound loses as a whole when Limit brings it to a gain beneath a ceiling, and how
// many it takes off at most: the limiter again, in steps of spans instead of samples.
func (l *Limiter) Softer(gain, ceiling float64) (whole, most float64) {
	const aside = ahead/span + 1 // spans by which it reaches to both sides
	below := float32(math.Pow(10, (ceiling-margin-gain)/20))
	keep := float32(math.Exp(-span / (release * Rate)))
	asked := make([]float32, len(l.peaks.bound)+2*aside)
	for k := range l.peaks.bound {
		for _, v := range l.peaks.of(k, below) {
			asked[k+aside] = max(asked[k+aside], 1-below/v)
		}
	}
	var held, largest float32
	var was, is float64
	for k, power := range l.powers() {
		for _, v := range asked[k : k+2*aside+1] {
			held = max(held, v)
		}
		largest = max(largest, held)
		was += power
		is += power * float64((1-held)*(1-held))
		held *= keep
	}
	if is <= 0 {
		return 0, 0
	}
	return 10 * math.Log10(was/is), -20 * math.Log10(float64(1-largest))
}

// powers are the squares of all samples of each span, added.
func (l *Limiter) powers() []float64 {
	if l.power == nil {
		l.power = make([]float64, len(l.peaks.bound))
		for k := range l.power {
			sum := float32(0)
			for _, v := range l.raw[2*span*k : min(2*span*(k+1), len(l.raw))] {
				sum += v * v
			}
			l.power[k] = float64(sum)
		}
	}
	return l.power
}

// share is how much is to be taken off a sample of a span, of which the peaks are known where they may be above
// the top.
func share(peaks []float32, j int, top, below float32) float32 {
	if j >= len(peaks) || peaks[j] <= top {
		return 0
	}
	return 1 - below/peaks[j]
}

// late is by how many spans a slope answers late.
const late = 2 * ahead / span

// A slope turns what is to be taken off each sample into what is taken off, which is never
// less: the most of what is asked within the reach on both sides, held while it comes
// back, and the mean of that over the reach. It answers two reaches late.
type slope struct {
	largest      largest
	held, keep   float32
	first, other sum
	mean         float64 // what a sum of sums is multiplied by
}

// parts are what one is for the sums, which are whole, so that they do not drift.
const parts = 1 << 30

func newSlope() *slope {
	first, other := 2*(ahead/2)+1, 2*(ahead-ahead/2)+1
	return &slope{
		largest: largest{width: 2*ahead + 1}, keep: float32(math.Exp(-1.0 / (release * Rate))),
		first: newSum(first), other: newSum(other), mean: 1 / (parts * float64(first) * float64(other)),
	}
}

func (s *slope) next(over float32) float32 {
	s.held = max(s.largest.next(over), s.held*s.keep)
	if s.held < 1e-5 {
		s.held = 0
	}
	now := s.first.next(int64(math.Ceil(float64(s.held) * parts)))
	return float32(float64(s.other.next(now)) * s.mean)
}

// pass takes a span of which the answers do not matter.
func (s *slope) pass(peaks []float32, top, below float32) {
	if peaks == nil && s.rests() {
		return
	}
	for j := range span {
		s.next(share(peaks, j, top, below))
	}
}

// rests tells whether nothing was asked for so long that nothing is taken off: more of
// nothing changes nothing.
func (s *slope) rests() bool {
	return s.held == 0 && s.first.all == 0 && s.other.all == 0 && (len(s.largest.falling) == 0 || s.largest.falling[0].v == 0)
}

// largest is the largest of the last values, by the falling ones among them.
type largest struct {
	width, n int
	falling  []sized
}

type sized struct {
	at int
	v  float32
}

func (l *largest) next(v float32) float32 {
	for len(l.falling) > 0 && l.falling[len(l.falling)-1].v <= v {
		l.falling = l.falling[:len(l.falling)-1]
	}
	l.falling = append(l.falling, sized{l.n, v})
	if l.falling[0].at <= l.n-l.width {
		copy(l.falling, l.falling[1:])
		l.falling = l.falling[:len(l.falling)-1]
	}
	l.n++
	return l.falling[0].v
}

// sum is that of the last values.
type sum struct {
	last []int64
	at   int
	all  int64
}

func newSum(width int) sum { return sum{last: make([]int64, width)} }

func (m *sum) next(v int64) int64 {
	m.all += v - m.last[m.at]
	m.last[m.at] = v
	if m.at++; m.at == len(m.last) {
		m.at = 0
	}
	return m.all
}
