package words

import (
	"math"
	"slices"
	"testing"

	"billow/core/clip"
)

// Numbers are written on their way as in the end: grouped, with all their decimals, and never
// as more than there is.
func TestNumbersCountUp(t *testing.T) {
	for _, x := range []struct {
		text  string
		share float64
		want  string
	}{
		{"40 % off", 0, "0 % off"}, {"40 % off", 0.5, "20 % off"}, {"40 % off", 0.999, "39 % off"}, {"40 % off", 1, "40 % off"},
		{"€14.90", 0, "€0.00"}, {"€14.90", 0.5, "€7.45"}, {"€14.90", 1.2, "€14.90"},
		{"€1.299,00", 0.5, "€649,50"}, {"€1.299,00", 0.99, "€1.286,01"}, {"1,500 pieces", 0.1, "150 pieces"},
		{"CHF 1’250.00", 0.9, "CHF 1’125.00"}, {"No number.", 0.3, "No number."}, {"3 for 2.", 0.5, "1 for 1."},
		{"12345678901234567890", 0.5, "12345678901234567890"}, {"", 0.5, ""},
	} {
		got, origin := (&Counting{Share: x.share}).counted([]rune(x.text), nil)
		if string(got) != x.want {
			t.Errorf("%q at %g is %q, want %q", x.text, x.share, string(got), x.want)
		}
		for i, o := range origin {
			if o < 0 || o >= len([]rune(x.text)) || i > 0 && o <= origin[i-1] {
				t.Errorf("%q at %g stands for the runes %v", x.text, x.share, origin)
				break
			}
		}
	}
}

// While they count, digits are as wide as each other where the font has such.
func TestCountingDoesNotShake(t *testing.T) {
	fonts := fontOf(t, "HankenGrotesk_700Bold.ttf")
	w := clip.NewWords("w", "W", clip.KindWords, "Only 89 left").Words
	w.Font = "hanken-400"
	wide := Set(fonts, w, nil, Setting{Size: 100, Counting: &Counting{Share: 1}}).W
	for _, share := range []float64{0.2, 0.35, 0.5, 0.77, 0.9} { // 17, 31, 44, 68, 80
		if now := Set(fonts, w, nil, Setting{Size: 100, Counting: &Counting{Share: share}}).W; now < wide-0.01 || now > wide+0.01 {
			t.Errorf("at %g the words are %.2f wide, in the end %.2f", share, now, wide)
		}
	}
}

// A price counts from the old one; what else is said stands still.
func TestAPriceCountsFromTheOldOne(t *testing.T) {
	p := &clip.Product{ID: "p", Name: "Mug", Price: "49.00", OldPrice: "69.00", Currency: "EUR"}
	for _, x := range []struct {
		text, from string
		share      float64
		want       string
	}{
		{"2 for €49.00", "{old}", 0.5, "2 for €59.00"}, {"€49.00", "€69", 0.25, "€64.00"}, {"€49", "9.5", 0.5, "€29"},
		{"€9.50", "120", 0, "€120.00"}, {"€1,250", "250", 0.5, "€750"}, {"€49.00", "nothing", 0.5, "€24.50"}, {"8", "1200", 0.5, "604"},
	} {
		c := &Counting{Share: x.share, From: x.from}
		if got, _ := c.counted([]rune(x.text), &clip.Subject{Product: p}); string(got) != x.want {
			t.Errorf("%q from %q at %g is %q, want %q", x.text, x.from, x.share, string(got), x.want)
		}
	}
}

