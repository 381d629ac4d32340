// Package beat finds tempo, beats, downbeats and accents in music.
//
// The method is that of D. P. W. Ellis, "Beat Tracking by Dynamic Programming"
// (Journal of New Music Research, 2007): onsets as the rise of a logarithmic
// spectrum, tempo from their autocorrelation, beats by dynamic programming.
package beat

import (
	"math"

	"gonum.org/v1/gonum/dsp/fourier"
	"gonum.org/v1/gonum/dsp/window"
)

// Rate is the sampling rate that Find expects, in Hz.
const Rate = 22050

const (
	frameSize = 1024
	hop       = 256
	bands     = 36
	// lag is how long after the first sample of a window an onset stands when
	// the flux of that window is largest: the rise of a Hann window's weight is
	// steepest three quarters into what enters, as measured with clicks.
	lag = 0.75 * frameSize / Rate
)

const frameRate = float64(Rate) / hop // windows a second

// flux is the rise of the spectrum from one window to the next.
type flux struct {
	all            []float64
	low, mid, high []float64 // below 180 Hz, below 2 kHz, above
}

// bandOf is the band of each bin: logarithmic from 40 Hz to 10 kHz; -1 outside.
func bandOf() (bins [frameSize/2 + 1]int, centre [bands]float64) {
	const from, to = 40.0, 10000.0
	for b := range bins {
		f := float64(b) * Rate / frameSize
		bins[b] = -1
		if f >= from && f < to {
			bins[b] = int(math.Log(f/from) / math.Log(to/from) * bands)
		}
	}
	for i := range centre {
		centre[i] = from * math.Pow(to/from, (float64(i)+0.5)/bands)
	}
	return bins, centre
}

func newFlux(mono []float32) *flux {
	n := 0
	if len(mono) >= frameSize {
		n = (len(mono)-frameSize)/hop + 1
	}
	f := &flux{make([]float64, n), make([]float64, n), make([]float64, n), make([]float64, n)}
	fft := fourier.NewFFT(frameSize)
	hann := window.NewValues(window.Hann, frameSize)
	bins, centre := bandOf()
	seq := make([]float64, frameSize)
	coeffs := make([]complex128, frameSize/2+1)
	var last, now [bands]float64
	for i := range n {
		for k := range seq {
			seq[k] = float64(mono[i*hop+k]) * hann[k]
		}
		fft.Coefficients(coeffs, seq)
		now = [bands]float64{}
		for b, band := range bins {
			if band >= 0 {
				re, im := real(coeffs[b]), imag(coeffs[b])
				now[band] += re*re + im*im
			}
		}
		for b := range now {
			now[b] = math.Log1p(20 * math.Sqrt(now[b]) / frameSize * 4)
			rise := now[b] - last[b]
			if i == 0 || rise <= 0 {
				continue
			}
			f.all[i] += rise
			switch {
			case centre[b] < 180:
				f.low[i] += rise
			case centre[b] < 2000:
				f.mid[i] += rise
			default:
				f.high[i] += rise
			}
		}
		last = now
	}
	return f
}

// envelope is the flux above its mean within half a second, in units of its
// standard deviation; nil when nothing ever rises.
func envelope(all []float64) []float64 {
	const half = 43 // windows
	n := len(all)
	sums := make([]float64, n+1)
	for i, v := range all {
		sums[i+1] = sums[i] + v
	}
	env, square := make([]float64, n), 0.0
	for i, v := range all {
		a, b := max(0, i-half), min(n, i+half+1)
		env[i] = max(0, v-(sums[b]-sums[a])/float64(b-a))
		square += env[i] * env[i]
	}
	deviation := math.Sqrt(square / float64(max(n, 1)))
	if deviation < 1e-4 {
		return nil
	}
	for i := range env {
		env[i] /= deviation
	}
	return env
}
