package words

import (
	"slices"

	"billow/core/clip"
	"billow/core/colour"
)

// Write puts a text in place of the letters from..to (to not included) of words,
// marked as what it replaces or follows, and tells where the caret is after it:
// before which letter.
func Write(w clip.Words, from, to int, with string) (written clip.Words, caret int) {
	letters := Letters(w.Text)
	from, to = inside(letters, from, to)
	var style Style
	switch {
	case from < to:
		style = letters[from].Style
	case from > 0 && letters[from-1].Text != "\n":
		style = letters[from-1].Style
	case from < len(letters):
		style = letters[from].Style
	}
	before := append(slices.Clone(letters[:from]), clusters(nil, []rune(with), style)...)
	// What is written may have become one letter with what was there.
	after := len(Letters(Markup(letters[to:])))
	w = used(w, append(before, letters[to:]...))
	return w, max(0, len(Letters(w.Text))-after)
}

// inside brings a stretch of letters into those that there are.
func inside(letters []Letter, from, to int) (int, int) {
	from = max(0, min(from, len(letters)))
	return from, max(from, min(to, len(letters)))
}

// Change is what is to be different about letters; what is nil stays.
type Change struct {
	Emphasis *bool          `json:"emphasis,omitempty"`
	Struck   *bool          `json:"struck,omitempty"`
	Bold     *bool          `json:"bold,omitempty"`
	Fill     *colour.Colour `json:"fill,omitempty"`
	Size     *float64       `json:"size,omitempty"` // percent of the words' size
}

// Styled changes the letters from..to of words (to not included). There is an
// error when words would need more styles than they can have.
func Styled(w clip.Words, from, to int, c Change) (clip.Words, error) {
	letters := Letters(w.Text)
	from, to = inside(letters, from, to)
	w.Accents = slices.Clone(w.Accents)
	for i := from; i < to; i++ {
		l := &letters[i]
		if c.Struck != nil {
			l.Struck = *c.Struck
		}
		accent := c.of(&w, l.Accent)
		l.Accent = numberOf(&w, accent)
	}
	if w = used(w, letters); len(w.Accents) > clip.MaxAccents {
		return w, clip.Fault("words", "a text has at most %d styles beside emphasis; make two letters alike first", clip.MaxAccents)
	}
	return w, nil
}

// of is an accent with the change.
func (c Change) of(w *clip.Words, accent int) clip.Accent {
	a := accentOf(w, accent)
	a.Emphasis = emphasised(w, accent)
	if c.Bold != nil {
		a.Font = ""
		if *c.Bold {
			a.Font = clip.Bolder(FontOf(w, accent))
		}
	}
	if c.Fill != nil {
		a.Fill = c.Fill
	}
	if c.Size != nil {
		a.Size = *c.Size
		if a.Size == 100 {
			a.Size = 0
		}
	}
	if c.Emphasis != nil {
		a = clip.Accent{Emphasis: *c.Emphasis} // it is one style, not one on top of others
	}
	return a
}

func same(a, b clip.Accent) bool {
	fills := a.Fill == b.Fill || a.Fill != nil && b.Fill != nil && *a.Fill == *b.Fill
	return a.Emphasis == b.Emphasis && a.Font == b.Font && a.Size == b.Size && fills
}

// numberOf is the number of an accent, which is added when it is new.
func numberOf(w *clip.Words, a clip.Accent) int {
	switch {
	case same(a, clip.Accent{}):
		return 0
	case same(a, clip.Accent{Emphasis: true}):
		return 1
	}
	if i := slices.IndexFunc(w.Accents, func(b clip.Accent) bool { return same(a, b) }); i >= 0 {
		return i + 2
	}
	w.Accents = append(w.Accents, a)
	return len(w.Accents) + 1
}

// used is words with other letters, and without the accents that none of them has.
// Of too many accents the text has none.
func used(w clip.Words, letters []Letter) clip.Words {
	var left []clip.Accent
	number := map[int]int{0: 0, 1: 1}
	for i := range letters {
		n, ok := number[letters[i].Accent]
		if !ok {
			left = append(left, accentOf(&w, letters[i].Accent))
			n = len(left) + 1
			number[letters[i].Accent] = n
		}
		letters[i].Accent = n
	}
	w.Accents = left
	if len(left) <= clip.MaxAccents {
		w.Text = Markup(letters)
	}
	return w
}

// Look is how letters are: what all of a stretch have in common, and the colour
// and size of its first.
type Look struct {
	Emphasis bool          `json:"emphasis"`
	Struck   bool          `json:"struck"`
	Bold     bool          `json:"bold"`
	Bolder   bool          `json:"bolder"` // their font has bolder letters
	Fill     colour.Colour `json:"fill"`
	Size     float64       `json:"size"` // percent of the words' size
}

// LookOf is how the letters from..to of words are (to not included); without any,
// how the letter is that a caret stands behind.
func LookOf(w clip.Words, from, to int) Look {
	letters := Letters(w.Text)
	from, to = inside(letters, from, to)
	if from == to && from > 0 && letters[from-1].Text != "\n" {
		from--
	}
	if from == to {
		return Look{Fill: w.Fill, Size: 100, Bolder: clip.Bolder(w.Font) != ""}
	}
	first := letters[from].Accent
	out := Look{true, true, true, false, fillOf(&w, first), SizeOf(&w, first) * 100}
	for _, l := range letters[from:to] {
		plain := accentOf(&w, l.Accent)
		font := plain.Font
		plain.Font = ""
		base := FontOf(&clip.Words{Font: w.Font, EmphasisFont: w.EmphasisFont, Accents: []clip.Accent{plain}}, 2)
		if l.Accent == 1 {
			base = FontOf(&w, 1)
		}
		out.Emphasis = out.Emphasis && emphasised(&w, l.Accent)
		out.Struck = out.Struck && l.Struck
		out.Bold = out.Bold && font != "" && font == clip.Bolder(base)
		out.Bolder = out.Bolder || clip.Bolder(base) != ""
	}
	return out
}

// WordAt is the word about a place between letters; from and to are the place
// when there is none.
func WordAt(w clip.Words, at int) (from, to int) {
	letters := Letters(w.Text)
	at, _ = inside(letters, at, at)
	from, to = at, at
	apart := func(i int) bool { return letters[i].Text == " " || letters[i].Text == "\n" }
	for from > 0 && !apart(from-1) {
		from--
	}
	for to < len(letters) && !apart(to) {
		to++
	}
	return from, to
}
