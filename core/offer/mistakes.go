package offer

import (
	"fmt"
	"strings"
)

// Mistake is what does not agree in terms, or can hardly be meant.
type Mistake struct {
	Field string `json:"field"` // price, oldPrice, lowest, percent or deal: where it is mended
	Says  string `json:"says"`  // a sentence with the numbers
	// Wrong is a claim that must not be printed; the others are only doubtful.
	Wrong bool `json:"wrong,omitempty"`
}

// mostPercent is more than is taken off what is still for sale.
const mostPercent = 90

// Mistakes are those of terms that New takes.
func (o Offer) Mistakes() (out []Mistake) {
	f := formOf(English)
	say := func(field string, wrong bool, format string, a ...any) {
		out = append(out, Mistake{field, fmt.Sprintf(format, a...), wrong})
	}
	price, old, lowest := f.write(o.price, o.unit), f.write(o.old, o.unit), f.write(o.lowest, o.unit)
	percent := o.Percent()
	switch {
	case o.before && !o.priced:
		say("price", true, "there is an old price, %s, and no price", old)
	case o.before && !o.Reduced():
		say("oldPrice", true, "the old price %s is not above the price %s", old, price)
	case o.lows && o.before && o.lowest.LessThan(o.old):
		say("oldPrice", true, "the old price %s is above the lowest of the last 30 days, %s, from which a reduction is counted in the EU", old, lowest)
	}
	switch {
	case o.percent < 0:
	case !o.Reduced():
		say("percent", true, "%d%% off is claimed, and there is no higher old price", o.percent)
	case o.percent > percent:
		say("percent", true, "%d%% off is claimed, and %s instead of %s gives %d%%", o.percent, price, old, percent)
	case o.percent < percent:
		say("percent", false, "%d%% off is claimed, and %s instead of %s gives %d%%: %[1]d%% is shown", o.percent, price, old, percent)
	}
	if o.priced && o.deal.count > 0 && !o.saves().IsPositive() {
		say("deal", true, "%d for %s saves nothing: one costs %s, so %[1]d cost %s", o.deal.count, f.write(o.total(), o.unit), price, f.write(o.total().Add(o.saves()), o.unit))
	}
	if o.priced && o.price.IsZero() {
		say("price", false, "the price is %s", price)
	}
	if percent > mostPercent {
		say("price", false, "%s instead of %s is %d%% off", price, old, percent)
	}
	return out
}

// ClaimsPercent finds a percentage in a text that its writer typed, as −30%, where it is another
// than what the prices give.
func (o Offer) ClaimsPercent(text string) (Mistake, bool) {
	rest := text
	for {
		i := strings.IndexByte(rest, '%')
		if i < 0 {
			return Mistake{}, false
		}
		before := strings.TrimRight(rest[:i], " \u00a0\u202f")
		from := len(before)
		for from > 0 && before[from-1] >= '0' && before[from-1] <= '9' {
			from--
		}
		n, err := whole(before[from:])
		rest = rest[i+1:]
		fraction := from > 0 && (before[from-1] == '.' || before[from-1] == ',')
		if err != nil || fraction || n == 100 || n == o.Percent() {
			continue // 100% cotton claims nothing of prices
		}
		f := formOf(English)
		if !o.Reduced() {
			return Mistake{"percent", fmt.Sprintf("%d%% is written, and there is no old price", n), false}, true
		}
		return Mistake{"percent", fmt.Sprintf("%d%% is written, and %s instead of %s gives %d%%",
			n, f.write(o.price, o.unit), f.write(o.old, o.unit), o.Percent()), n > o.Percent()}, true
	}
}

// ClaimsLess finds a word such as "now" in a text, with which a price is said to have been higher,
// where there is no higher old price.
func (o Offer) ClaimsLess(text, language string) (Mistake, bool) {
	if o.Reduced() || !o.priced {
		return Mistake{}, false
	}
	for _, word := range strings.FieldsFunc(strings.ToLower(text), func(r rune) bool { return strings.ContainsRune(" \n\t.,:;!?*~\u00a0", r) }) {
		for _, now := range strings.Fields(wordsOf(language).now) {
			if word == now {
				return Mistake{"oldPrice", fmt.Sprintf("%q is said of a price without an old one", word), false}, true
			}
		}
	}
	return Mistake{}, false
}
