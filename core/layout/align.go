package layout

import "slices"

// Alignments are the ways in which boxes are brought into line.
var Alignments = []string{"left", "centre", "right", "top", "middle", "bottom", "across", "down"}

// Align tells how far boxes go, units right and down, so that they stand in a line:
// at an edge or the middle of what holds them all, or, for across and down, with
// equal gaps between the outermost two. One box alone is brought into line with the
// frame.
func Align(boxes []Box, how string, frame Box) [][2]float64 {
	out := make([][2]float64, len(boxes))
	if how == "across" || how == "down" {
		return spread(boxes, how == "down", out)
	}
	whole := frame
	if len(boxes) > 1 {
		whole = boxes[0]
		for _, b := range boxes[1:] {
			whole = whole.Union(b)
		}
	}
	for i, b := range boxes {
		switch how {
		case "left":
			out[i][0] = whole.X0 - b.X0
		case "centre":
			out[i][0] = (whole.X0 + whole.X1 - b.X0 - b.X1) / 2
		case "right":
			out[i][0] = whole.X1 - b.X1
		case "top":
			out[i][1] = whole.Y0 - b.Y0
		case "middle":
			out[i][1] = (whole.Y0 + whole.Y1 - b.Y0 - b.Y1) / 2
		case "bottom":
			out[i][1] = whole.Y1 - b.Y1
		}
	}
	return out
}

// spread makes the gaps between boxes equal; the first and the last stay.
func spread(boxes []Box, down bool, out [][2]float64) [][2]float64 {
	if len(boxes) < 3 {
		return out
	}
	axis := 0
	if down {
		axis = 1
	}
	order := make([]int, len(boxes))
	for i := range order {
		order[i] = i
	}
	slices.SortStableFunc(order, func(a, b int) int {
		pa, qa := boxes[a].along(axis)
		pb, qb := boxes[b].along(axis)
		switch {
		case pa+qa < pb+qb:
			return -1
		case pa+qa > pb+qb:
			return 1
		}
		return 0
	})
	from, to := boxes[order[0]].along(axis)
	_, end := boxes[order[len(order)-1]].along(axis)
	filled := 0.0
	for _, i := range order {
		a, b := boxes[i].along(axis)
		filled += b - a
	}
	gap := (end - from - filled) / float64(len(order)-1)
	at := to + gap
	for _, i := range order[1 : len(order)-1] {
		a, b := boxes[i].along(axis)
		out[i][axis] = at - a
		at += b - a + gap
	}
	return out
}

// along is where a box begins and ends on an axis: 0 to the right, 1 down.
func (b Box) along(axis int) (from, to float64) {
	if axis == 1 {
		return b.Y0, b.Y1
	}
	return b.X0, b.X1
}
