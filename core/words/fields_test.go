package words

import (
	"slices"
	"testing"

	"billow/core/clip"
)

// A name in braces that nothing fills is shown as missing and told; what is filled, and a brace
// that is meant, are not.
func TestWhatNothingFillsIsMissing(t *testing.T) {
	p := &clip.Product{Name: "Trail kettle", Price: "38.00", Currency: "EUR", Fields: map[string]string{"weight": "480 g"}}
	for _, c := range []struct {
		text, says string
		of         *clip.Subject
		unfilled   []string
	}{
		{"{name} {price} {weight}", "Trail kettle €38.00 480 g", &clip.Subject{Product: p}, nil},
		{"{name} {price}", "Trail kettle 38,00\u00a0€", &clip.Subject{Product: p, Language: "de"}, nil},
		{"*{volume}* {weight} {volume}", "[volume?] 480 g [volume?]", &clip.Subject{Product: p}, []string{"volume"}},
		{"Now {price}", "Now [price?]", nil, []string{"price"}},
		{`A \{brace} is meant`, "A {brace} is meant", nil, nil},
		{"{} { a }", "{} [ a ?]", nil, []string{" a "}},
		{"{old}", "", &clip.Subject{Product: p}, nil}, // there is none, so nothing is claimed
	} {
		if got := Said(&clip.Words{Text: c.text}, c.of); got != c.says {
			t.Errorf("%q says %q, want %q", c.text, got, c.says)
		}
		if got := Unfilled(&clip.Words{Text: c.text}, c.of); !slices.Equal(got, c.unfilled) {
			t.Errorf("%q lacks %q, want %q", c.text, got, c.unfilled)
		}
	}
}
