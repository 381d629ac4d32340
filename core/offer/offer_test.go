package offer

import (
	"math/rand/v2"
	"testing"

	"github.com/shopspring/decimal"
)

func TestPercentNeverClaimsTooMuch(t *testing.T) {
	for _, c := range []struct {
		price, old string
		want       int
	}{{"49.00", "69.00", 28}, {"15", "20", 25}, {"0.01", "0.03", 66}, {"19.99", "20.00", 0}, {"10", "", 0}, {"0", "5", 100}, {"66.67", "100", 33}} {
		o, err := New(c.price, c.old, "EUR")
		if err != nil {
			t.Fatal(err)
		}
		if got := o.Percent(); got != c.want {
			t.Errorf("%s instead of %s is %d%%, want %d%%", c.price, c.old, got, c.want)
		}
	}
}

func TestWordsShowTheOffer(t *testing.T) {
	o, err := New("1149", "1500.5", "EUR")
	if err != nil {
		t.Fatal(err)
	}
	if got := o.Text("{name}: {price}, was {old}, −{percent} {other}", "", "Kettle", nil); got != "Kettle: €1,149.00, was €1,500.50, −23% {other}" {
		t.Errorf("the text is %q", got)
	}
	yen, err := New("1200", "", "JPY")
	if err != nil {
		t.Fatal(err)
	}
	if got := yen.Text("{price}{old}{percent}", "en", "", nil); got != "¥1,200" {
		t.Errorf("yen are %q", got)
	}
}

func TestWrongAmountsAreRefused(t *testing.T) {
	for _, c := range [][3]string{{"", "", "EUR"}, {"-1", "", "EUR"}, {"5", "4", "EUR"}, {"5", "5", "EUR"}, {"1e9", "", "EUR"}, {"5,0", "", "EUR"}, {"5", "", "EURO"}, {"NaN", "", "EUR"}} {
		if _, err := New(c[0], c[1], c[2]); err == nil {
			t.Errorf("%v was taken", c)
		}
	}
}

// Prices and percentages in the form of a language (CLDR 45).
func TestPricesAreWrittenInALanguagesForm(t *testing.T) {
	for _, c := range []struct{ language, price, code, want string }{
		{"de", "1299", "EUR", "1.299,00\u00a0€"}, {"nl", "1299", "EUR", "€\u00a01.299,00"}, {"en", "12.99", "USD", "$12.99"},
		{"ja", "1500", "JPY", "¥1,500"}, {"en", "1500", "JPY", "¥1,500"}, {"pl", "12.99", "PLN", "12,99\u00a0zł"},
		{"pl", "1299", "PLN", "1299,00\u00a0zł"}, {"pl", "12990", "PLN", "12\u00a0990,00\u00a0zł"},
		{"de-CH", "1250", "CHF", "CHF\u00a01’250.00"}, {"en", "5", "CAD", "CA$5.00"}, {"en", "5", "AUD", "A$5.00"}, {"en-CA", "5", "CAD", "$5.00"}, {"en-CA", "5", "USD", "US$5.00"},
		{"fr", "1299.5", "EUR", "1\u202f299,50\u00a0€"}, {"hi", "1234567", "INR", "₹12,34,567.00"}, {"en-IN", "123456", "INR", "₹1,23,456.00"},
		{"es", "1299", "EUR", "1299,00\u00a0€"}, {"sv", "99", "SEK", "99,00\u00a0kr"}, {"en", "99", "SEK", "SEK\u00a099.00"}, {"tr", "99", "TRY", "₺99,00"},
		{"xx", "1299", "EUR", "€1,299.00"}, {"en|English", "1299", "EUR", "€1,299.00"}, {"\n", "1299", "EUR", "€1,299.00"}, {"", "1299", "EUR", "€1,299.00"}, {"de", "0", "EUR", "0,00\u00a0€"}, {"de", "0.5", "KWD", "0,500\u00a0KWD"},
	} {
		o, err := New(c.price, "", c.code)
		if err != nil {
			t.Fatal(err)
		}
		if got := o.Text("{price}", c.language, "", nil); got != c.want {
			t.Errorf("%s %s in %q is %q, want %q", c.price, c.code, c.language, got, c.want)
		}
	}
	o, err := New("49", "69", "EUR")
	if err != nil {
		t.Fatal(err)
	}
	for language, want := range map[string]string{"en": "28%", "de": "28\u00a0%", "tr": "%28"} {
		if got := o.Text("{percent}", language, "", nil); got != want {
			t.Errorf("28 percent in %s is %q, want %q", language, got, want)
		}
	}
}

// A percentage is never more than what the printed prices give, however prices are typed.
func TestNoClaimIsMoreThanWhatIsPrinted(t *testing.T) {
	r := rand.New(rand.NewPCG(7, 11))
	for range 20000 {
		code := []string{"EUR", "JPY", "KWD", "HUF"}[r.IntN(4)]
		price, old := decimal.New(r.Int64N(20_000_000), -int32(r.IntN(6))), decimal.New(r.Int64N(20_000_000), -int32(r.IntN(6)))
		o, err := New(price.String(), old.String(), code)
		if err != nil {
			continue
		}
		digits := map[string]int32{"EUR": 2, "JPY": 0, "KWD": 3, "HUF": 2}[code]
		printed, before := price.Round(digits), old.Round(digits)
		// percent/100 of the old price is at most what is saved.
		if claim := before.Mul(decimal.NewFromInt(int64(o.Percent()))); claim.GreaterThan(before.Sub(printed).Mul(decimal.NewFromInt(100))) {
			t.Errorf("%s instead of %s %s claims %d%%", printed, before, code, o.Percent())
		}
	}
	// 10.005 is printed as 10.01, so that half of 20.01 is not given.
	if o, err := New("10.005", "20.01", "EUR"); err != nil || o.Percent() != 49 {
		t.Errorf("10.005 instead of 20.01 claims %d%%: %v", o.Percent(), err)
	}
}

// An amount has no more decimals than its currency; zeros do not count.
func TestAmountsAreExact(t *testing.T) {
	for _, c := range []struct {
		amount, code string
		ok           bool
	}{{"10.00", "EUR", true}, {"10.500", "EUR", true}, {"10.005", "EUR", false}, {"1500", "JPY", true}, {"1500.5", "JPY", false}, {"1.125", "KWD", true}, {".5", "EUR", true}} {
		if err := Exact("price", c.amount, c.code); (err == nil) != c.ok {
			t.Errorf("%s %s: %v", c.amount, c.code, err)
		}
	}
}
