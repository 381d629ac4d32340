package words

import (
	"slices"
	"strings"
	"unicode"

	"billow/core/clip"
	"billow/core/offer"
)

// told is a letter with what fills it, where it is a name in braces.
type told struct {
	Letter
	parts []offer.Part // nil for a letter that stands for itself
}

// filled reads the text of words before it fills in what they speak of, so that a product's own
// asterisks stay what they are. A name in braces that nothing fills is shown as missing.
func filled(w *clip.Words, of *clip.Subject) []told {
	letters, _ := fill(w.Text, of)
	return styled(w.Money, letters)
}

// Unfilled are the names in braces that words ask for and nothing fills, each once.
func Unfilled(w *clip.Words, of *clip.Subject) []string {
	_, names := fill(w.Text, of)
	slices.Sort(names)
	return slices.Compact(names)
}

// LeftOut tells whether words are not shown, since all that they speak of is what their product does
// without, as an old price.
func LeftOut(w *clip.Words, of *clip.Subject) bool {
	letters, _ := fill(w.Text, of)
	return letters == nil && w.Text != ""
}

// Doubts are what words claim of a price that does not agree with it: a percentage that is typed, a
// "now" without a "before". Wrong are those that must not be printed.
func Doubts(w *clip.Words, of *clip.Subject) (out []offer.Mistake) {
	if of == nil {
		return nil
	}
	o, err := offer.New(of.Terms())
	letters, _ := fill(w.Text, of)
	if err != nil || letters == nil {
		return nil
	}
	var typed strings.Builder
	priced := false
	for _, l := range letters {
		if name, is := field(l.Text); is {
			priced = priced || name == "price" || name == "amount"
			typed.WriteByte(' ')
			continue
		}
		typed.WriteString(l.Text)
	}
	if m, found := o.ClaimsPercent(typed.String()); found {
		out = append(out, m)
	}
	if priced {
		if m, found := o.ClaimsLess(typed.String(), of.Language); found {
			out = append(out, m)
		}
	}
	return out
}

// fill fills in names in braces. What a product does without, as an old price, leaves words out
// whole that speak of nothing else; among other fields it vanishes; and where plain words stand
// beside them it is missing, since half a sentence would be left.
func fill(text string, of *clip.Subject) (out []told, unfilled []string) {
	letters := Letters(text)
	var o offer.Offer
	known := false
	if of != nil {
		var err error
		o, err = offer.New(of.Terms())
		known = err == nil
	}
	out = make([]told, len(letters))
	plain, full := false, 0
	var absent []int
	for i, l := range letters {
		out[i].Letter = l
		name, braced := field(l.Text)
		if !braced {
			plain = plain || strings.ContainsFunc(l.Text, func(r rune) bool { return unicode.IsLetter(r) || unicode.IsDigit(r) })
			continue
		}
		parts, state := says(of, known, &o, name)
		switch state {
		case offer.Filled:
			out[i].parts, full = parts, full+1
		case offer.Absent:
			absent = append(absent, i)
		default:
			out[i].parts = []offer.Part{{Text: "[" + name + "?]"}}
			unfilled = append(unfilled, name)
		}
	}
	if len(absent) > 0 && full+len(unfilled) == 0 {
		return nil, nil
	}
	for _, i := range absent {
		name, _ := field(out[i].Text)
		out[i].parts = []offer.Part{{}}
		if plain {
			out[i].parts[0].Text = "[" + name + "?]"
			unfilled = append(unfilled, name)
		}
	}
	return out, unfilled
}

// field is the name in braces that a letter is.
func field(text string) (name string, is bool) {
	if len(text) < 3 || text[0] != '{' || text[len(text)-1] != '}' {
		return "", false
	}
	return text[1 : len(text)-1], true
}

// says is what fills a name.
func says(of *clip.Subject, known bool, o *offer.Offer, name string) ([]offer.Part, offer.State) {
	if of == nil {
		return nil, offer.Unknown
	}
	if s, has := of.Says(name); has {
		return []offer.Part{{Text: s}}, offer.Filled
	}
	if name == "line" || name == "web" {
		return nil, offer.Absent
	}
	if !known {
		return nil, offer.Unknown
	}
	return o.Field(name, of.Language)
}

// saying is what letters say, filled in.
func saying(letters []told) string {
	var b strings.Builder
	for _, l := range letters {
		if l.parts == nil {
			b.WriteString(l.Text)
		}
		for _, p := range l.parts {
			b.WriteString(p.Text)
		}
	}
	return b.String()
}
