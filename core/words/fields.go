package words

import (
	"slices"

	"billow/core/clip"
	"billow/core/offer"
)

// filled reads the text before it fills in what it speaks of, so that a product's own
// asterisks stay what they are. A name in braces that nothing fills is shown as missing.
func filled(text string, of *clip.Subject) []Letter {
	letters, _ := fill(text, of)
	return letters
}

// Unfilled are the names in braces that words ask for and nothing fills, each once.
func Unfilled(w *clip.Words, of *clip.Subject) []string {
	_, names := fill(w.Text, of)
	slices.Sort(names)
	return slices.Compact(names)
}

func fill(text string, of *clip.Subject) (letters []Letter, unfilled []string) {
	letters = Letters(text)
	var o offer.Offer
	known := of != nil
	if known {
		var err error
		o, err = offer.New(of.Price, of.OldPrice, of.Currency)
		known = err == nil
	}
	for i := range letters {
		l := &letters[i]
		if len(l.Text) < 3 || l.Text[0] != '{' || l.Text[len(l.Text)-1] != '}' {
			continue
		}
		if says := l.Text; known {
			if l.Text = o.Text(says, of.Language, of.Name, of.Fields); l.Text != says {
				continue
			}
		}
		name := l.Text[1 : len(l.Text)-1]
		l.Text = "[" + name + "?]"
		unfilled = append(unfilled, name)
	}
	return letters, unfilled
}
