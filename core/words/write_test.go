package words

import (
	"math/rand/v2"
	"strings"
	"testing"

	"billow/core/clip"
	"billow/core/colour"
)

func TestWritingInWords(t *testing.T) {
	for _, c := range []struct {
		text     string
		from, to int
		with     string
		want     string
		caret    int
	}{
		{"Oter", 1, 1, "t", "Otter", 2},
		{"one *bright* line", 10, 10, "er", "one *brighter* line", 12},
		{"one *bright* line", 4, 10, "dim", "one *dim* line", 7}, // as what it replaces
		{"one *bright* line", 4, 10, "", "one  line", 4},
		{"now {price}", 5, 5, "!", "now {price}!", 6}, // a name in braces is one letter
		{"now {price}", 4, 5, "", "now ", 4},
		{"{pric", 5, 5, "e}", "{price}", 1},
		{"5", 1, 1, "*3", `5\*3`, 3},
		{"cafe", 4, 4, "\u0301", "cafe\u0301", 4}, // it becomes one letter with the one before
		{"up", 99, 120, "!", "up!", 3},
		{"*a*\n", 2, 2, "b", "*a*\nb", 3}, // a new line begins plain
		{"", 0, 0, "New\nline", "New\nline", 8},
	} {
		w, caret := Write(clip.Words{Text: c.text}, c.from, c.to, c.with)
		if w.Text != c.want || caret != c.caret {
			t.Errorf("%q with %q at %d..%d is %q, caret %d; want %q, caret %d", c.text, c.with, c.from, c.to, w.Text, caret, c.want, c.caret)
		}
	}
}

func on[T any](v T) *T { return &v }

func TestLettersTakeAStyle(t *testing.T) {
	red := colour.RGB(0xDD4F28)
	w := clip.Words{Text: "one bright line", Font: "hanken-400", EmphasisFont: "fraunces-600"}
	style := func(from, to int, c Change) {
		t.Helper()
		var err error
		if w, err = Styled(w, from, to, c); err != nil {
			t.Fatal(err)
		}
	}
	is := func(text string, accents int) {
		t.Helper()
		if w.Text != text || len(w.Accents) != accents {
			t.Fatalf("it is %q with %d accents, want %q with %d", w.Text, len(w.Accents), text, accents)
		}
	}
	style(4, 10, Change{Emphasis: on(true)})
	is("one *bright* line", 0)
	style(4, 10, Change{Fill: &red})
	is("one *²bright* line", 1)
	if a := w.Accents[0]; !a.Emphasis || *a.Fill != red {
		t.Fatalf("an emphasised word that is coloured has %+v", a)
	}
	style(11, 15, Change{Bold: on(true)})
	is("one *²bright* *³line*", 2)
	if got := FontOf(&w, 3); got != "hanken-700" {
		t.Errorf("bolder than regular is %s", got)
	}
	style(11, 15, Change{Size: on(150.0)})
	if LookOf(w, 11, 15) != (Look{Bold: true, Bolder: true, Fill: w.Fill, Size: 150}) {
		t.Errorf("it looks %+v", LookOf(w, 11, 15))
	}
	if !LookOf(w, 10, 10).Emphasis || LookOf(w, 11, 11).Emphasis {
		t.Error("behind an emphasised letter a caret is in emphasis, behind a space it is not")
	}
	style(0, 3, Change{Struck: on(true)})
	is("~one~ *²bright* *³line*", 2)
	// What no letter has is gone, and what is left is numbered anew.
	style(4, 10, Change{Emphasis: on(false)})
	is("~one~ bright *²line*", 1)
	style(11, 15, Change{Size: on(100.0), Bold: on(false)})
	is("~one~ bright line", 0)
}

func TestOnlySoManyStyles(t *testing.T) {
	w := clip.Words{Text: "abcdefghij", Font: "hanken-400"}
	var err error
	for i := range clip.MaxAccents {
		if w, err = Styled(w, i, i+1, Change{Size: on(float64(110 + 10*i))}); err != nil {
			t.Fatal(err)
		}
	}
	if _, err := Styled(w, 9, 10, Change{Size: on(300.0)}); err == nil || !strings.Contains(err.Error(), "at most 8 styles") {
		t.Errorf("a ninth style gives %v", err)
	}
	// All of them may change at once.
	big := colour.RGB(0x112233)
	if w, err = Styled(w, 0, 10, Change{Fill: &big}); err == nil {
		t.Errorf("nine styles were taken: %+v", w.Accents) // the two plain letters are a ninth
	}
	if w, err = Styled(w, 0, 8, Change{Fill: &big}); err != nil || len(w.Accents) != 8 {
		t.Errorf("eight styles coloured are %d, %v", len(w.Accents), err)
	}
}

// However words are written and styled, they stay what the document takes.
func TestWordsWrittenAtRandomStayWords(t *testing.T) {
	r := rand.New(rand.NewPCG(3, 8))
	pieces := []string{"", "a", " ", "\n", "*", "~", `\`, "²", "{price}", "{", "}", "é", "e\u0301", "👩‍🍳", "ש"}
	w := clip.Words{Font: "hanken-400"}
	for i := range 4000 {
		n := len(Letters(w.Text))
		from := r.IntN(n + 1)
		to := from + r.IntN(4)
		before := Plain(Letters(w.Text))
		if r.IntN(3) > 0 {
			with := pieces[r.IntN(len(pieces))] + pieces[r.IntN(len(pieces))]
			letters := Letters(w.Text)
			end := min(to, n)
			want := Plain(letters[:from]) + with + Plain(letters[end:])
			var caret int
			w, caret = Write(w, from, to, with)
			if got := Plain(Letters(w.Text)); got != want {
				t.Fatalf("%d: %q with %q at %d..%d says %q, want %q", i, before, with, from, to, got, want)
			}
			if caret < 0 || caret > len(Letters(w.Text)) {
				t.Fatalf("%d: the caret is at %d of %d", i, caret, len(Letters(w.Text)))
			}
		} else {
			change := []Change{
				{Emphasis: on(r.IntN(2) == 0)}, {Struck: on(r.IntN(2) == 0)}, {Bold: on(r.IntN(2) == 0)}, {Size: on(float64(100 + 50*r.IntN(3)))},
			}[r.IntN(4)]
			styled, err := Styled(w, from, to, change)
			if err == nil {
				w = styled
			}
			if got := Plain(Letters(w.Text)); got != before {
				t.Fatalf("%d: a style made %q of %q", i, got, before)
			}
		}
		for _, l := range Letters(w.Text) {
			if l.Accent > len(w.Accents)+1 {
				t.Fatalf("%d: %q has a letter with accent %d of %d", i, w.Text, l.Accent, len(w.Accents))
			}
		}
		if n > 40 {
			w, _ = Write(w, 0, 30, "")
		}
	}
}
