package words

import (
	"math"
	"testing"

	"billow/core/clip"
)

func money(t *testing.T, text string, m *clip.Money, of *clip.Product) *Block {
	t.Helper()
	w := &clip.Words{Text: text, Font: "hanken-400", Money: m, Align: "left", LineSpacing: 100}
	return Set(fontOf(t, "Rubik_600SemiBold.ttf"), w, &clip.Subject{Product: of}, Setting{Size: 100})
}

// Amounts look as words want them: what is left out is left out, and the rest stays what it is.
func TestAmountsLookAsWordsWantThem(t *testing.T) {
	even := &clip.Product{Name: "Mug", Price: "12", Currency: "EUR"}
	odd := &clip.Product{Name: "Mug", Price: "1299.50", Currency: "EUR"}
	yen := &clip.Product{Name: "Mug", Price: "1500", Currency: "JPY"}
	for _, c := range []struct {
		of   *clip.Product
		look clip.Money
		says string
	}{
		{even, clip.Money{}, "€12.00"}, {even, clip.Money{Cents: "raised"}, "€12.00"}, {even, clip.Money{Cents: "bare"}, "€1200"}, {even, clip.Money{Zeros: "none"}, "€12"}, {even, clip.Money{Zeros: "dash"}, "€12.–"},
		{even, clip.Money{Cents: "bare", Zeros: "none"}, "€12"}, {even, clip.Money{Cents: "bare", Zeros: "dash"}, "€12.–"},
		{odd, clip.Money{Cents: "bare"}, "€1,29950"}, {odd, clip.Money{Zeros: "none"}, "€1,299.50"}, {odd, clip.Money{Cents: "raised", Zeros: "dash"}, "€1,299.50"},
		{yen, clip.Money{Cents: "bare", Zeros: "none", Sign: "small"}, "¥1,500"},
	} {
		w := &clip.Words{Text: "{price}", Money: &c.look}
		if got := Said(w, &clip.Subject{Product: c.of}); got != c.says {
			t.Errorf("%+v: %q, want %q", c.look, got, c.says)
		}
	}
}

// Raised cents are smaller, and their tops are as high as those of the other figures.
func TestRaisedCentsEndAtTheSameHeight(t *testing.T) {
	p := &clip.Product{Name: "Mug", Price: "88.88", Currency: "USD"}
	b := money(t, "{amount}", &clip.Money{Cents: "bare", Sign: "small"}, p)
	plain := money(t, "{amount}", nil, p)
	if len(b.Shapes) != 3 {
		t.Fatalf("there are %d shapes", len(b.Shapes))
	}
	var top, bottom, high [3]float64
	for i, s := range b.Shapes { // the sign, the figures, the cents
		box := s.Path.Bounds()
		top[i], bottom[i], high[i] = box[1], box[3], box[3]-box[1]
	}
	near := func(a, b, by float64) bool { return math.Abs(a-b) <= by }
	if !near(top[1], top[2], 2) {
		t.Errorf("the tops are at %v", top)
	}
	if ratio := high[2] / high[1]; !near(ratio, centsSize, 0.02) {
		t.Errorf("cents are %.3f as high as other figures", ratio)
	}
	if bottom[0] < bottom[1]-3 || high[0] > 0.8*high[1] {
		t.Errorf("the small sign stands from %.1f to %.1f, a figure from %.1f to %.1f", top[0], bottom[0], top[1], bottom[1])
	}
	if b.W >= plain.W || b.H != plain.H {
		t.Errorf("it is %.0f by %.0f, and plain %.0f by %.0f", b.W, b.H, plain.W, plain.H)
	}
}

// Words that speak of nothing that their product has are not there at all, with their plate; what
// stands among other fields vanishes, and among plain words it is missing.
func TestWordsThatHaveNothingToSayAreLeftOut(t *testing.T) {
	fonts := fontOf(t, "Rubik_600SemiBold.ttf")
	reduced := &clip.Product{Name: "Mug", Price: "10", OldPrice: "20", Lowest: "20", Currency: "EUR"}
	full := &clip.Product{Name: "Mug", Price: "10", Currency: "EUR"}
	for _, c := range []struct {
		text, reduced, full string
		out                 bool
		lacks               int
	}{
		{"−{percent}", "−50%", "", true, 0}, {"Save {saving}", "Save €10.00", "", true, 0}, {"{price} ~{old}~", "€10.00 €20.00", "€10.00 ", false, 0},
		{"Lowest price of the last 30 days: {lowest}", "Lowest price of the last 30 days: €20.00", "", true, 0},
		{"Now {price} instead of {old}", "Now €10.00 instead of €20.00", "Now €10.00 instead of [old?]", false, 1}, {"{name}", "Mug", "Mug", false, 0}, {"", "", "", false, 0},
	} {
		w := &clip.Words{Text: c.text, Font: "hanken-400", Align: "centre", LineSpacing: 100, Plate: &clip.Plate{Kind: "disc", Room: 40}}
		for of, says := range map[*clip.Product]string{reduced: c.reduced, full: c.full} {
			if got := Said(w, &clip.Subject{Product: of}); got != says {
				t.Errorf("%q says %q, want %q", c.text, got, says)
			}
		}
		of := &clip.Subject{Product: full}
		if LeftOut(w, of) != c.out || len(Unfilled(w, of)) != c.lacks {
			t.Errorf("%q: left out is %t, %v is missing", c.text, LeftOut(w, of), Unfilled(w, of))
		}
		if b := Set(fonts, w, of, Setting{Size: 100}); c.out && len(b.Shapes) > 0 {
			t.Errorf("%q is left out and has %d shapes", c.text, len(b.Shapes))
		}
	}
}

// Claims that are typed into words are compared with the prices.
func TestClaimsOfWordsAreDoubted(t *testing.T) {
	reduced := &clip.Subject{Product: &clip.Product{Price: "15", OldPrice: "20", Currency: "EUR"}}
	full := &clip.Subject{Product: &clip.Product{Price: "15", Currency: "EUR"}}
	for _, c := range []struct {
		text string
		of   *clip.Subject
		says string
	}{
		{"−25%", reduced, ""}, {"−30%", reduced, "30% is written, and €15.00 instead of €20.00 gives 25%"}, {"{percent} and 30%", reduced, "30% is written, and €15.00 instead of €20.00 gives 25%"},
		{"*Now* {price}", full, "\"now\" is said of a price without an old one"}, {"Now {price}", reduced, ""}, {"Now in store", full, ""}, {"−30%", nil, ""},
	} {
		says := ""
		for _, m := range Doubts(&clip.Words{Text: c.text}, c.of) {
			says += m.Says
		}
		if says != c.says {
			t.Errorf("%q: %q, want %q", c.text, says, c.says)
		}
	}
}
