// Package bidi orders text of both directions as the Unicode Bidirectional Algorithm does
// (UAX #9, revision 46). Classes of letters come from golang.org/x/text.
package bidi

import (
	"golang.org/x/text/unicode/bidi"
)

// Level is how deep a letter is embedded: even ones are read to the right, odd ones to the
// left.
type Level uint8

// Removed is the level of controls that are not seen (rule X9).
const Removed Level = 255

const deepest = 125

// Paragraph is the level of a paragraph: that of its first letter with a direction, without
// what is isolated (rules P2 and P3).
func Paragraph(text []rune) Level {
	isolated := 0
	for _, r := range text {
		switch c := classOf(r); {
		case isolates(c):
			isolated++
		case c == bidi.PDI:
			isolated = max(0, isolated-1)
		case c == bidi.B:
			return 0
		case isolated > 0:
		case c == bidi.L:
			return 0
		case c == bidi.R, c == bidi.AL:
			return 1
		}
	}
	return 0
}

func classOf(r rune) bidi.Class {
	p, _ := bidi.LookupRune(r)
	return p.Class()
}

func isolates(c bidi.Class) bool { return c == bidi.LRI || c == bidi.RLI || c == bidi.FSI }

// paragraph is a text on its way through the rules.
type paragraph struct {
	text    []rune
	classes []bidi.Class // as the rules change them
	was     []bidi.Class // as they are
	levels  []Level
	base    Level
	closes  []int // of each isolate initiator the matching PDI, or the length of the text
	opens   []int // of each PDI the initiator, or -1
}

// Levels are the levels of a paragraph's letters. Those of spaces at the end of lines depend
// on the lines: see Line.
func Levels(text []rune, base Level) []Level {
	p := &paragraph{text: text, base: base, was: make([]bidi.Class, len(text)), levels: make([]Level, len(text))}
	plain := base == 0
	for i, r := range text {
		p.was[i] = classOf(r)
		switch p.was[i] {
		case bidi.L, bidi.EN, bidi.ES, bidi.ET, bidi.CS, bidi.NSM, bidi.S, bidi.WS, bidi.ON, bidi.B:
		default:
			plain = false
		}
	}
	if plain { // as most text is
		return p.levels
	}
	p.classes = append([]bidi.Class(nil), p.was...)
	p.matchIsolates()
	p.explicit()
	for _, s := range p.sequences() {
		s.weak()
		s.brackets()
		s.neutral()
		s.implicit()
	}
	for i, c := range p.was {
		switch {
		case p.levels[i] == Removed:
		case c == bidi.B, c == bidi.S: // rule L1
			p.levels[i] = base
			p.spacesBefore(i)
		}
	}
	return p.levels
}

// spacesBefore gives spaces in front of a place the paragraph's level.
func (p *paragraph) spacesBefore(i int) {
	for i--; i >= 0; i-- {
		switch c := p.was[i]; {
		case p.levels[i] == Removed:
		case c == bidi.WS, isolates(c), c == bidi.PDI:
			p.levels[i] = p.base
		default:
			return
		}
	}
}

// matchIsolates finds which PDI ends each isolate (definition BD9).
func (p *paragraph) matchIsolates() {
	p.closes, p.opens = make([]int, len(p.text)), make([]int, len(p.text))
	var open []int
	for i, c := range p.was {
		p.closes[i], p.opens[i] = len(p.text), -1
		switch {
		case isolates(c):
			open = append(open, i)
		case c == bidi.PDI && len(open) > 0:
			from := open[len(open)-1]
			open = open[:len(open)-1]
			p.closes[from], p.opens[i] = i, from
		case c == bidi.B:
			open = open[:0]
		}
	}
}

// status is an entry of the directional status stack.
type status struct {
	level    Level
	override bidi.Class // ON is none
	isolate  bool
}

// explicit works out the levels of embeddings, overrides and isolates (rules X1 to X8).
func (p *paragraph) explicit() {
	stack := []status{{p.base, bidi.ON, false}}
	overIsolates, overEmbeddings, valid := 0, 0, 0
	top := func() status { return stack[len(stack)-1] }
	put := func(i int) {
		p.levels[i] = top().level
		if o := top().override; o != bidi.ON {
			p.classes[i] = o
		}
	}
	for i, c := range p.was {
		left := c == bidi.RLE || c == bidi.RLO || c == bidi.RLI
		next := (top().level + 2) &^ 1
		switch {
		case c == bidi.FSI:
			left = Paragraph(p.text[i+1:p.closes[i]]) == 1
		}
		if left {
			next = (top().level + 1) | 1
		}
		fits := next <= deepest && overIsolates == 0 && overEmbeddings == 0
		switch {
		case c == bidi.RLE, c == bidi.LRE, c == bidi.RLO, c == bidi.LRO:
			p.levels[i] = Removed
			switch override := map[bidi.Class]bidi.Class{bidi.RLO: bidi.R, bidi.LRO: bidi.L}; {
			case !fits && overIsolates == 0:
				overEmbeddings++
			case fits:
				o, ok := override[c]
				if !ok {
					o = bidi.ON
				}
				stack = append(stack, status{next, o, false})
			}
		case isolates(c):
			put(i)
			if fits {
				valid++
				stack = append(stack, status{next, bidi.ON, true})
			} else {
				overIsolates++
			}
		case c == bidi.PDI:
			switch {
			case overIsolates > 0:
				overIsolates--
			case valid > 0:
				overEmbeddings = 0
				for !top().isolate {
					stack = stack[:len(stack)-1]
				}
				stack = stack[:len(stack)-1]
				valid--
			}
			put(i)
		case c == bidi.PDF:
			p.levels[i] = Removed
			switch {
			case overIsolates > 0:
			case overEmbeddings > 0:
				overEmbeddings--
			case !top().isolate && len(stack) > 1:
				stack = stack[:len(stack)-1]
			}
		case c == bidi.B:
			p.levels[i] = p.base
			stack, overIsolates, overEmbeddings, valid = stack[:1], 0, 0, 0
		case c == bidi.BN:
			p.levels[i] = Removed
		default:
			put(i)
		}
	}
}

// Line is the levels of the part of a paragraph that stands in a line: spaces at its end have
// the paragraph's (rule L1).
func Line(text []rune, levels []Level, base Level) []Level {
	out := append([]Level(nil), levels...)
	for i := len(out) - 1; i >= 0; i-- {
		switch c := classOf(text[i]); {
		case out[i] == Removed:
		case c == bidi.WS, c == bidi.S, c == bidi.B, isolates(c), c == bidi.PDI:
			out[i] = base
		default:
			return out
		}
	}
	return out
}

// Order is the order, from left to right, in which things of these levels are seen, as they
// are numbered in reading (rule L2). Removed ones must have been left out.
func Order(levels []Level) []int {
	out := make([]int, len(levels))
	var highest, lowest Level = 0, deepest + 2
	for i, l := range levels {
		out[i] = i
		highest = max(highest, l)
		if l%2 == 1 {
			lowest = min(lowest, l)
		}
	}
	for l := highest; l >= lowest && l > 0; l-- {
		for from := 0; from < len(levels); {
			if levels[from] < l {
				from++
				continue
			}
			to := from
			for to < len(levels) && levels[to] >= l {
				to++
			}
			for a, b := from, to-1; a < b; a, b = a+1, b-1 {
				out[a], out[b] = out[b], out[a]
			}
			from = to
		}
	}
	return out
}
