package main

import (
	"math"
	"math/rand"
	"slices"

	"billow/core/beat"
)

// A choice is possibilities of which some are right.
type choice struct {
	at    []int       // where the weights of each begin
	says  [][]float64 // what speaks for each
	right []float64   // 0..1, how right each is
	of    string      // "fitted" on, "kept" back for how sharp scores are, or "held" back
}

// fit finds the weights under which the right possibilities of all choices are the
// likeliest, with so many hidden cells; larger weights cost by the share given. It goes
// downhill by steps of Adam (Kingma and Ba, 2015). Every fifth choice is kept back, for
// how sharp the scores are.
func fit(all []choice, weights, hidden int, cost float64) *beat.Judge {
	var on, kept []choice
	n := 0
	for i, c := range all {
		if c.of == "held" || slices.Max(c.right) < 0.5 {
			continue
		}
		if n++; n%5 == 0 {
			all[i].of = "kept"
			kept = append(kept, c)
		} else {
			on = append(on, c)
		}
	}
	j := scaled(on, weights, hidden)
	for _, c := range append(on[:len(on):len(on)], kept...) {
		for i := range c.says {
			c.says[i] = normal(j, c.at[i], c.says[i])
		}
	}
	raw := plain(j)
	learn(raw, on, cost)
	sharpen(raw, kept)
	for _, c := range append(on[:len(on):len(on)], kept...) {
		for i := range c.says {
			for k := range c.says[i] {
				c.says[i][k] = c.says[i][k]*j.Spread[c.at[i]+k] + j.Mean[c.at[i]+k]
			}
		}
	}
	raw.Mean, raw.Spread = j.Mean, j.Spread
	return raw
}

// scaled is a judge that knows how what speaks is spread, and no weights yet.
func scaled(on []choice, weights, hidden int) *beat.Judge {
	j := &beat.Judge{
		Mean: make([]float64, weights), Spread: make([]float64, weights), Straight: make([]float64, weights), Sharp: 1,
	}
	n := make([]float64, weights)
	for _, c := range on {
		for i, says := range c.says {
			for k, v := range says {
				n[c.at[i]+k]++
				j.Mean[c.at[i]+k] += v
				j.Spread[c.at[i]+k] += v * v
			}
		}
	}
	for k := range n {
		j.Mean[k] /= n[k]
		j.Spread[k] = math.Sqrt(max(0, j.Spread[k]/n[k]-j.Mean[k]*j.Mean[k]))
		if j.Spread[k] < 1e-6 {
			j.Mean[k], j.Spread[k] = 0, 1
		}
	}
	rng := rand.New(rand.NewSource(1))
	for range hidden {
		h := make([]float64, weights+2)
		for k := range h {
			h[k] = 0.15 * rng.NormFloat64()
		}
		j.Hidden = append(j.Hidden, h)
	}
	return j
}

func normal(j *beat.Judge, at int, says []float64) []float64 {
	out := make([]float64, len(says))
	for k, v := range says {
		out[k] = (v - j.Mean[at+k]) / j.Spread[at+k]
	}
	return out
}

// plain is the same judge for what is normal already.
func plain(j *beat.Judge) *beat.Judge {
	p := *j
	p.Mean, p.Spread = make([]float64, len(j.Mean)), make([]float64, len(j.Mean))
	for k := range p.Spread {
		p.Spread[k] = 1
	}
	return &p
}

// likely is the probabilities of a choice's possibilities.
func likely(j *beat.Judge, c choice) []float64 {
	scores := make([]float64, len(c.says))
	for i := range scores {
		scores[i] = j.Score(c.at[i], c.says[i])
	}
	return beat.Likely(scores)
}

func learn(j *beat.Judge, on []choice, cost float64) {
	rows := append([][]float64{j.Straight}, j.Hidden...)
	slope, first, second := shaped(rows), shaped(rows), shaped(rows)
	const steps, rate = 700, 0.02
	for step := 1; step <= steps; step++ {
		for r := range slope {
			clear(slope[r])
		}
		for _, c := range on {
			addSlope(j, c, slope, 1/float64(len(on)))
		}
		for r, row := range rows {
			for k := range row {
				g := slope[r][k] - cost*row[k]
				first[r][k] = 0.9*first[r][k] + 0.1*g
				second[r][k] = 0.999*second[r][k] + 0.001*g*g
				a := first[r][k] / (1 - math.Pow(0.9, float64(step)))
				b := second[r][k] / (1 - math.Pow(0.999, float64(step)))
				row[k] += rate * a / (math.Sqrt(b) + 1e-8)
			}
		}
	}
}

func shaped(rows [][]float64) (out [][]float64) {
	for _, r := range rows {
		out = append(out, make([]float64, len(r)))
	}
	return out
}

// addSlope adds how the log of what is right grows with each weight.
func addSlope(j *beat.Judge, c choice, slope [][]float64, share float64) {
	p := likely(j, c)
	right := 1e-6
	for i := range p {
		right += p[i] * c.right[i]
	}
	for i, says := range c.says {
		d := share * (p[i]*c.right[i]/right - p[i])
		if math.Abs(d) < 1e-9 {
			continue
		}
		for k, v := range says {
			slope[0][c.at[i]+k] += d * v
		}
		n := len(says)
		for r, h := range j.Hidden {
			s := h[n]
			for k, v := range says {
				s += h[k] * v
			}
			a := math.Tanh(s)
			g := slope[r+1]
			g[n+1] += d * a
			q := d * h[n+1] * (1 - a*a)
			g[n] += q
			for k, v := range says {
				g[k] += q * v
			}
		}
	}
}

// sharpen chooses by what scores are multiplied, so that the right possibilities of the
// choices that were kept back are the likeliest.
func sharpen(j *beat.Judge, kept []choice) {
	best, top := 1.0, math.Inf(-1)
	for s := 0.2; s < 3; s *= 1.05 {
		j.Sharp = s
		sum := 0.0
		for _, c := range kept {
			right := 1e-6
			for i, p := range likely(j, c) {
				right += p * c.right[i]
			}
			sum += math.Log(right)
		}
		if sum > top {
			best, top = s, sum
		}
	}
	j.Sharp = best
}
