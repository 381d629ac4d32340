package paint

import "math"

// MostSamples is the largest number of places that DrawMoved takes.
const MostSamples = 128

// DrawMoved puts the mean of a picture at several places onto dst, as a camera
// sees it while its shutter is open. At most MostSamples places count.
func (br *Brush) DrawMoved(dst *Bitmap, p *Pyramid, places []Affine, opacity float64, mode Blend) {
	alpha := uint32(math.Round(min(max(opacity, 0), 1) * 256))
	if alpha == 0 || len(places) == 0 {
		return
	}
	places = places[:min(len(places), MostSamples)]
	x0, y0, x1, y1 := covered(p.Picture, places, dst)
	if x0 >= x1 || y0 >= y1 {
		return
	}
	w := x1 - x0
	if len(br.moved) < w*(y1-y0) {
		br.moved = make([]uint64, w*(y1-y0))
	}
	sums := br.moved[:w*(y1-y0)]
	clear(sums)
	br.room(dst.W)
	for _, m := range places {
		inv, ok := m.Inverse()
		if !ok {
			continue
		}
		edge, from := edgeOf(p.Picture, m), reading(p, inv)
		from.nearest()
		top, end := edge.rows(dst.H)
		for y := max(y0, top); y < min(y1, end); y++ {
			a, b := edge.row(y, dst.W)
			if a >= b {
				continue
			}
			row := br.row[:b-a]
			from.read(br, row, a, y)
			edge.cover(row)
			sum := sums[(y-y0)*w+a-x0:]
			for i, px := range row {
				sum[i] += spread(px)
			}
		}
	}
	n := uint64(len(places))
	half := n / 2
	for y := y0; y < y1; y++ {
		row := br.row[:w]
		for i, s := range sums[(y-y0)*w : (y-y0+1)*w] {
			if s == 0 {
				row[i] = 0
				continue
			}
			row[i] = packed((s&0xFFFF+half)/n | ((s>>16&0xFFFF)+half)/n<<16 | ((s>>32&0xFFFF)+half)/n<<32 | ((s>>48)+half)/n<<48)
		}
		composite(dst.Pix[y*dst.W+x0:y*dst.W+x1], row, alpha, mode)
	}
}

// covered is the part of dst on which a picture may lie at any of the places.
func covered(b *Bitmap, places []Affine, dst *Bitmap) (x0, y0, x1, y1 int) {
	lo, hi := [2]float64{math.Inf(1), math.Inf(1)}, [2]float64{math.Inf(-1), math.Inf(-1)}
	for _, m := range places {
		for _, c := range [4][2]float64{{-1, -1}, {1, -1}, {-1, 1}, {1, 1}} {
			x, y := m.Apply(float64(b.W)*(c[0]+1)/2+c[0], float64(b.H)*(c[1]+1)/2+c[1])
			lo[0], lo[1] = min(lo[0], x), min(lo[1], y)
			hi[0], hi[1] = max(hi[0], x), max(hi[1], y)
		}
	}
	limit := func(v float64, n int) int { return int(min(max(v, 0), float64(n))) }
	return limit(math.Floor(lo[0]), dst.W), limit(math.Floor(lo[1]), dst.H), limit(math.Ceil(hi[0]), dst.W), limit(math.Ceil(hi[1]), dst.H)
}
