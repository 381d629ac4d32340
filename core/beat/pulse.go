package beat

import (
	"math"
	"slices"
)

// A pulse is how the tempo of a tune goes: the period of each window, in windows, of one
// of the levels at which it can be counted.
type pulse struct {
	period  []float64
	leaps   []int   // windows at which it changes at once
	clarity float64 // 0..1: how much of what rises does so again a period later
}

const (
	spanWindows  = 1206 // of a look at the tempo: 14 s
	spanStep     = 172  // from one look to the next: 2 s
	longest      = 103  // period, windows: 50 BPM
	shortest     = 25   // 207 BPM
	periodSteps  = 61   // an octave of periods has 29.9 of them
	farthestMore = 8    // times a period that are looked at
)

// pulseOf finds the course of the tempo: autocorrelations of what rises, over 14 seconds
// every 2, then the likeliest way through them (Viterbi, 1967) in which a tempo seldom
// changes by much.
func pulseOf(h *heard) *pulse {
	envs := [][]float64{clear(h.all), clear(h.low), clear(h.mid), clear(h.high)}
	looks := max(1, (h.n-spanWindows/2+spanStep-1)/spanStep)
	salience := make([][]float64, looks)
	clarity := 0.0
	for i := range salience {
		from := min(max(0, i*spanStep), max(0, h.n-spanWindows))
		to := min(h.n, from+spanWindows)
		ac := make([]float64, longest*farthestMore+3)
		for k, e := range envs {
			weight := [...]float64{1.5, 0.7, 0.8, 0.5}[k]
			correlate(e[from:to], ac, weight)
		}
		salience[i] = saliences(ac)
		if ac[0] > 0 {
			best := 0.0
			for l := shortest; l <= longest; l++ {
				best = max(best, near(ac, l))
			}
			clarity += best / ac[0] / float64(looks)
		}
	}
	steps := likeliest(salience)
	p := &pulse{period: make([]float64, h.n), clarity: clarity}
	p.course(steps, envs[0])
	return p
}

// course lays a tempo between the steps of its looks: evenly, or at once where it leaps.
func (p *pulse) course(steps, env []float64) {
	for t := range p.period {
		x := min(max(float64(t-spanWindows/2)/spanStep, 0), float64(len(steps)-1))
		i := min(int(x), max(0, len(steps)-2))
		j := min(i+1, len(steps)-1)
		f := x - float64(i)
		if leaps(steps[i], steps[j]) {
			f = math.Round(f)
		}
		p.period[t] = periodAt(steps[i] + f*(steps[j]-steps[i]))
	}
	// A look is long, so that where it leaps is looked for anew.
	const about = 2 * spanStep
	for i := range steps[1:] {
		if !leaps(steps[i], steps[i+1]) {
			continue
		}
		a, b := periodAt(steps[i]), periodAt(steps[i+1])
		middle := spanWindows/2 + i*spanStep + spanStep/2
		from, to := max(0, middle-about), min(len(env), middle+about)
		at := leapAt(env, from, to, int(math.Round(a)), int(math.Round(b)))
		for t := from; t < to; t++ {
			if p.period[t] = a; t >= at {
				p.period[t] = b
			}
		}
		p.leaps = append(p.leaps, at)
	}
}

// leaps tells whether a tempo changes at once between two steps.
func leaps(a, b float64) bool { return math.Abs(a-b) > 4 }

// otherwise is the same pulse where what comes after a leap may be of another level than what was before: each
// time the tempo leaps less far so than most do.
func (p *pulse) otherwise() (out []*pulse) {
	const few, far = 3, 1.4
	for _, at := range p.leaps[:min(few, len(p.leaps))] {
		for _, times := range [...]float64{0.5, 2, 2.0 / 3, 1.5, 0.75, 4.0 / 3} {
			if at == 0 || at >= len(p.period) {
				continue
			}
			if by := p.period[at] * times / p.period[at-1]; by > far || by < 1/far {
				continue
			}
			o := &pulse{period: slices.Clone(p.period), clarity: p.clarity}
			for t := at; t < len(o.period); t++ {
				o.period[t] *= times
			}
			out = append(out, o)
		}
	}
	return out
}

