package words

import "unicode"

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
