// Package brand is what a maker keeps for all clips: colours, fonts and logos.
package brand

import (
	"cmp"
	"fmt"
	"slices"
	"strings"
	"unicode/utf8"

	"billow/core/clip"
	"billow/core/colour"
	"billow/core/palette"
)

// Brand is a maker's own colours, fonts and logos.
type Brand struct {
	ID      string          `json:"id"`
	Name    string          `json:"name"`
	Colours []colour.Colour `json:"colours"` // the first is of the ground, the second stands out, the third is of words
	Fonts   []string        `json:"fonts"`   // of clip.Fonts, or the maker's own
	Logos   []string        `json:"logos"`   // hashes of props
}

// Limits of a brand.
const (
	MaxColours = 12
	MaxLogos   = 24
	MaxFonts   = 60
)

// Check reports the first thing that is wrong with it, as a *clip.FieldError, or nil.
func (b *Brand) Check() error {
	switch {
	case strings.TrimSpace(b.Name) == "":
		return clip.Fault("name", "a brand needs a name")
	case utf8.RuneCountInString(b.Name) > 60:
		return clip.Fault("name", "the name of a brand has at most 60 letters")
	case len(b.Colours) > MaxColours:
		return clip.Fault("colours", "a brand has at most %d colours", MaxColours)
	case len(b.Fonts) > MaxFonts:
		return clip.Fault("fonts", "a brand has at most %d fonts", MaxFonts)
	case len(b.Logos) > MaxLogos:
		return clip.Fault("logos", "a brand has at most %d logos", MaxLogos)
	}
	for i, f := range b.Fonts {
		if !slices.Contains(clip.Fonts, f) && !clip.IsOwnFont(f) {
			return clip.Fault(fmt.Sprintf("fonts[%d]", i), "there is no font %q", f)
		}
	}
	for i, h := range b.Logos {
		if len(h) != 64 || strings.Trim(h, "0123456789abcdef") != "" {
			return clip.Fault(fmt.Sprintf("logos[%d]", i), "this names no prop")
		}
	}
	return nil
}

// Whole gives a brand empty lists instead of none, as those who read it expect.
func (b *Brand) Whole() {
	b.Colours = append([]colour.Colour{}, b.Colours...)
	b.Fonts = append([]string{}, b.Fonts...)
	b.Logos = append([]string{}, b.Logos...)
}

// Accents are the brand's colours for words that stand out on its ground, the best first: the
// most vivid of those that can be seen there, then the others.
func (b *Brand) Accents() []colour.Colour {
	p, ok := b.Palette()
	if !ok {
		return nil
	}
	out := slices.Clone(b.Colours)
	slices.SortStableFunc(out, func(x, y colour.Colour) int {
		sx, sy := colour.Contrast(x, p.Top) >= palette.ForThings, colour.Contrast(y, p.Top) >= palette.ForThings
		switch {
		case sx && !sy:
			return -1
		case sy && !sx:
			return 1
		}
		return cmp.Compare(palette.Vividness(y), palette.Vividness(x))
	})
	return out
}

// Palette is the brand's colours by what they are for; those that it lacks, and those that
// could not be read, are made to go with it. A brand without colours has none.
func (b *Brand) Palette() (palette.Palette, bool) {
	if len(b.Colours) == 0 {
		return palette.Palette{}, false
	}
	p := palette.Of(b.Colours)
	p.ID, p.Name = "brand-"+b.ID, b.Name
	return p, true
}
