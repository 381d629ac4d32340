package paint

import "math"

// A raster finds how much of each pixel a path covers, exactly but for the last
// 16th of a bit: each edge adds the area to its right to the pixels that it
// crosses, and sums along a row give the coverage (Levien's font-rs does the
// same). It counts in whole numbers, 65536 to a pixel, so that all machines give
// the same, and each row begins anew from the edge's ends, so that long edges do
// not drift.
type raster struct {
	w, h    int
	acc     []int32    // of each row w+1 pixels: by how much coverage changes there
	touched [][2]int32 // of each row: from and before which of them there are such changes
}

const whole = 1 << 16

func newRaster(w, h int) *raster {
	r := &raster{w, h, make([]int32, (w+1)*h), make([][2]int32, h)}
	for i := range r.touched {
		r.touched[i][0] = int32(w)
	}
	return r
}

// flatness is how far, in pixels, chords may lie from their curve.
const flatness = 0.02

// add adds a path whose origin lies at (-x0, -y0), every contour closed.
func (r *raster) add(p Path, x0, y0 float64) {
	fixed := func(v [2]float64) (x, y int64) {
		const most = 1 << 30 // far outside, yet small enough to multiply
		round := func(v float64) int64 {
			if math.IsNaN(v) {
				return 0 // as a whole number it would differ from machine to machine
			}
			return int64(min(max(math.Round(v*whole), -most), most))
		}
		return round(v[0] - x0), round(v[1] - y0)
	}
	for _, l := range p.flattened(flatness) {
		ax, ay := fixed(l.points[len(l.points)-1])
		for _, pt := range l.points {
			bx, by := fixed(pt)
			r.edge(ax, ay, bx, by)
			ax, ay = bx, by
		}
	}
}

// edge adds an edge from a to b.
func (r *raster) edge(ax, ay, bx, by int64) {
	sign := int64(1)
	if ay > by {
		ax, ay, bx, by, sign = bx, by, ax, ay, -1
	}
	if ay == by || by <= 0 || ay >= int64(r.h)*whole {
		return
	}
	at := func(y int64) int64 { return ax + (y-ay)*(bx-ax)/(by-ay) }
	y, x := max(ay, 0), ax
	if y != ay {
		x = at(y)
	}
	for end := min(by, int64(r.h)*whole); y < end; {
		next := min((y/whole+1)*whole, end)
		nx := bx
		if next != by {
			nx = at(next)
		}
		row := int(y / whole)
		r.row(row, x, nx, next-y, sign)
		x, y = nx, next
	}
}

// row adds the part of an edge that lies in row y, high of it, from ax to bx.
func (r *raster) row(y int, ax, bx, high, sign int64) {
	acc, touched := r.acc[y*(r.w+1):(y+1)*(r.w+1)], &r.touched[y]
	if ax > bx {
		ax, bx = bx, ax
	}
	first, last := int32(max(ax, 0)/whole), int32(min(max(bx, 0)/whole+2, int64(r.w)))
	touched[0], touched[1] = min(touched[0], first), max(touched[1], last)
	// What lies to the left of the first pixel covers all of them.
	if bx <= 0 {
		acc[0] += int32(sign * high)
		return
	}
	x, done := ax, int64(0) // of the height
	if x < 0 {
		done = -ax * high / (bx - ax)
		acc[0] += int32(sign * done)
		x = 0
	}
	for {
		cell := x / whole
		if cell >= int64(r.w) {
			return
		}
		end, to := bx, high
		if next := (cell + 1) * whole; next < bx {
			end, to = next, (next-ax)*high/(bx-ax)
		}
		// The area to the right of this piece within its pixel.
		left := (x+end)/2 - cell*whole
		in := (to - done) * (whole - left) / whole
		acc[cell] += int32(sign * in)
		acc[cell+1] += int32(sign * (to - done - in))
		if end == bx {
			return
		}
		x, done = end, to
	}
}

// coverage gives the pixels of each row that are covered, 0..65536, from x on to f. What
// is covered twice, in either direction, is covered.
func (r *raster) coverage(f func(x, y int, row []int32)) {
	for y, t := range r.touched {
		if t[0] >= t[1] {
			continue
		}
		row := r.acc[y*(r.w+1):][t[0]:t[1]]
		sum := int32(0)
		for x, v := range row {
			sum += v
			row[x] = min(max(sum, -sum), whole)
		}
		f(int(t[0]), y, row)
	}
}

// evenOdd is coverage by the even-odd rule: what is covered twice is not covered.
func (r *raster) evenOdd(f func(x, y int, row []int32)) {
	for y, t := range r.touched {
		if t[0] >= t[1] {
			continue
		}
		row := r.acc[y*(r.w+1):][t[0]:t[1]]
		sum := int32(0)
		for x, v := range row {
			sum += v
			twice := max(sum, -sum) % (2 * whole)
			row[x] = min(twice, 2*whole-twice)
		}
		f(int(t[0]), y, row)
	}
}
