package words

import (
	"bufio"
	"os"
	"path/filepath"
	"regexp"
	"slices"
	"strconv"
	"strings"
	"testing"

	"billow/core/clip"

	"github.com/go-text/typesetting/shaping"
)

// unicodeFolder is where Debian's unicode-data puts the files of the Unicode Character Database.
const unicodeFolder = "/usr/share/unicode"

// cases reads the lines of one of Unicode's test files, without comments.
func cases(t *testing.T, file string, each func(line string)) {
	t.Helper()
	f, err := os.Open(filepath.Join(unicodeFolder, file))
	if err != nil {
		t.Fatal(err)
	}
	defer f.Close()
	lines := bufio.NewScanner(f)
	lines.Buffer(nil, 1<<20)
	for lines.Scan() {
		line, _, _ := strings.Cut(lines.Text(), "#")
		if line = strings.TrimSpace(line); line != "" {
			each(line)
		}
	}
	if err := lines.Err(); err != nil {
		t.Fatal(err)
	}
}

// runesOf reads letters written as hexadecimal numbers.
func runesOf(t *testing.T, text string) (out []rune) {
	t.Helper()
	for _, f := range strings.Fields(text) {
		n, err := strconv.ParseUint(f, 16, 32)
		if err != nil {
			t.Fatal(err)
		}
		out = append(out, rune(n))
	}
	return out
}

// divided reads a case of the break tests: ÷ is a break, × is none.
func divided(t *testing.T, line string) (text []rune, pieces []string) {
	t.Helper()
	for _, piece := range strings.Split(line, "÷") {
		runes := runesOf(t, strings.ReplaceAll(piece, "×", " "))
		if len(runes) > 0 {
			text, pieces = append(text, runes...), append(pieces, string(runes))
		}
	}
	return text, pieces
}

// What is one letter to a person is one to Billow: as Unicode's GraphemeBreakTest says.
func TestLettersAreUnicodesGraphemeClusters(t *testing.T) {
	count := 0
	cases(t, "auxiliary/GraphemeBreakTest.txt", func(line string) {
		text, want := divided(t, line)
		var got []string
		for _, l := range clusters(nil, text, Style{}) {
			got = append(got, l.Text)
		}
		if count++; strings.Join(got, "÷") != strings.Join(want, "÷") {
			t.Errorf("%s: %q", line, got)
		}
	})
	if count < 500 {
		t.Errorf("only %d cases", count)
	}
}

func setterOf(t testing.TB, fonts *Fonts, text []rune) *setter {
	t.Helper()
	s := &setter{fonts: fonts, words: &clip.Words{Font: "font", LineSpacing: 100}, at: Setting{Size: 100}}
	s.gather([]told{{Letter: Letter{Text: string(text)}}})
	return s
}

// oneLetter finds breaks within what a person takes for one letter, or between two that are
// not seen, where a font may have made one of them; and a line that an old computer ended.
var oneLetter = regexp.MustCompile(`[ \x{200b}]\x{0308}|\x{200b}[\x{a0}\x{2060}]|[\x{200d}\x{1F3FB}-\x{1F3FF}]|\r[^\n]|\r$`)

// Lines break where Unicode's LineBreakTest says that they may. What oneLetter finds is left out.
func TestLinesBreakWhereUnicodeSays(t *testing.T) {
	fonts := fontOf(t, "Rubik_600SemiBold.ttf")
	count, left := 0, 0
	ends := strings.NewReplacer("\r\n", "\n", "\v", "\n", "\f", "\n", "\u0085", "\n", "\u2028", "\n", "\u2029", "\n", "\r", "")
	cases(t, "auxiliary/LineBreakTest.txt", func(line string) {
		text, want := divided(t, line)
		if oneLetter.MatchString(string(text)) {
			left++
			return
		}
		s := setterOf(t, fonts, text)
		var got []string
		for _, p := range s.shape() {
			for _, l := range p.broken(func(int) float64 { return 0 }, shaping.Never) {
				from, to := len(p.text), 0
				for _, run := range l {
					from, to = min(from, run.Runes.Offset), max(to, run.Runes.Offset+run.Runes.Count)
				}
				if from < to {
					got = append(got, string(p.text[from:to]))
				}
			}
		}
		count++
		for i := range want {
			want[i] = strings.TrimSuffix(ends.Replace(want[i]), "\n")
		}
		want = slices.DeleteFunc(want, func(s string) bool { return s == "" })
		if strings.Join(got, "÷") != strings.Join(want, "÷") {
			t.Errorf("%s: %q", line, got)
		}
	})
	if count < 6000 {
		t.Errorf("only %d cases, %d left out", count, left)
	}
}

// Runs of both directions stand in the order that the levels of their letters ask for, and
// nothing is lost.
func TestBothDirectionsStandInUnicodesOrder(t *testing.T) {
	fonts := fontOf(t, "Rubik_600SemiBold.ttf")
	for text, want := range map[string]string{
		"abc אבג def":          "abc גבא def",
		"אבג 123 דהו":          "והד 123 גבא",
		"Now אבג 40 דהו.":      "Now והד 40 גבא.",
		"אבג abc-12 דהו":       "והד abc-12 גבא",
		"\u202eabc\u202c x":    "cba x",
		"a \u2067אב x\u2069 b": "a x בא b",
	} {
		s := setterOf(t, fonts, []rune(text))
		l := s.laid()
		got := ""
		for _, run := range l.lines[0] {
			for _, g := range run.Glyphs {
				if r := s.text[g.TextIndex()]; r < 0x2000 {
					got += string(r)
				}
			}
		}
		if got != want {
			t.Errorf("%q is seen as %q, want %q", text, got, want)
		}
	}
}
