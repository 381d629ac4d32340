package words

import (
	"math"

	"billow/core/clip"
	"billow/core/paint"

	"github.com/go-text/typesetting/di"
	"github.com/go-text/typesetting/shaping"
)

// Caret is a place between two letters of set text, in units about the block's
// centre.
type Caret struct {
	Line int
	// Where the letter behind it begins, on the side from which it is read, and where that
	// letter ends: each from above to below.
	From, To [2][2]float64
}

// Above and below the baseline, a caret reaches so far, as shares of the size.
const (
	caretUp   = 0.86
	caretDown = 0.24
)

// Carets are the places between the letters of words as Set lays them out: the
// first before the first letter, the last behind the last one. Where a line
// breaks by itself, the place is at the beginning of the next.
func Carets(fonts *Fonts, w *clip.Words, of *clip.Subject, at Setting) []Caret {
	fonts.mu.Lock()
	defer fonts.mu.Unlock()
	s := &setter{fonts: fonts, words: w, at: at}
	letters := filled(w, of)
	s.gather(letters)
	l := s.laid()
	lines, places := l.lines, l.places
	edges := s.edges(lines, places)
	var along curve
	if s.bends() {
		along, _, _ = s.curve(l)
	}

	carets := make([]Caret, len(letters)+1)
	rune := len(s.text) // the first one of the letters from i on
	for i := len(letters); i >= 0; i-- {
		for rune > 0 && s.letters[rune-1] >= i {
			rune--
		}
		e := edges[rune]
		end := rune + 1
		for end < len(s.text) && s.letters[end] == i {
			end++
		}
		to := e.lead
		if rune < len(s.text) && s.letters[rune] == i {
			to = edges[end-1].trail
		}
		p := places[e.line]
		m := paint.Identity()
		if along != nil {
			m, _ = along((e.lead+to)/2*p.k, p.y*p.k, max(math.Abs(to-e.lead)*p.k, l.k*em/100))
		}
		bar := func(x float64) (out [2][2]float64) {
			out[0][0], out[0][1] = m.Apply(x*p.k, (p.y-caretUp*em*p.high)*p.k)
			out[1][0], out[1][1] = m.Apply(x*p.k, (p.y+caretDown*em*p.high)*p.k)
			return out
		}
		carets[i] = Caret{e.line, bar(e.lead), bar(to)}
	}
	return carets
}

// edge is where a rune begins and ends in reading, em units.
type edge struct {
	line        int
	lead, trail float64
}

// edges are those of all runes, and of the end of the text.
func (s *setter) edges(lines []shaping.Line, places []place) []edge {
	edges := make([]edge, len(s.text)+1)
	for i, line := range lines {
		inOrder(line)
		x := places[i].x
		for _, run := range line {
			x = spread(edges, run, places[i], x)
		}
		// The paragraph ends with the line before the next one that begins another.
		if i+1 < len(lines) && places[i+1].start == places[i].start {
			continue
		}
		end := len(s.text)
		if i+1 < len(lines) {
			end = places[i+1].start - 1
		}
		edges[end] = edge{i, places[i].x, places[i].x}
		if end > places[i].start {
			last := edges[end-1]
			edges[end] = edge{last.line, last.trail, last.trail}
		}
	}
	return edges
}

// spread notes the runes of a run that begins at x, and tells where it ends. What
// has become one glyph is shared out evenly among its letters.
func spread(edges []edge, run shaping.Output, at place, x float64) float64 {
	for g := 0; g < len(run.Glyphs); {
		first := run.Glyphs[g]
		wide := 0.0
		for n := 0; n < max(1, first.GlyphsCount()) && g < len(run.Glyphs); n++ {
			wide += units(run.Glyphs[g].Advance)
			g++
		}
		count := max(1, first.RunesCount())
		for r := range count {
			a, b := x+wide*float64(r)/float64(count), x+wide*float64(r+1)/float64(count)
			if run.Direction.Progression() == di.TowardTopLeft {
				a, b = x+wide*float64(count-r)/float64(count), x+wide*float64(count-r-1)/float64(count)
			}
			edges[at.start+first.TextIndex()+r] = edge{at.line, a, b}
		}
		x += wide
	}
	return x
}
