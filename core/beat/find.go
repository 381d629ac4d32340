package beat

import (
	"math"
	"sort"

	"billow/core/clip"
	"billow/core/timing"
)

// Find analyses a tune given as mono samples at Rate. A tune in which no steady
// beat is found still has its hits and levels; Steady then is false and the
// tempo is 120. Silence gives neither.
func Find(mono []float32) *clip.Sound {
	s := &clip.Sound{
		Seconds: float64(len(mono)) / Rate,
		Tempo:   timing.Even(120),
		Hits:    []clip.Hit{},
		Levels:  levels(mono),
	}
	f := newFlux(mono)
	env := envelope(f.all)
	if env == nil {
		return s
	}
	s.Hits = hits(f, env)
	period, clarity := tempo(env)
	const leastClarity = 0.12 // below it, noise and rubato; measured on both
	if s.Seconds < 3 || clarity < leastClarity {
		return s
	}
	found := track(env, period)
	if len(found) < 5 {
		return s
	}
	beats := evened(times(env, found))
	s.Steady = true
	s.Tempo = timing.Tempo{
		BPM: 60 * float64(len(beats)-1) / (beats[len(beats)-1] - beats[0]), PerBar: 4,
		Beats: beats, Zero: downbeat(f, beats),
	}
	return s
}

// levels is the peak of each twentieth of a second.
func levels(mono []float32) []uint8 {
	const step = Rate / 20
	out := make([]uint8, 0, len(mono)/step+1)
	for at := 0; at < len(mono); at += step {
		peak := float32(0)
		for _, v := range mono[at:min(at+step, len(mono))] {
			peak = max(peak, v, -v)
		}
		out = append(out, uint8(min(peak, 1)*255))
	}
	return out
}

// tempo is the most likely beat period, in windows, and how clearly it stands
// out: the autocorrelation there relative to that at no lag.
func tempo(env []float64) (period, clarity float64) {
	const shortest, longest = 23, 115 // windows: 225 and 45 beats a minute
	lo, hi := shortest, longest
	mean := 0.0
	for _, v := range env {
		mean += v / float64(len(env))
	}
	ac := make([]float64, 2*hi+2)
	for lag := range ac {
		for i := lag; i < len(env); i++ {
			ac[lag] += (env[i] - mean) * (env[i-lag] - mean)
		}
		if lag < len(env) {
			ac[lag] /= float64(len(env) - lag)
		}
	}
	score := func(lag int) float64 {
		octaves := math.Log2(frameRate * 60 / float64(lag) / 120)
		prior := math.Exp(-0.5 * octaves * octaves / 0.81)
		return (near(ac, lag) + 0.5*near(ac, 2*lag)) * prior
	}
	best := lo
	for lag := lo; lag <= hi; lag++ {
		if score(lag) > score(best) {
			best = lag
		}
	}
	if ac[0] == 0 {
		return float64(best), 0
	}
	return float64(best) + vertex(ac[best-1], ac[best], ac[best+1]), near(ac, best) / ac[0]
}

// near is the largest of a value and its neighbours, since a period seldom is a
// whole number of windows.
func near(v []float64, i int) float64 { return max(v[i-1], v[i], v[i+1]) }

// vertex is where, between -0.5 and 0.5, the parabola through three values at
// -1, 0 and 1 has its top; 0 when the middle one is not the largest.
func vertex(a, b, c float64) float64 {
	if b < a || b < c || a-2*b+c == 0 {
		return 0
	}
	return 0.5 * (a - c) / (a - 2*b + c)
}

