package paint

// Figures that words stand on. All lie about the origin.

// Tag is a label that hangs by its left end: two corners are cut off there, and between them
// is a hole. cut is how much of its height they take, 0..1.
func Tag(w, h, cut float64) Path {
	x, y := w/2, h/2
	c := min(max(cut, 0), 1) * min(y, w/2)
	p := polygonOf([][2]float64{{-x + c, -y}, {x, -y}, {x, y}, {-x + c, y}, {-x, y - c}, {-x, -y + c}})
	return p
}

// TagHole is the hole of a tag: its middle, from that of the tag, and its size.
func TagHole(w, h float64) (x, size float64) { return -w/2 + min(h, w)*0.22, min(h, w) * 0.16 }

// Ticket is a card with a round bite out of its left and right edges. bite is the radius as a
// share of the height, 0..0.5.
func Ticket(w, h, bite float64) Path {
	x, y := w/2, h/2
	r := min(max(bite, 0), 0.5) * h
	arcs := func(cx, from, to float64) Path { return arc(onCircle, r, from, to).Transformed(Translate(cx, 0)) }
	p := Path{moveTo(-x, -y), lineTo(x, -y), lineTo(x, -r)}
	p = append(p, arcs(x, 0, -180)...)
	p = append(p, lineTo(x, y), lineTo(-x, y), lineTo(-x, r))
	return append(p, arcs(-x, 180, 0)...)
}

// Ribbon is a band with a notch in both ends, as deep as a share of half of its height.
func Ribbon(w, h, notch float64) Path {
	x, y := w/2, h/2
	t := min(max(notch, 0), 2) * y
	return polygonOf([][2]float64{{-x, -y}, {x, -y}, {x - t, 0}, {x, y}, {-x, y}, {-x + t, 0}})
}
