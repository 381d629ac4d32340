package look

import (
	"strings"
	"testing"

	"billow/core/clip"
)

// The looks that come with Billow are whole and have names of their own.
func TestReadyLooks(t *testing.T) {
	ids, names := map[string]bool{}, map[string]bool{}
	for _, l := range Ready {
		if err := l.Check(); err != nil {
			t.Errorf("%s: %v", l.ID, err)
		}
		if ids[l.ID] || names[l.Name] {
			t.Errorf("there are two of %s", l.ID)
		}
		ids[l.ID], names[l.Name] = true, true
	}
	if len(Ready) < 8 {
		t.Errorf("there are %d looks", len(Ready))
	}
}

func TestWrongLooks(t *testing.T) {
	some := map[string][]float64{"exposure": {1}}
	for what, l := range map[string]Look{
		"needs a name":       {Values: some},
		"at most 60":         {Name: strings.Repeat("x", 61), Values: some},
		"changes nothing":    {Name: "Empty"},
		"not of an effect":   {Name: "Moves", Values: map[string][]float64{"rotation": {3}}},
		"number(s)":          {Name: "Long", Values: map[string][]float64{"exposure": {1, 2}}},
		"between":            {Name: "Far", Values: map[string][]float64{"exposure": {99}}},
		"no table":           {Name: "Mug", Values: some, Table: &clip.Prop{Name: "Mug", Kind: clip.KindCutout}},
		`"chromaKey" is not`: {Name: "Key", Values: map[string][]float64{"chromaKey": {100}}},
	} {
		if err := l.Check(); err == nil || !strings.Contains(err.Error(), what) {
			t.Errorf("%q: %v", what, err)
		}
	}
}
