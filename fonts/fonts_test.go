package fonts

import (
	"bytes"
	"errors"
	"math"
	"os"
	"path"
	"path/filepath"
	"slices"
	"strings"
	"testing"

	"billow/core/clip"
	"billow/core/colour"
	"billow/core/words"

	"github.com/go-text/typesetting/font"
)

func set(t *testing.T, w clip.Words, size float64, p *clip.Product) *words.Block {
	t.Helper()
	fonts := All()
	if w.Font == "" {
		w.Font = "hanken-700"
	}
	w.LineSpacing = 120
	var of *clip.Subject
	if p != nil {
		of = &clip.Subject{Product: p}
	}
	return words.Set(fonts, &w, of, words.Setting{Size: size, Width: w.Width})
}

func TestEveryFontOfTheDocumentIsThere(t *testing.T) {
	fonts := All()
	widths := map[float64]bool{}
	for _, name := range clip.Fonts {
		at := words.Setting{Size: 100}
		if strings.HasSuffix(name, "-variable") { // as it is at first it is as heavy as another one
			at.Axes = []words.Axis{{Tag: "wght", At: 300}}
		}
		b := words.Set(fonts, &clip.Words{Text: "Lantern", Font: name, LineSpacing: 100}, nil, at)
		if len(b.Shapes) == 0 || widths[b.W] {
			t.Errorf("%s draws nothing, or is as wide as another font", name)
		}
		widths[b.W] = true
	}
}

// What a font is said to have it has: read or not, words are set alike.
func TestFontsHaveTheLettersThatTheySay(t *testing.T) {
	for _, f := range List {
		ttf, err := File(f.File)
		if err != nil {
			t.Fatal(err)
		}
		face, err := font.ParseTTF(bytes.NewReader(ttf))
		if err != nil {
			t.Fatal(err)
		}
		says := words.Unpacked(letters[f.Name])
		for r := rune(0); r < 0x20000; r++ {
			if glyph, has := face.NominalGlyph(r); (has && glyph != 0) != says.Has(r) {
				t.Fatalf("%s: of %q it says %t", f.Name, r, says.Has(r))
			}
		}
	}
}

// Only what is needed is read; what cannot be read is stood in for, and tried
// again when that is asked for.
func TestFontsAreReadWhenTheyAreNeeded(t *testing.T) {
	var read []string
	away := true
	fonts := Set(func(file string) ([]byte, error) {
		read = append(read, strings.TrimSuffix(file, path.Ext(file)))
		if away && strings.HasPrefix(file, "Fraunces") {
			return nil, errors.New("away")
		}
		return File(file)
	})
	wide := func(text string) float64 {
		return words.Set(fonts, &clip.Words{Text: text, Font: "fraunces-600", LineSpacing: 100}, nil, words.Setting{Size: 100}).W
	}
	stand := wide("Mug")
	if !fonts.Lost() || !slices.Equal(read, []string{"Fraunces_600SemiBold", "BricolageGrotesque_800ExtraBold"}) {
		t.Errorf("read are %v, lost is %t", read, fonts.Lost())
	}
	wide("Jug")
	if len(read) != 2 {
		t.Errorf("while it is away it was asked for again: %v", read)
	}
	away = false
	fonts.Retry()
	if right := wide("Mug"); fonts.Lost() || right == stand || right != words.Set(All(), &clip.Words{Text: "Mug", Font: "fraunces-600", LineSpacing: 100}, nil, words.Setting{Size: 100}).W {
		t.Errorf("when it is back, the words are %g wide, were %g", right, stand)
	}
	read = nil
	wide("שלום")
	if !slices.Equal(read, []string{"Rubik_600SemiBold"}) {
		t.Errorf("for Hebrew letters, %v are read", read)
	}
}

