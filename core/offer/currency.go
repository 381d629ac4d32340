package offer

import "strings"

// unit is a currency.
type unit struct {
	code     string
	sign     string // in English
	decimals int32
}

// IsCurrency tells whether a code is one of ISO 4217.
func IsCurrency(code string) bool {
	_, found := unitOf(code)
	return found
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
	code = strings.ToUpper(code)
	if sign == "" {
		sign = code
	}
	return unit{code, sign, int32(decimals[0] - '0')}, true
}
