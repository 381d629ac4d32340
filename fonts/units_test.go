package fonts

import (
	"fmt"
	"slices"
	"strings"
	"testing"

	"billow/core/clip"
	"billow/core/words"
)

// drawnOrder is the words of a text from left to right, line by line, each word
// named by its number in the order of reading.
func drawnOrder(b *words.Block) string {
	glyphs := slices.Clone(b.Glyphs)
	slices.SortStableFunc(glyphs, func(a, b words.Glyph) int {
		if a.Line != b.Line {
			return a.Line - b.Line
		}
		return int((a.X - b.X) * 1000)
	})
	var out []string
	for _, g := range glyphs {
		if s := fmt.Sprintf("%d.%d", g.Line, g.Word); g.To > g.From && (len(out) == 0 || out[len(out)-1] != s) {
			out = append(out, s)
		}
	}
	return strings.Join(out, " ")
}

func TestLinesWordsAndLettersAreKnown(t *testing.T) {
	b := set(t, clip.Words{Text: "Slow *mornings*\nby  the fire"}, 100, nil)
	if b.Lines != 2 || b.Words != 5 || drawnOrder(b) != "0.0 0.1 1.2 1.3 1.4" {
		t.Errorf("%d lines, %d words, drawn as %s", b.Lines, b.Words, drawnOrder(b))
	}
	// Every letter has segments of its own, and all segments are some letter's.
	covered := map[int]int{}
	for _, g := range b.Glyphs {
		covered[g.Shape] += g.To - g.From
	}
	for i, s := range b.Shapes {
		if s.Letter && covered[i] != len(s.Path) {
			t.Errorf("of the %d segments of shape %d, letters have %d", len(s.Path), i, covered[i])
		}
	}
	// A letter lies where it says.
	for _, g := range b.Glyphs {
		if g.To == g.From {
			continue
		}
		box := b.Shapes[g.Shape].Path[g.From:g.To].Bounds()
		if middle := (box[0] + box[2]) / 2; middle < g.X-10 || middle > g.X+g.Advance+10 {
			t.Errorf("a letter around %.0f says that it is from %.0f to %.0f", middle, g.X, g.X+g.Advance)
		}
	}
	// With a plate behind them, letters still know their shapes.
	plated := set(t, clip.Words{Text: "Slow", Plate: &clip.Plate{Kind: "card", Room: 20}}, 100, nil)
	if g := plated.Glyphs[0]; !plated.Shapes[g.Shape].Letter {
		t.Error("on a plate, the first letter is said to be part of the plate")
	}
}

func TestLettersThatJoinAreOneCluster(t *testing.T) {
	if b := set(t, clip.Words{Text: "e\u0301a"}, 100, nil); b.Clusters != 2 {
		t.Errorf("an e with an accent of its own and an a are %d clusters", b.Clusters)
	}
	b := set(t, clip.Words{Text: "mug"}, 100, nil)
	if b.Clusters != 3 || b.Glyphs[2].Cluster != 2 {
		t.Errorf("three letters are %d clusters: %+v", b.Clusters, b.Glyphs)
	}
}

// Hebrew and Arabic run from right to left: what is read first stands on the
// right, on the first line; numbers and names in Latin letters run as ever.
func TestTextRunsInTheDirectionOfItsLetters(t *testing.T) {
	for _, c := range []struct{ text, want string }{
		{"שלום עולם", "0.1 0.0"},
		{"مرحبا بالعالم اليوم", "0.2 0.1 0.0"},
		{"שלום world", "0.1 0.0"},
		{"world שלום", "0.0 0.1"},
		{"קומקום 38 שקל", "0.2 0.1 0.0"},
		{"Кружка 12 штук", "0.0 0.1 0.2"},
	} {
		b := set(t, clip.Words{Text: c.text}, 100, nil)
		if len(b.Missing) > 0 {
			t.Errorf("%q lacks %q", c.text, string(b.Missing))
		}
		if got := drawnOrder(b); got != c.want {
			t.Errorf("%q is drawn as %s, want %s", c.text, got, c.want)
		}
	}
	whole := set(t, clip.Words{Text: "שלום עולם יפה"}, 100, nil)
	broken := set(t, clip.Words{Text: "שלום עולם יפה", Width: whole.W * 0.75}, 100, nil)
	if broken.Lines != 2 || drawnOrder(broken) != "0.1 0.0 1.2" {
		t.Errorf("broken into %d lines it is drawn as %s", broken.Lines, drawnOrder(broken))
	}
	// Letters of one word: the first is the rightmost.
	b := set(t, clip.Words{Text: "שלום"}, 100, nil)
	for _, g := range b.Glyphs {
		for _, o := range b.Glyphs {
			if g.Cluster < o.Cluster && g.X < o.X {
				t.Errorf("cluster %d lies left of cluster %d", g.Cluster, o.Cluster)
			}
		}
	}
}
