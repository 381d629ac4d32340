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

// bayer is the 8x8 ordered dither matrix, 0..63.
var bayer = func() (m [8][8]float64) {
	for y := range 8 {
		for x := range 8 {
			v := 0
			for bit, mask := 0, 2; mask >= 0; mask-- {
				v |= ((x ^ y) >> mask & 1) << bit
				v |= (y >> mask & 1) << (bit + 1)
				bit += 2
			}
			m[y][x] = float64(v)
		}
	}
	return m
}()

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
			dst.Pix[y*dst.W+x] = stopAt(stops, t, (bayer[y&7][x&7]+0.5)/64)
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
