package paint

// sample reads len(row) bilinear samples from (u, v) onwards in steps of
// (du, dv). Beyond its edge the picture goes on with its last pixels; what shows
// of it is cut there. Coordinates run in fixed point with 32 fractional bits, so
// that errors do not add up along a row.
func (b *Bitmap) sample(row []uint32, u, v, du, dv float64) {
	const one = 1 << 32
	// Fixed point begins at +2 so that numbers near the picture are positive.
	fu, fv := int64((u+2)*one), int64((v+2)*one)
	su, sv := int64(du*one), int64(dv*one)
	w, h := b.W, b.H
	for i := range row {
		x, y := int(fu>>32)-2, int(fv>>32)-2
		tx, ty := uint64(fu>>24)&0xFF, uint64(fv>>24)&0xFF
		fu += su
		fv += sv
		if uint(x) < uint(w-1) && uint(y) < uint(h-1) {
			at := y*w + x
			two := b.Pix[at : at+2 : at+2]
			low := b.Pix[at+w : at+w+2 : at+w+2]
			row[i] = bilinear(two[0], two[1], low[0], low[1], tx, ty)
			continue
		}
		x0, x1 := min(max(x, 0), w-1), min(max(x+1, 0), w-1)
		y0, y1 := min(max(y, 0), h-1)*w, min(max(y+1, 0), h-1)*w
		row[i] = bilinear(b.Pix[y0+x0], b.Pix[y0+x1], b.Pix[y1+x0], b.Pix[y1+x1], tx, ty)
	}
}
