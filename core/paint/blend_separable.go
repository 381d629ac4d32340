package paint

// rows has the loop of each mode but Normal. They are written out one by one, so
// that the compiler puts the formula for a channel into the loop.
var rows = [16]func(dst, src []uint32){
	Multiply: multiplyRow, Screen: screenRow, Overlay: overlayRow, Darken: darkenRow, Lighten: lightenRow,
	ColorDodge: colorDodgeRow, ColorBurn: colorBurnRow, HardLight: hardLightRow, SoftLight: softLightRow,
	Difference: differenceRow, Exclusion: exclusionRow, Hue: hueRow, Saturation: saturationRow, Color: colorRow, Luminosity: luminosityRow,
}

// In what follows s and d are premultiplied channels, sa and da their alphas,
// all 0..255; a formula gives as ab B(cb, cs) in 255 times 255ths.

// open is what shows of both pictures where the other one is not, s (1-da) +
// d (1-sa), in all four lanes at once, and as ab for the lane of alpha.
func open(s, d, sa, da uint32) uint64 {
	return spread(s)*uint64(255-da) + spread(d)*uint64(255-sa) + uint64(sa*da)<<48
}

// lane3 is three channels in the lanes of spread.
func lane3(r, g, b uint32) uint64 { return uint64(r) | uint64(b)<<16 | uint64(g)<<32 }

// settled is the pixel of lanes that count in 255 times 255ths. No channel is
// more than alpha, since no part of it is.
func settled(t uint64) uint32 {
	t += 0x80 * lanes
	return packed((t + t>>8&byteLanes) >> 8 & byteLanes)
}

func multiplied(s, d uint32) uint32 { return s * d }

func multiplyRow(dst, src []uint32) {
	for i, s := range src {
		if s != 0 {
			d, sa := dst[i], s>>24
			da := d >> 24
			if sa&da == 255 { // as most are: nothing of either shows alone
				dst[i] = settled(lane3(multiplied(s&255, d&255), multiplied(s>>8&255, d>>8&255), multiplied(s>>16&255, d>>16&255)) + 255*255<<48)
				continue
			}
			dst[i] = settled(open(s, d, sa, da) + lane3(multiplied(s&255, d&255), multiplied(s>>8&255, d>>8&255), multiplied(s>>16&255, d>>16&255)))
		}
	}
}

// screenRow is s + d - s d in all four channels, wherever both show: what they show of alone and
// together adds up to that.
func screenRow(dst, src []uint32) {
	dst = dst[:len(src)]
	for i, s := range src {
		d := dst[i]
		if s&0xFFFFFF == 0 && (s == 0 || d>>24 == 255) { // no light, as most of what was taken before black
			continue
		}
		free, light := spread(^d), spread(s)
		t := (free&255)*(light&255) + (free>>16&255)*(light>>16&255)<<16 + (free>>32&255)*(light>>32&255)<<32 +
			(free>>48)*(light>>48)<<48 + 0x80*lanes
		dst[i] = d + packed((t+t>>8&byteLanes)>>8&byteLanes)
	}
}

func darker(s, d, sa, da uint32) uint32 { return min(s*da, d*sa) }

func darkenRow(dst, src []uint32) {
	for i, s := range src {
		if s != 0 {
			d, sa := dst[i], s>>24
			da := d >> 24
			dst[i] = settled(open(s, d, sa, da) + lane3(darker(s&255, d&255, sa, da), darker(s>>8&255, d>>8&255, sa, da), darker(s>>16&255, d>>16&255, sa, da)))
		}
	}
}

func lighter(s, d, sa, da uint32) uint32 { return max(s*da, d*sa) }

func lightenRow(dst, src []uint32) {
	for i, s := range src {
		if s != 0 {
			d, sa := dst[i], s>>24
			da := d >> 24
			dst[i] = settled(open(s, d, sa, da) + lane3(lighter(s&255, d&255, sa, da), lighter(s>>8&255, d>>8&255, sa, da), lighter(s>>16&255, d>>16&255, sa, da)))
		}
	}
}

