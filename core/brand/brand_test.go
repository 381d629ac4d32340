package brand_test

import (
	"encoding/json"
	"slices"
	"testing"

	"billow/core/brand"
	"billow/core/colour"
)

// For emphasis the most vivid colour comes first that can be seen on the brand's ground, and
// none is lost.
func TestAccentsOfABrand(t *testing.T) {
	const teal, ember, white, petrol, gold = "#2f6b6a", "#dd4f28", "#fcfaf5", "#173f47", "#f6c667"
	of := func(names ...string) (out []colour.Colour) {
		for _, n := range names {
			c, err := colour.Parse(n)
			if err != nil {
				t.Fatal(err)
			}
			out = append(out, c)
		}
		return out
	}
	b := brand.Brand{ID: "b", Name: "B", Colours: of(teal, ember, white, petrol, gold)}
	// On the teal, by WCAG's formula: gold 3.8 and white 5.8 can be seen, ember 1.5 and petrol 1.9 cannot.
	if got, want := b.Accents(), of(gold, white, ember, teal, petrol); !slices.Equal(got, want) {
		t.Errorf("%v, not %v", got, want)
	}
	if got := (&brand.Brand{}).Accents(); got != nil {
		t.Errorf("a brand without colours has %v", got)
	}
}

// A brand of which only some was said has empty lists, not none.
func TestABrandIsWhole(t *testing.T) {
	var b brand.Brand
	if err := json.Unmarshal([]byte(`{"id":"b","name":"B","colours":["#2f6b6a"]}`), &b); err != nil {
		t.Fatal(err)
	}
	b.Whole()
	raw, err := json.Marshal(b)
	if want := `{"id":"b","name":"B","colours":["#2f6b6a"],"fonts":[],"logos":[]}`; err != nil || string(raw) != want {
		t.Errorf("%s, not %s: %v", raw, want, err)
	}
}
