package paint

import "math"

// Brush draws transformed pictures. It keeps scratch memory, so one
// brush serves one goroutine.
type Brush struct {
	row  []uint32
	sums []uint64 // of DrawMoved
}

// Draw puts a picture onto dst. m maps pixels of the picture's largest level
// to pixels of dst; opacity is 0..1.
func (br *Brush) Draw(dst *Bitmap, p *Pyramid, m Affine, opacity float64, mode Blend) {
	alpha := uint32(math.Round(min(max(opacity, 0), 1) * 256))
	inv, ok := m.Inverse()
	if !ok || alpha == 0 {
		return
	}
	if br.copyWhole(dst, p.Levels[0], m, alpha, mode) {
		return
	}
	src, inv := p.level(inv)
	if len(br.row) < dst.W {
		br.row = make([]uint32, dst.W)
	}
	y0, y1 := rowsCovered(src, inv, dst.H)
	for y := y0; y < y1; y++ {
		// The centre of dst pixel (x, y) is sampled at (u, v), where whole
		// numbers are centres of src pixels.
		u0 := inv.A*0.5 + inv.C*(float64(y)+0.5) + inv.E - 0.5
		v0 := inv.B*0.5 + inv.D*(float64(y)+0.5) + inv.F - 0.5
		x0, x1 := span(u0, inv.A, float64(src.W), 0, dst.W)
		x0, x1 = span(v0, inv.B, float64(src.H), x0, x1)
		if x0 >= x1 {
			continue
		}
		row := br.row[:x1-x0]
		src.sample(row, u0+inv.A*float64(x0), v0+inv.B*float64(x0), inv.A, inv.B)
		composite(dst.Pix[y*dst.W+x0:y*dst.W+x1], row, alpha, mode)
	}
}

// copyWhole draws a picture that is only moved by whole pixels without sampling
// it, and tells whether it did.
func (br *Brush) copyWhole(dst, src *Bitmap, m Affine, alpha uint32, mode Blend) bool {
	dx, dy := math.Round(m.E), math.Round(m.F)
	// A millionth of a pixel cannot be seen.
	off := max(math.Abs(m.A-1)*float64(src.W), math.Abs(m.D-1)*float64(src.H),
		math.Abs(m.B)*float64(src.W), math.Abs(m.C)*float64(src.H), math.Abs(m.E-dx), math.Abs(m.F-dy))
	if !(off < 1e-6) || math.Abs(dx) > 1e6 || math.Abs(dy) > 1e6 {
		return false
	}
	x0, x1 := max(0, int(dx)), min(dst.W, src.W+int(dx))
	for y := max(0, int(dy)); y < min(dst.H, src.H+int(dy)) && x0 < x1; y++ {
		at := (y-int(dy))*src.W + x0 - int(dx)
		composite(dst.Pix[y*dst.W+x0:y*dst.W+x1], src.Pix[at:at+x1-x0], alpha, mode)
	}
	return true
}

// level picks the copy of which between one and two pixels fall on a pixel of
// dst, and maps to it.
func (p *Pyramid) level(inv Affine) (*Bitmap, Affine) {
	n := 0
	for r := math.Abs(inv.Det()); r >= 4 && n < len(p.Levels)-1; r /= 4 {
		n++
	}
	k := 1 / float64(int(1)<<n)
	return p.Levels[n], inv.Then(Scale(k, k))
}

// rowsCovered is the rows of dst on which the picture may lie.
func rowsCovered(src *Bitmap, inv Affine, h int) (y0, y1 int) {
	m, ok := inv.Inverse()
	if !ok {
		return 0, 0
	}
	lo, hi := math.Inf(1), math.Inf(-1)
	for _, c := range [4][2]float64{{-1, -1}, {1, -1}, {-1, 1}, {1, 1}} {
		x := (c[0]+1)/2*float64(src.W) + c[0]*0.5
		y := (c[1]+1)/2*float64(src.H) + c[1]*0.5
		_, dy := m.Apply(x, y)
		lo, hi = min(lo, dy), max(hi, dy)
	}
	clamp := func(v float64) int { return int(min(max(v, 0), float64(h))) }
	return clamp(math.Floor(lo)), clamp(math.Ceil(hi))
}

// span narrows x0..x1 to where u0+x*du lies in (-1, n), beyond which a bilinear
// sample is transparent.
func span(u0, du, n float64, x0, x1 int) (int, int) {
	if math.Abs(du) < 1e-12 {
		if u0 <= -1 || u0 >= n {
			return x0, x0
		}
		return x0, x1
	}
	a, b := (-1-u0)/du, (n-u0)/du
	if a > b {
		a, b = b, a
	}
	lo := min(max(math.Floor(a), float64(x0)), float64(x1))
	hi := min(max(math.Ceil(b)+1, lo), float64(x1))
	return int(lo), int(hi)
}

// sample reads len(row) bilinear samples from (u, v) onwards in steps of
// (du, dv). Outside the picture lies transparency. Coordinates run in fixed
// point with 32 fractional bits, so that errors do not add up along a row.
func (b *Bitmap) sample(row []uint32, u, v, du, dv float64) {
	const one = 1 << 32
	// Fixed point begins at +2 so that all numbers of a span are positive.
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
		} else {
			row[i] = bilinear(b.at(x, y), b.at(x+1, y), b.at(x, y+1), b.at(x+1, y+1), tx, ty)
		}
	}
}

func (b *Bitmap) at(x, y int) uint32 {
	if uint(x) >= uint(b.W) || uint(y) >= uint(b.H) {
		return 0
	}
	return b.Pix[y*b.W+x]
}

// bilinear mixes four pixels; tx and ty are the shares of the right and the
// lower ones in 256ths.
func bilinear(p00, p10, p01, p11 uint32, tx, ty uint64) uint32 {
	if p00|p10|p01|p11 == 0 {
		return 0
	}
	top := (spread(p00)*(256-tx) + spread(p10)*tx + 0x80*lanes) >> 8 & byteLanes
	low := (spread(p01)*(256-tx) + spread(p11)*tx + 0x80*lanes) >> 8 & byteLanes
	return packed((top*(256-ty) + low*ty + 0x80*lanes) >> 8 & byteLanes)
}

// composite blends a row of premultiplied pixels onto dst; alpha is 0..256.
func composite(dst, src []uint32, alpha uint32, mode Blend) {
	if mode != Normal {
		blendRow(dst, src, alpha, mode)
		return
	}
	dst = dst[:len(src)]
	for i, s := range src {
		if s == 0 {
			continue
		}
		if alpha < 256 {
			s = packed((spread(s)*uint64(alpha) + 0x80*lanes) >> 8 & byteLanes)
		}
		if s >= 0xFF000000 {
			dst[i] = s
			continue
		}
		dst[i] = over(dst[i], s)
	}
}

// over is source-over of W3C Compositing: s + d (1 - alpha of s), the product
// rounded to the nearest of 255ths in all four lanes at once.
func over(d, s uint32) uint32 {
	t := spread(d)*uint64(255-s>>24) + 0x80*lanes
	t = (t + t>>8&byteLanes) >> 8 & byteLanes
	return packed(t) + s
}
