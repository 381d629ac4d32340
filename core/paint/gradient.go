package paint

import (
	"math"

	"billow/core/colour"
)

// Stop is a colour of a gradient, at 0..1 of its way.
type Stop struct {
	At     float64
	Colour colour.Colour
}

// ordered is the 4x4 matrix of ordered dither (Bayer), 0..15.
var ordered = [4][4]float64{{0, 8, 2, 10}, {12, 4, 14, 6}, {3, 11, 1, 9}, {15, 7, 13, 5}}

// Gradient fills dst with a linear gradient in the direction of angle (0 up,
// 90 right, 180 down, as in CSS). As in CSS the ends lie where the corners
// farthest in that direction and against it have exactly the end colours.
// Values between two 8-bit steps are dithered, so that wide soft gradients show
// no bands.
func Gradient(dst *Bitmap, stops []Stop, angle float64) {
	if len(stops) == 1 {
		dst.Fill(Premultiplied(stops[0].Colour))
		return
	}
	sin, cos := math.Sincos(angle * math.Pi / 180)
	w, h := float64(dst.W), float64(dst.H)
	length := math.Abs(w*sin) + math.Abs(h*cos)
	for y := range dst.H {
		for x := range dst.W {
			dx, dy := float64(x)+0.5-w/2, float64(y)+0.5-h/2
			t := (dx*sin-dy*cos)/length + 0.5
			dst.Pix[y*dst.W+x] = stopAt(stops, t, (ordered[y&3][x&3]+0.5)/16)
		}
	}
}

// stopAt mixes premultiplied colours and rounds up where the share beyond the
// whole number exceeds the threshold.
func stopAt(stops []Stop, t, threshold float64) uint32 {
	i := 0
	for i < len(stops)-2 && t > stops[i+1].At {
		i++
	}
	a, b := stops[i], stops[i+1]
	f := 0.0
	if b.At > a.At {
		f = min(max((t-a.At)/(b.At-a.At), 0), 1)
	} else if t > a.At {
		f = 1
	}
	pa, pb := Premultiplied(a.Colour), Premultiplied(b.Colour)
	out := uint32(0)
	for shift := 0; shift < 32; shift += 8 {
		va, vb := float64(pa>>shift&255), float64(pb>>shift&255)
		v := va + (vb-va)*f
		out |= min(uint32(v+1-threshold), 255) << shift
	}
	return out
}
