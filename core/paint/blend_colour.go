package paint

// rgb is a colour whose channels count in 255 times 255ths: each multiplied by
// the other picture's alpha, so that both have the same measure.
type rgb struct{ r, g, b int32 }

// lum is a hundred times the luminosity.
func lum(c rgb) int32 { return 30*c.r + 59*c.g + 11*c.b }

func sat(c rgb) int32 { return max(c.r, c.g, c.b) - min(c.r, c.g, c.b) }

// setLum moves a colour to a luminosity and clips it into 0..all around it.
func setLum(c rgb, l, all int32) rgb {
	d := l - lum(c)
	if d >= 0 {
		d = (d + 50) / 100
	} else {
		d = (d - 50) / 100
	}
	c = rgb{c.r + d, c.g + d, c.b + d}
	at := l / 100
	if n := min(c.r, c.g, c.b); n < 0 {
		k := float32(at) / float32(at-n)
		c = rgb{at + int32(float32(c.r-at)*k), at + int32(float32(c.g-at)*k), at + int32(float32(c.b-at)*k)}
	}
	if x := max(c.r, c.g, c.b); x > all {
		k := float32(all-at) / float32(x-at)
		c = rgb{at + int32(float32(c.r-at)*k), at + int32(float32(c.g-at)*k), at + int32(float32(c.b-at)*k)}
	}
	return c
}

// setSat stretches a colour's channels so that they span s from 0 upwards.
func setSat(c rgb, s int32) rgb {
	lo, hi := min(c.r, c.g, c.b), max(c.r, c.g, c.b)
	if hi <= lo {
		return rgb{}
	}
	k := float32(s) / float32(hi-lo)
	return rgb{int32(float32(c.r-lo) * k), int32(float32(c.g-lo) * k), int32(float32(c.b-lo) * k)}
}

// both is a pixel's colour by the other's alpha.
func both(p, alpha uint32) rgb {
	return rgb{int32((p & 255) * alpha), int32((p >> 8 & 255) * alpha), int32((p >> 16 & 255) * alpha)}
}

// under puts a mixed colour between what shows of both alone.
func (c rgb) under(s, d, sa, da uint32) uint32 {
	all := int32(sa * da)
	return settled(open(s, d, sa, da) + lane3(uint32(min(max(c.r, 0), all)), uint32(min(max(c.g, 0), all)), uint32(min(max(c.b, 0), all))))
}

func hueRow(dst, src []uint32) {
	for i, s := range src {
		if s != 0 {
			d, sa := dst[i], s>>24
			da := d >> 24
			cs, cb := both(s, da), both(d, sa)
			dst[i] = setLum(setSat(cs, sat(cb)), lum(cb), int32(sa*da)).under(s, d, sa, da)
		}
	}
}

func saturationRow(dst, src []uint32) {
	for i, s := range src {
		if s != 0 {
			d, sa := dst[i], s>>24
			da := d >> 24
			cs, cb := both(s, da), both(d, sa)
			dst[i] = setLum(setSat(cb, sat(cs)), lum(cb), int32(sa*da)).under(s, d, sa, da)
		}
	}
}

func colorRow(dst, src []uint32) {
	for i, s := range src {
		if s != 0 {
			d, sa := dst[i], s>>24
			da := d >> 24
			cs, cb := both(s, da), both(d, sa)
			dst[i] = setLum(cs, lum(cb), int32(sa*da)).under(s, d, sa, da)
		}
	}
}

func luminosityRow(dst, src []uint32) {
	for i, s := range src {
		if s != 0 {
			d, sa := dst[i], s>>24
			da := d >> 24
			cs, cb := both(s, da), both(d, sa)
			dst[i] = setLum(cb, lum(cs), int32(sa*da)).under(s, d, sa, da)
		}
	}
}
