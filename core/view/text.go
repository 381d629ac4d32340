package view

import (
	"fmt"
	"math"
	"strings"

	"billow/core/clip"
	"billow/core/colour"
)

var sides = map[string]string{
	"aboveLeft": "above left", "aboveRight": "above right", "belowLeft": "below left", "belowRight": "below right",
}

// text is a key's value in words.
func text(p clip.Property, v []float64, off string) string {
	if off != "" {
		if s := sides[off]; s != "" {
			off = s
		}
		return "just outside, " + off
	}
	if p.Colour {
		return colour.FromFloats(v[0], v[1], v[2], v[3]).String()
	}
	if p.Name == clip.Scale && v[0] == v[1] {
		v = v[:1]
	}
	parts := make([]string, len(v))
	for i, x := range v {
		parts[i] = number(x) + unit(p.Name)
	}
	return strings.Join(parts, ", ")
}

// amount is how much a property changes, in words.
func amount(p clip.Property, v float64) string {
	u := unit(p.Name)
	if u == "" {
		u = " units"
	}
	return number(v) + u
}

func number(x float64) string { return fmt.Sprint(math.Round(x*10) / 10) }

func unit(property string) string {
	switch property {
	case clip.Scale, clip.Opacity, clip.Pivot, clip.Crop, clip.DrawStart, clip.DrawEnd, clip.LetterSpacing, clip.Revealed:
		return "%"
	case clip.Rotation, clip.Skew, clip.LightDirection, clip.LightHeight:
		return "°"
	}
	return ""
}