func TestLinesBreakAtTheWidth(t *testing.T) {
	whole := set(t, clip.Words{Text: "Bring the glow home"}, 100, nil)
	if whole.Lines != 1 {
		t.Fatalf("without a width there are %d lines", whole.Lines)
	}
	broken := set(t, clip.Words{Text: "Bring the glow home", Width: whole.W * 0.6}, 100, nil)
	if broken.Lines != 2 || broken.W > whole.W*0.6 {
		t.Errorf("%d lines, %g wide", broken.Lines, broken.W)
	}
	if two := set(t, clip.Words{Text: "Bring\nthe glow"}, 100, nil); two.Lines != 2 || math.Abs(two.H-220) > 1e-6 {
		t.Errorf("a line feed gives %d lines, %g high", two.Lines, two.H)
	}
}

func TestKerningAndSpacing(t *testing.T) {
	pair := set(t, clip.Words{Text: "AV", Font: "fraunces-600"}, 100, nil).W
	apart := set(t, clip.Words{Text: "A", Font: "fraunces-600"}, 100, nil).W + set(t, clip.Words{Text: "V", Font: "fraunces-600"}, 100, nil).W
	if pair >= apart-1 {
		t.Errorf("AV is %g wide, its letters %g: not kerned", pair, apart)
	}
	plain, wide := set(t, clip.Words{Text: "mug"}, 100, nil).W, set(t, clip.Words{Text: "mug", LetterSpacing: 10}, 100, nil).W
	if d := wide - plain; d < 19 || d > 31 { // two or three gaps of ten units
		t.Errorf("letter spacing widened by %g", d)
	}
}

func TestEmphasisAndStrikeAreShapesOfTheirOwn(t *testing.T) {
	red, blue := colour.RGB(0xFF0000), colour.RGB(0x0000FF)
	b := set(t, clip.Words{Text: "Hot *coffee* ~now~", Fill: blue, EmphasisFill: red}, 100, nil)
	fills := map[colour.Colour]int{}
	for _, s := range b.Shapes {
		fills[s.Fill]++
	}
	if fills[red] != 1 || fills[blue] < 3 {
		t.Errorf("the shapes are %v", fills)
	}
	escaped := set(t, clip.Words{Text: `5 \* 3`, Fill: blue, EmphasisFill: red}, 100, nil)
	for _, s := range escaped.Shapes {
		if s.Fill == red {
			t.Error("an escaped asterisk emphasises")
		}
	}
}

func TestAProductsOwnAsterisksStay(t *testing.T) {
	p := &clip.Product{Name: "5* mug", Price: "9", Currency: "EUR"}
	red := colour.RGB(0xFF0000)
	for _, s := range set(t, clip.Words{Text: "{name} now", EmphasisFill: red}, 100, p).Shapes {
		if s.Fill == red {
			t.Error("a product's name switched the emphasis on")
		}
	}
}

func TestALetterThatNoFontHasIsReported(t *testing.T) {
	b := set(t, clip.Words{Text: "Mug 漢"}, 100, nil)
	if string(b.Missing) != "漢" {
		t.Errorf("missing are %q", string(b.Missing))
	}
	if b := set(t, clip.Words{Text: "Žluťoučký kůň"}, 100, nil); len(b.Missing) != 0 {
		t.Errorf("missing are %q", string(b.Missing))
	}
}

// A disc that is to be so wide is, whatever is written in it.
func TestADiscKeepsItsSize(t *testing.T) {
	wide := func(text string, size float64) float64 {
		return set(t, clip.Words{Text: text, Plate: &clip.Plate{Kind: "disc", Room: 40, Size: size}}, 80, nil).W
	}
	if a, b := wide("−9%", 0), wide("−29%", 0); a >= b-10 {
		t.Errorf("going by the words, discs are %g and %g wide", a, b)
	}
	if a, b := wide("−9%", 350), wide("−29%", 350); math.Abs(a-280) > 1e-9 || math.Abs(b-280) > 1e-9 {
		t.Errorf("at 350%% of 80 units, discs are %g and %g wide, want 280", a, b)
	}
}

