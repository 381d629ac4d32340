package offer

import (
	"strconv"
	"strings"

	"github.com/shopspring/decimal"
)

// Role is what a part of a written price is.
type Role uint8

// Roles of parts.
const (
	Text    Role = iota // all else
	Whole               // the digits before the decimals, with what groups them
	Decimal             // the separator of the decimals
	Cents               // the decimals
	Sign                // of the currency, with the space beside it
	Note                // words such as "from"
)

// Part is some of what a field says.
type Part struct {
	Text string
	Role Role
}

// State tells whether a field has something to say.
type State uint8

// States of fields.
const (
	Unknown State = iota // no offer has a field of this name
	Lacking              // it has none, though every product should: a price
	Absent               // it has none, which is no mistake: an old price
	Filled
)

// fields are those that offers fill, in the order in which they are told of.
var fields = []string{"price", "amount", "old", "percent", "saving", "lowest", "deal", "dealeach", "dealsaving", "contents", "base"}

// MoneyFields are those that may have an amount with its currency in them.
var MoneyFields = []string{"price", "amount", "old", "saving", "lowest", "deal", "dealeach", "dealsaving", "base"}

// Fields are the names that offers fill.
func Fields() []string { return fields }

// Reserved tells whether a name in braces is one that every product has.
func Reserved(name string) bool {
	switch name {
	case "name", "first", "second", "line", "web":
		return true
	}
	for _, f := range fields {
		if f == name {
			return true
		}
	}
	return false
}

// Field is what a field says in the form of a language, English where it is not known.
func (o Offer) Field(name, language string) ([]Part, State) {
	f := formOf(language)
	money := func(d decimal.Decimal, is bool) ([]Part, State) {
		if !is {
			return nil, Absent
		}
		return f.parts(d, o.unit), Filled
	}
	reduced, deal := o.Reduced(), o.priced && o.deal.count > 0
	switch name {
	case "price", "amount":
		if !o.priced {
			return nil, Lacking
		}
		parts := f.parts(o.price, o.unit)
		if name == "price" && o.quote != Plain {
			parts = around(wordsOf(language).quote(o.quote), parts)
		}
		return parts, Filled
	case "old":
		return money(o.old, reduced)
	case "saving":
		return money(o.old.Sub(o.price), reduced)
	case "percent":
		if !reduced || o.claimed() < 1 {
			return nil, Absent
		}
		return text(strings.Replace(f.percent, "#", strconv.Itoa(o.claimed()), 1)), Filled
	case "lowest":
		return money(o.lowest, o.lows)
	case "deal":
		if !deal {
			return nil, Absent
		}
		return o.dealt(&f, wordsOf(language)), Filled
	case "dealeach":
		if !deal {
			return nil, Absent
		}
		return money(o.eachInDeal(), true)
	case "dealsaving":
		if !deal {
			return nil, Absent
		}
		return money(o.saves(), o.saves().IsPositive())
	case "contents":
		if o.writtenContent == "" {
			return nil, Absent
		}
		return text(o.writtenContent), Filled
	case "base":
		d, is := o.basePrice()
		if !is {
			return nil, Absent
		}
		base := o.contents.base
		if base == "piece" {
			return around(wordsOf(language).quote(Each), f.parts(d, o.unit)), Filled
		}
		return append(f.parts(d, o.unit), Part{"/" + base, Text}), Filled
	}
	return nil, Unknown
}

// dealt is a deal in words.
func (o Offer) dealt(f *form, w wordings) []Part {
	if o.deal.pay > 0 {
		return text(strings.NewReplacer("N", strconv.Itoa(o.deal.count), "M", strconv.Itoa(o.deal.pay)).Replace(w.less))
	}
	return around(strings.Replace(w.bundle, "N", strconv.Itoa(o.deal.count), 1), f.parts(o.deal.amount, o.unit))
}

func text(s string) []Part { return []Part{{s, Text}} }

// around puts words about an amount, which stands at #.
func around(pattern string, parts []Part) []Part {
	before, after, _ := strings.Cut(pattern, "#")
	var out []Part
	if before != "" {
		out = append(out, Part{before, Note})
	}
	out = append(out, parts...)
	if after != "" {
		out = append(out, Part{after, Note})
	}
	return out
}

// Joined is what parts say together.
func Joined(parts []Part) string {
	var b strings.Builder
	for _, p := range parts {
		b.WriteString(p.Text)
	}
	return b.String()
}
