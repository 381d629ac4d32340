package offer

import (
	"fmt"
	"math/rand/v2"
	"strings"
	"testing"

	"github.com/shopspring/decimal"
)

// Terms that contradict themselves are told with their numbers.
func TestMistakesAreToldWithTheirNumbers(t *testing.T) {
	for _, c := range []struct {
		of    Terms
		says  string // the beginning of what is said, "" is nothing
		wrong bool
	}{
		{Terms{Price: "40", Old: "50"}, "", false},
		{Terms{Price: "50", Old: "40"}, "the old price €40.00 is not above the price €50.00", true},
		{Terms{Price: "50", Old: "50"}, "the old price €50.00 is not above the price €50.00", true},
		{Terms{Price: "49.999", Old: "50"}, "the old price €50.00 is not above the price €50.00", true}, // as printed
		{Terms{Old: "50"}, "there is an old price, €50.00, and no price", true},
		{Terms{Price: "40", Old: "50", Lowest: "45"}, "the old price €50.00 is above the lowest of the last 30 days, €45.00", true},
		{Terms{Price: "40", Old: "50", Lowest: "50"}, "", false},
		{Terms{Price: "40", Old: "50", Percent: "20"}, "", false},
		{Terms{Price: "40", Old: "50", Percent: "25"}, "25% off is claimed, and €40.00 instead of €50.00 gives 20%", true},
		{Terms{Price: "40", Old: "50", Percent: "15"}, "15% off is claimed, and €40.00 instead of €50.00 gives 20%: 15% is shown", false},
		{Terms{Price: "10.01", Old: "20.01", Percent: "50"}, "50% off is claimed, and €10.01 instead of €20.01 gives 49%", true},
		{Terms{Price: "40", Percent: "15"}, "15% off is claimed, and there is no higher old price", true},
		{Terms{Price: "4", Deal: "3 for 2"}, "", false},
		{Terms{Price: "4", Deal: "3 for 12.00"}, "3 for €12.00 saves nothing: one costs €4.00, so 3 cost €12.00", true},
		{Terms{Price: "0"}, "the price is €0.00", false},
		{Terms{Price: "1", Old: "100"}, "€1.00 instead of €100.00 is 99% off", false},
		{Terms{}, "", false},
	} {
		c.of.Currency = "EUR"
		o, err := New(c.of)
		if err != nil {
			t.Fatal(err)
		}
		m := o.Mistakes()
		switch {
		case c.says == "" && len(m) > 0:
			t.Errorf("%+v: %v", c.of, m)
		case c.says != "" && (len(m) != 1 || !strings.HasPrefix(m[0].Says, c.says) || m[0].Wrong != c.wrong):
			t.Errorf("%+v: %v, want %q", c.of, m, c.says)
		}
	}
}

// A percentage that is typed into words is compared with the prices.
func TestTypedClaimsAreCompared(t *testing.T) {
	reduced, err := New(Terms{Price: "40", Old: "50", Currency: "EUR"})
	if err != nil {
		t.Fatal(err)
	}
	full, err := New(Terms{Price: "40", Currency: "EUR"})
	if err != nil {
		t.Fatal(err)
	}
	for text, want := range map[string]string{
		"−20%": "", "20 % off": "", "100% wool": "", "1.5% fat": "", "a % of": "", "−25%": "25% is written, and €40.00 instead of €50.00 gives 20%",
		"20% or 10 %": "10% is written, and €40.00 instead of €50.00 gives 20%", "99999%": "",
	} {
		m, found := reduced.ClaimsPercent(text)
		if found != (want != "") || m.Says != want {
			t.Errorf("%q: %v", text, m)
		}
	}
	if m, _ := full.ClaimsPercent("−20%"); m.Says != "20% is written, and there is no old price" {
		t.Errorf("%v", m)
	}
	for text, language := range map[string]string{"Now *{price}*": "", "Jetzt {price}": "de-AT", "nu {price}": "sv"} {
		if m, found := full.ClaimsLess(text, language); !found || !strings.Contains(m.Says, "without an old one") {
			t.Errorf("%q: %v", text, m)
		}
		if m, found := reduced.ClaimsLess(text, language); found {
			t.Errorf("%q: %v", text, m)
		}
	}
	if m, found := full.ClaimsLess("Know snow", ""); found {
		t.Errorf("%v", m)
	}
}

// Whatever is typed, no claim says more than the printed prices give: a deal's price by the piece
// times its pieces is at least what is paid, a saving is at most what is printed as the difference.
func TestNoDealSaysMoreThanIsGiven(t *testing.T) {
	r := rand.New(rand.NewPCG(3, 5))
	for range 20000 {
		code := []string{"EUR", "JPY", "KWD"}[r.IntN(3)]
		digits := map[string]int32{"EUR": 2, "JPY": 0, "KWD": 3}[code]
		n := 2 + r.IntN(9)
		price, total := decimal.New(r.Int64N(100_000), -digits), decimal.New(r.Int64N(300_000), -digits)
		terms := Terms{Price: price.String(), Deal: fmt.Sprintf("%d for %s", n, total.StringFixed(max(digits, 1))), Currency: code, Percent: fmt.Sprint(r.IntN(101)), Old: decimal.New(r.Int64N(200_000), -digits).String()}
		o, err := New(terms)
		if err != nil {
			t.Fatalf("%+v: %v", terms, err)
		}
		pieces := decimal.NewFromInt(int64(n))
		if each := o.eachInDeal(); each.Mul(pieces).LessThan(total) {
			t.Errorf("%+v: %s each is less than what is paid", terms, each)
		}
		if o.saves().IsPositive() && o.saves().GreaterThan(price.Mul(pieces).Sub(total)) {
			t.Errorf("%+v saves %s", terms, o.saves())
		}
		old, _ := decimal.NewFromString(terms.Old)
		if claim := decimal.NewFromInt(int64(o.claimed())); claim.IsPositive() && claim.Mul(old).GreaterThan(old.Sub(price).Mul(decimal.NewFromInt(100))) {
			t.Errorf("%+v claims %s%%", terms, claim)
		}
	}
}
