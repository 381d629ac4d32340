package paint

import "math"

// lifted is the specification's D(cb) of soft light less cb, in 255 times 255ths,
// for a backdrop colour in 255ths.
var lifted = func() (out [256]uint32) {
	for i := range out {
		b := float64(i) / 255
		d := math.Sqrt(b)
		if b <= 0.25 {
			d = ((16*b-12)*b + 4) * b
		}
		out[i] = uint32(max(d-b, 0)*255*255 + 0.5)
	}
	return out
}()

// soft darkens and lightens by the upper colour, gently.
func soft(s, d, sa, da uint32) uint32 {
	part := parts[da]
	down := sa*d - uint32(float32((sa-2*s)*d*(da-d))*part+0.5)
	// The share of da is taken before the one of s, so that all fits 32 bits.
	up := sa*d + ((2*s-sa)*(lifted[uint32(float32(d*255)*part+0.5)&255]*da/255)+127)/255
	if 2*s > sa {
		down = up
	}
	return down
}

func softLightRow(dst, src []uint32) {
	for i, s := range src {
		if s != 0 {
			d, sa := dst[i], s>>24
			da := d >> 24
			dst[i] = settled(open(s, d, sa, da) + lane3(soft(s&255, d&255, sa, da), soft(s>>8&255, d>>8&255, sa, da), soft(s>>16&255, d>>16&255, sa, da)))
		}
	}
}
