package offer

import (
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"github.com/shopspring/decimal"
)

func TestPercentNeverClaimsTooMuch(t *testing.T) {
	for _, c := range []struct {
		price, old string
		want       int
	}{{"49.00", "69.00", 28}, {"15", "20", 25}, {"0.01", "0.03", 66}, {"19.99", "20.00", 0}, {"10", "", 0}, {"0", "5", 100}, {"66.67", "100", 33}} {
		o, err := New(Terms{Price: c.price, Old: c.old, Currency: "EUR"})
		if err != nil {
			t.Fatal(err)
		}
		if got := o.Percent(); got != c.want {
			t.Errorf("%s instead of %s is %d%%, want %d%%", c.price, c.old, got, c.want)
		}
	}
}

// saysOf is what a field says in a language, "-" where it is absent, "?" where it is lacking or unknown.
func saysOf(o Offer, field, language string) string {
	switch parts, state := o.Field(field, language); state {
	case Filled:
		return Joined(parts)
	case Absent:
		return "-"
	}
	return "?"
}

func TestFieldsShowTheOffer(t *testing.T) {
	for _, c := range []struct {
		of   Terms
		says map[string]string
	}{
		{Terms{Price: "1149", Old: "1500.5", Currency: "EUR"}, map[string]string{"price": "€1,149.00", "old": "€1,500.50", "percent": "23%", "saving": "€351.50", "other": "?", "deal": "-", "base": "-", "contents": "-", "lowest": "-"}},
		{Terms{Price: "1200", Currency: "JPY"}, map[string]string{"price": "¥1,200", "old": "-", "percent": "-", "saving": "-"}},
		{Terms{Currency: "EUR"}, map[string]string{"price": "?", "old": "-", "base": "-"}},
		{Terms{Old: "5", Currency: "EUR"}, map[string]string{"price": "?", "old": "-"}},
		{Terms{Price: "50", Old: "40", Currency: "EUR"}, map[string]string{"price": "€50.00", "old": "-", "percent": "-", "saving": "-"}},
		{Terms{Price: "40", Old: "50", Lowest: "45", Currency: "EUR"}, map[string]string{"lowest": "€45.00"}},
		{Terms{Price: "12.90", Currency: "EUR", Quote: From}, map[string]string{"price": "from €12.90", "amount": "€12.90"}},
		{Terms{Price: "12.90", Currency: "EUR", Quote: Each}, map[string]string{"price": "€12.90 each"}},
		{Terms{Price: "10", Old: "14", Percent: "25", Currency: "EUR"}, map[string]string{"percent": "25%"}}, // 28 is given, less is claimed
		{Terms{Price: "10", Old: "14", Percent: "30", Currency: "EUR"}, map[string]string{"percent": "28%"}},
		{Terms{Price: "4.50", Deal: "3 for 2", Currency: "EUR"}, map[string]string{"deal": "3 for 2", "dealeach": "€3.00", "dealsaving": "€4.50"}},
		{Terms{Price: "0.99", Deal: "3 for 2.50", Currency: "EUR"}, map[string]string{"deal": "3 for €2.50", "dealeach": "€0.84", "dealsaving": "€0.47"}},
		// 8.99 for 250 g are 35.96 a kilogram; 5.94 for 6 x 0.33 l are 3.00 a litre.
		{Terms{Price: "8.99", Contents: "250 g", Currency: "EUR"}, map[string]string{"base": "€35.96/kg", "contents": "250 g"}},
		{Terms{Price: "5.94", Contents: "6 × 0,33 l", Currency: "EUR"}, map[string]string{"base": "€3.00/l"}},
		{Terms{Price: "1", Contents: "3 kg", Currency: "EUR"}, map[string]string{"base": "€0.33/kg"}},
		{Terms{Price: "1", Contents: "8 m", Currency: "EUR"}, map[string]string{"base": "€0.13/m"}}, // 0.125 goes up
		{Terms{Price: "6", Contents: "4 pieces", Currency: "EUR"}, map[string]string{"base": "€1.50 each"}},
	} {
		o, err := New(c.of)
		if err != nil {
			t.Fatalf("%+v: %v", c.of, err)
		}
		for field, want := range c.says {
			if got := saysOf(o, field, ""); got != want {
				t.Errorf("%+v: {%s} is %q, want %q", c.of, field, got, want)
			}
		}
	}
}

