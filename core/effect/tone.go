package effect

import (
	"math"

	"billow/core/paint"
)

// tones say what becomes of each level of each channel: red, green, blue.
type tones [3][256]uint8

// every makes tones of a function of a channel's level, both 0..1.
func every(f func(c int, v float64) float64) *tones {
	t := &tones{}
	for c := range t {
		for i := range 256 {
			t[c][i] = level(f(c, float64(i)/255))
		}
	}
	return t
}

// level is a number from 0 to 1 as one of 256.
func level(v float64) uint8 { return uint8(math.Round(255 * min(max(v, 0), 1))) }

// toned gives each pixel the tones of its own colour, without its opacity.
func toned(w Work, t *tones) *paint.Sheet {
	out := w.Changeable()
	pix := out.Picture.Pix
	for i, p := range pix {
		switch a := p >> 24; {
		case a == 255:
			pix[i] = uint32(t[0][p&255]) | uint32(t[1][p>>8&255])<<8 | uint32(t[2][p>>16&255])<<16 | 0xFF000000
		case a != 0:
			straight := straightened[a]
			own := func(c int, v uint32) uint32 {
				return (uint32(t[c][min((v*straight+1<<15)>>16, 255)])*a + 127) / 255
			}
			pix[i] = own(0, p&255) | own(1, p>>8&255)<<8 | own(2, p>>16&255)<<16 | a<<24
		}
	}
	return out
}

// straightened is, for each opacity, what a premultiplied channel is multiplied by, in 2^16ths, to be
// what it is without it.
var straightened = func() (out [256]uint32) {
	for a := 1; a < 256; a++ {
		out[a] = uint32(255<<16+a/2) / uint32(a)
	}
	return out
}()

// matrixed multiplies the colour of each pixel by a matrix, row by row; premultiplied colours may be
// multiplied as they are.
func matrixed(w Work, m [9]float64) *paint.Sheet {
	out := w.Changeable()
	var k [9]int32 // 2^12ths
	for i, v := range m {
		k[i] = int32(math.Round(v * 4096))
	}
	pix := out.Picture.Pix
	for i, p := range pix {
		if p == 0 {
			continue
		}
		r, g, b, a := int32(p&255), int32(p>>8&255), int32(p>>16&255), int32(p>>24)
		pix[i] = within((k[0]*r+k[1]*g+k[2]*b+2048)>>12, (k[3]*r+k[4]*g+k[5]*b+2048)>>12, (k[6]*r+k[7]*g+k[8]*b+2048)>>12, a)
	}
	return out
}

// within is a pixel of channels that are cut to 0 and its opacity.
func within(r, g, b, a int32) uint32 {
	if uint32(r) > uint32(a) || uint32(g) > uint32(a) || uint32(b) > uint32(a) { // few are
		r, g, b = min(max(r, 0), a), min(max(g, 0), a), min(max(b, 0), a)
	}
	return uint32(r) | uint32(g)<<8 | uint32(b)<<16 | uint32(a)<<24
}

// fromGrey moves the channels of a pixel, premultiplied as they are, away from its luminance or towards
// it, to so many 256ths of how far from there they lie: saturate() of W3C Filter Effects Level 1.
func fromGrey(p uint32, share int32) uint32 {
	r, g, b := int32(p&255), int32(p>>8&255), int32(p>>16&255)
	grey := (13959*r + 46858*g + 4719*b + 128) >> 8 // 0.213, 0.715 and 0.072; in 256ths
	still, by := grey*(256-share)+1<<15, share<<8
	return within((still+by*r)>>16, (still+by*g)>>16, (still+by*b)>>16, int32(p>>24))
}
