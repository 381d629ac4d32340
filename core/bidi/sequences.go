package bidi

import (
	"slices"

	"github.com/go-text/typesetting/unicodedata"
	"golang.org/x/text/unicode/bidi"
)

// sequence is an isolating run sequence (definition BD13): letters of one level that the
// rules see side by side.
type sequence struct {
	*paragraph
	at       []int // places in the text
	level    Level
	sos, eos bidi.Class
}

// sequences divides the paragraph (rule X10).
func (p *paragraph) sequences() (out []sequence) {
	var runs [][]int // of one level, without what is removed
	of := map[int]int{}
	for i, l := range p.levels {
		if l == Removed {
			continue
		}
		if n := len(runs); n == 0 || p.levels[runs[n-1][0]] != l {
			runs = append(runs, nil)
		}
		n := len(runs) - 1
		runs[n] = append(runs[n], i)
		of[i] = n
	}
	for _, run := range runs {
		if p.was[run[0]] == bidi.PDI && p.opens[run[0]] >= 0 {
			continue // it belongs to the run that the isolate begins in
		}
		s := sequence{paragraph: p, level: p.levels[run[0]]}
		for {
			s.at = append(s.at, run...)
			last := run[len(run)-1]
			if !isolates(p.was[last]) || p.closes[last] == len(p.text) {
				break
			}
			run = runs[of[p.closes[last]]]
		}
		s.ends()
		out = append(out, s)
	}
	return out
}

// ends tells what the sequence meets at its beginning and at its end.
func (s *sequence) ends() {
	first, last := s.at[0], s.at[len(s.at)-1]
	before, after := s.base, s.base
	for i := first - 1; i >= 0; i-- {
		if s.levels[i] != Removed {
			before = s.levels[i]
			break
		}
	}
	if !isolates(s.was[last]) || s.closes[last] < len(s.text) {
		for i := last + 1; i < len(s.text); i++ {
			if s.levels[i] != Removed {
				after = s.levels[i]
				break
			}
		}
	}
	s.sos, s.eos = direction(max(before, s.level)), direction(max(after, s.level))
}

func direction(l Level) bidi.Class {
	if l%2 == 1 {
		return bidi.R
	}
	return bidi.L
}

// weak resolves numbers and what stands in and beside them (rules W1 to W7).
func (s *sequence) weak() {
	c := s.classes
	last := s.sos
	for k, i := range s.at { // W1
		if c[i] == bidi.NSM {
			if c[i] = last; k > 0 && (isolates(s.was[s.at[k-1]]) || s.was[s.at[k-1]] == bidi.PDI) {
				c[i] = bidi.ON
			}
		}
		last = c[i]
	}
	strong := s.sos
	for _, i := range s.at { // W2, W3
		switch c[i] {
		case bidi.L, bidi.R:
			strong = c[i]
		case bidi.AL:
			strong = bidi.AL
		case bidi.EN:
			if strong == bidi.AL {
				c[i] = bidi.AN
			}
		}
	}
	for _, i := range s.at {
		if c[i] == bidi.AL {
			c[i] = bidi.R
		}
	}
	for k := 1; k+1 < len(s.at); k++ { // W4
		before, i, after := c[s.at[k-1]], s.at[k], c[s.at[k+1]]
		if before == after && (c[i] == bidi.ES && before == bidi.EN || c[i] == bidi.CS && (before == bidi.EN || before == bidi.AN)) {
			c[i] = before
		}
	}
	for k := 0; k < len(s.at); k++ { // W5
		if c[s.at[k]] != bidi.ET {
			continue
		}
		to := k
		for to < len(s.at) && c[s.at[to]] == bidi.ET {
			to++
		}
		if k > 0 && c[s.at[k-1]] == bidi.EN || to < len(s.at) && c[s.at[to]] == bidi.EN {
			for ; k < to; k++ {
				c[s.at[k]] = bidi.EN
			}
		}
		k = to - 1
	}
	strong = s.sos
	for _, i := range s.at { // W6, W7
		switch c[i] {
		case bidi.ES, bidi.ET, bidi.CS:
			c[i] = bidi.ON
		case bidi.L, bidi.R:
			strong = c[i]
		case bidi.EN:
			if strong == bidi.L {
				c[i] = bidi.L
			}
		}
	}
}