// Words beside amounts are in the language, too.
func TestWordsBesideAmounts(t *testing.T) {
	o, err := New(Terms{Price: "9.5", Currency: "EUR", Quote: From, Deal: "3 for 2"})
	if err != nil {
		t.Fatal(err)
	}
	for language, want := range map[string][2]string{
		"de": {"ab 9,50\u00a0€", "3 für 2"}, "de-AT": {"ab €\u00a09,50", "3 für 2"}, "fr-CA": {"dès 9,50\u00a0€", "3 pour 2"},
		"ja": {"€9.50から", "2点の価格で3点"}, "": {"from €9.50", "3 for 2"}, "zh-TW": {"€9.50起", "買3付2"}, "zh": {"€9.50起", "买3付2"},
	} {
		if got := [2]string{saysOf(o, "price", language), saysOf(o, "deal", language)}; got != want {
			t.Errorf("%s: %q, want %q", language, got, want)
		}
	}
	for _, l := range Languages {
		w := wordsOf(l.ID)
		for _, s := range []string{w.from, w.each, w.bundle} {
			if strings.Count(s, "#") != 1 {
				t.Errorf("%s: %q has no place for an amount", l.ID, s)
			}
		}
		if strings.Count(w.less, "N") < 1 || !strings.Contains(w.bundle, "N") || w.now == "" {
			t.Errorf("%s: %q has no place for a number", l.ID, w.less)
		}
		if l.ID[:2] != "en" && w == wordsOf("en") {
			t.Errorf("there are no words in %s", l.Name)
		}
	}
}

func TestWrongTermsAreRefused(t *testing.T) {
	for _, c := range []Terms{
		{Price: "-1"}, {Price: "1e9"}, {Price: "5,0"}, {Price: "5", Currency: "EURO"}, {Price: "NaN"}, {Price: "10000000000"},
		{Price: "5", Old: "x"}, {Price: "5", Lowest: "-3"}, {Price: "5", Percent: "101"}, {Price: "5", Percent: "-5"}, {Price: "5", Percent: "12.5"}, {Price: "5", Quote: "about"},
		{Price: "5", Deal: "1 for 1"}, {Price: "5", Deal: "many"}, {Price: "5", Deal: "3 for 0"}, {Price: "5", Deal: "999 for 2"}, {Price: "5", Deal: "2 for 1e5"},
		{Price: "5", Contents: "250"}, {Price: "5", Contents: "0 g"}, {Price: "5", Contents: "3 parsecs"}, {Price: "5", Contents: "0 x 3 g"}, {Price: "5", Contents: "1.2.3 kg"},
	} {
		if c.Currency == "" {
			c.Currency = "EUR"
		}
		if _, err := New(c); err == nil {
			t.Errorf("%+v was taken", c)
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
		o, err := New(Terms{Price: c.price, Old: "", Currency: c.code})
		if err != nil {
			t.Fatal(err)
		}
		if got := saysOf(o, "price", c.language); got != c.want {
			t.Errorf("%s %s in %q is %q, want %q", c.price, c.code, c.language, got, c.want)
		}
	}
	o, err := New(Terms{Price: "49", Old: "69", Currency: "EUR"})
	if err != nil {
		t.Fatal(err)
	}
	for language, want := range map[string]string{"en": "28%", "de": "28\u00a0%", "tr": "%28"} {
		if got := saysOf(o, "percent", language); got != want {
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
		o, err := New(Terms{Price: price.String(), Old: old.String(), Currency: code})
		if err != nil {
			continue
		}
		digits := map[string]int32{"EUR": 2, "JPY": 0, "KWD": 3, "HUF": 2}[code]
		printed, before := price.Round(digits), old.Round(digits)
		// percent/100 of the old price is at most what is saved.
		if claim := before.Mul(decimal.NewFromInt(int64(o.Percent()))); o.Percent() > 0 && claim.GreaterThan(before.Sub(printed).Mul(decimal.NewFromInt(100))) {
			t.Errorf("%s instead of %s %s claims %d%%", printed, before, code, o.Percent())
		}
	}
	// 10.005 is printed as 10.01, so that half of 20.01 is not given.
	if o, err := New(Terms{Price: "10.005", Old: "20.01", Currency: "EUR"}); err != nil || o.Percent() != 49 {
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

// The fields that have an amount in them are those that say so.
func TestMoneyFieldsAreThoseWithAnAmount(t *testing.T) {
	o, err := New(Terms{Price: "10", Old: "15.50", Lowest: "12", Currency: "EUR", Deal: "2 for 15.00", Contents: "250 g"})
	if err != nil {
		t.Fatal(err)
	}
	for _, name := range Fields() {
		parts, _ := o.Field(name, "en")
		signed := slices.ContainsFunc(parts, func(p Part) bool { return p.Role == Sign })
		if money := slices.Contains(MoneyFields, name); money != signed {
			t.Errorf("{%s} is said to have an amount: %t; it is %+v", name, money, parts)
		}
	}
}
