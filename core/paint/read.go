package paint

import (
	"billow/core/alike"
)

// reader reads a transformed picture row by row. The size of detail is chosen
// for the axis on which fewer of its pixels fall on one of the frame; on the
// other axis, several places in each pixel are read.
type reader struct {
	first, second copied
	share         uint64 // of the second copy, in 256ths
	places        int    // that are read in each pixel: 1, 2, 4 or 8
	du, dv        float64
}

// copied is a copy of a picture with what maps pixels of the frame to its own.
type copied struct {
	*Bitmap
	inv   Affine
	scale float64 // of its sides to those of the picture
}

// mostPlaces is how many places in a pixel are read at most.
const mostPlaces = 8

// reading chooses how a picture is read that inv maps pixels of the frame to.
func reading(p *Pyramid, inv Affine) reader {
	wu, wv := alike.Hypot(inv.A, inv.C), alike.Hypot(inv.B, inv.D)
	fine, coarse := min(wu, wv), max(wu, wv)
	n, share := p.detail(fine)
	r := reader{share: share, places: 1}
	at := func(n int) copied {
		b, scale := p.step(n)
		return copied{b, inv.Then(Scale(scale, scale)), scale}
	}
	r.first = at(n)
	if share > 0 {
		r.second = at(n + 1)
	}
	if rest := max(coarse, 1) / max(fine, 1); rest > 1.01 {
		for r.places < mostPlaces && float64(r.places) < 2*rest {
			r.places *= 2
		}
		// The places lie evenly on what the finer detail leaves of the pixel.
		along := (coarse - max(fine, 1)) / float64(r.places)
		if wu > wv {
			r.du = along
		} else {
			r.dv = along
		}
	}
	return r
}

// nearest reads one copy only, and one place in each pixel: enough for what is
// one of many that are mixed.
func (r *reader) nearest() {
	if r.share >= 128 {
		r.first = r.second
	}
	r.share, r.places = 0, 1
}

// read fills a row with the picture from (x, y) of the frame on.
func (r *reader) read(br *Brush, row []uint32, x, y int) {
	if r.places == 1 {
		r.mixed(br, row, x, y, 0, 0)
		return
	}
	if len(br.sums) < len(row) {
		br.sums = make([]uint64, len(row))
	}
	sums := br.sums[:len(row)]
	clear(sums)
	for i := range r.places {
		off := float64(i) - float64(r.places-1)/2
		r.mixed(br, row, x, y, off*r.du, off*r.dv)
		for k, p := range row {
			sums[k] += spread(p)
		}
	}
	shift, half := 0, uint64(r.places/2)*lanes
	for n := r.places; n > 1; n /= 2 {
		shift++
	}
	for k, s := range sums {
		row[k] = packed((s + half) >> shift & byteLanes)
	}
}

// mixed reads both copies, (du, dv) pixels of the picture aside, and mixes them.
func (r *reader) mixed(br *Brush, row []uint32, x, y int, du, dv float64) {
	r.first.read(br, row, x, y, du, dv, 256)
	if r.share == 0 {
		return
	}
	// Where the first is empty the second is, too, but for a pixel or two.
	lo, hi := 0, len(row)
	for lo < hi && row[lo] == 0 {
		lo++
	}
	for hi > lo && row[hi-1] == 0 {
		hi--
	}
	if lo < hi {
		lo, hi = max(0, lo-3), min(len(row), hi+3)
		r.second.read(br, row[lo:hi], x+lo, y, du, dv, r.share)
	}
}

// read mixes the share of bilinear samples, in 256ths, into a row. The centre of
// a pixel of the frame is sampled at (u, v), where whole numbers are centres of
// the copy's pixels.
func (c *copied) read(br *Brush, row []uint32, x, y int, du, dv float64, share uint64) {
	cx, cy := float64(x)+0.5, float64(y)+0.5
	u := c.inv.A*cx + c.inv.C*cy + c.inv.E - 0.5 + du*c.scale
	v := c.inv.B*cx + c.inv.D*cy + c.inv.F - 0.5 + dv*c.scale
	br.sample(row, c.Bitmap, u, v, c.inv.A, c.inv.B, share)
}
