package corpus

import (
	"math"
	"sort"
)

// F is the F-measure of found times against true ones, each within 70 ms of one that
// nothing else was matched with (Dixon, 2007); the first five seconds count as well.
func F(found, truth []float64) float64 {
	if len(found)+len(truth) == 0 {
		return 1
	}
	const window = 0.07
	hits, i := 0, 0
	for _, f := range found {
		for i < len(truth) && truth[i] < f-window {
			i++
		}
		if i < len(truth) && truth[i] <= f+window {
			hits++
			i++
		}
	}
	return 2 * float64(hits) / float64(len(found)+len(truth))
}

// Continuity is CMLt: the share of true beats that are met by one found within 17.5% of
// the distance to the one before, which also has met the one before, at as long a
// distance within 17.5% (Hainsworth, 2004; Klapuri and others, 2006).
func Continuity(found, truth []float64) float64 {
	const share = 0.175
	if len(truth) < 2 || len(found) < 2 {
		return 0
	}
	met := make([]bool, len(found))
	at := make([]int, len(found))
	for i, f := range found {
		k := sort.SearchFloat64s(truth, f)
		if k == len(truth) || k > 0 && f-truth[k-1] < truth[k]-f {
			k--
		}
		gap := 0.0
		if k > 0 {
			gap = truth[k] - truth[k-1]
		} else {
			gap = truth[1] - truth[0]
		}
		at[i], met[i] = k, math.Abs(f-truth[k]) < share*gap
	}
	good := 0
	for i := 1; i < len(found); i++ {
		if !met[i] || !met[i-1] || at[i] != at[i-1]+1 {
			continue
		}
		want := truth[at[i]] - truth[at[i-1]]
		if math.Abs(found[i]-found[i-1]-want) < share*want {
			good++
		}
	}
	return float64(good) / float64(len(truth)-1)
}

// Levels are the ways in which true beats may be counted when only the level is free:
// as they are, between them, twice as many, every second, three times as many, every
// third.
func Levels(truth []float64) [][]float64 {
	out := [][]float64{truth, Finer(truth, 2)[1:]}
	out[1] = Every(out[1], 2, 0)
	for _, n := range []int{2, 3} {
		out = append(out, Finer(truth, n))
		for from := range n {
			out = append(out, Every(truth, n, from))
		}
	}
	return out
}

// Finer divides each distance into n.
func Finer(t []float64, n int) (out []float64) {
	for i := range t {
		out = append(out, t[i])
		if i+1 < len(t) {
			for k := 1; k < n; k++ {
				out = append(out, t[i]+(t[i+1]-t[i])*float64(k)/float64(n))
			}
		}
	}
	return out
}

// Every keeps each n-th from one on.
func Every(t []float64, n, from int) (out []float64) {
	for i := from; i < len(t); i += n {
		out = append(out, t[i])
	}
	return out
}

// Best is the best a measure says of the levels.
func Best(measure func(found, truth []float64) float64, found, truth []float64) float64 {
	best := 0.0
	for _, l := range Levels(truth) {
		best = max(best, measure(found, l))
	}
	return best
}

// Bias is the mean by which found beats lie late, in seconds, of those that are within
// 70 ms of a true one; and whether there are any.
func Bias(found, truth []float64) (float64, bool) {
	sum, n := 0.0, 0
	for _, f := range found {
		near := math.Inf(1)
		for _, t := range truth {
			if math.Abs(f-t) < math.Abs(near) {
				near = f - t
			}
		}
		if math.Abs(near) <= 0.07 {
			sum, n = sum+near, n+1
		}
	}
	return sum / float64(max(n, 1)), n > 0
}

// Downs is the times of the beats that begin a bar.
func (t Tune) Downs() (out []float64) {
	for _, i := range t.Bars {
		out = append(out, t.Beats[i])
	}
	return out
}
