package beat

import "math"

// Mono brings interleaved stereo at 48 kHz to one channel at Rate, through a
// low-pass filter (a windowed sinc of 64 samples) that keeps 0..9.5 kHz.
func Mono(stereo []float32) []float32 {
	const (
		half   = 32
		phases = 147 // 22050/48000 = 147/320
		cutoff = 9500.0 / 48000
	)
	var filter [phases][2 * half]float64
	for p := range filter {
		sum := 0.0
		for k := range filter[p] {
			x := float64(k-half+1) - float64(p)/phases
			w := 0.5 + 0.5*math.Cos(math.Pi*x/half)
			filter[p][k] = sinc(2*cutoff*x) * w
			sum += filter[p][k]
		}
		for k := range filter[p] {
			filter[p][k] /= sum
		}
	}
	n := len(stereo) / 2
	out := make([]float32, n*147/320)
	for i := range out {
		at, phase := i*320/147, i*320%147
		v := 0.0
		for k, f := range filter[phase] {
			if j := at + k - half + 1; j >= 0 && j < n {
				v += f * float64(stereo[2*j]+stereo[2*j+1])
			}
		}
		out[i] = float32(v / 2)
	}
	return out
}

func sinc(x float64) float64 {
	if x == 0 {
		return 1
	}
	return math.Sin(math.Pi*x) / (math.Pi * x)
}
