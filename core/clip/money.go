package clip

import (
	"slices"

	"billow/core/wording"
)

// Money is how amounts look among words.
type Money struct {
	Cents string `json:"cents,omitempty"` // of MoneyCents
	Zeros string `json:"zeros,omitempty"` // decimals that are all zero: of MoneyZeros
	Sign  string `json:"sign,omitempty"`  // of the currency, and words such as "from": of MoneySigns
}

// How amounts may look.
var (
	MoneyCents = wording.List{{ID: "", Name: "As they are, 12.50"}, {ID: "raised", Name: "Small and raised, 12.⁵⁰"}, {ID: "bare", Name: "Raised, without a point, 12⁵⁰"}}
	MoneyZeros = wording.List{{ID: "", Name: "As they are, 12.00"}, {ID: "none", Name: "Left out, 12"}, {ID: "dash", Name: "A dash, 12.–"}}
	MoneySigns = wording.List{{ID: "", Name: "As large as the amount"}, {ID: "small", Name: "Small"}, {ID: "raised", Name: "Small and raised"}}
)

func (m *Money) check(field string) error {
	if m == nil {
		return nil
	}
	for _, f := range []struct {
		name, is string
		of       wording.List
	}{{"cents", m.Cents, MoneyCents}, {"zeros", m.Zeros, MoneyZeros}, {"sign", m.Sign, MoneySigns}} {
		if !slices.Contains(f.of.IDs(), f.is) {
			return Fault(field+"."+f.name, "%q is none of the ways in which amounts look", f.is)
		}
	}
	return nil
}