// track finds the windows of the beats: the path with the strongest onsets
// whose steps stay close to the period.
func track(env []float64, period float64) []int {
	const tightness = 100
	n := len(env)
	score, back := make([]float64, n), make([]int, n)
	lo, hi := int(math.Round(period/2)), int(math.Round(2*period))
	cost := make([]float64, hi+1)
	for d := lo; d <= hi; d++ {
		l := math.Log(float64(d) / period)
		cost[d] = tightness * l * l
	}
	for t := range n {
		best, from := 0.0, -1
		for d := lo; d <= hi && d <= t; d++ {
			if v := score[t-d] - cost[d]; v > best {
				best, from = v, t-d
			}
		}
		score[t], back[t] = env[t]+best, from
	}
	end := max(0, n-int(period)-1)
	for t := end; t < n; t++ {
		if score[t] > score[end] {
			end = t
		}
	}
	var beats []int
	for t := end; t >= 0; t = back[t] {
		beats = append(beats, t)
	}
	sort.Ints(beats)
	return trimmed(env, beats)
}

// trimmed drops beats at both ends on which nothing sounds.
func trimmed(env []float64, beats []int) []int {
	sounds := func(t int) bool {
		for i := max(0, t-3); i <= min(len(env)-1, t+3); i++ {
			if env[i] > 0.3 {
				return true
			}
		}
		return false
	}
	for len(beats) > 0 && !sounds(beats[0]) {
		beats = beats[1:]
	}
	for len(beats) > 0 && !sounds(beats[len(beats)-1]) {
		beats = beats[:len(beats)-1]
	}
	return beats
}

// times refines windows to seconds.
func times(env []float64, beats []int) []float64 {
	out := make([]float64, len(beats))
	for i, t := range beats {
		at := float64(t)
		if t > 0 && t < len(env)-1 {
			at += vertex(env[t-1], env[t], env[t+1])
		}
		out[i] = at/frameRate + lag
	}
	return out
}

// evened lays beats that keep an even tempo onto that exact grid; beats that
// wander are left where they were heard.
func evened(beats []float64) []float64 {
	n := float64(len(beats))
	var sx, sy, sxx, sxy float64
	for i, b := range beats {
		x := float64(i)
		sx, sy, sxx, sxy = sx+x, sy+b, sxx+x*x, sxy+x*b
	}
	slope := (n*sxy - sx*sy) / (n*sxx - sx*sx)
	first := (sy - slope*sx) / n
	off := make([]float64, len(beats))
	for i, b := range beats {
		off[i] = math.Abs(b - first - slope*float64(i))
	}
	sort.Float64s(off)
	if off[len(off)*9/10] > 0.03 {
		return beats
	}
	for i := range beats {
		beats[i] = first + slope*float64(i)
	}
	return beats
}

// downbeat is the index of the first beat of a bar of four: the place in the
// bar where bass enters and the spectrum changes most.
func downbeat(f *flux, beats []float64) int {
	var sum [4]float64
	for i, b := range beats {
		at := int((b - lag) * frameRate)
		for t := max(0, at-2); t <= min(len(f.all)-1, at+2); t++ {
			sum[i%4] += 2*f.low[t] + 0.5*f.all[t]
		}
	}
	best := 0
	for i := range sum {
		if sum[i] > sum[best]*1.02 {
			best = i
		}
	}
	return best
}

// hits are the accents: onsets that stand well above the rest.
func hits(f *flux, env []float64) []clip.Hit {
	out := []clip.Hit{}
	const apart = 7 // windows: 80 ms
	top := 0.0
	for _, v := range env {
		top = max(top, v)
	}
	for t := 1; t < len(env)-1; t++ {
		if env[t] < 1.5 || env[t] < 0.2*top || !peak(env, t, apart) {
			continue
		}
		kind, share := "low", f.low[t]*1.5
		if f.mid[t] > share {
			kind, share = "mid", f.mid[t]
		}
		if f.high[t] > share {
			kind = "high"
		}
		at := (float64(t)+vertex(env[t-1], env[t], env[t+1]))/frameRate + lag
		out = append(out, clip.Hit{At: round(at, 1e4), Strength: round(env[t]/top, 1e3), Kind: kind})
	}
	return out
}

func peak(env []float64, t, apart int) bool {
	for i := max(0, t-apart); i <= min(len(env)-1, t+apart); i++ {
		if env[i] > env[t] || env[i] == env[t] && i < t {
			return false
		}
	}
	return true
}

func round(v, places float64) float64 { return math.Round(v*places) / places }
