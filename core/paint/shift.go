package paint

import "math"

// deviations of its softness are how far an edge is moved.
const deviations = 1.4

// Shift moves the edge of what a mask covers outwards by so many pixels, or inwards. What lies at
// the border of the plane goes on beyond it.
//
// A straight edge that was blurred has, 1.4 standard deviations from where it was, the value of the
// normal distribution's integral there: if that is the way by which it is to be moved, there the new
// edge is. A rounder one moves the less from there the smaller the deviation is.
func (m *Mask) Shift(by float64) {
	if math.Abs(by) < 0.05 || m.W == 0 || m.H == 0 {
		return
	}
	sigma := max(math.Abs(by), 0.5) / deviations
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
		inside = 0.919243 // the integral up to so many deviations, and the density there
		dense  = 0.149727
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
