package offer

import (
	"fmt"
	"strings"

	"github.com/shopspring/decimal"
)

// measure is how much a product is: some times so much of a unit. None is zero.
type measure struct {
	amount decimal.Decimal // of base
	base   string          // kg, l, m, m² or piece: what the base price is for
}

// measures are the units that are read: each is so many of its base, a power of ten.
var measures = []struct {
	name, base string
	power      int32
}{
	{"mg", "kg", -6}, {"g", "kg", -3}, {"kg", "kg", 0}, {"t", "kg", 3},
	{"ml", "l", -3}, {"cl", "l", -2}, {"dl", "l", -1}, {"l", "l", 0}, {"hl", "l", 2},
	{"mm", "m", -3}, {"cm", "m", -2}, {"m", "m", 0}, {"cm²", "m²", -4}, {"m²", "m²", 0}, {"m2", "m²", 0},
	{"piece", "piece", 0}, {"pieces", "piece", 0}, {"pcs", "piece", 0}, {"pc", "piece", 0},
}

// readMeasure reads "250 g", "1,5 l", "6 × 0.33 l" or "4 pieces".
func readMeasure(s string) (measure, error) {
	wrong := fmt.Errorf("the contents %q are no amount with a unit: write them as 250 g, 6 × 0.33 l or 4 pieces", s)
	if len(s) > 40 {
		return measure{}, wrong
	}
	text := strings.NewReplacer("×", "x", "\u00a0", " ", "\u202f", " ").Replace(strings.ToLower(strings.TrimSpace(s)))
	times := decimal.NewFromInt(1)
	if n, rest, found := strings.Cut(text, "x"); found {
		count, err := whole(strings.TrimSpace(n))
		if err != nil || count < 1 {
			return measure{}, wrong
		}
		times, text = decimal.NewFromInt(int64(count)), strings.TrimSpace(rest)
	}
	end := 0
	for end < len(text) && strings.IndexByte("0123456789.,", text[end]) >= 0 {
		end++
	}
	d, err := decimal.NewFromString(strings.Replace(text[:end], ",", ".", 1))
	if err != nil || end > 12 || !d.IsPositive() {
		return measure{}, wrong
	}
	unit := strings.TrimSpace(text[end:])
	for _, m := range measures {
		if m.name == unit {
			return measure{d.Mul(times).Shift(m.power), m.base}, nil
		}
	}
	return measure{}, wrong
}

// basePrice is what one of the base unit costs, rounded to the currency's decimals as trade
// rounds, half up.
func (o Offer) basePrice() (decimal.Decimal, bool) {
	if !o.priced || o.contents.base == "" {
		return decimal.Decimal{}, false
	}
	return o.price.DivRound(o.contents.amount, o.unit.decimals), true
}
