package passages_test

import (
	"testing"

	"billow/core/clip"
	"billow/core/passages"
	"billow/core/timing"
)

// A passage is known again by what makes its way, however quick it is and whenever it begins;
// no two ways are alike.
func TestAPassageKnowsItsWay(t *testing.T) {
	for _, going := range []bool{false, true} {
		for _, k := range passages.Kinds {
			p, ok := passages.Named(k.ID, passages.Text{Lines: 2, Words: 5, Letters: 23}, 25, going)
			if !ok {
				t.Fatalf("%s is not there", k.ID)
			}
			p.At, p.Each, p.Over = timing.At(70), p.Each+9, p.Over/2
			if got := passages.Of(p, going); got != k.ID {
				t.Errorf("%s, going %v, is taken for %q", k.ID, going, got)
			}
			p.Afar.Size += 7
			if got := passages.Of(p, going); got != "" {
				t.Errorf("%s with another size is still taken for %q", k.ID, got)
			}
		}
	}
	if got := passages.Of(clip.Passage{}, false); got != "" {
		t.Errorf("nothing is taken for %q", got)
	}
}
