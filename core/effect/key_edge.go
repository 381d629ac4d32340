package effect

import (
	"sync"

	"billow/core/paint"
)

// Where a thing of a strong colour of its own goes over into the screen, the keyness of the mixture
// says too little: half orange and half green has hardly any. There the thing's colour is known from
// what of it is opaque close by, and so is the key: the opacity is where between the two a pixel's
// colour lies. A pixel that does not lie between them is left to its keyness.

const (
	cell  = 8  // pixels a side, for which the thing's colour is known at once
	reach = 1  // cells from which it is taken
	sure  = 16 // keyness up to which a pixel surely has nothing of the key
	deep  = 12 // how much more a pixel counts in a cell around which nothing is clear
)

// edges are what is known of each cell of a picture.
type edges struct {
	w, h  int
	at    []int16 // keyness of each pixel
	cells []place
	sums  []place // over cells in a row
}

// place is a cell: the sum of the colours of what is opaque, how much that counts, and how many
// pixels are clear.
type place struct{ r, g, b, n, clear int32 }

var edgePool = sync.Pool{New: func() any { return &edges{} }}

// look finds out where a picture is opaque and where it is clear.
func (e *edges) look(k *keyer, b *paint.Bitmap) {
	e.w, e.h = (b.W+cell-1)/cell, (b.H+cell-1)/cell
	e.at = sized(e.at, len(b.Pix))
	e.cells, e.sums = sized(e.cells, e.w*e.h), sized(e.sums, e.w*e.h)
	clear(e.cells)
	for y := range b.H {
		row, at := b.Pix[y*b.W:][:b.W], e.at[y*b.W:][:b.W]
		cells := e.cells[y/cell*e.w:][:e.w]
		for x, p := range row {
			at[x] = int16(k.keyness(p))
		}
		if y%2 == 1 {
			continue // one of four pixels tells enough of a cell
		}
		for x := 0; x < len(row); x += 2 {
			p, v, c := row[x], int32(at[x]), &cells[x/cell]
			switch {
			case p>>24 == 0 || k.gone[v] == 255:
				c.clear++
			case v <= sure && p>>24 == 255:
				c.r += int32(p & 255)
				c.g += int32(p >> 8 & 255)
				c.b += int32(p >> 16 & 255)
				c.n++
			}
		}
	}
	e.spread()
}

func sized[T any](s []T, n int) []T {
	if cap(s) < n {
		return make([]T, n)
	}
	return s[:n]
}

// spread gives each cell what those around it know, and their clear pixels.
func (e *edges) spread() {
	// What lies deep inside counts more than what may be mixed already.
	for y := range e.h {
		for x := range e.w {
			c := e.cells[y*e.w+x]
			if c.n == 0 || e.clearAround(x, y) {
				e.sums[y*e.w+x] = c
				continue
			}
			e.sums[y*e.w+x] = place{c.r * deep, c.g * deep, c.b * deep, c.n * deep, c.clear}
		}
	}
	add := func(to *place, c place) {
		to.r, to.g, to.b, to.n, to.clear = to.r+c.r, to.g+c.g, to.b+c.b, to.n+c.n, to.clear+c.clear
	}
	for y := range e.h {
		for x := range e.w {
			var sum place
			for i := max(0, x-reach); i <= min(e.w-1, x+reach); i++ {
				add(&sum, e.sums[y*e.w+i])
			}
			e.cells[y*e.w+x] = sum
		}
	}
	for x := range e.w {
		for y := range e.h {
			var sum place
			for i := max(0, y-reach); i <= min(e.h-1, y+reach); i++ {
				add(&sum, e.cells[i*e.w+x])
			}
			e.sums[y*e.w+x] = sum
		}
	}
}

// clearAround tells whether a cell or one beside it has a clear pixel.
func (e *edges) clearAround(x, y int) bool {
	for j := max(0, y-1); j <= min(e.h-1, y+1); j++ {
		for i := max(0, x-1); i <= min(e.w-1, x+1); i++ {
			if e.cells[j*e.w+i].clear > 0 {
				return true
			}
		}
	}
	return false
}

// between is how much of a pixel goes, 255ths, by where it lies between the key and what is opaque
// around its cell; ok is false where it does not lie there or nothing is known.
func (k *keyer) between(p uint32, c *place) (gone int32, ok bool) {
	if c.n == 0 || c.clear == 0 || p>>24 != 255 {
		return 0, false
	}
	fr, fg, fb := c.r/c.n-k.key8[0], c.g/c.n-k.key8[1], c.b/c.n-k.key8[2]
	pr, pg, pb := int32(p&255)-k.key8[0], int32(p>>8&255)-k.key8[1], int32(p>>16&255)-k.key8[2]
	size := fr*fr + fg*fg + fb*fb
	along := pr*fr + pg*fg + pb*fb
	if size < 1600 || along <= 0 {
		return 0, false
	}
	// How far aside it lies, squared; a fifth of the way between both is still on it.
	aside := int64(pr*pr+pg*pg+pb*pb)*int64(size) - int64(along)*int64(along)
	if aside > int64(size)*int64(size)/25+int64(size)*64 {
		return 0, false
	}
	left := along * 256 / size
	// The last hundredths at both ends are noise.
	left = min(max((left-8)*255/240, 0), 255)
	return 255 - left, true
}