// side is the direction that a letter has for its neighbours, where numbers count as R; ON
// is none.
func side(c bidi.Class) bidi.Class {
	switch c {
	case bidi.L:
		return bidi.L
	case bidi.R, bidi.EN, bidi.AN:
		return bidi.R
	}
	return bidi.ON
}

// mostOpen is how many brackets are open at most (definition BD16).
const mostOpen = 63

// brackets resolves pairs of brackets (rule N0).
func (s *sequence) brackets() {
	type pair struct{ from, to int } // places in the sequence
	type opened struct {
		closes rune
		at     int
	}
	var open []opened
	var pairs []pair
	for k, i := range s.at {
		props, _ := bidi.LookupRune(s.text[i])
		if !props.IsBracket() || s.classes[i] != bidi.ON {
			continue
		}
		if props.IsOpeningBracket() {
			if len(open) == mostOpen {
				break
			}
			closes, _ := unicodedata.LookupMirrorChar(s.text[i])
			open = append(open, opened{alike(closes), k})
			continue
		}
		for n := len(open) - 1; n >= 0; n-- {
			if open[n].closes == alike(s.text[i]) {
				pairs = append(pairs, pair{open[n].at, k})
				open = open[:n]
				break
			}
		}
	}
	slices.SortFunc(pairs, func(a, b pair) int { return a.from - b.from })
	own := direction(s.level)
	for _, p := range pairs {
		found := bidi.Class(bidi.ON)
		for k := p.from + 1; k < p.to; k++ {
			if d := side(s.classes[s.at[k]]); d == own {
				found = own
				break
			} else if d != bidi.ON {
				found = d
			}
		}
		if found == bidi.ON {
			continue
		}
		if found != own {
			before := s.sos
			for k := p.from - 1; k >= 0; k-- {
				if d := side(s.classes[s.at[k]]); d != bidi.ON {
					before = d
					break
				}
			}
			if before != found {
				found = own
			}
		}
		s.set(p.from, found)
		s.set(p.to, found)
	}
}

// set gives a bracket a direction, and the marks that stand on it.
func (s *sequence) set(k int, c bidi.Class) {
	s.classes[s.at[k]] = c
	for k++; k < len(s.at) && s.was[s.at[k]] == bidi.NSM; k++ {
		s.classes[s.at[k]] = c
	}
}

// alike is one sign for brackets that are canonically equivalent.
func alike(r rune) rune {
	switch r {
	case 0x2329:
		return 0x3008
	case 0x232A:
		return 0x3009
	}
	return r
}

func neutral(c bidi.Class) bool {
	return c == bidi.B || c == bidi.S || c == bidi.WS || c == bidi.ON || isolates(c) || c == bidi.PDI
}

// neutral resolves what has no direction of its own (rules N1 and N2).
func (s *sequence) neutral() {
	for k := 0; k < len(s.at); k++ {
		if !neutral(s.classes[s.at[k]]) {
			continue
		}
		to := k
		for to < len(s.at) && neutral(s.classes[s.at[to]]) {
			to++
		}
		before, after := s.sos, s.eos
		if k > 0 {
			before = side(s.classes[s.at[k-1]])
		}
		if to < len(s.at) {
			after = side(s.classes[s.at[to]])
		}
		if before != after {
			before = direction(s.level)
		}
		for ; k < to; k++ {
			s.classes[s.at[k]] = before
		}
		k--
	}
}

// implicit raises levels by direction (rules I1 and I2).
func (s *sequence) implicit() {
	for _, i := range s.at {
		switch c := s.classes[i]; {
		case s.level%2 == 0 && c == bidi.R, s.level%2 == 1 && c != bidi.R:
			s.levels[i]++
		case s.level%2 == 0 && (c == bidi.AN || c == bidi.EN):
			s.levels[i] += 2
		}
	}
}
