package main

import (
	"fmt"
	"strings"

	"golang.org/x/text/currency"
	"golang.org/x/text/language"
	"golang.org/x/text/message"
)

// currencies writes all currencies of ISO 4217 with what the CLDR says of them:
// how many decimals they have, and their sign where it is not the code itself.
// The whole tables of the CLDR would be a tenth of the engine.
func currencies() string {
	var b strings.Builder
	b.WriteString(head + "package offer\n\n" +
		"// currencies is a line for each currency: its code, its decimals and, if it has one, its sign.\nconst currencies = `\n")
	p := message.NewPrinter(language.English)
	const letters = "ABCDEFGHIJKLMNOPQRSTUVWXYZ"
	for i := range len(letters) * len(letters) * len(letters) {
		code := string([]byte{letters[i/26/26], letters[i/26%26], letters[i%26]})
		unit, err := currency.ParseISO(code)
		if err != nil {
			continue
		}
		decimals, _ := currency.Standard.Rounding(unit)
		fmt.Fprintf(&b, "%s %d", code, decimals)
		if sign := p.Sprint(currency.Symbol(unit)); sign != code {
			b.WriteString(" " + sign)
		}
		b.WriteString("\n")
	}
	return b.String() + "`\n"
}
