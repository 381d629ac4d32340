package beat

import (
	"math"
	"slices"
)

// track finds the windows of beats whose distance is times the pulse's period: the path
// through the strongest rises whose steps keep closest to it (D. P. W. Ellis, "Beat
// Tracking by Dynamic Programming", Journal of New Music Research, 2007).
func track(env []float64, p *pulse, times float64) []int {
	const tightness = 700
	n := len(env)
	score, back := make([]float64, n), make([]int, n)
	logs := make([]float64, 2*int(2*times*longest)+2)
	for d := 1; d < len(logs); d++ {
		logs[d] = math.Log(float64(d))
	}
	for t := range n {
		period := p.period[t] * times
		lo, hi := max(1, int(period*0.7)), int(period*1.4)+1
		best, from := 0.0, -1
		l := math.Log(period)
		for d := lo; d <= hi && d <= t; d++ {
			x := logs[d] - l
			if v := score[t-d] - tightness*x*x; v > best {
				best, from = v, t-d
			}
		}
		score[t], back[t] = env[t]+best, from
	}
	last := max(0, n-int(p.period[n-1]*times)-1)
	end := last
	for t := last; t < n; t++ {
		if score[t] > score[end] {
			end = t
		}
	}
	var beats []int
	for t := end; t >= 0; t = back[t] {
		beats = append(beats, t)
	}
	slices.Reverse(beats)
	return beats
}
