package layout

import (
	"math"

	"billow/core/clip"
)

// Guide is a line that things catch on while they are moved.
type Guide struct {
	Axis string  `json:"axis"` // "x": upright at x = At; "y": level at y = At
	At   float64 `json:"at"`   // units from the frame's centre
	To   string  `json:"to"`   // what it is, in words
}

// Safe is the share of each side that lies within the safe area (EBU R 95:
// graphics stay 5 percent away from each edge).
const Safe = 0.9

// Guides are the lines of a frame: its centre, edges, thirds and safe area.
func Guides(s clip.Shape) []Guide {
	var out []Guide
	w, h := Extent(s)
	for axis, side := range map[string]float64{"x": w, "y": h} {
		names := [2]string{"left", "right"}
		if axis == "y" {
			names = [2]string{"upper", "lower"}
		}
		out = append(out, Guide{axis, 0, "the centre"})
		for i, sign := range []float64{-1, 1} {
			out = append(out,
				Guide{axis, sign * side / 2, "the " + names[i] + " edge"},
				Guide{axis, sign * side / 6, "a third"},
				Guide{axis, sign * side * Safe / 2, "the safe area"})
		}
	}
	return out
}

// Lines are the edges and the middles of a box, for others to catch on.
func (b Box) Lines(name string) []Guide {
	return []Guide{
		{"x", b.X0, "the left of " + name}, {"x", (b.X0 + b.X1) / 2, "the middle of " + name}, {"x", b.X1, "the right of " + name},
		{"y", b.Y0, "the top of " + name}, {"y", (b.Y0 + b.Y1) / 2, "the middle of " + name}, {"y", b.Y1, "the bottom of " + name},
	}
}

// Snap is how far a box has to go so that its edge or middle lies on the
// nearest line within reach on each axis, and those lines.
func Snap(b Box, lines []Guide, reach float64) (dx, dy float64, on []Guide) {
	for _, axis := range []string{"x", "y"} {
		own := [3]float64{(b.X0 + b.X1) / 2, b.X0, b.X1}
		if axis == "y" {
			own = [3]float64{(b.Y0 + b.Y1) / 2, b.Y0, b.Y1}
		}
		best, by := reach, 0.0
		var hit *Guide
		for i := range lines {
			if lines[i].Axis != axis {
				continue
			}
			for _, v := range own {
				if d := math.Abs(lines[i].At - v); d < best {
					best, by, hit = d, lines[i].At-v, &lines[i]
				}
			}
		}
		if hit == nil {
			continue
		}
		on = append(on, *hit)
		if axis == "x" {
			dx = by
		} else {
			dy = by
		}
	}
	return dx, dy, on
}
