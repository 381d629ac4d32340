package words

import (
	"errors"
	"math/rand"
	"os"
	"path/filepath"
	"strings"
	"testing"

	"billow/core/clip"
)

func readFont(t testing.TB, name string) []byte {
	t.Helper()
	b, err := os.ReadFile(filepath.Join("../../fonts", name))
	if err != nil {
		t.Fatal(err)
	}
	return b
}

func TestAFontSaysWhatItIs(t *testing.T) {
	for name, want := range map[string]clip.OwnFont{
		"Anton_400Regular.ttf":    {Family: "Anton", Style: "Regular", Embedding: "installable"},
		"EBGaramond_700Bold.ttf":  {Family: "EB Garamond", Style: "Bold", Embedding: "installable"},
		"NotoSansCJK_700Bold.otf": {Family: "Noto Sans CJK JP", Style: "Bold", Embedding: "installable"},
	} {
		got, err := Describe(readFont(t, name))
		if got.Letters < 100 {
			t.Errorf("%s has %d letters", name, got.Letters)
		}
		if got.Letters = 0; err != nil || got != want {
			t.Errorf("%s is %+v (%v), want %+v", name, got, err, want)
		}
	}
}

// The bits of fsType, from OpenType's own description of the table OS/2.
func TestWhatAMakerAllowsIsRead(t *testing.T) {
	ttf := readFont(t, "Anton_400Regular.ttf")
	at := 0
	for i := 12; i < 12+16*40; i += 16 {
		if string(ttf[i:i+4]) == "OS/2" {
			at = int(ttf[i+8])<<24 | int(ttf[i+9])<<16 | int(ttf[i+10])<<8 | int(ttf[i+11])
		}
	}
	for bits, want := range map[byte]string{0: "installable", 2: "restricted", 4: "preview", 8: "editable", 2 | 8: "editable"} {
		ttf[at+9] = bits
		if got, err := Describe(ttf); err != nil || got.Embedding != want {
			t.Errorf("of %d it says %q (%v), want %q", bits, got.Embedding, err, want)
		}
	}
}

func TestWhatIsNoFontIsRefusedInWords(t *testing.T) {
	anton := readFont(t, "Anton_400Regular.ttf")
	for name, file := range map[string][]byte{
		"empty": {}, "words": []byte("This is no font at all, but it is long enough to be one"),
		"the head alone": anton[:200], "half of one": anton[:len(anton)/2], "zeros": make([]byte, 4000),
	} {
		if _, err := Describe(file); err == nil || strings.Contains(err.Error(), "runtime") {
			t.Errorf("%s: %v", name, err)
		}
	}
}

// Broken fonts neither crash nor hang what is set in them: another font stands in.
func TestBrokenFontsAreStoodInFor(t *testing.T) {
	shipped := readFont(t, "HankenGrotesk_700Bold.ttf")
	rng := rand.New(rand.NewSource(7))
	for _, name := range []string{"Anton_400Regular.ttf", "NotoSansDevanagari_700Bold.ttf", "Anybody_Variable.ttf", "NotoSansCJK_700Bold.otf"} {
		whole := readFont(t, name)
		for range 60 {
			broken := append([]byte{}, whole...)
			for range 1 + rng.Intn(200) {
				broken[rng.Intn(len(broken))] = byte(rng.Intn(256))
			}
			if rng.Intn(4) == 0 {
				broken = broken[:rng.Intn(len(broken))]
			}
			Describe(broken)
			fonts := NewFonts()
			if err := fonts.Add("hanken-700", shipped); err != nil {
				t.Fatal(err)
			}
			fonts.Own("font-0123456789ab", func() ([]byte, error) { return broken, nil })
			w := &clip.Words{Text: "Lantern नमस्ते *fi* 49", Font: "font-0123456789ab", LineSpacing: 100}
			if b := Set(fonts, w, nil, Setting{Size: 50, Width: 200, Axes: []Axis{{"wght", 700}}}); len(b.Glyphs) == 0 {
				t.Errorf("%s: nothing was set", name)
			}
		}
	}
}

// A font that cannot be had now is stood in for, and used once it can.
func TestAnOwnFontIsUsedOnceItCanBeHad(t *testing.T) {
	fonts := NewFonts()
	if err := fonts.Add("hanken-700", readFont(t, "HankenGrotesk_700Bold.ttf")); err != nil {
		t.Fatal(err)
	}
	var there []byte
	fonts.Own("font-0123456789ab", func() ([]byte, error) {
		if there == nil {
			return nil, errors.New("not now")
		}
		return there, nil
	})
	w := &clip.Words{Text: "Lantern", Font: "font-0123456789ab", LineSpacing: 100}
	before := Set(fonts, w, nil, Setting{Size: 100}).W
	if !fonts.Lost() {
		t.Error("nobody says that a font is lacking")
	}
	there = readFont(t, "Anton_400Regular.ttf")
	fonts.Retry()
	only := NewFonts()
	if err := only.Add("font", there); err != nil {
		t.Fatal(err)
	}
	w2 := *w
	w2.Font = "font"
	if after, want := Set(fonts, w, nil, Setting{Size: 100}).W, Set(only, &w2, nil, Setting{Size: 100}).W; after != want || after == before {
		t.Errorf("it is %g wide, stood in for %g, in the font itself %g", after, before, want)
	}
}

// FuzzDescribe lets any bytes be read as a font.
func FuzzDescribe(f *testing.F) {
	f.Add([]byte("OTTO\x00\x01"))
	anton := readFont(f, "Anton_400Regular.ttf")
	f.Add(anton[:3000])
	f.Fuzz(func(t *testing.T, file []byte) {
		if d, err := Describe(file); err == nil && (d.Family == "" || d.Letters < leastLetters) {
			t.Errorf("taken for a font: %+v", d)
		}
	})
}
