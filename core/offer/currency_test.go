package offer

import (
	"math"
	"strings"
	"testing"

	"github.com/shopspring/decimal"
	"golang.org/x/text/currency"
	"golang.org/x/text/language"
	"golang.org/x/text/message"
	"golang.org/x/text/number"
)

// Amounts of every currency are written as the Unicode consortium's tables, asked
// through another package, say.
func TestMoneyIsWrittenAsTheCLDRSays(t *testing.T) {
	p := message.NewPrinter(language.English)
	seen := 0
	for i := range 26 * 26 * 26 {
		code := string([]byte{byte('A' + i/26/26), byte('A' + i/26%26), byte('A' + i%26)})
		theirs, err := currency.ParseISO(code)
		ours, found := unitOf(code)
		if found != (err == nil) {
			t.Fatalf("%s is a currency: %v, want %v", code, found, err == nil)
		}
		if !found {
			continue
		}
		seen++
		scale, _ := currency.Standard.Rounding(theirs)
		for _, amount := range []float64{0, 0.5, 9.25, 49, 999.75, 1000, 12345.5, 1234567} {
			// Halves go up here, to the even digit there: such amounts are left out.
			if whole := amount * math.Pow(10, float64(scale)); whole != math.Trunc(whole) {
				continue
			}
			sign := p.Sprint(currency.Symbol(theirs))
			if last := sign[len(sign)-1]; last >= 'A' && last <= 'Z' {
				sign += "\u00a0"
			}
			want := sign + p.Sprint(number.Decimal(amount, number.Scale(scale)))
			english := formOf("en")
			if got := english.write(decimal.NewFromFloat(amount), ours); got != want {
				t.Errorf("%v %s is %q, want %q", amount, code, got, want)
			}
		}
	}
	if seen < 250 {
		t.Errorf("there are %d currencies", seen)
	}
	if _, found := unitOf(strings.Repeat("\n", 3)); found {
		t.Error("three ends of lines are a currency")
	}
}