// leapAt is the window between two in which one period gives way to another: before it most of what rises
// did so one period before, from it on most does so again one period later.
func leapAt(env []float64, from, to, a, b int) int {
	at := func(t int) float64 {
		if t < 1 || t+1 >= len(env) {
			return 0
		}
		return max(env[t-1], env[t], env[t+1])
	}
	sum, most, best := 0.0, 0.0, from
	for t := from; t < to; t++ {
		sum += env[t] * (at(t-a) - at(t+b))
		if sum > most {
			most, best = sum, t+1
		}
	}
	return best
}

// periodAt is the period at a step, in windows; steps are equally far apart by ratio.
func periodAt(step float64) float64 {
	return shortest * math.Pow(float64(longest)/shortest, step/(periodSteps-1))
}

// correlate adds the autocorrelation of an envelope, its mean taken away, by how many
// windows there are for each distance.
func correlate(env []float64, ac []float64, weight float64) {
	mean := 0.0
	for _, v := range env {
		mean += v / float64(len(env))
	}
	d := make([]float64, len(env))
	square := 1e-9
	for i, v := range env {
		d[i] = v - mean
		square += d[i] * d[i] / float64(len(env))
	}
	for lag := range ac {
		if lag >= len(d)/2 && lag > 0 {
			break
		}
		sum, ahead := 0.0, d[lag:]
		for i, v := range ahead {
			sum += v * d[i]
		}
		ac[lag] += weight * sum / float64(len(ahead)) / square
	}
}

// saliences is how well each period fits: what rises again after one, two, three and
// more of them.
func saliences(ac []float64) []float64 {
	out := make([]float64, periodSteps)
	top := 1e-9
	for s := range out {
		p := periodAt(float64(s))
		for _, m := range [...]struct{ times, weight float64 }{{1, 1}, {2, 0.8}, {3, 0.4}, {4, 0.7}, {6, 0.3}, {8, 0.4}} {
			out[s] += m.weight * between(ac, p*m.times)
		}
		octaves := math.Log2(frameRate * 60 / p / 112)
		out[s] = max(0, out[s]) * math.Exp(-0.5*octaves*octaves/0.7)
		top = max(top, out[s])
	}
	for s := range out {
		out[s] /= top
	}
	return out
}

// between is a value between two, the largest of it and what lies a window away.
func between(v []float64, at float64) float64 {
	i := int(at)
	if i+2 >= len(v) || i < 1 {
		return 0
	}
	f := at - float64(i)
	lin := func(i int) float64 { return v[i] + f*(v[i+1]-v[i]) }
	return max(lin(i), 0.9*lin(i-1), 0.9*v[i+1])
}

// near is the largest of a value and its neighbours, since a period seldom is a whole
// number of windows.
func near(v []float64, i int) float64 { return max(v[i-1], v[i], v[i+1]) }

// likeliest is the way through the looks with the best sum of salience, less what each
// change of tempo costs; refined between the steps.
func likeliest(salience [][]float64) []float64 {
	const drift, leap, far = 0.05, 0.9, 1.2
	n := len(salience)
	score := append([]float64(nil), salience[0]...)
	back := make([][]int, n)
	for i := 1; i < n; i++ {
		back[i] = make([]int, periodSteps)
		best := 0
		for s := range score {
			if score[s] > score[best] {
				best = s
			}
		}
		now := make([]float64, periodSteps)
		for s := range now {
			// A leap seldom goes as far as to another level of the same tempo.
			now[s], back[i][s] = score[best]-leap-far, best
			for from := max(0, s-10); from <= min(periodSteps-1, s+10); from++ {
				if v := score[from] - min(leap, drift*float64((s-from)*(s-from))); v > now[s] {
					now[s], back[i][s] = v, from
				}
			}
			now[s] += salience[i][s]
		}
		score = now
	}
	at := 0
	for s := range score {
		if score[s] > score[at] {
			at = s
		}
	}
	out := make([]float64, n)
	for i := n - 1; i >= 0; i-- {
		out[i] = float64(at)
		if at > 0 && at < periodSteps-1 {
			out[i] += vertex(salience[i][at-1], salience[i][at], salience[i][at+1])
		}
		if i > 0 {
			at = back[i][at]
		}
	}
	return out
}

// vertex is where, between -0.5 and 0.5, the parabola through three values at -1, 0 and
// 1 has its top; 0 when the middle one is not the largest.
func vertex(a, b, c float64) float64 {
	if b < a || b < c || a-2*b+c == 0 {
		return 0
	}
	return 0.5 * (a - c) / (a - 2*b + c)
}
