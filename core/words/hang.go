package words

import (
	"slices"
	"strings"
	"unicode"

	"github.com/go-text/typesetting/shaping"
)

// hangs is how much of a sign hangs out where a line begins or ends with it: its own width of
// quotation marks, less of what is heavier. Edges look straight so.
var hangs = []struct {
	signs string
	share float64
}{
	{"\"'“”‘’„‚«»‹›「」『』", 1},
	{".,·…", 0.7},
	{"-‐:;!*†", 0.5},
	{"–—", 0.25},
}

// hanging is how far a line hangs out on the left and on the right, em units.
func (s *setter) hanging(line shaping.Line, p *stretch) (out [2]float64) {
	if !s.words.Optical {
		return out
	}
	var first, last struct {
		sign rune
		wide float64
	}
	count := 0
	seen := slices.Clone(line)
	inOrder(seen)
	for _, run := range seen {
		for _, g := range run.Glyphs {
			sign := p.text[g.TextIndex()]
			if g.Advance == 0 || unicode.IsSpace(sign) {
				continue
			}
			last.sign, last.wide = sign, units(g.Advance)
			if count++; count == 1 {
				first = last
			}
		}
	}
	if count < 3 {
		return out
	}
	for _, h := range hangs {
		if strings.ContainsRune(h.signs, first.sign) {
			out[0] = h.share * first.wide
		}
		if strings.ContainsRune(h.signs, last.sign) {
			out[1] = h.share * last.wide
		}
	}
	return out
}
