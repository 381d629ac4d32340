package words

import (
	"encoding/json"
	"fmt"
	"os"
	"os/exec"
	"path/filepath"
	"strings"
	"testing"

	"billow/core/clip"

	"golang.org/x/image/math/fixed"
)

// Strings in which letters move together or change shape.
var strung = strings.Split(strings.TrimSpace(`
To
Today only
AVA WAVE Yonder
Type Tomorrow Type
LT Lv LY Va We Wo
P. F. T. V, W; Y:
Fish fi fl ffi ffl office
affluent efficient waffle
"Quoted" Tea
‘Tis the season
Kettle, enamel
Save 30% Today
from €14.90 Tuesday
Price: $12.99 each
£5 off Year-end
Now ¥1,500 only
Café crème brûlée
Äpfel für Öfen
Über Straße Größe
Île à Flots
Ångström Åre
Łódź Żółw Ćma
Český Krumlov
Dvořák Příběh
Ğöl İstanbul ışık
Þór Ðuro Æon œuvre
Mañana Niño
Año Nuevo
Voilà, Têtu
Tyre Tröst Töne
R.V. Y.A. T.o.
Xylophone Kayak
Rhythm Fjord
Jukebox jazz
Quick brown foxes
Waltz, bad nymph
1st 2nd 3rd of May
No. 7 Avenue
A4 Tray V8 Vat
100 % Wolle
(Yes) [Top] {Via}
Tea – Two – Toast
Yes—Today
Wait… Tomorrow…
“Too good”
Ve Te Ye Fe Pe
vA wA yA TA
rt ry rv rw
kg ko ke kv
ox ov oy ow
L’Atelier d’Ivoire
Vogue & Toys
@lantern.example To
#Tide #Wave
Fast Forward
Lantern weekend
Slow mornings
Three for the trail
Bring the glow home
Otter Moss & Co. Ltd.
`), "\n")

type shaped struct {
	Glyph   uint32 `json:"g"`
	Advance int    `json:"ax"`
	X       int    `json:"dx"`
	Y       int    `json:"dy"`
}

// HarfBuzz itself, from Debian's package, shapes the same strings in the same
// fonts: every glyph, advance and offset is equal, in 64ths of a thousandth of
// the font size. So it is with features that are asked for, and with others left out.
func TestWordsAreShapedAsHarfBuzzShapesThem(t *testing.T) {
	if len(strung) != 60 {
		t.Fatalf("there are %d strings", len(strung))
	}
	files, err := filepath.Glob("../../fonts/*.?tf")
	if err != nil || len(files) < 8 {
		t.Fatalf("there are %d fonts, %v", len(files), err)
	}
	for i, file := range files {
		compareStrings(t, file, nil, nil)
		features := [][]string{{"smcp", "onum"}, {"-kern", "-liga"}, {"ss01", "pnum"}, {"salt", "frac"}}
		compareStrings(t, file, features[i%len(features)], nil)
	}
}

// So it is at places of variable fonts' axes.
func TestVariableFontsAreShapedAsHarfBuzzShapesThem(t *testing.T) {
	for file, axes := range map[string][][]Axis{
		"Anybody_Variable.ttf":            {{{"wght", 730}, {"wdth", 61.5}}, {{"wdth", 150}}},
		"BricolageGrotesque_Variable.ttf": {{{"wght", 200}, {"opsz", 12}}, {{"wght", 555}, {"wdth", 80}, {"opsz", 30}}},
	} {
		for _, a := range axes {
			compareStrings(t, "../../fonts/"+file, nil, a)
		}
	}
}

