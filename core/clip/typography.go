package clip

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"billow/core/wording"
)

// Axis is a place on an axis of a variable font. The number under ID has keys.
type Axis struct {
	ID  int     `json:"id"`  // 1..99
	Tag string  `json:"tag"` // of OpenType, as wght
	At  float64 `json:"at"`  // in the axis' own unit
}

// AxisNames are names of the registered axes of OpenType; others have those of their fonts.
var AxisNames = map[string]string{"wght": "Weight", "wdth": "Width", "slnt": "Slant", "ital": "Italic", "opsz": "Optical size"}

// Title is the axis' name for a person.
func (a *Axis) Title() string {
	if name := AxisNames[a.Tag]; name != "" {
		return name
	}
	return "Axis " + a.Tag
}

// AxisAt is the family of the properties of axes.
const AxisAt = "axis"

// Fit is a box that words are as large as possible in. It is as wide as they are.
type Fit struct {
	Height   float64 `json:"height"`   // units
	Smallest float64 `json:"smallest"` // percent of the words' size, 10..100
	Largest  float64 `json:"largest"`  // percent of the words' size, 100..1000
}

// Beside is a round layer, or a card with a round window, that lines of words end at.
type Beside struct {
	Layer string  `json:"layer"`
	Gap   float64 `json:"gap"` // how far they keep away from it, units
}

// Feature is one of OpenType.
type Feature struct {
	wording.Entry
	On bool `json:"on"` // it is, unless it is named with a minus
}

// Features are those of OpenType that are offered where a font has them, with what they do.
var Features = []Feature{
	{wording.Entry{ID: "kern", Name: "Kerning", Says: "Letters that leave a gap between them move closer"}, true},
	{wording.Entry{ID: "liga", Name: "Ligatures", Says: "Letters that would touch, as fi, become one"}, true},
	{wording.Entry{ID: "onum", Name: "Old-style figures", Says: "Figures that rise and fall as small letters do"}, false},
	{wording.Entry{ID: "lnum", Name: "Figures as high as capitals", Says: "All figures are of one height"}, false},
	{wording.Entry{ID: "tnum", Name: "Figures equally wide", Says: "Prices below each other line up"}, false},
	{wording.Entry{ID: "pnum", Name: "Figures as wide as they are", Says: "A 1 takes less room than an 8"}, false},
	{wording.Entry{ID: "smcp", Name: "Small capitals", Says: "Small letters become small capitals"}, false},
	{wording.Entry{ID: "c2sc", Name: "Capitals small too", Says: "Capitals become small capitals"}, false},
	{wording.Entry{ID: "zero", Name: "Zero with a stroke", Says: "A zero is not taken for an O"}, false},
	{wording.Entry{ID: "frac", Name: "Fractions", Says: "1/2 becomes one sign"}, false},
	{wording.Entry{ID: "ordn", Name: "Raised endings", Says: "The letters behind a number, as in 1st, are raised"}, false},
	{wording.Entry{ID: "case", Name: "Signs for capitals", Says: "Hyphens and brackets stand as high as capitals"}, false},
	{wording.Entry{ID: "dlig", Name: "Rare ligatures", Says: "More letters become one, as ct and st"}, false},
	{wording.Entry{ID: "swsh", Name: "Swashes", Says: "Letters with long tails"}, false},
	{wording.Entry{ID: "salt", Name: "Other forms", Says: "Other forms of some letters"}, false},
	{wording.Entry{ID: "ss01", Name: "Alternates 1", Says: "The font's first set of other letters"}, false},
	{wording.Entry{ID: "ss02", Name: "Alternates 2", Says: "The font's second set of other letters"}, false},
	{wording.Entry{ID: "ss03", Name: "Alternates 3", Says: "The font's third set of other letters"}, false},
	{wording.Entry{ID: "ss04", Name: "Alternates 4", Says: "The font's fourth set of other letters"}, false},
	{wording.Entry{ID: "ss05", Name: "Alternates 5", Says: "The font's fifth set of other letters"}, false},
	{wording.Entry{ID: "ss06", Name: "Alternates 6", Says: "The font's sixth set of other letters"}, false},
}

const (
	// MaxFeatures is how many OpenType features words name at most.
	MaxFeatures = 24
	// MaxAxes is how many axes of a variable font words set at most.
	MaxAxes = 12
)

// isTag tells whether a text is a tag of OpenType.
func isTag(s string) bool {
	for _, r := range s {
		if (r < 'a' || r > 'z') && (r < 'A' || r > 'Z') && (r < '0' || r > '9') {
			return false
		}
	}
	return len(s) == 4
}

// BoxHeight is how high the box is that words fit, units; 0 is none.
func (w *Words) BoxHeight() float64 {
	if w.Fit == nil {
		return 0
	}
	return w.Fit.Height
}

// axis is the axis of a number, or nil.
func (w *Words) axis(number int) *Axis {
	if i := slices.IndexFunc(w.Axes, func(a Axis) bool { return a.ID == number }); i >= 0 {
		return &w.Axes[i]
	}
	return nil
}

// checkTypography checks how words are set.
func (w *Words) checkTypography(c *Clip, l *Layer, field string) error {
	if len(w.Features) > MaxFeatures {
		return Fault(field+".features", "words have at most %d features", MaxFeatures)
	}
	for i, f := range w.Features {
		if !isTag(strings.TrimPrefix(f, "-")) {
			return Fault(fmt.Sprintf("%s.features[%d]", field, i), "a feature of OpenType has four letters, not %q", f)
		}
	}
	if err := w.checkAxes(field + ".axes"); err != nil {
		return err
	}
	if f := w.Fit; f != nil {
		at := field + ".fit"
		if err := firstError(within(at+".height", f.Height, 1, MaxUnits), within(at+".smallest", f.Smallest, 10, 100), within(at+".largest", f.Largest, 100, 1000)); err != nil {
			return err
		}
	}
	if b := w.Beside; b != nil {
		if other := c.Layer(b.Layer); other == nil || b.Layer == l.ID || other.Group != l.Group {
			return Fault(field+".beside.layer", "%q keeps away from a layer that is not in its group", l.Name)
		}
		if err := within(field+".beside.gap", b.Gap, 0, MaxUnits); err != nil {
			return err
		}
	}
	if w.Along != "" {
		if on := c.Layer(w.Along); on == nil || on.Card == nil {
			return Fault(field+".along", "%q runs along a figure that is not there", l.Name)
		}
	}
	if p := w.Plate; p != nil && p.Round != nil {
		if err := within(field+".plate.round", *p.Round, 0, 400); err != nil {
			return err
		}
	}
	if w.Gradient != nil {
		return w.Gradient.check(field + ".gradient")
	}
	return nil
}

func (w *Words) checkAxes(field string) error {
	if len(w.Axes) > MaxAxes {
		return Fault(field, "words set at most %d axes", MaxAxes)
	}
	seen := map[int]bool{}
	for i, a := range w.Axes {
		at := fmt.Sprintf("%s[%d]", field, i)
		switch {
		case a.ID < 1 || a.ID > MaxNumber || seen[a.ID]:
			return Fault(at+".id", "axes have numbers of their own from 1 to %d", MaxNumber)
		case !isTag(a.Tag):
			return Fault(at+".tag", "an axis has a name of four letters, not %q", a.Tag)
		case math.IsNaN(a.At) || math.Abs(a.At) > 10000:
			return Fault(at+".at", "an axis goes from -10000 to 10000 at most")
		}
		seen[a.ID] = true
	}
	return nil
}
