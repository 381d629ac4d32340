package words

import (
	"slices"
	"testing"
)

func TestMarkup(t *testing.T) {
	for text, want := range map[string][]Span{
		"plain":           {{Text: "plain"}},
		"the *glow* home": {{Text: "the "}, {Text: "glow", Emphasis: true}, {Text: " home"}},
		"~69~ *49*":       {{Text: "69", Struck: true}, {Text: " "}, {Text: "49", Emphasis: true}},
		"*both ~ways~*":   {{Text: "both ", Emphasis: true}, {Text: "ways", Emphasis: true, Struck: true}},
		`5 \* 3 \~ \\`:    {{Text: `5 * 3 ~ \`}},
		"never *closed":   {{Text: "never "}, {Text: "closed", Emphasis: true}},
		"**":              nil,
		"":                nil,
		`ends in \`:       {{Text: "ends in "}},
	} {
		if got := Markup(text); !slices.Equal(got, want) {
			t.Errorf("%q gives %v, want %v", text, got, want)
		}
	}
}

func FuzzMarkup(f *testing.F) {
	f.Add("a *b* ~c~ \\*")
	f.Fuzz(func(t *testing.T, s string) {
		n := 0
		for _, sp := range Markup(s) {
			if sp.Text == "" {
				t.Errorf("%q has an empty span", s)
			}
			n += len([]rune(sp.Text))
		}
		if n > len([]rune(s)) {
			t.Errorf("%q became longer", s)
		}
	})
}
