package words

import (
	"encoding/binary"
	"slices"
	"sort"

	"github.com/go-text/typesetting/font"
)

// Coverage is which letters a font has: pairs of the first and the last rune of
// each stretch, going up.
type Coverage []rune

// Has tells whether a letter is among them.
func (c Coverage) Has(r rune) bool {
	i := sort.Search(len(c)/2, func(i int) bool { return c[2*i+1] >= r })
	return i < len(c)/2 && c[2*i] <= r
}

// Packed is the coverage in few bytes: of each number how far it lies beyond the one before,
// as an unsigned varint (encoding/binary).
func (c Coverage) Packed() (out []byte) {
	before := rune(0)
	for _, r := range c {
		out = binary.AppendUvarint(out, uint64(r-before))
		before = r
	}
	return out
}

// Unpacked is the coverage that was packed.
func Unpacked(packed string) (out Coverage) {
	at := rune(0)
	for rest := []byte(packed); len(rest) > 0; {
		by, n := binary.Uvarint(rest)
		if n <= 0 {
			return out
		}
		at, rest = at+rune(by), rest[n:]
		out = append(out, at)
	}
	return out
}

// CoverageOf reads which letters a font has.
func CoverageOf(ttf []byte) (Coverage, error) {
	f := NewFonts()
	if err := f.Add("", ttf); err != nil {
		return nil, err
	}
	return f.fonts[0].covers, nil
}

// mostLetters is how many letters a font is taken to have at most: Unicode has fewer.
const mostLetters = 300_000

func coverageOf(face *font.Face) Coverage {
	var all []rune
	for it := face.Cmap.Iter(); it.Next(); {
		if r, glyph := it.Char(); glyph != 0 {
			if all = append(all, r); len(all) == mostLetters {
				break
			}
		}
	}
	slices.Sort(all)
	var out Coverage
	for _, r := range all {
		if n := len(out); n > 0 && r <= out[n-1]+1 {
			out[n-1] = r
		} else {
			out = append(out, r, r)
		}
	}
	return out
}
