package paint

import "unsafe"

// Elsewhere says where a bent picture shows what: for pixels from..to of a row, the place in the other
// picture, in 256ths of a pixel from the middle of its first one. The others show what lies at their own
// place.
type Elsewhere func(y int, u, v []int32) (from, to int)

// Warped fills out, whose first pixel is that at (left, top) of the bitmap, with what lies elsewhere in
// it, mixed between its pixels. Beyond its edges lies nothing.
func (b *Bitmap) Warped(out *Bitmap, left, top int, of Elsewhere) {
	u, v := make([]int32, out.W), make([]int32, out.W)
	for y := range out.H {
		from, to := of(y, u, v)
		row := out.Pix[y*out.W:][:out.W]
		b.copyRow(row[:from], left, top+y)
		b.warpedRow(row[from:to], u[from:to], v[from:to])
		b.copyRow(row[to:], left+to, top+y)
	}
}

// copyRow is the bitmap's pixels from (x, y) on.
func (b *Bitmap) copyRow(row []uint32, x, y int) {
	in := b.row(y)
	from, to := min(max(-x, 0), len(row)), min(max(len(in)-x, 0), len(row))
	if from >= to {
		clear(row)
		return
	}
	clear(row[:from])
	copy(row[from:to], in[x+from:])
	clear(row[to:])
}

func (b *Bitmap) warpedRow(row []uint32, u, v []int32) {
	w, h := b.W, b.H
	if len(b.Pix) == 0 {
		clear(row)
		return
	}
	pix := unsafe.Pointer(&b.Pix[0])
	v, row = v[:len(u)], row[:len(u)]
	for i, at := range u {
		x, y := int(at>>8), int(v[i]>>8)
		tx, ty := uint64(at&255), uint64(v[i]&255)
		if uint(x) >= uint(w-1) || uint(y) >= uint(h-1) {
			row[i] = b.atEdge(x, y, tx, ty)
			continue
		}
		k := y*w + x
		p00, p10, p01, p11 := pixel(pix, k), pixel(pix, k+1), pixel(pix, k+w), pixel(pix, k+w+1)
		if p00 == p11 && p00 == p10 && p00 == p01 {
			row[i] = p00
			continue
		}
		row[i] = packed(bilinear(spread(p00), spread(p10), spread(p01), spread(p11), tx, ty))
	}
}

// atEdge mixes four pixels of which some may lie beyond the bitmap.
func (b *Bitmap) atEdge(x, y int, tx, ty uint64) uint32 {
	if x < -1 || y < -1 || x >= b.W || y >= b.H {
		return 0
	}
	at := func(x, y int) uint64 {
		if uint(x) < uint(b.W) && uint(y) < uint(b.H) {
			return spread(b.Pix[y*b.W+x])
		}
		return 0
	}
	return packed(bilinear(at(x, y), at(x+1, y), at(x, y+1), at(x+1, y+1), tx, ty))
}

// Net is a net of places, a knot every Step pixels both ways, between which they are mixed.
type Net struct {
	step, wide int
	knots      [][2]float64
}

// NewNet asks where each knot of a net over w x h pixels shows what lies; x, y and the answer are
// pixels from the middle of the first one. step is a power of two.
func NewNet(w, h, step int, from func(x, y float64) (u, v float64)) *Net {
	n := &Net{step: step, wide: w/step + 2}
	n.knots = make([][2]float64, 0, n.wide*(h/step+2))
	for y := range h/step + 2 {
		for x := range n.wide {
			u, v := from(float64(x*step), float64(y*step))
			// What lies farther away than this is nowhere.
			const most = 1 << 21
			n.knots = append(n.knots, [2]float64{256 * min(max(u, -most), most), 256 * min(max(v, -most), most)})
		}
	}
	return n
}

// Row is an Elsewhere.
func (n *Net) Row(y int, u, v []int32) (from, to int) {
	upper := n.knots[y/n.step*n.wide:][:n.wide]
	lower := n.knots[(y/n.step+1)*n.wide:][:n.wide]
	// In 2^16ths of what is asked for, from knot to knot.
	t, per := float64(y%n.step)/float64(n.step), 65536/float64(n.step)
	mixed := func(i int) (u, v float64) {
		a, b := &upper[i], &lower[i]
		return a[0] + (b[0]-a[0])*t, a[1] + (b[1]-a[1])*t
	}
	u0, v0 := mixed(0)
	for i, x := 1, 0; x < len(u); i, x = i+1, x+n.step {
		u1, v1 := mixed(i)
		atU, atV := int64(65536*(u0+0.5)), int64(65536*(v0+0.5))
		byU, byV := int64((u1-u0)*per), int64((v1-v0)*per)
		end := min(x+n.step, len(u))
		us, vs := u[x:end], v[x:end]
		vs = vs[:len(us)]
		for k := range us {
			us[k], vs[k] = int32(atU>>16), int32(atV>>16)
			atU += byU
			atV += byV
		}
		u0, v0 = u1, v1
	}
	return 0, len(u)
}