func different(s, d, sa, da uint32) uint32 { return max(s*da, d*sa) - min(s*da, d*sa) }

func differenceRow(dst, src []uint32) {
	for i, s := range src {
		if s != 0 {
			d, sa := dst[i], s>>24
			da := d >> 24
			dst[i] = settled(open(s, d, sa, da) + lane3(different(s&255, d&255, sa, da), different(s>>8&255, d>>8&255, sa, da), different(s>>16&255, d>>16&255, sa, da)))
		}
	}
}

func excluded(s, d, sa, da uint32) uint32 { return s*da + d*sa - 2*s*d }

func exclusionRow(dst, src []uint32) {
	for i, s := range src {
		if s != 0 {
			d, sa := dst[i], s>>24
			da := d >> 24
			dst[i] = settled(open(s, d, sa, da) + lane3(excluded(s&255, d&255, sa, da), excluded(s>>8&255, d>>8&255, sa, da), excluded(s>>16&255, d>>16&255, sa, da)))
		}
	}
}

// hard is twice the product where the upper colour is dark, the screen where it
// is light.
func hard(s, d, sa, da uint32) uint32 {
	v, light := 2*s*d, sa*da-2*(sa-s)*(da-d)
	if 2*s > sa {
		v = light
	}
	return v
}

func hardLightRow(dst, src []uint32) {
	for i, s := range src {
		if s != 0 {
			d, sa := dst[i], s>>24
			da := d >> 24
			dst[i] = settled(open(s, d, sa, da) + lane3(hard(s&255, d&255, sa, da), hard(s>>8&255, d>>8&255, sa, da), hard(s>>16&255, d>>16&255, sa, da)))
		}
	}
}

// hardBelow is hard with the two exchanged.
func hardBelow(s, d, sa, da uint32) uint32 { return hard(d, s, da, sa) }

func overlayRow(dst, src []uint32) {
	for i, s := range src {
		if s != 0 {
			d, sa := dst[i], s>>24
			da := d >> 24
			dst[i] = settled(open(s, d, sa, da) + lane3(hardBelow(s&255, d&255, sa, da), hardBelow(s>>8&255, d>>8&255, sa, da), hardBelow(s>>16&255, d>>16&255, sa, da)))
		}
	}
}

// parts are 1/n; dividing by a small number is multiplying by its part.
var parts = func() (out [256]float32) {
	for i := range out {
		out[i] = 1 / float32(max(i, 1))
	}
	return out
}()

// dodged is d/(1-s), at most everything.
func dodged(s, d, sa, da uint32) uint32 {
	v := min(sa*da, uint32(float32(d*sa*sa)*parts[(sa-s)&255]+0.5))
	if s >= sa {
		v = sa * da
	}
	if d == 0 {
		v = 0
	}
	return v
}

func colorDodgeRow(dst, src []uint32) {
	for i, s := range src {
		if s != 0 {
			d, sa := dst[i], s>>24
			da := d >> 24
			dst[i] = settled(open(s, d, sa, da) + lane3(dodged(s&255, d&255, sa, da), dodged(s>>8&255, d>>8&255, sa, da), dodged(s>>16&255, d>>16&255, sa, da)))
		}
	}
}

// burnt is 1-(1-d)/s, at least nothing.
func burnt(s, d, sa, da uint32) uint32 {
	v := sa*da - min(sa*da, uint32(float32((da-d)*sa*sa)*parts[s&255]+0.5))
	if s == 0 {
		v = 0
	}
	if d >= da {
		v = sa * da
	}
	return v
}

func colorBurnRow(dst, src []uint32) {
	for i, s := range src {
		if s != 0 {
			d, sa := dst[i], s>>24
			da := d >> 24
			dst[i] = settled(open(s, d, sa, da) + lane3(burnt(s&255, d&255, sa, da), burnt(s>>8&255, d>>8&255, sa, da), burnt(s>>16&255, d>>16&255, sa, da)))
		}
	}
}
