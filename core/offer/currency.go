package offer

import (
	"strings"

	"github.com/shopspring/decimal"
)

// unit is a currency.
type unit struct {
	sign     string
	decimals int32
}

// unitOf finds the currency of a code of ISO 4217.
func unitOf(code string) (unit, bool) {
	if len(code) != 3 || strings.ContainsAny(code, " \n") {
		return unit{}, false
	}
	_, line, found := strings.Cut(currencies, "\n"+strings.ToUpper(code)+" ")
	if !found {
		return unit{}, false
	}
	line, _, _ = strings.Cut(line, "\n")
	decimals, sign, _ := strings.Cut(line, " ")
	if sign == "" {
		sign = strings.ToUpper(code)
	}
	return unit{sign, int32(decimals[0] - '0')}, true
}

// write is an amount the English way: the sign first, thousands apart by commas,
// as many decimals as the currency has.
func (u unit) write(d decimal.Decimal) string {
	whole, rest, _ := strings.Cut(d.StringFixed(u.decimals), ".")
	var b strings.Builder
	b.WriteString(u.sign)
	for i, digit := range whole {
		if i > 0 && (len(whole)-i)%3 == 0 {
			b.WriteByte(',')
		}
		b.WriteRune(digit)
	}
	if rest != "" {
		b.WriteString("." + rest)
	}
	return b.String()
}
