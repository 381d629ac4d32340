package paint

import "math"

// Shift moves the edge of what a mask covers outwards by so many pixels, or inwards. What lies at
// the border of the plane goes on beyond it.
//
// A straight edge that was blurred with a standard deviation of the way by which it is to be moved
// has, at that way's end, the value of the normal distribution's integral one deviation from its
// middle: there the new edge is.
func (m *Mask) Shift(by float64) {
	sigma := math.Abs(by)
	if sigma < 0.05 || m.W == 0 || m.H == 0 {
		return
	}
	sigma = max(sigma, 0.5)
	margin := int(math.Ceil(3*sigma)) + 1
	wide := &Mask{W: m.W + 2*margin, H: m.H + 2*margin}
	wide.Pix = make([]uint8, wide.W*wide.H)
	for y := range wide.H {
		from := m.Pix[min(max(y-margin, 0), m.H-1)*m.W:][:m.W]
		to := wide.Pix[y*wide.W:][:wide.W]
		copy(to[margin:], from)
		for x := range margin {
			to[x], to[len(to)-1-x] = from[0], from[m.W-1]
		}
	}
	wide.Blur(sigma)
	const (
		inside = 0.841345 // the integral up to one deviation, and the density there
		dense  = 0.241971
	)
	at := 255 * inside
	if by > 0 {
		at = 255 * (1 - inside)
	}
	steep := sigma / dense / max(1.2, 0.6*sigma)
	var now [256]uint8
	for i := range now {
		now[i] = uint8(math.Round(min(max((float64(i)-at)*steep+127.5, 0), 255)))
	}
	for y := range m.H {
		row := m.Pix[y*m.W:][:m.W]
		for x, v := range wide.Pix[(y+margin)*wide.W+margin:][:m.W] {
			if by > 0 {
				row[x] = max(row[x], now[v])
			} else {
				row[x] = min(row[x], now[v])
			}
		}
	}
}