// compareStrings compares all strings in a font.
func compareStrings(t *testing.T, file string, features []string, axes []Axis) {
	t.Helper()
	list := filepath.Join(t.TempDir(), "strings")
	if err := os.WriteFile(list, []byte(strings.Join(strung, "\n")), 0o600); err != nil {
		t.Fatal(err)
	}
	ttf, err := os.ReadFile(file)
	if err != nil {
		t.Fatal(err)
	}
	fonts := NewFonts()
	if err := fonts.Add("font", ttf); err != nil {
		t.Fatal(err)
	}
	args := []string{"--font-file=" + file, "--text-file=" + list, "--font-size=64000", "--language=en",
		"--direction=ltr", "--script=latn", "--no-glyph-names", "--no-clusters", "--output-format=json", "--features=" + strings.Join(features, ",")}
	var places []string
	for _, a := range axes {
		places = append(places, fmt.Sprintf("%s=%g", a.Tag, a.At))
	}
	out, err := exec.Command("hb-shape", append(args, "--variations="+strings.Join(places, ","))...).Output()
	if err != nil {
		t.Fatal(err)
	}
	lines := strings.Split(strings.TrimSpace(string(out)), "\n")
	if len(lines) != len(strung) {
		t.Fatalf("hb-shape gave %d lines", len(lines))
	}
	for i, line := range lines {
		var want []shaped
		if err := json.Unmarshal([]byte(line), &want); err != nil {
			t.Fatal(err)
		}
		off := 1
		if len(axes) > 0 {
			off = 64 // HarfBuzz rounds advances and kerning to a font's whole units, each
		}
		got := glyphsSet(fonts, &clip.Words{Text: strung[i], Font: "font", Features: features}, axes)
		compareShaped(t, filepath.Base(file)+" "+strings.Join(features, ",")+strings.Join(places, ","), strung[i], got, want, off)
	}
}

// Text that runs from right to left, and letters of other scripts, are shaped as
// HarfBuzz does it when it finds direction and script by itself.
func TestOtherScriptsAreShapedAsHarfBuzzShapesThem(t *testing.T) {
	const file = "../../fonts/Rubik_600SemiBold.ttf"
	ttf, err := os.ReadFile(file)
	if err != nil {
		t.Fatal(err)
	}
	fonts := NewFonts()
	if err := fonts.Add("font", ttf); err != nil {
		t.Fatal(err)
	}
	for _, text := range []string{"שלום", "פנססערה", "קומקום", "مرحبا", "فانوس", "الصباح", "Кружка", "Фонарь", "чайник"} {
		out, err := exec.Command("hb-shape", "--font-file="+file, "--font-size=64000", "--no-glyph-names", "--no-clusters", "--output-format=json", text).Output()
		if err != nil {
			t.Fatal(err)
		}
		var want []shaped
		if err := json.Unmarshal(out, &want); err != nil {
			t.Fatal(err)
		}
		compareShaped(t, "Rubik", text, glyphsOf(fonts, text), want, 1)
	}
}

func glyphsOf(fonts *Fonts, text string) []shaped {
	return glyphsSet(fonts, &clip.Words{Text: text, Font: "font"}, nil)
}

func glyphsSet(fonts *Fonts, w *clip.Words, axes []Axis) []shaped {
	s := &setter{fonts: fonts, words: w, at: Setting{Axes: axes}}
	s.gather([]told{{Letter: Letter{Text: w.Text}}})
	var out []shaped
	for _, run := range s.stretch(0, len(s.text)).runs {
		for _, g := range run.Glyphs {
			out = append(out, shaped{uint32(g.GlyphID), whole(g.Advance), whole(g.XOffset), whole(g.YOffset)})
		}
	}
	return out
}

func whole(v fixed.Int26_6) int { return int(v) }

func compareShaped(t *testing.T, font, text string, got, want []shaped, off int) {
	t.Helper()
	if len(got) != len(want) {
		t.Errorf("%s: %q has %d glyphs, HarfBuzz has %d", font, text, len(got), len(want))
		return
	}
	for i := range got {
		// Both scale font units in whole numbers, one of them by shifts.
		near := func(a, b int) bool { return a-b <= off && b-a <= off }
		if g, w := got[i], want[i]; g.Glyph != w.Glyph || !near(g.Advance, w.Advance) || !near(g.X, w.X) || !near(g.Y, w.Y) {
			t.Errorf("%s: glyph %d of %q is %+v, HarfBuzz has %+v", font, i, text, g, w)
			return
		}
	}
}
