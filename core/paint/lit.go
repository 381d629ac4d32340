package paint

// Lit adds the light of another picture, so many 256ths of it, as two beams fall onto one wall: the
// blend mode "screen" of W3C Compositing, and where nothing was there is what came.
func (b *Bitmap) Lit(by Rows, share uint64) {
	light := make([]uint32, b.W)
	for y := range b.H {
		by(y, light)
		if share != 256 {
			for x, q := range light {
				light[x] = thinned(q, share)
			}
		}
		screenRow(b.Pix[y*b.W:], light)
	}
}

// Thinned is a pixel times a share of 256ths.
func Thinned(p, share uint32) uint32 { return thinned(p, uint64(share)) }

// Around puts a colour beneath the bitmap as far as a mask shows it.
func (b *Bitmap) Around(m MaskRows, pixel uint32) {
	shows := make([]uint8, b.W)
	for y := range b.H {
		m(y, shows)
		row := b.Pix[y*b.W:][:b.W]
		for x, c := range shows {
			if p := row[x]; c != 0 && p>>24 != 255 {
				row[x] = over(faded(pixel, c), p)
			}
		}
	}
}

// Within puts a colour onto the bitmap as far as a mask shows it, where something is.
func (b *Bitmap) Within(m MaskRows, pixel uint32) {
	shows := make([]uint8, b.W)
	for y := range b.H {
		m(y, shows)
		row := b.Pix[y*b.W:][:b.W]
		for x, c := range shows {
			if p := row[x]; c != 0 && p != 0 {
				row[x] = atop(p, faded(pixel, c))
			}
		}
	}
}

// atop is source-atop of W3C Compositing: over, as far as there is something beneath.
func atop(d, s uint32) uint32 {
	t := spread(d)*uint64(255-s>>24) + spread(s)*uint64(d>>24) + 0x80*lanes
	return packed((t + t>>8&byteLanes) >> 8 & byteLanes)
}

// Darken makes the bitmap black by so many 256ths, as far as a mask shows it.
func (b *Bitmap) Darken(m MaskRows, share uint32) {
	shows := make([]uint8, b.W)
	for y := range b.H {
		m(y, shows)
		row := b.Pix[y*b.W:][:b.W]
		for x, c := range shows {
			if p := row[x]; c != 0 && p != 0 {
				row[x] = thinned(p, uint64(256-(share*uint32(c)+127)/255))&0xFFFFFF | p&0xFF000000
			}
		}
	}
}

// Times is the rows multiplied; what would be more than everything is everything.
func (m MaskRows) Times(k float64) MaskRows {
	var to [256]uint8
	for i := range to {
		to[i] = uint8(min(max(float64(i)*k, 0), 255) + 0.5)
	}
	return func(y int, row []uint8) {
		m(y, row)
		for x, v := range row {
			row[x] = to[v]
		}
	}
}

// Less takes a share of others away.
func (m MaskRows) Less(o MaskRows, share float64) MaskRows {
	k := int32(share*256 + 0.5)
	var less []uint8
	return func(y int, row []uint8) {
		if less == nil {
			less = make([]uint8, len(row))
		}
		m(y, row)
		o(y, less)
		for x, v := range less {
			row[x] = uint8(max(int32(row[x])-(int32(v)*k+128)>>8, 0))
		}
	}
}
