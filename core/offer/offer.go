// Package offer computes what is said of a price: percentages, savings, deals, what a kilogram
// costs. Money is decimal, and no claim says more than the printed prices give.
package offer

import (
	"fmt"
	"strings"

	"github.com/shopspring/decimal"
)

// Terms are what a product is offered for, as they are typed. All but Currency may be empty.
type Terms struct {
	Price    string // decimal, as 34.90
	Old      string // the price before, decimal
	Lowest   string // of the last 30 days before it was reduced, decimal
	Currency string // ISO 4217
	Percent  string // off, typed by hand: whole, without its sign
	Quote    string // how the price is meant, of Quotes
	Deal     string // as "3 for 2" or "2 for 15.00"
	Contents string // how much it is, as "250 g"
}

// How a price is meant.
const (
	Plain = ""
	From  = "from" // the least that it costs
	Each  = "each" // what one costs
)

// Quotes are the ways in which a price may be meant.
var Quotes = []string{Plain, From, Each}

// Offer is terms that can be printed.
type Offer struct {
	unit           unit
	price          decimal.Decimal // as it is printed, with the currency's decimals; so are the others
	old, lowest    decimal.Decimal
	priced         bool // whether there is a price, and so on
	before, lows   bool
	percent        int // typed by hand, -1 is none
	quote          string
	deal           deal
	contents       measure
	writtenContent string
}

// New reads terms. Amounts are taken as they are printed, with the currency's own decimals, so that
// no claim says more than can be read. What contradicts itself is taken all the same: see Mistakes.
func New(t Terms) (Offer, error) {
	unit, found := unitOf(t.Currency)
	if !found {
		return Offer{}, fmt.Errorf("%q is not a currency: use a code such as EUR", t.Currency)
	}
	o := Offer{unit: unit, percent: -1, quote: t.Quote, writtenContent: t.Contents}
	for _, a := range []struct {
		what, s string
		to      *decimal.Decimal
		is      *bool
	}{{"price", t.Price, &o.price, &o.priced}, {"old price", t.Old, &o.old, &o.before}, {"lowest price", t.Lowest, &o.lowest, &o.lows}} {
		if a.s == "" {
			continue
		}
		d, err := amount(a.what, a.s)
		if err != nil {
			return Offer{}, err
		}
		*a.to, *a.is = d.Round(unit.decimals), true
	}
	if t.Percent != "" {
		var err error
		if o.percent, err = whole(t.Percent); err != nil || o.percent > 100 {
			return Offer{}, fmt.Errorf("%q is no percentage: write a whole number, 0 to 100", t.Percent)
		}
	}
	switch t.Quote {
	case Plain, From, Each:
	default:
		return Offer{}, fmt.Errorf("a price is meant as it is, from or each, not %q", t.Quote)
	}
	var err error
	if t.Deal != "" {
		if o.deal, err = readDeal(t.Deal, unit); err != nil {
			return Offer{}, err
		}
	}
	if t.Contents != "" {
		o.contents, err = readMeasure(t.Contents)
	}
	return o, err
}

// mostMoney is more than anything in a clip costs.
var mostMoney = decimal.New(1, 10)

func amount(what, s string) (decimal.Decimal, error) {
	d, err := decimal.NewFromString(s)
	if err != nil || len(s) > 16 || strings.ContainsAny(s, "eE") {
		return d, fmt.Errorf("the %s %q is not an amount: write it as 34.90", what, s)
	}
	if d.IsNegative() {
		return d, fmt.Errorf("the %s %q is below zero", what, s)
	}
	if d.GreaterThanOrEqual(mostMoney) {
		return d, fmt.Errorf("the %s %q is ten thousand million or more", what, s)
	}
	return d, nil
}

func whole(s string) (int, error) {
	n := 0
	if s == "" || len(s) > 4 {
		return 0, fmt.Errorf("%q is no whole number", s)
	}
	for _, r := range s {
		if r < '0' || r > '9' {
			return 0, fmt.Errorf("%q is no whole number", s)
		}
		n = 10*n + int(r-'0')
	}
	return n, nil
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

// Reduced tells whether there is an old price, and the price lies below it.
func (o Offer) Reduced() bool { return o.priced && o.before && o.old.GreaterThan(o.price) }

// Percent is how many whole percent the price lies below the old one, rounded
// down so that an advertisement never claims more than is given; 0 without an
// old price.
func (o Offer) Percent() int {
	if !o.Reduced() {
		return 0
	}
	return int(o.old.Sub(o.price).Mul(decimal.NewFromInt(100)).Div(o.old).IntPart())
}

// claimed is the percentage that is printed: the one typed by hand where it claims less.
func (o Offer) claimed() int {
	p := o.Percent()
	if o.percent >= 0 {
		return min(p, o.percent)
	}
	return p
}