func TestWordsAreDrawnWithinTheirBitmap(t *testing.T) {
	b := set(t, clip.Words{Text: "Ågy", Fill: colour.RGB(0), Plate: &clip.Plate{Kind: "burst", Fill: colour.RGB(0xFF0000), Room: 40}}, 100, nil)
	m, _, _ := b.Raster(0.54, words.Ink{})
	for x := range m.W {
		if m.Pix[x] != 0 || m.Pix[(m.H-1)*m.W+x] != 0 {
			t.Fatal("ink reaches the bitmap's edge")
		}
	}
	if v, ok := m.Visible(); !ok || v[2]-v[0] < 60 {
		t.Errorf("visible are %v", v)
	}
}

// Outlined letters: the pen adds half its width on both sides of the edge, and
// only as much of each contour as is asked for.
func TestLettersAreOutlinedAndDrawnOn(t *testing.T) {
	b := set(t, clip.Words{Text: "I", Font: "hanken-900", Fill: colour.Colour{}}, 200, nil)
	ink := colour.RGB(0xFF0000)
	covered := func(pen words.Pen) float64 {
		m, _, _ := b.Raster(1, words.Ink{Pen: pen, Outline: ink})
		sum := 0.0
		for _, p := range m.Pix {
			sum += float64(p>>24) / 255
		}
		return sum
	}
	if got := covered(words.Pen{}); got != 0 {
		t.Errorf("without fill and pen %.0f pixels are covered", got)
	}
	// An I is a rectangle: its edge is twice its height and width long.
	box := b.Shapes[0].Path.Bounds()
	w, h := box[2]-box[0], box[3]-box[1]
	whole := covered(words.Pen{Width: 4, End: 1})
	if want := 2*(w+h)*4 - (4-math.Pi)*4; math.Abs(whole-want) > 0.02*want {
		t.Errorf("the outline covers %.0f pixels, want %.0f", whole, want)
	}
	if half := covered(words.Pen{Width: 4, Start: 0.25, End: 0.75}); math.Abs(half-whole/2) > 0.03*whole {
		t.Errorf("half of it covers %.0f pixels of %.0f", half, whole)
	}
	if none := covered(words.Pen{Width: 4, Start: 0.5, End: 0.5}); none != 0 {
		t.Errorf("nothing of it covers %.0f pixels", none)
	}
}

// Words in many scripts show, each letter in the wanted font or in one that has it, and no box.
func TestLettersOfManyScriptsShow(t *testing.T) {
	fonts := All()
	for script, text := range map[string]string{
		"Latin": "Größe, façade, İstanbul, Łódź, đồng", "Greek": "Καλημέρα κόσμε", "Cyrillic": "Доброе утро, Україна",
		"Arabic": "شاي الصباح", "Hebrew": "תה של בוקר", "Devanagari": "सुबह की चाय", "Thai": "ชายามเช้า", "emoji": "☕🔥🏕️🎉", "arrows": "←→ ×÷ €£¥₹₺₴",
	} {
		w := &clip.Words{Text: text, Font: "anton-400", LineSpacing: 100}
		if lacks := words.Missing(fonts, w, nil); len(lacks) > 0 {
			t.Errorf("%s: no font has %q", script, string(lacks))
		}
		if b := words.Set(fonts, w, nil, words.Setting{Size: 100}); len(b.Parts("letter")) < 4 {
			t.Errorf("%s: only %d letters are drawn", script, len(b.Parts("letter")))
		}
	}
}

// All families come with their licence.
func TestEveryFontHasItsLicence(t *testing.T) {
	licences, err := filepath.Glob("OFL-*.txt")
	if err != nil {
		t.Fatal(err)
	}
	all := ""
	for _, name := range licences {
		b, err := os.ReadFile(name)
		if err != nil || !strings.Contains(strings.ToUpper(string(b)), "SIL OPEN FONT LICENSE") {
			t.Errorf("%s is no such licence (%v)", name, err)
		}
		all += strings.ReplaceAll(name, "-", "")
	}
	for _, f := range List {
		family, _, _ := strings.Cut(f.File, "_")
		if !strings.Contains(all, strings.ToLower(family)) {
			t.Errorf("there is no licence of %s", family)
		}
	}
}
