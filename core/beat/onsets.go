package beat

import (
	"math"
	"sort"

	"gonum.org/v1/gonum/dsp/fourier"
	"gonum.org/v1/gonum/dsp/window"
)

// Rate is the sampling rate that Find expects, in Hz.
const Rate = 22050

const (
	frameSize = 1024
	hop       = 256
	frameRate = float64(Rate) / hop // windows a second
)

// heard is what a tune sounds like, window by window. Window i lies about the sample
// i*hop: what begins there rises there.
type heard struct {
	n              int
	all            []float64 // rise of all bands
	low, mid, high []float64 // below 150 Hz, below 2 kHz, above
	// force is the rises of the same three as amplitudes: what is loud counts for more
	// there, while rises in decibels are as large for what is soft.
	force   [3][]float64
	harmony [][24]float64 // chords and bass
	loud    []float64     // mean level of all bands, decibels above the floor
}

// harmonyHop is how many windows lie between two pictures of the harmony.
const harmonyHop = 8

// spans are the bands in which rises are heard: quarter tones' width above where the
// windows can tell them apart, and one bin below; from 30 Hz to 10 kHz.
func spans() (from []int, centre []float64) {
	const bin = float64(Rate) / frameSize
	last := -1
	for f := 30.0; f < 10000; f *= math.Pow(2, 1.0/12) {
		b := int(math.Round(f / bin))
		if b > last {
			from, centre, last = append(from, b), append(centre, float64(b)*bin), b
		}
	}
	return append(from, last+int(float64(last)*0.06)+1), centre
}

// listen hears a tune. Rises are told as S. Böck and G. Widmer, "Maximum Filter Vibrato
// Suppression for Onset Detection" (DAFx 2013) do: against the largest of the
// neighbouring bands before, so that a tone that wavers does not begin again and again.
func listen(mono []float32) *heard {
	from, centre := spans()
	n := len(mono)/hop + 1
	h := &heard{n: n, all: make([]float64, n), low: make([]float64, n), mid: make([]float64, n), high: make([]float64, n), loud: make([]float64, n)}
	for b := range h.force {
		h.force[b] = make([]float64, n)
	}
	levels := spectra(mono, from, n)
	floor := floorOf(levels)
	bands := len(centre)
	amplitudes := make([][3]float64, n)
	for i := range n {
		now := levels[i*bands : (i+1)*bands]
		for b, v := range now {
			now[b] = max(0, v-floor)
			h.loud[i] += now[b] / float64(bands)
			amplitudes[i][regionOf(centre[b])] += math.Exp(v * (math.Ln10 / 20))
		}
		if i < 2 {
			continue
		}
		for b := range h.force {
			h.force[b][i] = math.Sqrt(max(0, amplitudes[i][b]-amplitudes[i-2][b]))
		}
		before := levels[(i-2)*bands : (i-1)*bands]
		for b, v := range now {
			was := max(before[max(b-1, 0)], before[b], before[min(b+1, bands-1)])
			rise := max(0, v-was)
			h.all[i] += rise
			[...][]float64{h.low, h.mid, h.high}[regionOf(centre[b])][i] += rise
		}
	}
	h.harmony = harmonies(mono)
	return h
}

// regionOf is whether a place, in Hz, is low, mid or high: 0, 1, 2.
func regionOf(hertz float64) int {
	switch {
	case hertz < 150:
		return 0
	case hertz < 2000:
		return 1
	}
	return 2
}

// spectra is the level of each band in each window, in decibels.
func spectra(mono []float32, from []int, n int) []float64 {
	bands := len(from) - 1
	out := make([]float64, n*bands)
	fft := fourier.NewFFT(frameSize)
	hann := window.NewValues(window.Hann, frameSize)
	seq, coeffs := make([]float64, frameSize), make([]complex128, frameSize/2+1)
	for i := range n {
		framed(mono, i*hop-frameSize/2, hann, seq)
		fft.Coefficients(coeffs, seq)
		for b := range bands {
			sum := 0.0
			for k := from[b]; k < from[b+1] && k < len(coeffs); k++ {
				re, im := real(coeffs[k]), imag(coeffs[k])
				sum += re*re + im*im
			}
			out[i*bands+b] = 10 * math.Log10(sum+1e-9)
		}
	}
	return out
}

// framed puts the samples from one on under a window; there is silence around a tune.
func framed(mono []float32, from int, shape window.Values, into []float64) {
	for k := range into {
		into[k] = 0
		if at := from + k; at >= 0 && at < len(mono) {
			into[k] = float64(mono[at]) * shape[k]
		}
	}
}

// floorOf is the level beneath which nothing counts, 50 decibels under what is loud.
func floorOf(levels []float64) float64 {
	const beneath, every = 50, 7 // a seventh of them tells as much as all
	some := make([]float64, 0, len(levels)/every+1)
	for i := 0; i < len(levels); i += every {
		some = append(some, levels[i])
	}
	sort.Float64s(some)
	return max(some[len(some)*95/100]-beneath, -60)
}

// harmonies is how much of each of the twelve notes sounds: in the chords, from 250 Hz to
// 2 kHz, then in the bass, from 60 Hz to 250 Hz.
func harmonies(mono []float32) [][24]float64 {
	const size = 4096
	fft := fourier.NewFFT(size)
	hann := window.NewValues(window.Hann, size)
	seq, coeffs := make([]float64, size), make([]complex128, size/2+1)
	out := make([][24]float64, len(mono)/(hop*harmonyHop)+1)
	note, last := [size/2 + 1]int{}, 0
	for k := range note {
		f := float64(k) * Rate / size
		note[k] = -1
		if f > 60 && f < 2000 {
			note[k], last = (int(math.Round(12*math.Log2(f/440)))+120)%12, k
			if f < 250 {
				note[k] += 12
			}
		}
	}
	for i := range out {
		framed(mono, i*hop*harmonyHop-size/2, hann, seq)
		fft.Coefficients(coeffs, seq)
		sums := [2]float64{1e-6, 1e-6}
		for k, n := range note[:last+1] {
			if n >= 0 {
				v := math.Sqrt(math.Sqrt(real(coeffs[k])*real(coeffs[k]) + imag(coeffs[k])*imag(coeffs[k])))
				out[i][n] += v
				sums[n/12] += v
			}
		}
		for n := range out[i] {
			out[i][n] /= sums[n/12]
		}
	}
	return out
}

// clear is rises above their mean within half a second, in units of their own deviation;
// nothing at all when none ever stands out.
func clear(rises []float64) []float64 {
	const half = 43 // windows
	n := len(rises)
	sums := make([]float64, n+1)
	for i, v := range rises {
		sums[i+1] = sums[i] + v
	}
	out, square := make([]float64, n), 0.0
	for i, v := range rises {
		a, b := max(0, i-half), min(n, i+half+1)
		out[i] = max(0, v-(sums[b]-sums[a])/float64(b-a))
		square += out[i] * out[i]
	}
	deviation := math.Sqrt(square / float64(max(n, 1)))
	if deviation < 1e-3 {
		return make([]float64, n)
	}
	for i := range out {
		out[i] /= deviation
	}
	return out
}
