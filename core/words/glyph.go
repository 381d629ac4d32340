package words

import (
	"math"
	"unicode"

	"billow/core/paint"
)

// Glyph is a letter of set text, or what several letters have become together,
// and where it stands in it: so a line, a word or a letter can be shown by itself.
// Lines, words and clusters are counted from 0 in the order in which they are
// read.
type Glyph struct {
	Shape    int // the shape of the block in whose path it is
	From, To int // its segments there, To not included; none for a space

	Line    int
	Word    int // spaces belong to the word before them
	Cluster int // letters that have become one glyph, or glyphs of one letter, are one

	X, Y    float64 // where the pen is, on the baseline, units about the block's centre
	Advance float64 // how far it goes on to the right, units
	Size    float64 // of the font, units
	Turn    float64 // of its baseline, degrees clockwise
}

// box is around the letter, from above its ascenders to beneath its descenders.
func (g *Glyph) box() (x0, x1, y0, y1 float64) {
	if g.Turn == 0 {
		return g.X, g.X + g.Advance, g.Y - caretUp*g.Size, g.Y + caretDown*g.Size
	}
	x0, x1, y0, y1 = math.Inf(1), math.Inf(-1), math.Inf(1), math.Inf(-1)
	m := paint.Rotate(g.Turn).Then(paint.Translate(g.X, g.Y))
	for _, x := range [2]float64{0, g.Advance} {
		for _, y := range [2]float64{-caretUp * g.Size, caretDown * g.Size} {
			x, y := m.Apply(x, y)
			x0, x1, y0, y1 = min(x0, x), max(x1, x), min(y0, y), max(y1, y)
		}
	}
	return x0, x1, y0, y1
}

// wordsIn numbers the word of each rune of a text. Spaces at the beginning belong
// to the first word.
func wordsIn(text []rune) (of []int, count int) {
	of = make([]int, len(text))
	word, space, any := 0, true, false
	for i, r := range text {
		switch {
		case unicode.IsSpace(r):
			space = true
		case space:
			if any {
				word++
			}
			space, any = false, true
		}
		of[i] = word
	}
	if !any {
		return of, 0
	}
	return of, word + 1
}

// numbered gives glyphs their clusters, in the order of the text. runes are those
// that the glyphs begin with.
func numbered(glyphs []Glyph, runes []int, length int) (count int) {
	number := make([]int, length)
	for _, r := range runes {
		number[r] = 1
	}
	for i, begins := range number {
		number[i] = count
		count += begins
	}
	for i, r := range runes {
		glyphs[i].Cluster = number[r]
	}
	return count
}
