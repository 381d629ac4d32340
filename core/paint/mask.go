package paint

// PathMask is the coverage of a path on a plane of a size.
func PathMask(p Path, w, h int) *Mask {
	m := &Mask{W: w, H: h, Pix: make([]uint8, w*h)}
	r := newRaster(w, h)
	r.add(p, 0, 0)
	r.coverage(func(x0, y int, row []int32) {
		to := m.Pix[y*w+x0:]
		for x, cover := range row {
			to[x] = uint8((cover*255 + whole/2) / whole)
		}
	})
	return m
}

// Cut multiplies a bitmap by a mask of its size.
func (b *Bitmap) Cut(m *Mask) {
	for i, a := range m.Pix {
		b.Pix[i] = faded(b.Pix[i], a)
	}
}

// BrightnessMask is how bright a bitmap is, clear being black: the luma of ITU-R BT.709.
func BrightnessMask(b *Bitmap) *Mask {
	m := &Mask{W: b.W, H: b.H, Pix: make([]uint8, len(b.Pix))}
	for i, p := range b.Pix {
		m.Pix[i] = uint8((13933*(p&255) + 46871*(p>>8&255) + 4732*(p>>16&255) + 1<<15) >> 16)
	}
	return m
}

// faded is a pixel times a share of 255ths, rounded.
func faded(p uint32, a uint8) uint32 {
	switch {
	case a == 255 || p == 0:
		return p
	case a == 0:
		return 0
	}
	t := spread(p)*uint64(a) + 0x80*lanes
	return packed((t + t>>8&byteLanes) >> 8 & byteLanes)
}

// Straight is the bitmap as bytes R, G, B, A that are not premultiplied, as a
// canvas holds them.
func (b *Bitmap) Straight() []byte {
	out := make([]byte, 4*len(b.Pix))
	for i, p := range b.Pix {
		a := p >> 24
		if a == 0 {
			continue
		}
		for k := range 3 {
			out[4*i+k] = uint8(((p>>(8*k)&255)*255 + a/2) / a)
		}
		out[4*i+3] = uint8(a)
	}
	return out
}

// Invert lets a mask cover what it did not.
func (m *Mask) Invert() {
	for i, v := range m.Pix {
		m.Pix[i] = 255 - v
	}
}

// Combine puts another mask of the same size to it: "subtract" takes away what the other
// covers, "intersect" leaves what both cover, and else either is enough.
func (m *Mask) Combine(o *Mask, how string) {
	times := func(a, b uint8) uint8 {
		t := uint32(a)*uint32(b) + 128
		return uint8((t + t>>8) >> 8)
	}
	for i, b := range o.Pix {
		a := m.Pix[i]
		switch how {
		case "subtract":
			m.Pix[i] = times(a, 255-b)
		case "intersect":
			m.Pix[i] = times(a, b)
		default:
			m.Pix[i] = 255 - times(255-a, 255-b)
		}
	}
}
