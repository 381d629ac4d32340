package paint

// YUVSize is the number of bytes of a 4:2:0 picture with even sides.
func YUVSize(w, h int) int { return w*h + w*h/2 }

// lumaSteps are what is added before rounding down, 65536 to a step: ordered, but
// from another place on than in gradients, so that the two do not add up.
var lumaSteps = func() (m [4][4]int32) {
	for y := range 4 {
		for x := range 4 {
			m[y][x] = int32(ordered[(y+2)&3][(x+1)&3]*4096 + 2048)
		}
	}
	return m
}()

// ToYUV writes an opaque bitmap as planar 4:2:0, BT.709 (ITU-R BT.709-6, 3.5)
// in limited range: Y 16..235, then Cb and Cr 16..240. Chroma is sited as H.264
// has it by default: on the left luma column, between two rows; so it is
// filtered 1-2-1 across and 1-1 down. dst has YUVSize bytes.
//
// Luma between two steps is dithered, so that what is soft shows no bands. The
// pattern is small and regular, and so few numbers of an encoder's transform that
// they are large enough to be kept, where noise would be thrown away.
func ToYUV(dst []byte, b *Bitmap) {
	w, h := b.W, b.H
	yPlane := dst[:w*h]
	cb := dst[w*h : w*h+w*h/4]
	cr := dst[w*h+w*h/4:][:w*h/4]
	for y := range h {
		row, up := yPlane[y*w:(y+1)*w], &lumaSteps[y&3]
		for x, p := range b.Pix[y*w : (y+1)*w] {
			r, g, bl := int32(p&255), int32(p>>8&255), int32(p>>16&255)
			// 219/255 of 0.2126, 0.7152, 0.0722 in 65536ths.
			row[x] = uint8((r*11966 + g*40254 + bl*4064 + 16<<16 + up[x&3]) >> 16)
		}
	}
	for y := 0; y < h; y += 2 {
		top, low := b.Pix[y*w:(y+1)*w], b.Pix[(y+1)*w:(y+2)*w]
		left := spread(top[0]) + spread(low[0])
		for x := 0; x < w; x += 2 {
			mid := spread(top[x]) + spread(low[x])
			right := spread(top[x+1]) + spread(low[x+1])
			sum := left + 2*mid + right // eight pixels' worth in each lane
			left = right
			r, bl, g := int32(sum&0xFFFF), int32(sum>>16&0xFFFF), int32(sum>>32&0xFFFF)
			// 224/255 of the BT.709 chroma rows in 65536ths, an eighth of it.
			at := y/2*(w/2) + x/2
			cb[at] = uint8((r*-6596 + g*-22189 + bl*28785 + 128<<19 + 1<<18) >> 19)
			cr[at] = uint8((r*28785 + g*-26145 + bl*-2640 + 128<<19 + 1<<18) >> 19)
		}
	}
}
