package words

import (
	"math"
	"testing"

	"billow/core/clip"
)

// ends is where each line of a block begins and ends.
func ends(b *Block) (out [][2]float64) {
	out = make([][2]float64, b.Lines)
	for i := range out {
		out[i] = [2]float64{math.Inf(1), math.Inf(-1)}
	}
	for _, g := range b.Glyphs {
		if g.From < g.To {
			e := &out[g.Line]
			e[0], e[1] = min(e[0], g.X), max(e[1], g.X+g.Advance)
		}
	}
	return out
}

func lined(text string, set func(w *clip.Words)) *clip.Words {
	w := clip.NewWords("w", "W", clip.KindWords, text).Words
	set(w)
	return w
}

// Balanced, no more lines than needed, none much shorter than the others, and none that
// one word stands in alone.
func TestBalancedLinesAreAboutAsLong(t *testing.T) {
	for _, text := range []string{
		"Everything that a small kitchen outdoors needs to make tea",
		"Boil water anywhere in four minutes flat",
		"Camp kitchen that is made to last for ever and a day",
	} {
		for _, width := range []float64{520, 640, 800} {
			plain := Set(fontOf(t, "BricolageGrotesque_800ExtraBold.ttf"), lined(text, func(*clip.Words) {}), nil, Setting{Size: 80, Width: width})
			even := Set(fontOf(t, "BricolageGrotesque_800ExtraBold.ttf"), lined(text, func(w *clip.Words) { w.Balanced = true }), nil, Setting{Size: 80, Width: width})
			if plain.Lines != even.Lines {
				t.Errorf("%q in %g: balanced it has %d lines, else %d", text, width, even.Lines, plain.Lines)
			}
			if even.Lines < 2 {
				continue
			}
			spread := func(b *Block) float64 {
				short, long := math.Inf(1), 0.0
				for _, e := range ends(b) {
					short, long = min(short, e[1]-e[0]), max(long, e[1]-e[0])
				}
				return long - short
			}
			if spread(even) > spread(plain)+1 {
				t.Errorf("%q in %g: balanced, lines differ by %.0f, else by %.0f", text, width, spread(even), spread(plain))
			}
			if even.W > width {
				t.Errorf("%q is %.0f wide in %g", text, even.W, width)
			}
		}
	}
}

// Filling, every line begins and ends where the box does, and lines do not overlap.
func TestFillingLinesAreAsWideAsTheBox(t *testing.T) {
	b := Set(fontOf(t, "BricolageGrotesque_800ExtraBold.ttf"), lined("NOW\nthree for two\nall week", func(w *clip.Words) { w.Filling = true }), nil, Setting{Size: 80, Width: 600})
	for i, e := range ends(b) {
		if math.Abs(e[0]+300) > 0.5 || math.Abs(e[1]-300) > 0.5 {
			t.Errorf("line %d goes from %.1f to %.1f, want -300 to 300", i+1, e[0], e[1])
		}
	}
	parts := b.Parts("line")
	for i := 1; i < len(parts); i++ {
		if over := parts[i-1].Foot - (parts[i].Foot - 0.75*b.Glyphs[parts[i].Glyphs[0]].Size); over > 0 {
			t.Errorf("line %d reaches %.1f units into the one above", i+1, over)
		}
	}
	// So are those that break by themselves, without the space at their end.
	for i, e := range ends(Set(fontOf(t, "BricolageGrotesque_800ExtraBold.ttf"), lined("Boil water anywhere in four minutes flat", func(w *clip.Words) { w.Filling, w.Balanced = true, true }), nil, Setting{Size: 80, Width: 600})) {
		if math.Abs(e[0]+300) > 0.5 || math.Abs(e[1]-300) > 0.5 {
			t.Errorf("broken by itself, line %d goes from %.1f to %.1f, want -300 to 300", i+1, e[0], e[1])
		}
	}
	carets := Carets(fontOf(t, "BricolageGrotesque_800ExtraBold.ttf"), lined("NOW\nthree", func(w *clip.Words) { w.Filling = true }), nil, Setting{Size: 80, Width: 600})
	if first, last := carets[0].From[0][0], carets[3].From[0][0]; math.Abs(first+300) > 0.5 || math.Abs(last-300) > 3 {
		t.Errorf("carets stand from %.1f to %.1f on the first line", first, last)
	}
}
