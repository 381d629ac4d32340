package view

import (
	"fmt"
	"math"

	"billow/core/clip"
)

// text is a key's value in words.
func text(property string, v []float64, off string) string {
	if off != "" {
		return "just outside, " + off
	}
	n := func(x float64) string { return fmt.Sprint(math.Round(x*10) / 10) }
	switch property {
	case clip.Position:
		return n(v[0]) + ", " + n(v[1])
	case clip.Scale, clip.Opacity:
		return n(v[0]) + "%"
	case clip.Rotation:
		return n(v[0]) + "°"
	}
	return n(v[0])
}
