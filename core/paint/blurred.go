package paint

import (
	"math"

	"billow/core/alike"
)

// gaussian is half of a Gaussian: how much the middle counts, in 256ths, and then those farther
// and farther away on either side. All together make up 256, so the sums of four channels fit
// the lanes of one word.
type gaussian []uint64

// gaussianOf is the gaussian of a variance in square pixels. What one weight was rounded by the next
// one carries, so that an even area stays as it is and an edge is nowhere off by more than
// half a level.
func gaussianOf(variance float64) gaussian {
	r := int(math.Ceil(3*math.Sqrt(variance))) + 1
	exact := make([]float64, r+1)
	sum := 0.0
	for i := range exact {
		exact[i] = alike.Exp(-float64(i*i) / 2 / max(variance, 1e-3))
		sum += exact[i]
		if i > 0 {
			sum += exact[i]
		}
	}
	b := make(gaussian, r+1)
	beyond, done := 0.0, 0 // what the weights so far should make up, and do
	for i := r; i > 0; i-- {
		beyond += exact[i] / sum * 256
		now := int(math.Round(beyond))
		b[i] = uint64(now - done)
		done = now
	}
	b[0] = uint64(256 - 2*done)
	for len(b) > 1 && b[len(b)-1] == 0 {
		b = b[:len(b)-1]
	}
	return b
}

// Blurred is the bitmap with a margin, in the pool's memory, blurred with a standard deviation
// in pixels, all four channels alike. Beyond its edges lies nothing.
func (b *Bitmap) Blurred(sigma float64, margin int, pool *Pool) *Bitmap {
	if len(b.Pix) == 0 {
		return pool.Get(b.W+2*margin, b.H+2*margin)
	}
	out := pool.Any(b.W+2*margin, b.H+2*margin)
	b.BlurredRows(sigma, margin, func(y int, row []uint32) { copy(out.Pix[y*out.W:], row) })
	return out
}

// BlurredRows gives each row of what Blurred is, from the top; it is gone with the next one. The
// larger the deviation the longer it takes: what is softer than a few pixels is blurred at less
// detail.
func (b *Bitmap) BlurredRows(sigma float64, margin int, to func(y int, row []uint32)) {
	wide := b.W + 2*margin
	if wide == 0 || len(b.Pix) == 0 {
		return
	}
	over := gaussianOf(sigma * sigma)
	r := len(over) - 1
	// Rows are blurred across, and as soon as there are enough of them they make one of the
	// picture. Row y is number y mod 2r+1; those above and below the picture are empty.
	around := 2*r + 1
	room := make([]uint64, (around+2)*wide+wide+2*r)
	rows := make([][]uint64, around)
	for i := range rows {
		rows[i] = room[i*wide:][:wide]
	}
	sums, none, in := room[around*wide:][:wide], room[(around+1)*wide:][:wide], room[(around+2)*wide:]
	row := func(y int) []uint64 {
		if y < 0 || y >= b.H {
			return none
		}
		return rows[y%around]
	}
	beside := func(k int) []uint64 { return in[r+k:] }
	out := make([]uint32, wide)
	done := -1
	for y := range b.H + 2*margin {
		at := y - margin
		for done < min(at+r, b.H-1) {
			done++
			for x, p := range b.Pix[done*b.W:][:b.W] {
				in[margin+r+x] = spread(p)
			}
			to := rows[done%around]
			over.sum(to, beside)
			for x, s := range to {
				to[x] = s >> 8 & byteLanes
			}
		}
		over.sum(sums, func(k int) []uint64 { return row(at + k) })
		for x, s := range sums {
			out[x] = packed(s >> 8 & byteLanes)
		}
		to(y, out)
	}
}

// sum is the weighted sum, rounded once a lane is halved eight times, of what lies k away, for each k, of all four channels.
func (b gaussian) sum(sums []uint64, away func(k int) []uint64) {
	n := len(sums)
	var l, r [3][]uint64
	var w [3]uint64
	three := func(from int) {
		for i := range 3 {
			k := from + i
			w[i] = 0
			if k < len(b) {
				w[i] = b[k]
			} else {
				k = 0
			}
			l[i], r[i] = away(-k)[:n], away(k)[:n]
		}
	}
	three(1)
	start(sums, away(0), b[0], &l, &r, &w)
	for k := 3; k < len(b); k += 3 {
		three(k)
		more(sums, &l, &r, &w)
	}
}

// start begins sums with what lies in the middle and two on either side.
func start(sums, middle []uint64, w uint64, l, r *[3][]uint64, ws *[3]uint64) {
	n := len(sums)
	middle = middle[:n]
	l0, r0, l1, r1 := l[0][:n], r[0][:n], l[1][:n], r[1][:n]
	w0, w1 := ws[0], ws[1]
	for x, v := range middle {
		sums[x] = v*w + (l0[x]+r0[x])*w0 + (l1[x]+r1[x])*w1 + 128*lanes
	}
}

// more adds three on either side.
func more(sums []uint64, l, r *[3][]uint64, ws *[3]uint64) {
	n := len(sums)
	l0, r0, l1, r1, l2, r2 := l[0][:n], r[0][:n], l[1][:n], r[1][:n], l[2][:n], r[2][:n]
	w0, w1, w2 := ws[0], ws[1], ws[2]
	for x, v := range sums {
		sums[x] = v + (l0[x]+r0[x])*w0 + (l1[x]+r1[x])*w1 + (l2[x]+r2[x])*w2
	}
}
