package beat

import "math"

// A Judge says how likely each of several possibilities is, from what speaks for them. It
// is a small net of one hidden layer beside a straight sum; its weights were fitted by
// cmd/hear on tunes made by cmd/hear/corpus and stand in weights.go.
type Judge struct {
	Mean, Spread []float64   // of what speaks, over all that was fitted on
	Straight     []float64   // weights of it
	Hidden       [][]float64 // each: weights of it, what is added, and what its answer weighs
	Sharp        float64     // by which sums are multiplied, so that 0.9 means nine of ten
}

// Score is how much speaks for a possibility whose says begin at one of the weights.
func (j *Judge) Score(at int, says []float64) float64 {
	sum := 0.0
	for k, v := range says {
		sum += j.Straight[at+k] * (v - j.Mean[at+k]) / j.Spread[at+k]
	}
	for _, h := range j.Hidden {
		n := len(says)
		s := h[n]
		for k, v := range says {
			s += h[k] * (v - j.Mean[at+k]) / j.Spread[at+k]
		}
		sum += h[n+1] * math.Tanh(s)
	}
	return sum * j.Sharp
}

// Likely turns scores into probabilities that sum to 1.
func Likely(scores []float64) []float64 {
	top := math.Inf(-1)
	for _, s := range scores {
		top = max(top, s)
	}
	out, sum := make([]float64, len(scores)), 0.0
	for i, s := range scores {
		out[i] = math.Exp(s - top)
		sum += out[i]
	}
	for i := range out {
		out[i] /= sum
	}
	return out
}
