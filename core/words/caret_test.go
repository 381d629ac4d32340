package words

import (
	"math"
	"os"
	"testing"

	"billow/core/clip"
)

func fontOf(t *testing.T, file string) *Fonts {
	t.Helper()
	ttf, err := os.ReadFile("../../fonts/" + file)
	if err != nil {
		t.Fatal(err)
	}
	fonts := NewFonts()
	if err := fonts.Add("hanken-400", ttf); err != nil {
		t.Fatal(err)
	}
	return fonts
}

func near(a, b float64) bool { return math.Abs(a-b) < 1e-6 }

func TestCaretsStandBetweenTheLetters(t *testing.T) {
	fonts := fontOf(t, "Rubik_600SemiBold.ttf")
	w := &clip.Words{Text: "Mug, *lid*", Font: "hanken-400", Align: "left", LineSpacing: 100}
	carets := Carets(fonts, w, nil, Setting{Size: 100})
	b := Set(fonts, w, nil, Setting{Size: 100})
	if len(carets) != 9 || len(b.Glyphs) != 8 {
		t.Fatalf("there are %d carets and %d glyphs", len(carets), len(b.Glyphs))
	}
	for i, g := range b.Glyphs {
		if !near(carets[i].From[0][0], g.X) || !near(carets[i].To[0][0], g.X+g.Advance) {
			t.Errorf("letter %d is from %.2f to %.2f, its glyph from %.2f to %.2f", i, carets[i].From[0][0], carets[i].To[0][0], g.X, g.X+g.Advance)
		}
	}
	if last := carets[8]; !near(last.From[0][0], b.W/2) || !near(last.To[0][0], last.From[0][0]) {
		t.Errorf("the last caret is at %+v, the words end at %.2f", last, b.W/2)
	}
}

func TestCaretsInLines(t *testing.T) {
	fonts := fontOf(t, "Rubik_600SemiBold.ttf")
	w := &clip.Words{Text: "one\n\ntwo", Font: "hanken-400", Align: "centre", LineSpacing: 120}
	carets := Carets(fonts, w, nil, Setting{Size: 100})
	lines := []int{0, 0, 0, 0, 1, 2, 2, 2, 2} // before o, n, e, the break, the second break, t, w, o, the end
	for i, want := range lines {
		if carets[i].Line != want {
			t.Errorf("caret %d is in line %d, want %d", i, carets[i].Line, want)
		}
	}
	if !near(carets[4].From[0][0], 0) {
		t.Errorf("the empty line in the middle has its caret at %.2f", carets[4].From[0][0])
	}
	if d := carets[5].From[0][1] - carets[4].From[0][1]; !near(d, 120) {
		t.Errorf("lines are %.2f apart, want 120", d)
	}
	// A line that breaks by itself: the place is at the beginning of the next.
	w = &clip.Words{Text: "wide words", Font: "hanken-400", Align: "left", LineSpacing: 100}
	carets = Carets(fonts, w, nil, Setting{Size: 100, Width: 300})
	if carets[4].Line != 0 || carets[5].Line != 1 || !near(carets[5].From[0][0], carets[0].From[0][0]) {
		t.Errorf("about the break: %+v, %+v", carets[4], carets[5])
	}
}

// Words that run from the right are read from the right; a ligature is shared out;
// what a product fills is one letter, and may be empty.
func TestCaretsOfOtherWords(t *testing.T) {
	fonts := fontOf(t, "Rubik_600SemiBold.ttf")
	w := &clip.Words{Text: "שלום", Font: "hanken-400", Align: "left", LineSpacing: 100}
	carets := Carets(fonts, w, nil, Setting{Size: 100})
	for i := range 4 {
		if carets[i+1].From[0][0] >= carets[i].From[0][0] || !near(carets[i].To[0][0], carets[i+1].From[0][0]) {
			t.Errorf("from the right: %+v, then %+v", carets[i], carets[i+1])
		}
	}
	p := &clip.Product{Name: "Mug", Price: "20", OldPrice: "", Currency: "EUR"}
	w.Text = "+{price}{old}!"
	carets = Carets(fonts, w, &clip.Subject{Product: p}, Setting{Size: 100})
	b := Set(fonts, w, &clip.Subject{Product: p}, Setting{Size: 100})
	if len(carets) != 5 {
		t.Fatalf("there are %d carets", len(carets))
	}
	if !near(carets[1].To[0][0], carets[2].From[0][0]) || !near(carets[2].From[0][0], carets[2].To[0][0]) || !near(carets[2].To[0][0], carets[3].From[0][0]) {
		t.Errorf("a price and nothing: %+v", carets)
	}
	if want := b.Glyphs[len(b.Glyphs)-1].X; !near(carets[3].From[0][0], want) {
		t.Errorf("! begins at %.2f, not %.2f", carets[3].From[0][0], want)
	}
}

func TestLargerLettersMakeTheirLineHigher(t *testing.T) {
	fonts := fontOf(t, "Rubik_600SemiBold.ttf")
	w := &clip.Words{Text: "up\nto *²40%*\noff", Font: "hanken-400", Align: "left", LineSpacing: 100, Accents: []clip.Accent{{Size: 200}}}
	b := Set(fonts, w, nil, Setting{Size: 100})
	if !near(b.H, 400) { // lines of 100, 200 and 100
		t.Errorf("they are %.2f high", b.H)
	}
	plain := Set(fonts, &clip.Words{Text: "40%", Font: "hanken-400", Align: "left", LineSpacing: 100}, nil, Setting{Size: 100})
	to := Set(fonts, &clip.Words{Text: "to ", Font: "hanken-400", Align: "left", LineSpacing: 100}, nil, Setting{Size: 100})
	wide, spaced := 0.0, 0.0
	for _, g := range to.Glyphs {
		spaced += g.Advance
	}
	for _, g := range b.Glyphs {
		if g.Line == 1 {
			wide += g.Advance
		}
	}
	if want := spaced + 2*plain.W; math.Abs(wide-want) > 0.5 {
		t.Errorf("the line with letters twice as large is %.2f wide, want %.2f", wide, want)
	}
}
