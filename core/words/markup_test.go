package words

import (
	"slices"
	"testing"
)

// said are stretches of letters in one style.
type said struct {
	text string
	Style
}

func stretches(letters []Letter) (out []said) {
	for _, l := range letters {
		if n := len(out); n > 0 && out[n-1].Style == l.Style {
			out[n-1].text += l.Text
		} else {
			out = append(out, said{l.Text, l.Style})
		}
	}
	return out
}

func TestMarkup(t *testing.T) {
	emphasis, struck := Style{Accent: 1}, Style{Struck: true}
	for text, want := range map[string][]said{
		"plain":             {{"plain", Style{}}},
		"the *glow* home":   {{"the ", Style{}}, {"glow", emphasis}, {" home", Style{}}},
		"~69~ *49*":         {{"69", struck}, {" ", Style{}}, {"49", emphasis}},
		"*both ~ways~*":     {{"both ", emphasis}, {"ways", Style{Accent: 1, Struck: true}}},
		`5 \* 3 \~ \\`:      {{`5 * 3 ~ \`, Style{}}},
		"never *closed":     {{"never ", Style{}}, {"closed", emphasis}},
		"*²red* and *³big*": {{"red", Style{Accent: 2}}, {" and ", Style{}}, {"big", Style{Accent: 3}}},
		"m² *x*²":           {{"m² ", Style{}}, {"x", emphasis}, {"²", Style{}}},
		"*\\²*":             {{"²", emphasis}},
		"**":                nil,
		"":                  nil,
		`ends in \`:         {{"ends in ", Style{}}},
	} {
		if got := stretches(Letters(text)); !slices.Equal(got, want) {
			t.Errorf("%q gives %v, want %v", text, got, want)
		}
	}
}

func TestLettersAreWhatAPersonTakesForOne(t *testing.T) {
	for text, want := range map[string][]string{
		"né":           {"n", "é"},
		"ne\u0301":     {"n", "e\u0301"},
		"a\nb":         {"a", "\n", "b"},
		"👩‍🍳!":         {"👩‍🍳", "!"},
		"now {price}.": {"n", "o", "w", " ", "{price}", "."},
		"{{name}}":     {"{", "{name}", "}"},
		"{} {a":        {"{", "}", " ", "{", "a"},
	} {
		var got []string
		for _, l := range Letters(text) {
			got = append(got, l.Text)
		}
		if !slices.Equal(got, want) {
			t.Errorf("%q has the letters %q, want %q", text, got, want)
		}
	}
}

func FuzzMarkup(f *testing.F) {
	for _, s := range []string{"a *b* ~c~ \\*", "*²a**³b*", "{price} *\\²*", "e*\u0301*"} {
		f.Add(s)
	}
	f.Fuzz(func(t *testing.T, s string) {
		letters := Letters(s)
		n := 0
		for _, l := range letters {
			if l.Text == "" {
				t.Errorf("%q has an empty letter", s)
			}
			n += len([]rune(l.Text))
		}
		if n > len([]rune(s)) {
			t.Errorf("%q became longer", s)
		}
		again := Letters(Markup(letters))
		if !slices.Equal(stretches(again), stretches(letters)) {
			t.Errorf("%q is written as %q, which reads %v, not %v", s, Markup(letters), again, letters)
		}
	})
}
