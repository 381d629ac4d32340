package words

import (
	"slices"

	"billow/core/clip"

	"github.com/go-text/typesetting/font"
	"github.com/go-text/typesetting/shaping"
)

// em is the size at which text is shaped: layout is then independent of the
// size at which it is shown.
const em = 1000

// Setting is how words are set, beside what they are themselves.
type Setting struct {
	Size  float64 // of the font, units
	Width float64 // where lines break, units; 0 is never
	// Height is that of the box which words that fit are in, units.
	Height float64
	// Counting is numbers on their way; digits are as wide as each other then. nil is the
	// numbers as they are.
	Counting *Counting
	// Scrambled is letters that are not right yet; nil is none.
	Scrambled *Scrambled
	Axes      []Axis  // of variable fonts
	Window    *Window // what lines keep away from
	Arch      float64 // degrees of a circle along which lines run, -360..360; 0 is straight
	Along     *Course // a path along which they run instead
}

// Axis is a place on an axis of variable fonts: its OpenType tag, as wght, and the number.
type Axis struct {
	Tag string
	At  float64
}

// Window is a circle beside which lines end, units from the block's centre.
type Window struct{ X, Y, R float64 }

// Set lays out words. What they speak of fills the braces and may be nil.
//
// A person's own font that turns out to be broken is stood in for by another one.
func Set(fonts *Fonts, w *clip.Words, of *clip.Subject, at Setting) (b *Block) {
	fonts.mu.Lock()
	defer fonts.mu.Unlock()
	defer func() {
		if p := recover(); p != nil {
			if !fonts.dropped(w) {
				panic(p)
			}
			b = set(fonts, w, of, at)
		}
	}()
	return set(fonts, w, of, at)
}

func set(fonts *Fonts, w *clip.Words, of *clip.Subject, at Setting) *Block {
	if c := at.Counting; c != nil && c.Rolls {
		return rolled(fonts, w, of, at)
	}
	s := &setter{fonts: fonts, words: w, of: of, at: at}
	letters := filled(w, of)
	s.gather(letters)
	s.silent = letters == nil
	s.count()
	if at.Scrambled != nil {
		at.Scrambled.mix(s.text)
	}
	b := &Block{Missing: s.missing}
	s.layout(b)
	return b
}

// Missing are the letters of words that no font has, each once.
func Missing(fonts *Fonts, w *clip.Words, of *clip.Subject) []rune {
	fonts.mu.Lock()
	defer fonts.mu.Unlock()
	s := &setter{fonts: fonts, words: w}
	s.gather(filled(w, of))
	slices.Sort(s.missing)
	return slices.Compact(s.missing)
}

type setter struct {
	fonts   *Fonts
	words   *clip.Words
	of      *clip.Subject
	text    []rune
	styles  []Style // of each rune
	silent  bool    // the words are left out, and so is their plate
	letters []int   // the letter that each rune belongs to
	missing []rune
	begins  []int // the rune with which each glyph of the block begins
	at      Setting
	shaper  shaping.HarfbuzzShaper
	varied  map[*file]*font.Face // faces at the places of the axes
}

// gather joins the letters and notes those that no font has.
func (s *setter) gather(letters []told) {
	for i, l := range letters {
		if l.parts == nil {
			s.add(i, l.Style, l.Text)
		}
		for _, p := range l.parts {
			style := l.Style
			style.Role = p.Role
			s.add(i, style, p.Text)
		}
	}
}

// add adds some of a letter's text.
func (s *setter) add(letter int, style Style, text string) {
	want := s.wanted(style.Accent)
	for _, r := range text {
		switch r {
		case '\r':
			continue
		case '\v', '\f', 0x85, 0x2028, 0x2029: // where Unicode ends lines, too
			r = '\n'
		}
		s.text = append(s.text, r)
		s.styles = append(s.styles, style)
		s.letters = append(s.letters, letter)
		if r != '\n' && !s.fonts.having(want, r).covers.Has(r) {
			s.missing = append(s.missing, r)
		}
	}
}

// count puts numbers on their way in place of those of the text.
func (s *setter) count() {
	if s.at.Counting == nil {
		return
	}
	text, origin := s.at.Counting.counted(s.text, s.of)
	styles, letters := make([]Style, len(text)), make([]int, len(text))
	for i, o := range origin {
		styles[i], letters[i] = s.styles[o], s.letters[o]
	}
	s.text, s.styles, s.letters = text, styles, letters
}

// wanted is the font that is asked for.
func (s *setter) wanted(accent int) *file { return s.fonts.wanted(FontOf(s.words, accent)) }

// layout places the lines' outlines about the centre and adds the plate.
func (s *setter) layout(b *Block) {
	l := s.laid()
	b.Lines, b.Size = len(l.lines), l.k*em
	var of []int
	of, b.Words = wordsIn(s.text)
	for i, line := range l.lines {
		s.line(b, line, l.places[i], of)
	}
	b.Clusters = numbered(b.Glyphs, s.begins, len(s.text))
	b.W, b.H = l.wide*l.k, l.high*l.k
	if s.bends() {
		s.bend(b, l)
	}
	if p := s.words.Plate; p != nil && !s.silent {
		s.plate(b, p, l)
	}
}

// Said is what words say, with the product filled in and without markup.
func Said(w *clip.Words, of *clip.Subject) string { return saying(filled(w, of)) }
