package clip

import (
	"cmp"
	"slices"

	"billow/core/motion"
	"billow/core/timing"
)

// Begins is the frame on which each part begins to come, or to go, and when the last one has.
// lines is in which line each part is.
func (p *Passage) Begins(clock timing.Clock, lines []int) (begins []float64, end float64) {
	start := clock.Frame(p.At)
	if p.Parts() == "line" {
		lines = make([]int, len(lines)) // from the middle of all of them
	}
	ranks, most := turns(p.Order, p.Seed, lines)
	begins, end = make([]float64, len(lines)), float64(start)
	beat := clock.Beat(start)
	for i, r := range ranks {
		switch {
		case p.Beats > 0:
			begins[i] = float64(clock.Frame(clock.OnBeat(beat + float64(r)*p.Beats)))
		case most > 0:
			begins[i] = float64(start) + float64(p.Over)*float64(r)/float64(most)
		default:
			begins[i] = float64(start)
		}
		end = max(end, begins[i]+float64(p.Each))
	}
	return begins, end
}

// turns is the turn of each part, of which the line is known, and the last turn.
func turns(order string, seed int, lines []int) (ranks []int, most int) {
	ranks = make([]int, len(lines))
	for i := range ranks {
		ranks[i] = i
	}
	switch order {
	case "backward":
		slices.Reverse(ranks)
	case "centre", "edges":
		fromTheMiddle(ranks, lines, order == "edges")
	case "random":
		slices.SortStableFunc(ranks, func(i, j int) int { return cmp.Compare(motion.Chance(seed, i), motion.Chance(seed, j)) })
	}
	for _, r := range ranks {
		most = max(most, r)
	}
	return ranks, most
}

// fromTheMiddle gives those the same turn that are as far from the middle of their line to
// either side; inwards the ends come first.
func fromTheMiddle(ranks, lines []int, inwards bool) {
	for from := 0; from < len(lines); {
		to := from + 1
		for to < len(lines) && lines[to] == lines[from] {
			to++
		}
		last := to - from - 1
		for i := range ranks[from:to] {
			ranks[from+i] = max(2*i-last, last-2*i) / 2
			if inwards {
				ranks[from+i] = last/2 - ranks[from+i]
			}
		}
		from = to
	}
}
