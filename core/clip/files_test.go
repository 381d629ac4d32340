package clip

import (
	"slices"
	"testing"
)

// Files are called by what their names ask for, each once, so that any system takes them.
func TestFilesOfVariantsAreCalledByTheirFields(t *testing.T) {
	c := &Clip{Products: []Product{
		{ID: "a", Name: "Größe: 7/8", Price: "12.50", Currency: "EUR", Fields: map[string]string{"number": "OM 12"}},
		{ID: "b", Name: "ランプ", Price: "3", Currency: "JPY"}, {ID: "twin", Name: "Größe 7 8"},
	}, Variants: &Variants{}}
	refs := []Variant{{"a", "tall", ""}, {"a", "tall", "de-AT"}, {"b", "square", ""}, {"twin", "tall", ""}}
	for pattern, want := range map[string][]string{
		"":                               {"groesse-7-8-tall", "groesse-7-8-tall-de-at", "ランプ-square", "groesse-7-8-tall-2"},
		"{language}_{number}_{price}":    {"_om-12_12-50", "de-at_om-12_12-50", "__3", "__"},
		"Sale {id} {currency} {unclosed": {"Sale a eur", "Sale a eur-de-at", "Sale b jpy", "Sale twin"},
		"{nothing}":                      {"variant", "variant-de-at", "variant-2", "variant-3"},
	} {
		c.Variants.Files = pattern
		if got := c.FileNames(refs); !slices.Equal(got, want) {
			t.Errorf("%q: %q, want %q", pattern, got, want)
		}
	}
	for _, r := range refs {
		if got, is := ReadVariant(r.ID()); !is || got != r {
			t.Errorf("%q is read as %+v", r.ID(), got)
		}
	}
	if _, is := ReadVariant("tall"); is {
		t.Error("a shape is a variant")
	}
}
