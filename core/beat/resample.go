package beat

import "math"

const (
	half   = 32  // samples of the filter on each side
	phases = 147 // 22050/48000 = 147/320
	cutoff = 9500.0 / 48000
)

// Mixer brings interleaved stereo at 48 kHz to one channel at Rate, through a
// low-pass filter (a windowed sinc of 64 samples) that keeps 0..9.5 kHz. A tune
// can be given piece by piece, so that it is never whole in memory.
type Mixer struct {
	filter [phases][2 * half]float64
	tail   []float32 // the last samples given, left and right added
	first  int       // which sample of the tune the tail begins with
	out    []float32
}

// NewMixer begins a tune.
func NewMixer() *Mixer {
	m := &Mixer{tail: make([]float32, half-1), first: 1 - half}
	for p := range m.filter {
		sum := 0.0
		for k := range m.filter[p] {
			x := float64(k-half+1) - float64(p)/phases
			w := 0.5 + 0.5*math.Cos(math.Pi*x/half)
			m.filter[p][k] = sinc(2*cutoff*x) * w
			sum += m.filter[p][k]
		}
		for k := range m.filter[p] {
			m.filter[p][k] /= sum
		}
	}
	return m
}

// Add takes the next samples.
func (m *Mixer) Add(stereo []float32) {
	for i := 0; i+1 < len(stereo); i += 2 {
		m.tail = append(m.tail, stereo[i]+stereo[i+1])
	}
	for {
		i := len(m.out)
		at, phase := i*320/phases, i*320%phases
		from := at - half + 1 - m.first
		if from+2*half > len(m.tail) {
			break
		}
		v := 0.0
		for k, f := range m.filter[phase] {
			v += f * float64(m.tail[from+k])
		}
		m.out = append(m.out, float32(v/2))
	}
	// What lies before the next filter's reach is not needed any more.
	if next := len(m.out)*320/phases - half + 1 - m.first; next > 1<<16 {
		m.tail = append(m.tail[:0], m.tail[next:]...)
		m.first += next
	}
}

// Mono is the whole tune that was given; it ends it.
func (m *Mixer) Mono() []float32 {
	n := m.first + len(m.tail)
	m.Add(make([]float32, 4*half))
	return m.out[:n*phases/320]
}

// Mono brings a whole tune to one channel at Rate.
func Mono(stereo []float32) []float32 {
	m := NewMixer()
	m.Add(stereo)
	return m.Mono()
}

func sinc(x float64) float64 {
	if x == 0 {
		return 1
	}
	return math.Sin(math.Pi*x) / (math.Pi * x)
}
