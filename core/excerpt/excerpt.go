// Package excerpt finds the parts of a tune that a clip is best made with.
package excerpt

import (
	"cmp"
	"math"
	"slices"

	"billow/core/clip"
	"billow/core/timing"
)

// An Excerpt is what of a tune is to be heard: it begins with a bar and ends with one.
type Excerpt struct {
	Parts []timing.Part `json:"parts"`
	Tail  float64       `json:"tail"`  // seconds that are left after the last bar, for it to die away in
	Bar   int           `json:"bar"`   // with which it begins, from 1
	Bars  int           `json:"bars"`  // how many there are
	Holds []Stretch     `json:"holds"` // sections, in their order
}

// Stretch is so many bars of a section.
type Stretch struct {
	Kind string  `json:"kind"`
	Bars float64 `json:"bars"`
}

// longestTail is for how many seconds a tune may die away.
const longestTail = 3

// Best are up to three excerpts of a tune, counted so, that last so many seconds or, with what they die
// away in, just as long; the best first. Those are best that begin and end where sections do, and lead
// from what is quiet or builds up into what is full. A tune that is too short is repeated from where it
// is full. Without bars there are none.
func Best(s *clip.Sound, count timing.Tempo, seconds float64) []Excerpt {
	bars := barsOf(s, count)
	if len(bars) < 2 || !(seconds > 0) {
		return nil
	}
	t := tune{s, count, bars}
	if long := bars[len(bars)-1].at - bars[0].at; long < seconds-longestTail {
		if e, ok := t.repeated(seconds); ok {
			return []Excerpt{e}
		}
		return nil
	}
	var all []rated
	for i := range bars {
		if e, ok := t.from(i, seconds); ok {
			all = append(all, rated{e, t.worth(e.Parts[0])})
		}
	}
	slices.SortStableFunc(all, func(a, b rated) int { return cmp.Compare(b.worth, a.worth) })
	var out []Excerpt
	for _, r := range all {
		if len(out) < 3 && !slices.ContainsFunc(out, func(e Excerpt) bool { return overlap(e.Parts[0], r.Parts[0]) > 0.6 }) {
			out = append(out, r.Excerpt)
		}
	}
	return out
}

type rated struct {
	Excerpt
	worth float64
}

// A bar is when one begins; the last of a list is where the tune ends.
type bar struct {
	at     float64 // seconds
	number int     // from 1
}

type tune struct {
	*clip.Sound
	count timing.Tempo
	bars  []bar
}

func barsOf(s *clip.Sound, count timing.Tempo) (out []bar) {
	const slack = 0.15 // seconds by which the last bar may be short
	for n := math.Ceil(count.BarAt(count.Beat(0)) - 1e-6); len(out) < 10000; n++ {
		at := count.Seconds(count.Downbeat(n))
		if at > s.Seconds+slack {
			return out
		}
		out = append(out, bar{min(max(at, 0), s.Seconds), int(n) + 1})
	}
	return out
}

// from is the excerpt that begins with a bar and is as long as it may.
func (t tune) from(i int, seconds float64) (Excerpt, bool) {
	last := i
	for k := i + 1; k < len(t.bars) && t.bars[k].at-t.bars[i].at <= seconds+0.02; k++ {
		last = k
	}
	tail := seconds - (t.bars[last].at - t.bars[i].at)
	if last == i || tail > longestTail {
		return Excerpt{}, false
	}
	return t.excerpt([]timing.Part{{From: t.bars[i].at, To: t.bars[last].at}}, t.bars[i].number, tail), true
}