// Each digit turns to what it will be in the direction of the change; those to the right of
// one that changes turn once more.
func TestDigitsRollToWhatTheyWillBe(t *testing.T) {
	show := func(number string, from int64, share float64) (seen string, come []float64) {
		for _, r := range reelsOf([]rune(number), from, share) {
			if r.nowOff {
				r.now = '_'
			}
			seen += string(r.now)
			come = append(come, math.Round(100*r.come)/100)
		}
		return seen, come
	}
	for _, x := range []struct {
		number string
		from   int64
		share  float64
		seen   string
		come   []float64
	}{
		{"49.00", 6900, 0, "69.00", []float64{0, 0, 0, 0, 0}},
		{"49.00", 6900, 1, "49.00", []float64{0, 0, 0, 0, 0}},
		// The 6 is halfway to the 4; all to its right have made half a turn: 9 - 5, 0 - 5.
		{"49.00", 6900, 0.5, "54.55", []float64{0, 0, 0, 0, 0}},
		{"49.00", 6900, 0.25, "56.77", []float64{0.5, 0.5, 0, 0.5, 0.5}},
		// Upwards: 2 to 4 by two, 5 to 5 by ten.
		{"45", 25, 0.25, "27", []float64{0.5, 0.5}},
		// Only what changes moves.
		{"129", 125, 0.5, "127", []float64{0, 0, 0}},
		// What leads is not a zero: 95 to 105, and 120 to 90.
		{"105", 95, 0, "_95", []float64{0, 0, 0}}, {"90", 120, 1, "_90", []float64{0, 0, 0}},
		{"1,250", 250, 0, "__250", []float64{0, 0, 0, 0, 0}},
	} {
		if seen, come := show(x.number, x.from, x.share); seen != x.seen || !slices.Equal(come, x.come) {
			t.Errorf("%d to %s at %g is %s, come %v; want %s, %v", x.from, x.number, x.share, seen, come, x.seen, x.come)
		}
	}
}

// Rolling, a number is as it was in the beginning and as it is in the end, and every digit
// between lies on the path of its own reel.
func TestARollingPriceEndsAsItIsSet(t *testing.T) {
	fonts := fontOf(t, "HankenGrotesk_700Bold.ttf")
	w := clip.NewWords("w", "W", clip.KindWords, "now €49.00").Words
	w.Features = []string{"tnum"}
	still := Set(fonts, w, nil, Setting{Size: 100})
	at := func(share float64) *Block {
		return Set(fonts, w, nil, Setting{Size: 100, Counting: &Counting{Share: share, From: "69.00", Rolls: true}})
	}
	old := clip.NewWords("w", "W", clip.KindWords, "now €69.00").Words
	old.Features = w.Features
	for _, x := range []struct {
		got, want *Block
	}{{at(1), still}, {at(0), Set(fonts, old, nil, Setting{Size: 100})}} {
		if len(x.got.Glyphs) != len(x.want.Glyphs) {
			t.Fatalf("there are %d glyphs, want %d", len(x.got.Glyphs), len(x.want.Glyphs))
		}
		for i, g := range x.got.Glyphs {
			a, b := x.got.Shapes[g.Shape].Path[g.From:g.To], x.want.Shapes[x.want.Glyphs[i].Shape].Path[x.want.Glyphs[i].From:x.want.Glyphs[i].To]
			if len(a) != len(b) || len(a) > 0 && a.Bounds() != b.Bounds() {
				t.Errorf("glyph %d differs", i)
			}
		}
	}
	// Halfway between two digits, they are a reel's pitch apart.
	half := at(0.05) // the last digit turns by ten
	last := half.Glyphs[len(half.Glyphs)-1]
	box := half.Shapes[last.Shape].Path[last.From:last.To].Bounds()
	if high := box[3] - box[1]; high < 112+60 || high > 112+90 {
		t.Errorf("the last digit and the next one are %.0f high together", high)
	}
}

// Letters that have not come are others of their kind, and the same on every machine.
func TestLettersAreScrambledUntilTheyAreRight(t *testing.T) {
	mixed := func(step int, right ...bool) string {
		text := []rune("Ab 4-é")
		(&Scrambled{Seed: 3, Step: step, Right: right}).mix(text)
		return string(text)
	}
	none := mixed(1, false, false, false, false, false)
	if r := []rune(none); r[2] != ' ' || r[4] != '-' || r[0] < 'A' || r[0] > 'Z' || r[1] < 'a' || r[1] > 'z' || r[3] < '0' || r[3] > '9' {
		t.Errorf("mixed it is %q", none)
	}
	if none != mixed(1, false, false, false, false, false) || none == mixed(2, false, false, false, false, false) {
		t.Error("steps do not differ, or one differs from itself")
	}
	if some := mixed(1, true, true, true, true, true); some != "Ab 4-é" {
		t.Errorf("right it is %q", some)
	}
}
