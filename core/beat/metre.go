package beat

import (
	"math"
	"slices"

	"billow/core/timing"
)

// change is what a change of metre costs, as a logarithm of odds: one in so many tunes
// has one that is to be found.
const change = 2.5

// bars is one way to put all beats of a way into bars.
type bars struct {
	first  int            // the beat that begins the first whole bar
	metres []timing.Metre // from it on
	share  float64        // how likely it is, 0..1
}

// barred puts the beats of a way into bars, in all ways, the likeliest first. It is one metre for the whole tune
// unless bars of another length explain a part of it much better: then the way through
// the beats of all bars is taken whose marks speak most for it (Viterbi, 1967), as in
// N. Whiteley, A. T. Cemgil and S. Godsill, "Bayesian Modelling of Temporal Structure in
// Musical Audio" (ISMIR 2006), on beats instead of windows.
func (w *Way) barred(j *Judge) (out []bars) {
	all := w.Barrings()
	scores := make([]float64, len(all))
	for i, b := range all {
		scores[i] = j.Score(b.At, b.Says)
	}
	share, sure := Likely(scores), 0.0
	order := ordered(share)
	way, score := w.throughBars(j, all)
	if gain := score - scores[order[0]]; len(way) > 1 && gain > 0 {
		sure = 1 / (1 + math.Exp(-gain))
		out = append(out, bars{way[0].Beat, way, sure})
	}
	for _, i := range order {
		out = append(out, bars{all[i].First, []timing.Metre{{Beat: all[i].First, PerBar: all[i].PerBar}}, share[i] * (1 - sure)})
	}
	return out
}

// A place is one of the beats of a bar of one metre.
type place struct{ metre, beat int }

// throughBars is the best way through the bars of all metres and what speaks for it, to
// be held against the scores of single metres.
func (w *Way) throughBars(j *Judge, bars []Barring) ([]timing.Metre, float64) {
	var places []place
	start := map[place]int{}
	for k, m := range metres {
		for b := range m {
			start[place{k, b}] = len(places)
			places = append(places, place{k, b})
		}
	}
	n := len(w.Marks)
	speaks := w.speaking(j, bars, places)
	score, back := slices.Clone(speaks[0]), make([][]int, n)
	for i := 1; i < n; i++ {
		now := make([]float64, len(places))
		back[i] = make([]int, len(places))
		// The best of all last beats, for bars that begin after another metre's.
		last := -1
		for s, p := range places {
			if p.beat == metres[p.metre]-1 && (last < 0 || score[s] > score[last]) {
				last = s
			}
		}
		for s, p := range places {
			from := start[place{p.metre, (p.beat + metres[p.metre] - 1) % metres[p.metre]}]
			now[s] = score[from]
			if p.beat == 0 && score[last]-change > now[s] {
				from, now[s] = last, score[last]-change
			}
			now[s], back[i][s] = now[s]+speaks[i][s], from
		}
		score = now
	}
	at := 0
	for s := range score {
		if score[s] > score[at] {
			at = s
		}
	}
	total := score[at]
	course := make([]place, n)
	for i := n - 1; i >= 0; i-- {
		course[i] = places[at]
		if i > 0 {
			at = back[i][at]
		}
	}
	return changes(course), total
}

// speaking is what speaks for each place on each beat: the terms of which a single
// metre's score is the sum.
func (w *Way) speaking(j *Judge, bars []Barring, places []place) [][]float64 {
	n := float64(len(w.Marks))
	rest := make([]float64, len(metres)) // what does not depend on single beats, a beat
	for k := range metres {
		b := bars[slices.IndexFunc(bars, func(b Barring) bool { return b.PerBar == metres[k] })]
		marks := metres[k] * channels
		for i, v := range b.Says {
			if i < marks {
				v = 0
			}
			rest[k] += j.Sharp * j.Straight[b.At+i] * (v - j.Mean[b.At+i]) / j.Spread[b.At+i] / n
		}
	}
	out := make([][]float64, len(w.Marks))
	for i, marks := range w.Marks {
		out[i] = make([]float64, len(places))
		for s, p := range places {
			sum, at := 0.0, barsAt(p.metre)+p.beat*channels
			for c, v := range marks {
				sum += j.Straight[at+c] * v / j.Spread[at+c]
			}
			out[i][s] = rest[p.metre] + j.Sharp*sum*float64(metres[p.metre])/n
		}
	}
	return out
}

// changes are the metres along a course: the first with the first whole bar.
func changes(course []place) (out []timing.Metre) {
	for i, p := range course {
		per := metres[p.metre]
		if p.beat == 0 && (len(out) == 0 || out[len(out)-1].PerBar != per) {
			out = append(out, timing.Metre{Beat: i, PerBar: per})
		}
	}
	return out
}