func (t tune) excerpt(parts []timing.Part, number int, tail float64) Excerpt {
	e := Excerpt{Parts: parts, Bar: number, Tail: math.Round(1e3*max(0, tail)) / 1e3, Holds: []Stretch{}}
	if e.Tail < 0.05 {
		e.Tail = 0
	}
	for _, p := range parts {
		for i, s := range t.Sections {
			to := p.To
			if i+1 < len(t.Sections) {
				to = min(to, t.Sections[i+1].At)
			}
			n := t.in(to) - t.in(max(p.From, s.At))
			switch last := len(e.Holds) - 1; {
			case n < 0.05:
			case last >= 0 && e.Holds[last].Kind == s.Kind:
				e.Holds[last].Bars += n
			default:
				e.Holds = append(e.Holds, Stretch{s.Kind, n})
			}
		}
		e.Bars += int(math.Round(t.in(p.To) - t.in(p.From)))
	}
	for i := range e.Holds {
		e.Holds[i].Bars = math.Round(2*e.Holds[i].Bars) / 2
	}
	return e
}

// in is on which bar a second lies.
func (t tune) in(second float64) float64 { return t.count.BarAt(t.count.Beat(second)) }

// worth is how good a part is to make a clip with.
func (t tune) worth(p timing.Part) float64 {
	const near = 0.1 // seconds
	full, leads, worth := 0.0, 0.0, 0.0
	for i, s := range t.Sections {
		to := t.Seconds
		if i+1 < len(t.Sections) {
			to = t.Sections[i+1].At
		}
		from, until := max(s.At, p.From), min(to, p.To)
		if s.Kind == clip.Full {
			full += max(0, until-from)
			if i > 0 && s.At > p.From+near && s.At < p.To-near {
				leads = max(leads, t.leading(i, (s.At-p.From)/p.Seconds()))
			}
		}
		if math.Abs(s.At-p.From) < near {
			worth += 0.35
		}
		if math.Abs(to-p.To) < near {
			worth += 0.35
		}
		if into := t.in(p.From) - t.in(s.At); s.At < p.From-near && p.From < to && int(math.Round(into))%4 == 0 {
			worth += 0.15 // a phrase begins
		}
	}
	return worth + min(full/p.Seconds(), 0.75)/0.75 + leads + 0.2*t.strikes(p)
}

// leading is how good it is that a full section begins at a share of the excerpt: after a
// build-up best, and neither at once nor late.
func (t tune) leading(section int, at float64) float64 {
	good := 0.7
	if t.Sections[section-1].Kind == clip.Build {
		good = 1
	}
	switch {
	case at < 0.15:
		return good * at / 0.15
	case at > 0.6:
		return good * max(0, 1-(at-0.6)/0.3)
	}
	return good
}

// strikes is how strong its hits are in the mean of those that would have room in it, 0..1.
func (t tune) strikes(p timing.Part) float64 {
	sum := 0.0
	for _, h := range t.Hits {
		if h.At >= p.From && h.At < p.To {
			sum += h.Strength
		}
	}
	return min(1, sum/(2*p.Seconds()))
}

// repeated is all of a tune with what is full of it again and again, up to a length.
func (t tune) repeated(seconds float64) (Excerpt, bool) {
	first, last := t.bars[0], t.bars[len(t.bars)-1]
	again := timing.Part{From: first.at, To: last.at}
	for i, s := range t.Sections {
		to := last.at
		if i+1 < len(t.Sections) {
			to = min(to, t.Sections[i+1].At)
		}
		if s.Kind == clip.Full && to > s.At {
			again = timing.Part{From: max(s.At, first.at), To: to}
		}
	}
	parts, rest := []timing.Part{{From: first.at, To: again.To}}, seconds-(again.To-first.at)
	for rest >= again.Seconds() && len(parts) < clip.MaxParts-1 {
		parts, rest = append(parts, again), rest-again.Seconds()
	}
	// What is left, in whole bars.
	end := again.From
	for _, b := range t.bars {
		if b.at <= again.To && b.at-again.From <= rest+0.02 {
			end = max(end, b.at)
		}
	}
	if end > again.From {
		parts, rest = append(parts, timing.Part{From: again.From, To: end}), rest-(end-again.From)
	}
	if rest > longestTail {
		return Excerpt{}, false
	}
	return t.excerpt(parts, first.number, rest), true
}

func overlap(a, b timing.Part) float64 {
	return max(0, min(a.To, b.To)-max(a.From, b.From)) / min(a.Seconds(), b.Seconds())
}
