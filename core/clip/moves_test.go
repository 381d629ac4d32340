package clip

import (
	"strings"
	"testing"
)

// What a move does is said in six words, so that a row of them can be read at a glance.
func TestAMoveSaysInSixWordsWhatItDoes(t *testing.T) {
	for _, m := range Moves {
		if n := len(strings.Fields(m.Says)); n != 6 {
			t.Errorf("%s says %q: %d words", m.Name, m.Says, n)
		}
	}
}
