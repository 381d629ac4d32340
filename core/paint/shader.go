package paint

import "billow/core/colour"

// Shader tells the colours of a plane: of a gradient, for one.
type Shader interface {
	// Row writes the pixels of a row from x on, premultiplied.
	Row(x, y int, dst []uint32)
	// Opaque tells that all of them are, whatever the place.
	Opaque() bool
}

// Shade covers the bitmap with what a shader shows.
func (b *Bitmap) Shade(s Shader) {
	for y := range b.H {
		s.Row(0, y, b.Pix[y*b.W:(y+1)*b.W])
	}
}

// ordered is the 4x4 matrix of ordered dither (Bayer), 0..15. It is the same on every
// frame, so that what stands still costs an encoder nothing.
var ordered = [4][4]uint64{{0, 8, 2, 10}, {12, 4, 14, 6}, {3, 11, 1, 9}, {15, 7, 13, 5}}

// A tint is a premultiplied colour in 16 bits a channel, of which the lower 8 are a
// fraction, in the lanes of spread.
type tint uint64

// laneAt is where the lanes of red, green, blue and alpha begin.
var laneAt = [4]int{0, 32, 16, 48}

// each is one in each of a tint's channels.
const each = 1<<48 | 1<<32 | 1<<16 | 1

// dithers are what is added to tints on a row before their fractions are cut off: a
// value between two steps is raised as often as it lies near the upper one.
func dithers(y int) (d [4]tint) {
	for x, v := range ordered[y&3] {
		d[x] = tint(each * (256 - 16*v - 8))
	}
	return d
}

// tintOf is the tint of channels of 0..255.
func tintOf(c [4]float64) (t tint) {
	for i, v := range c {
		t |= tint(min(max(v, 0), 255)*256+0.5) << laneAt[i]
	}
	return t
}

// pixel is the tint with a row's dither added.
func (t tint) pixel(dither tint) uint32 { return packed(uint64(t+dither) >> 8 & byteLanes) }

// Mixed is a shader with a share of a colour in it, in sixteenths, and some of its opacity,
// 0..256.
type Mixed struct {
	Shader
	With    colour.Colour
	Share   int
	Opacity int
}

// Opaque is as Shader says.
func (m Mixed) Opaque() bool {
	return m.Opacity == 256 && m.Shader.Opaque() && (m.Share == 0 || m.With.A == 255)
}

// Row is as Shader says.
func (m Mixed) Row(x, y int, dst []uint32) {
	m.Shader.Row(x, y, dst)
	with := Premultiplied(m.With)
	for i, p := range dst {
		var out uint32
		for shift := 0; shift < 32; shift += 8 {
			own, other := int(p>>shift&255), int(with>>shift&255)
			out |= uint32(((own*(16-m.Share)+other*m.Share)*m.Opacity+2048)/4096) << shift
		}
		dst[i] = out
	}
}
