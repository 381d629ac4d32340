package beat

import (
	"cmp"
	"math"
	"slices"
	"sort"

	"billow/core/clip"
	"billow/core/timing"
)

// Find hears a tune given as mono samples at Rate. A tune in which no steady beat is
// found still has its hits and levels; Steady then is false and the tempo is 120. Silence
// gives neither.
func Find(mono []float32) *clip.Sound {
	s := &clip.Sound{
		Seconds: float64(len(mono)) / Rate,
		Tempo:   timing.Even(120),
		Hits:    []clip.Hit{},
		Levels:  levelsOf(mono),
	}
	e := newEar(listen(mono))
	s.Hits = e.hits()
	if s.Seconds < 3 || len(s.Hits) == 0 {
		return s
	}
	e.count(s)
	s.Hits = append(s.Hits, e.rises()...)
	slices.SortStableFunc(s.Hits, func(a, b clip.Hit) int { return cmp.Compare(a.At, b.At) })
	return s
}

// count finds the tempo of a tune and its bars, and what goes by them.
func (e *ear) count(s *clip.Sound) {
	p := pulseOf(e.heard)
	ways := e.ways(p)
	if len(ways) == 0 {
		return
	}
	scores := make([]float64, len(ways))
	for i, w := range ways {
		scores[i] = judgeOfWays.Score(0, w.Says)
	}
	share := Likely(scores)
	order := ordered(share)
	best := &ways[order[0]]
	s.Sure.Beat = round(steadiness(best, e.sure(p)), 1e3)
	if s.Steady = s.Sure.Beat >= 0.5; !s.Steady {
		return
	}
	put := best.barred(judgeOfBars)
	s.Tempo, s.Sure.Bars = best.tempo(put[0]), round(put[0].share, 1e3)
	s.Sections = e.sections(s.Tempo)
	again(s.Hits, s.Tempo)
	s.Sure.Tempo = round(agreeing(ways, share, best), 1e3)
	s.Others = others(ways, share, order, put)
}

// others are other ways to count a tune than the likeliest, the likeliest of them first: on other beats, and on
// the same in other bars.
func others(ways []Way, share []float64, order []int, put []bars) (out []timing.Tempo) {
	const beats, most, least = 3, 5, 0.004
	best := &ways[order[0]]
	found := []timing.Tempo{best.tempo(put[0])}
	likely := []float64{1}
	for _, i := range order[1:] {
		if len(found) > beats || share[i] < 1e-4 {
			break
		}
		t := ways[i].tempo(ways[i].barred(judgeOfBars)[0])
		if !slices.ContainsFunc(found, func(o timing.Tempo) bool { return timing.Agree(o.Beats, t.Beats) }) {
			found, likely = append(found, t), append(likely, share[i])
		}
	}
	for _, b := range put[1:] {
		if b.share >= least && len(found) <= most {
			found, likely = append(found, best.tempo(b)), append(likely, b.share)
		}
	}
	for _, i := range ordered(likely)[1:] {
		out = append(out, found[i])
	}
	return out
}

// ordered is the likeliest first.
func ordered(share []float64) []int {
	out := make([]int, len(share))
	for i := range out {
		out[i] = i
	}
	sort.SliceStable(out, func(a, b int) bool { return share[out[a]] > share[out[b]] })
	return out
}

// steadiness is how likely it is that a tune counted in a way has a beat, 0..1.
func steadiness(w *Way, sure []float64) float64 {
	says := w.Steadiness(sure)
	return Likely([]float64{judgeOfSteadiness.Score(0, says), judgeOfSteadiness.Score(0, make([]float64, len(says)))})[0]
}

// agreeing is the probability of all ways that count as one does, as far as one can hear.
func agreeing(ways []Way, share []float64, as *Way) float64 {
	sum := 0.0
	for i := range ways {
		if timing.Agree(ways[i].Beats, as.Beats) {
			sum += share[i]
		}
	}
	return sum
}

// tempo is the way as a map of beats, in bars.
func (w *Way) tempo(b bars) timing.Tempo {
	beats := evened(w.Beats)
	t := timing.Tempo{
		BPM: 60 * float64(len(beats)-1) / (beats[len(beats)-1] - beats[0]), PerBar: b.metres[0].PerBar, Beats: beats, Zero: b.first,
	}
	for _, m := range b.metres[1:] {
		t.Metres = append(t.Metres, timing.Metre{Beat: m.Beat - b.first, PerBar: m.PerBar})
	}
	return t
}

// levelsOf is the peak of each twentieth of a second.
func levelsOf(mono []float32) []uint8 {
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

// evened lays beats that keep an even tempo onto that exact grid; beats that wander are
// left where they were heard.
func evened(beats []float64) []float64 {
	first, slope := timing.Line(beats)
	off := make([]float64, len(beats))
	for i, b := range beats {
		off[i] = math.Abs(b - first - slope*float64(i))
	}
	sort.Float64s(off)
	if off[len(off)*9/10] > 0.03 {
		return beats
	}
	out := make([]float64, len(beats))
	for i := range beats {
		out[i] = first + slope*float64(i)
	}
	return out
}

// Hear is everything between which is chosen: the ways to count a tune, and what tells
// whether it has a beat at all.
func Hear(mono []float32) ([]Way, []float64) {
	e := newEar(listen(mono))
	p := pulseOf(e.heard)
	return e.ways(p), e.sure(p)
}

// sure is what tells of a whole tune whether it has a beat: how much comes again, how
// many things begin, how strongly, and how level it is.
func (e *ear) sure(p *pulse) []float64 {
	begin, top, loud, square := 0.0, 0.0, 0.0, 0.0
	env := e.clear[all]
	for t := 1; t < e.n-1; t++ {
		if env[t] > 1 && env[t] >= env[t-1] && env[t] > env[t+1] {
			begin++
			top += env[t]
		}
	}
	rises := 0.0
	for t, v := range e.loud {
		loud += v / float64(e.n)
		square += v * v / float64(e.n)
		rises += e.all[t] / float64(e.n)
	}
	seconds := float64(e.n) / frameRate
	return []float64{
		p.clarity, begin / seconds / 5, top / max(1, begin) / 3,
		math.Sqrt(max(0, square-loud*loud)) / 10, rises / 50,
	}
}

// Steadiness is what tells whether a tune that is counted so has a beat.
func (w *Way) Steadiness(sure []float64) []float64 {
	return append(append(append(append([]float64{}, sure...), w.Says[4:]...), w.Repeats...), 1)
}

// Likeliest is the way for which a judge says most.
func Likeliest(j *Judge, ways []Way) int {
	best, top := 0, math.Inf(-1)
	for i, w := range ways {
		if s := j.Score(0, w.Says); s > top {
			best, top = i, s
		}
	}
	return best
}
