package offer

import (
	"strings"
	"unicode"
	"unicode/utf8"

	"billow/core/wording"

	"github.com/shopspring/decimal"
)

// form is how a language writes money (CLDR, numbers: currencyFormats, symbols, currencies).
type form struct {
	pattern        string // with the sign at ¤ and the amount at #
	decimal, group string // between units and decimals, and between thousands
	least          int    // digits before the first group separator
	second         int    // digits between the further ones
	percent        string // with the number at #
	signs          string // by code, those that are others than in English
}

// English is the language that is taken where there is none.
const English = "en"

// Languages are those in whose form money is written.
var Languages = func() (out wording.List) {
	for line := range strings.Lines(strings.TrimSpace(forms)) {
		f := strings.SplitN(line, "|", 3)
		out = append(out, wording.Entry{ID: f[0], Name: f[1]})
	}
	return out
}()

// Known tells whether money can be written in the form of a language, given as in BCP 47.
func Known(language string) bool {
	return language != "" && !strings.ContainsAny(language, "|\n") && strings.Contains(forms, "\n"+language+"|")
}

// formOf is the form of a language, or English's.
func formOf(language string) form {
	if !Known(language) {
		language = English
	}
	_, line, _ := strings.Cut(forms, "\n"+language+"|")
	line, _, _ = strings.Cut(line, "\n")
	f := strings.Split(line, "|")
	return form{f[1], f[2], f[3], int(f[4][0] - '0'), int(f[5][0] - '0'), f[6], f[7]}
}

// sign is what stands for a currency.
func (f *form) sign(u unit) string {
	if _, own, found := strings.Cut(" "+f.signs, " "+u.code+"="); found {
		own, _, _ = strings.Cut(own, " ")
		return own
	}
	return u.sign
}

// parts are those of an amount with as many decimals as its currency has.
func (f *form) parts(d decimal.Decimal, u unit) []Part {
	whole, rest, _ := strings.Cut(d.StringFixed(u.decimals), ".")
	var b strings.Builder
	for i, digit := range whole {
		if left := len(whole) - i; i > 0 && f.separates(left, len(whole)) {
			b.WriteString(f.group)
		}
		b.WriteRune(digit)
	}
	sign, before, after := f.sign(u), "", ""
	// Letters keep clear of digits (CLDR, currencySpacing).
	first, _ := utf8.DecodeRuneInString(sign)
	last, _ := utf8.DecodeLastRuneInString(sign)
	if strings.Contains(f.pattern, "¤#") && clears(last) {
		after = "\u00a0"
	}
	if strings.Contains(f.pattern, "#¤") && clears(first) {
		before = "\u00a0"
	}
	lead, tail, _ := strings.Cut(strings.Replace(f.pattern, "¤", before+sign+after, 1), "#")
	var out []Part
	add := func(text string, role Role) {
		if text != "" {
			out = append(out, Part{text, role})
		}
	}
	add(lead, Sign)
	add(b.String(), Whole)
	if rest != "" {
		add(f.decimal, Decimal)
		add(rest, Cents)
	}
	add(tail, Sign)
	return out
}

// write is an amount.
func (f *form) write(d decimal.Decimal, u unit) string { return Joined(f.parts(d, u)) }

// clears tells whether a sign's edge keeps clear of digits: all but symbols, as $, do.
func clears(r rune) bool { return !unicode.IsSymbol(r) && !unicode.IsSpace(r) }

// separates tells whether a separator stands before so many digits of a whole number.
func (f *form) separates(left, digits int) bool {
	if digits < 3+f.least {
		return false
	}
	return left == 3 || left > 3 && (left-3)%f.second == 0
}
