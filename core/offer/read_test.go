package offer

import (
	"strings"
	"testing"
)

// Amounts as people and spreadsheets write them.
func TestAmountsAreRead(t *testing.T) {
	for _, c := range []struct {
		s, code  string
		point    byte
		amount   string // with the currency where that is another; a sentence's part where it is refused
		currency string
	}{
		{"34.90", "EUR", 0, "34.90", "EUR"}, {"34,90", "EUR", 0, "34.90", "EUR"}, {" 34,9 ", "EUR", 0, "34.90", "EUR"}, {".5", "EUR", 0, "0.50", "EUR"}, {",5", "EUR", 0, "0.50", "EUR"},
		{"1.299,00 €", "EUR", 0, "1299.00", "EUR"}, {"€1,299.00", "EUR", 0, "1299.00", "EUR"}, {"1 299,50", "EUR", 0, "1299.50", "EUR"}, {"1\u202f299,50\u00a0€", "EUR", 0, "1299.50", "EUR"},
		{"CHF 1’250.00", "EUR", 0, "1250.00", "CHF"}, {"12.-", "CHF", 0, "12.00", "CHF"}, {"30,–", "EUR", 0, "30.00", "EUR"}, {"1.299.000", "EUR", 0, "1299000.00", "EUR"}, {"₹12,34,567.50", "INR", 0, "1234567.50", "INR"},
		{"$12.99", "USD", 0, "12.99", "USD"}, {"$12.99", "CAD", 0, "12.99", "CAD"}, {"$12.99", "EUR", 0, "12.99", "USD"}, {"CA$5", "EUR", 0, "5.00", "CAD"}, {"A$5", "EUR", 0, "5.00", "AUD"}, {"12,99 zł", "EUR", 0, "12.99", "PLN"},
		{"¥1,500", "JPY", 0, "1500", "JPY"}, {"1.500", "JPY", 0, "1500", "JPY"}, {"12.99 usd", "EUR", 0, "12.99", "USD"}, {"", "EUR", 0, "", "EUR"}, {"0", "EUR", 0, "0.00", "EUR"}, {"1.125", "KWD", 0, "1.125", "KWD"},
		{"1.299", "EUR", ',', "1299.00", "EUR"}, {"1,299", "EUR", '.', "1299.00", "EUR"}, {"12,50", "EUR", ',', "12.50", "EUR"},
		{"10.005", "EUR", 0, "can be read as 10005 or as 10.005", ""}, {"1,299", "EUR", 0, "can be read as 1299 or as 1.299", ""}, {"10.005", "EUR", '.', "more decimals than EUR", ""}, {"10.0050", "EUR", 0, "more decimals", ""},
		{"-5", "EUR", 0, "below zero", ""}, {"−5,00 €", "EUR", 0, "below zero", ""}, {"1500.5", "JPY", 0, "has decimals", ""}, {"five", "EUR", 0, "no currency", ""}, {"12 apples", "EUR", 0, "no currency", ""},
		{"1.2.3", "EUR", 0, "separators", ""}, {"1,2,3.4", "EUR", 0, "separators", ""}, {"99999999999", "EUR", 0, "not an amount", ""}, {"12", "XXZ", 0, "not a currency", ""}, {"1.2,3.4", "EUR", 0, "", "refused"},
	} {
		amount, currency, err := Read("price", c.s, c.code, c.point)
		if c.currency == "" || c.currency == "refused" {
			if err == nil || !strings.Contains(err.Error(), c.amount) {
				t.Errorf("%q in %s: %q %q %v, want it refused: %s", c.s, c.code, amount, currency, err, c.amount)
			}
			continue
		}
		if err != nil || amount != c.amount || currency != c.currency {
			t.Errorf("%q in %s: %q %q %v, want %q %q", c.s, c.code, amount, currency, err, c.amount, c.currency)
		}
	}
}

// What is written in any language's form is read back as the same amount.
func TestWrittenAmountsAreReadBack(t *testing.T) {
	for _, l := range Languages {
		f := formOf(l.ID)
		for _, amount := range []string{"0.50", "12.99", "1299.00", "1234567.89"} {
			o, err := New(Terms{Price: amount, Currency: "EUR"})
			if err != nil {
				t.Fatal(err)
			}
			written := saysOf(o, "price", l.ID)
			got, code, err := Read("price", strings.Trim(written, "\u200e\u200f"), "EUR", f.decimal[0])
			if err != nil || got != amount || code != "EUR" {
				t.Errorf("%s: %q is read as %q %s: %v", l.Name, written, got, code, err)
			}
		}
	}
}

func FuzzRead(f *testing.F) {
	for _, s := range []string{"1.299,00 €", "CHF 12.–", "", "-", ".,", "1e5", "٣٫٥", "€", "9999999999999999"} {
		f.Add(s, byte('.'))
	}
	f.Fuzz(func(t *testing.T, s string, point byte) {
		if point != '.' && point != ',' {
			point = 0
		}
		amount, code, err := Read("price", s, "EUR", point)
		if err != nil {
			return
		}
		if _, err := New(Terms{Price: amount, Currency: code}); err != nil {
			t.Errorf("%q is read as %q %s, which is refused: %v", s, amount, code, err)
		}
	})
}

// A sign that one currency has in its own language is known anywhere; one that several have only
// beside the currency that is expected.
func TestSignsOfOneLanguage(t *testing.T) {
	for _, c := range []struct{ text, expected, want string }{
		{"12,99 zł", "EUR", "PLN"}, {"349 Kč", "EUR", "CZK"}, {"4 990 Ft", "EUR", "HUF"}, {"Fr. 12.50", "EUR", "CHF"},
		{"$5", "EUR", "USD"}, {"$5", "CAD", "CAD"}, {"A$5", "EUR", "AUD"}, {"CA$5", "USD", "CAD"}, {"99 kr", "SEK", "SEK"}, {"99 kr", "NOK", "NOK"}, {"99 kr.", "DKK", "DKK"},
	} {
		if _, got, err := Read("price", c.text, c.expected, 0); err != nil || got != c.want {
			t.Errorf("%s where %s is expected is %s, %v", c.text, c.expected, got, err)
		}
	}
	if _, got, err := Read("price", "99 kr", "EUR", 0); err == nil {
		t.Errorf("kr, which several have, is taken for %s", got)
	}
}
