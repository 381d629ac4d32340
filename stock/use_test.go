package stock

import "testing"

// What was taken before black shines on what is beneath it; a splash before green stands in the frame,
// where its green can be taken out.
func TestThingsGoWhereSuchThingsGo(t *testing.T) {
	for _, one := range []struct {
		thing Thing
		want  Use
	}{
		{Thing{Kind: Backdrop, Tags: []string{"wall"}}, Use{Layer: "photo"}},
		{Thing{Kind: Texture, Tags: []string{"film", "screen"}}, Use{Layer: "photo", Blend: "screen"}},
		{Thing{Kind: Footage, Tags: []string{"black", "screen"}}, Use{Blend: "screen"}},
		{Thing{Kind: Footage, Tags: []string{"ink", "multiply"}}, Use{Blend: "multiply"}},
		{Thing{Kind: Footage, Tags: []string{"green screen"}}, Use{Layer: "cutout"}},
		{Thing{Kind: Garnish}, Use{Layer: "cutout"}},
		{Thing{Kind: Tune}, Use{}},
	} {
		if got := one.thing.Use(); got != one.want {
			t.Errorf("%s with %v goes in as %+v, want %+v", one.thing.Kind, one.thing.Tags, got, one.want)
		}
	}
}
