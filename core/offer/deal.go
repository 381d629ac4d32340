package offer

import (
	"fmt"
	"strings"

	"github.com/shopspring/decimal"
)

// deal is several for less: count of them for what pay of them cost, or for an amount. None is zero.
type deal struct {
	count, pay int
	amount     decimal.Decimal // instead of pay
}

// mostInDeal is how many are in a deal at most.
const mostInDeal = 100

// readDeal reads "3 for 2" or "2 for 15.00".
func readDeal(s string, u unit) (d deal, err error) {
	wrong := fmt.Errorf("the deal %q is not one: write it as 3 for 2, or as 2 for 15.00", s)
	n, m, found := strings.Cut(s, " for ")
	if !found {
		return d, wrong
	}
	if d.count, err = whole(n); err != nil {
		return deal{}, wrong
	}
	if d.count < 2 || d.count > mostInDeal {
		return deal{}, fmt.Errorf("a deal is of 2 to %d, not of %s", mostInDeal, n)
	}
	if !strings.Contains(m, ".") {
		if d.pay, err = whole(m); err == nil && d.pay > 0 && d.pay < d.count {
			return d, nil
		}
	}
	d.pay = 0
	if d.amount, err = amount("deal's price", m); err != nil || d.amount.IsZero() {
		return deal{}, wrong
	}
	d.amount = d.amount.Round(u.decimals)
	return d, nil
}

// total is what all of a deal costs. What it costs by the piece is rounded up, so that
// no claim says more than is given.
func (o Offer) total() decimal.Decimal {
	if o.deal.pay > 0 {
		return o.price.Mul(decimal.NewFromInt(int64(o.deal.pay)))
	}
	return o.deal.amount
}

// eachInDeal is what one of a deal costs.
func (o Offer) eachInDeal() decimal.Decimal {
	return o.total().Div(decimal.NewFromInt(int64(o.deal.count))).RoundUp(o.unit.decimals)
}

// saves is how much less a deal costs than as many by themselves; it may be nothing.
func (o Offer) saves() decimal.Decimal {
	return o.price.Mul(decimal.NewFromInt(int64(o.deal.count))).Sub(o.total())
}
