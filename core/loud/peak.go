package loud

import "math"

// reach is the samples on each side of which the wave between two is made.
const reach = 8

// filters are windowed sincs: what the samples k before and k after a place between two weigh: at the
// half both the same, at the quarters together and apart.
var filters = func() (out struct{ half, even, odd [reach]float32 }) {
	at := func(x float64) float64 { // x samples away
		w := kaiser(x/(reach+0.25), 4)
		return w * math.Sin(math.Pi*x) / (math.Pi * x)
	}
	var half, near, far [reach]float64
	sumHalf, sumQuarter := 0.0, 0.0
	for k := range reach {
		half[k], near[k], far[k] = at(float64(k)+0.5), at(float64(k)+0.25), at(float64(k)+0.75)
		sumHalf += 2 * half[k]
		sumQuarter += near[k] + far[k]
	}
	for k := range reach {
		out.half[k] = float32(half[k] / sumHalf)
		out.even[k] = float32((near[k] + far[k]) / 2 / sumQuarter)
		out.odd[k] = float32((near[k] - far[k]) / 2 / sumQuarter)
	}
	return out
}()

// kaiser is Kaiser's window, -1..1, with a shape (Kaiser, 1974).
func kaiser(x, shape float64) float64 {
	if x <= -1 || x >= 1 {
		return 0
	}
	return bessel(shape*math.Sqrt(1-x*x)) / bessel(shape)
}

// bessel is the modified Bessel function of the first kind and order 0, by its series.
func bessel(x float64) float64 {
	sum, term := 1.0, 1.0
	for k := 1.0; term > 1e-12*sum; k++ {
		term *= (x / 2 / k) * (x / 2 / k)
		sum += term
	}
	return sum
}

// highest is by how much the wave between samples may be larger than the largest of the samples
// that it is made of.
var highest = func() float32 {
	half, quarter := float32(0), float32(0)
	for k := range reach {
		half += 2 * magnitude(filters.half[k])
		quarter += magnitude(filters.even[k]+filters.odd[k]) + magnitude(filters.even[k]-filters.odd[k])
	}
	return max(1, half, quarter)
}()

func magnitude(v float32) float32 { return max(v, -v) }

// span is how many samples are looked at together: more than reach, and so many that the limiter is late by
// whole spans.
const span = 60

// peaks are, for each sample of both channels together, the largest magnitude that the
// wave has on it and at the quarters before the next: the true peak of BS.1770, annex 2,
// four times oversampled. They are worked out where they may matter: where the samples around are loud enough.
type peaks struct {
	n      int
	padded [2][]float32 // the channels, with silence around
	bound  []float32    // of each span: no peak in it is larger
	known  []bool       // whether the peaks of a span are worked out
	at     []float32
}

func newPeaks(stereo []float32) *peaks {
	n := len(stereo) / 2
	spans := (n + span - 1) / span
	p := &peaks{n: n, bound: make([]float32, spans), known: make([]bool, spans), at: make([]float32, n)}
	for ch := range p.padded {
		p.padded[ch] = make([]float32, n+2*reach)
	}
	own := make([]float32, spans+2) // the largest sample of each span, with silence around
	for b := range spans {
		here := stereo[2*span*b : min(2*span*(b+1), 2*n)]
		left, right := p.padded[0][span*b+reach-1:][:len(here)/2], p.padded[1][span*b+reach-1:][:len(here)/2]
		most := float32(0)
		for i := range left {
			l, r := here[2*i], here[2*i+1]
			left[i], right[i] = l, r
			most = max(most, magnitude(l), magnitude(r))
		}
		own[b+1] = most
	}
	for b := range p.bound {
		p.bound[b] = highest * max(own[b], own[b+1], own[b+2])
	}
	return p
}

// of gives the peaks of a span if one of them may be larger than a level, nil if not.
func (p *peaks) of(b int, level float32) []float32 {
	if b < 0 || b >= len(p.bound) || p.bound[b] <= level {
		return nil
	}
	if !p.known[b] {
		p.workOut(b)
	}
	return p.at[b*span : min((b+1)*span, p.n)]
}

// workOut finds the peaks of a span.
func (p *peaks) workOut(b int) {
	p.known[b] = true
	for _, padded := range p.padded {
		for i := b * span; i < min((b+1)*span, p.n); i++ {
			here := (*[2 * reach]float32)(padded[i : i+2*reach])
			var half, even, odd float32
			for k := range reach {
				before, after := here[reach-1-k], here[reach+k]
				sum := before + after
				half += filters.half[k] * sum
				even += filters.even[k] * sum
				odd += filters.odd[k] * (before - after)
			}
			v, q, r := here[reach-1], even+odd, even-odd
			p.at[i] = max(p.at[i], v, -v, half, -half, q, -q, r, -r)
		}
	}
}

// TruePeak is the largest magnitude of the wave in decibels of full scale, also between
// samples; negative infinity for silence.
func TruePeak(stereo []float32) float64 {
	p, most := newPeaks(stereo), float32(0)
	for b := range p.bound {
		for _, v := range p.of(b, most) {
			most = max(most, v)
		}
	}
	return 20 * math.Log10(float64(most))
}
