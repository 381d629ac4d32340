// Package offer computes prices and percentages. Money is decimal.
package offer

import (
	"fmt"
	"strconv"
	"strings"

	"github.com/shopspring/decimal"
)

// Offer is a price, perhaps reduced from an old one.
type Offer struct {
	price, old decimal.Decimal // as they are printed
	reduced    bool
	unit       unit
}

// New reads a price, an old price (empty where there is none) and an ISO 4217
// currency. The old price must be higher than the price. Both are taken as they are printed,
// with the currency's own decimals, so that no claim says more than can be read.
func New(price, old, code string) (Offer, error) {
	unit, found := unitOf(code)
	if !found {
		return Offer{}, fmt.Errorf("%q is not a currency: use a code such as EUR", code)
	}
	o := Offer{unit: unit}
	var err error
	if o.price, err = amount("price", price); err != nil {
		return Offer{}, err
	}
	if old == "" {
		o.price = o.price.Round(unit.decimals)
		return o, nil
	}
	if o.old, err = amount("old price", old); err != nil {
		return Offer{}, err
	}
	if !o.old.GreaterThan(o.price) {
		return Offer{}, fmt.Errorf("the old price %s is not higher than the price %s", old, price)
	}
	o.price, o.old = o.price.Round(unit.decimals), o.old.Round(unit.decimals)
	o.reduced = o.old.GreaterThan(o.price)
	return o, nil
}

// Exact tells what is wrong with an amount as it is typed: it may have no more decimals than its
// currency.
func Exact(what, s, code string) error {
	unit, found := unitOf(code)
	d, err := amount(what, s)
	if err != nil || !found || d.Equal(d.Truncate(unit.decimals)) {
		return nil // what else is wrong New says
	}
	if unit.decimals == 0 {
		return fmt.Errorf("the %s %s has decimals, which %s has not", what, s, unit.code)
	}
	return fmt.Errorf("the %s %s has more decimals than %s, which has %d", what, s, unit.code, unit.decimals)
}

func amount(what, s string) (decimal.Decimal, error) {
	d, err := decimal.NewFromString(s)
	if err != nil || len(s) > 16 || strings.ContainsAny(s, "eE") {
		return d, fmt.Errorf("the %s %q is not an amount: write it as 34.90", what, s)
	}
	if d.IsNegative() {
		return d, fmt.Errorf("the %s %q is below zero", what, s)
	}
	return d, nil
}

// Percent is how many whole percent the price lies below the old one, rounded
// down so that an advertisement never claims more than is given; 0 without an
// old price.
func (o Offer) Percent() int {
	if !o.reduced {
		return 0
	}
	return int(o.old.Sub(o.price).Mul(decimal.NewFromInt(100)).Div(o.old).IntPart())
}

// Reserved tells whether a name in braces is one that every offer fills.
func Reserved(name string) bool {
	return name == "name" || name == "price" || name == "old" || name == "percent"
}

// Text fills {name}, {price}, {old}, {percent} and the product's own fields in a
// text. What the offer does not have becomes empty; what no field is called stays
// as it is. Prices are written in the form of a language, English where it is not known, with
// the currency's own number of decimals.
func (o Offer) Text(text, language, name string, fields map[string]string) string {
	if !strings.Contains(text, "{") {
		return text
	}
	f, old, percent := formOf(language), "", ""
	if o.reduced {
		old, percent = f.write(o.old, o.unit), strings.Replace(f.percent, "#", strconv.Itoa(o.Percent()), 1)
	}
	pairs := []string{"{name}", name, "{price}", f.write(o.price, o.unit), "{old}", old, "{percent}", percent}
	for field, says := range fields {
		pairs = append(pairs, "{"+field+"}", says) // no name is the beginning of another with its brace
	}
	return strings.NewReplacer(pairs...).Replace(text)
}
