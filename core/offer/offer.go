// Package offer computes prices and percentages. Money is decimal.
package offer

import (
	"fmt"
	"strings"

	"github.com/shopspring/decimal"
)

// Offer is a price, perhaps reduced from an old one.
type Offer struct {
	price, old decimal.Decimal
	reduced    bool
	unit       unit
}

// New reads a price, an old price (empty where there is none) and an ISO 4217
// currency. The old price must be higher than the price.
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
		return o, nil
	}
	if o.old, err = amount("old price", old); err != nil {
		return Offer{}, err
	}
	if !o.old.GreaterThan(o.price) {
		return Offer{}, fmt.Errorf("the old price %s is not higher than the price %s", old, price)
	}
	o.reduced = true
	return o, nil
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
// as it is. Prices are written the English way with the currency's own number of
// decimals.
func (o Offer) Text(text, name string, fields map[string]string) string {
	if !strings.Contains(text, "{") {
		return text
	}
	old, percent := "", ""
	if o.reduced {
		old, percent = o.unit.write(o.old), fmt.Sprintf("%d%%", o.Percent())
	}
	pairs := []string{"{name}", name, "{price}", o.unit.write(o.price), "{old}", old, "{percent}", percent}
	for field, says := range fields {
		pairs = append(pairs, "{"+field+"}", says) // no name is the beginning of another with its brace
	}
	return strings.NewReplacer(pairs...).Replace(text)
}
