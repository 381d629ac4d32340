package offer

import (
	"fmt"
	"strings"
	"unicode"

	"github.com/shopspring/decimal"
)

// Read makes an amount of what a person or a spreadsheet writes, as "1.299,00 €" or "CHF 1’250.–",
// for New. point is the separator of decimals, where that is known of the table it stands in,
// otherwise 0. code is the currency that is expected; another one that stands beside the amount is
// given instead. The amount has as many decimals as it is printed with. What can be read in two ways is refused, since a wrong price is worse than none.
func Read(what, s, code string, point byte) (amount, currency string, err error) {
	currency = code
	text := strings.TrimSpace(s)
	if text == "" {
		return "", currency, nil
	}
	number, sign := split(text)
	if sign != "" {
		if currency, err = codeOf(sign, code); err != nil {
			return "", code, fmt.Errorf("the %s %q: %w", what, s, err)
		}
	}
	u, found := unitOf(currency)
	if !found {
		return "", code, fmt.Errorf("%q is not a currency: use a code such as EUR", currency)
	}
	number, err = plain(number, u, point)
	if err != nil {
		return "", code, fmt.Errorf("the %s %q %w", what, s, err)
	}
	if strings.HasPrefix(number, "-") {
		return "", code, fmt.Errorf("the %s %q is below zero", what, s)
	}
	if _, err := New(Terms{Price: number, Currency: currency}); err != nil {
		return "", code, fmt.Errorf("the %s %q is not an amount: write it as 34.90", what, s)
	}
	if err := Exact(what, number, currency); err != nil {
		return "", code, err
	}
	d, err := decimal.NewFromString(number)
	return d.StringFixed(u.decimals), u.code, err
}

const spaces = " \t\u00a0\u202f\u2009"

// split parts digits, with what separates them, from what stands before or after.
func split(s string) (number, sign string) {
	var n, rest strings.Builder
	before := ' '
	for _, r := range s {
		letter := unicode.IsLetter(before)
		before = r
		switch {
		case r == '.' && letter: // as in kr. and Fr.
			rest.WriteRune(r)
		case r == '−': // U+2212
			n.WriteByte('-')
		case r == '’' || r == '\'' || strings.ContainsRune("0123456789.,-–—", r):
			n.WriteRune(r)
		case r == '\u200e' || r == '\u200f': // marks of direction, which are not seen
		case strings.ContainsRune(spaces, r):
			n.WriteByte(' ')
		default:
			rest.WriteRune(r)
		}
	}
	return strings.TrimSpace(n.String()), rest.String()
}

// codeOf is the currency for which a sign or a code stands. A sign that several have, as $, is the
// expected one's if that has it.
func codeOf(sign, expected string) (string, error) {
	if u, found := unitOf(sign); found {
		return u.code, nil
	}
	if u, found := unitOf(expected); found && strings.HasSuffix(u.sign, sign) {
		return u.code, nil
	}
	local := "" // the one that has the sign in some languages
	several := false
	for code, theirs := range localSigns {
		switch {
		case theirs != sign:
		case code == expected:
			return code, nil
		default:
			several = several || local != "" && local != code
			local = code
		}
	}
	for line := range strings.Lines(currencies) {
		if code, theirs, _ := strings.Cut(strings.TrimSuffix(line, "\n"), " "); strings.HasSuffix(theirs, " "+sign) {
			return code, nil
		}
	}
	if code := handwritten[sign]; code != "" {
		return code, nil
	}
	if local == "" || several {
		return "", fmt.Errorf("%q is no currency that is known", sign)
	}
	return local, nil
}

// localSigns are all currencies that have another sign in some language, and that.
func localSigns(yield func(code, sign string) bool) {
	for line := range strings.Lines(forms) {
		line = strings.TrimSuffix(line, "\n")
		for own := range strings.SplitSeq(line[strings.LastIndexByte(line, '|')+1:], " ") {
			if code, sign, is := strings.Cut(own, "="); is && !yield(code, sign) {
				return
			}
		}
	}
}

// handwritten are signs that people write and CLDR does not have.
var handwritten = map[string]string{"Fr.": "CHF", "SFr.": "CHF", "Fr": "CHF"}

// plain writes a number with a point before its decimals and nothing else between its digits.
func plain(s string, u unit, point byte) (string, error) {
	for _, dash := range []string{".–", ",–", ".—", ",—", ".-", ",-"} { // as in 12.–
		if rest, has := strings.CutSuffix(s, dash); has {
			s = rest
			break
		}
	}
	s = strings.NewReplacer(" ", "", "'", "", "’", "").Replace(s)
	separator, err := separatorOf(s, u, point)
	if err != nil {
		return "", err
	}
	whole, rest, has := strings.Cut(s, string(separator))
	groups := strings.FieldsFunc(whole, func(r rune) bool { return r == '.' || r == ',' })
	for i, group := range groups {
		if i > 0 && len(group) != 3 && !(len(group) == 2 && i < len(groups)-1) { // two in Indian numbers
			return "", fmt.Errorf("has separators where thousands have none: write it as 1299.00")
		}
	}
	if strings.ContainsAny(rest, ".,") {
		return "", fmt.Errorf("is not an amount: write it as 1299.00")
	}
	whole = strings.Join(groups, "")
	if whole == "" || whole == "-" {
		whole += "0"
	}
	if !has {
		return whole, nil
	}
	return whole + "." + rest, nil
}

// separatorOf is what stands before the decimals of a number, if it has any.
func separatorOf(s string, u unit, point byte) (byte, error) {
	dots, commas := strings.Count(s, "."), strings.Count(s, ",")
	switch {
	case dots > 0 && commas > 0:
		return s[strings.LastIndexAny(s, ".,")], nil
	case dots > 1:
		return ',', nil
	case commas > 1:
		return '.', nil
	case point != 0:
		return point, nil
	case dots+commas == 0:
		return '.', nil
	}
	at := strings.IndexAny(s, ".,")
	whole, rest := s[:at], s[at+1:]
	if len(rest) != 3 || len(whole) < 1 || len(whole) > 3 || whole == "0" || u.decimals == 3 {
		return s[at], nil
	}
	if u.decimals == 0 {
		return '.' + ',' - s[at], nil // it parts thousands
	}
	return 0, fmt.Errorf("can be read as %s%s or as %s.%s, which has more decimals than %s: write %[1]s%[2]s.00, or two decimals", whole, rest, whole, rest, u.code)
}
