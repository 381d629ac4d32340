package paint

import (
	"math"

	"billow/core/alike"
)

// solid is the alpha from which on a pixel belongs to a picture for its
// outline: thin glass does, the soft foot of an edge does not.
const solid = 20

// seam is how far into a picture, in pixels, its outline reaches below what is
// not quite opaque, so that nothing shines through between them.
const seam = 2

// Distances holds how far each pixel lies from a picture.
type Distances struct {
	W, H   int
	margin int
	far    []float32 // pixels from the picture's edge; endless well within it
}

const endless = math.MaxFloat32

// DistancesAround measures the pixels of a bitmap and of a margin around it. The
// nearest pixel of the picture is found exactly, by the lower envelope of
// Felzenszwalb and Huttenlocher, "Distance Transforms of Sampled Functions",
// 2012; how much of that pixel is covered says where the edge runs in it, as in
// Gustavson and Strand, "Anti-aliased Euclidean distance transform", 2011.
func DistancesAround(b *Bitmap, margin int) *Distances {
	d := &Distances{W: b.W + 2*margin, H: b.H + 2*margin, margin: margin}
	d.far = make([]float32, d.W*d.H)
	above := b.nearestInColumns(margin, d.W, d.H)
	e := newEnvelope(d.W)
	for y := range d.H {
		rows := above[y*d.W : (y+1)*d.W]
		e.lower(rows, y)
		for x := range d.W {
			i := y*d.W + x
			q := e.nearest[x]
			switch {
			case q < 0:
				d.far[i] = endless
			case q == x && int(rows[x]) == y && !b.atSeam(x-margin, y-margin):
				d.far[i] = endless
			default:
				way := alike.Hypot(float64(q-x), float64(int(rows[q])-y))
				covered := float64(b.alpha(q-margin, int(rows[q])-margin)) / 255
				d.far[i] = float32(way + 0.5 - covered)
			}
		}
	}
	return d
}

// alpha is 0 beyond the bitmap.
func (b *Bitmap) alpha(x, y int) uint32 {
	if x < 0 || y < 0 || x >= b.W || y >= b.H {
		return 0
	}
	return b.Pix[y*b.W+x] >> 24
}

// atSeam tells whether what is not the picture lies near.
func (b *Bitmap) atSeam(x, y int) bool {
	for _, way := range [8][2]int{{-seam, 0}, {seam, 0}, {0, -seam}, {0, seam}, {-1, -1}, {1, -1}, {-1, 1}, {1, 1}} {
		if b.alpha(x+way[0], y+way[1]) < solid {
			return true
		}
	}
	return false
}

// nearestInColumns is, for each pixel of the bitmap with its margin, the row of
// the nearest pixel of the picture in the same column, or -1.
func (b *Bitmap) nearestInColumns(margin, w, h int) []int32 {
	rows := make([]int32, w*h)
	last := make([]int32, w)
	for x := range last {
		last[x] = -1
	}
	for y := range h {
		for x := range w {
			if b.alpha(x-margin, y-margin) >= solid {
				last[x] = int32(y)
			}
			rows[y*w+x] = last[x]
		}
	}
	for y := h - 2; y >= 0; y-- {
		for x := range w {
			here, below := rows[y*w+x], rows[(y+1)*w+x]
			if here < 0 || (below >= 0 && int(below)-y < y-int(here)) {
				rows[y*w+x] = below
			}
		}
	}
	return rows
}

// envelope finds the nearest pixel along a row: the parabolas that are lowest
// somewhere, from left to right, where each begins to be, and the result.
type envelope struct {
	at      []int
	from    []float64
	nearest []int
}

func newEnvelope(n int) *envelope {
	return &envelope{make([]int, n), make([]float64, n+1), make([]int, n)}
}

// lower takes the rows of the nearest pixels in each column of row y, and gives
// the columns of the nearest of all, -1 without any.
func (e *envelope) lower(rows []int32, y int) {
	k := -1
	rise := func(q int) int { d := int(rows[q]) - y; return d*d + q*q }
	for q := range rows {
		if rows[q] < 0 {
			continue
		}
		from := math.Inf(-1)
		for ; k >= 0; k-- {
			// Where the parabolas at r and q meet.
			r := e.at[k]
			if from = float64(rise(q)-rise(r)) / float64(2*(q-r)); from > e.from[k] {
				break
			}
			from = math.Inf(-1)
		}
		k++
		e.at[k], e.from[k] = q, from
	}
	e.from[k+1] = math.Inf(1)
	for x, i := 0, 0; x < len(rows); x++ {
		if k < 0 {
			e.nearest[x] = -1
			continue
		}
		for e.from[i+1] < float64(x) {
			i++
		}
		e.nearest[x] = e.at[i]
	}
}

// Outlined is a picture with a margin and with an outline of a width in pixels
// around all that is visible of it, holes included. d has its distances.
func (d *Distances) Outlined(b *Bitmap, width float64, pixel uint32) *Bitmap {
	out := NewBitmap(d.W, d.H)
	reach := float32(width) + 0.5
	for i, far := range d.far {
		cover := reach - far
		if cover <= 0 {
			continue
		}
		out.Pix[i] = faded(pixel, uint8(min(cover, 1)*255+0.5))
	}
	for y := range b.H {
		row := out.Pix[(y+d.margin)*d.W+d.margin:]
		for x, p := range b.Pix[y*b.W : (y+1)*b.W] {
			if p>>24 > 0 {
				row[x] = over(row[x], p)
			}
		}
	}
	return out
}
