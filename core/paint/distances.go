package paint

import "math"

// Distances holds how far each pixel around a picture lies from it, as far as its margin goes.
type Distances struct {
	W, H   int
	margin int
	far    []float32 // pixels from the picture's edge; endless well within it and beyond the margin
}

const endless = math.MaxFloat32

// DistancesAround measures the pixels of a bitmap and of a margin around it, up to a distance of
// that margin. The nearest pixel of the picture is found exactly, by the lower envelope of
// Felzenszwalb and Huttenlocher, "Distance Transforms of Sampled Functions",
// 2012; how much of that pixel is covered says where the edge runs in it, as in
// Gustavson and Strand, "Anti-aliased Euclidean distance transform", 2011.
func DistancesAround(b *Bitmap, margin int) *Distances {
	d := &Distances{W: b.W + 2*margin, H: b.H + 2*margin, margin: margin}
	d.far = make([]float32, d.W*d.H)
	c := columnsOf(b, margin, d.W, d.H)
	e := newEnvelope(d.W)
	for y := range d.H {
		e.lower(c.near[y*d.W:][:d.W], c.most)
		d.row(b, c, e, y)
	}
	return d
}

// row takes the distances of a row from its envelope.
func (d *Distances) row(b *Bitmap, c *columns, e *envelope, y int) {
	far, near := d.far[y*d.W:][:d.W], c.near[y*d.W:][:d.W]
	most := int(c.most) * int(c.most)
	in := b.row(y - d.margin)
	i := 0
	for x, away := range near {
		far[x] = endless
		if away == 0 {
			// The outline shines through what is not opaque, as far as its seam goes.
			if a := in[x-d.margin] >> 24; a < 255 && b.atSeam(x-d.margin, y-d.margin) {
				far[x] = float32(0.5 - float64(a)/255)
			}
			continue
		}
		if e.n == 0 {
			continue
		}
		for e.from[i+1] < float64(x) {
			i++
		}
		q := e.at[i]
		dx, dy := q-x, -int(near[q])
		if away := dx*dx + dy*dy; away <= most {
			covered := float64(b.alpha(q-d.margin, y+dy-d.margin)) / 255
			far[x] = float32(math.Sqrt(float64(away)) + 0.5 - covered)
		}
	}
}

// row is a row's pixels, none beyond the bitmap.
func (b *Bitmap) row(y int) []uint32 {
	if y < 0 || y >= b.H {
		return nil
	}
	return b.Pix[y*b.W:][:b.W]
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

// columns is how far the nearest pixel of the picture lies in each pixel's column: above it, or
// below with less than 0; more than most where there is none as near.
type columns struct {
	near []int16
	most int16
}

func columnsOf(b *Bitmap, margin, w, h int) *columns {
	c := &columns{make([]int16, w*h), int16(min(margin, 1<<14) + 1)}
	none := c.most + 1
	last, within := make([]int16, w), make([]int16, w) // 0 where the row has a pixel of the picture, or -1
	for x := range last {
		last[x], within[x] = none, -1
	}
	for y := range h {
		row := c.near[y*w:][:w]
		if at := y - margin; at >= 0 && at < b.H {
			in := within[margin:][:b.W]
			for x, p := range b.Pix[at*b.W:][:b.W] {
				in[x] = int16(int32(p>>24)-solid) >> 15 // -1 where it is less
			}
		} else if at == b.H {
			for x := range within {
				within[x] = -1
			}
		}
		for x, d := range last {
			d = min(d+1, none) & within[x]
			last[x], row[x] = d, d
		}
	}
	for x := range last {
		last[x] = none
	}
	for y := h - 1; y >= 0; y-- {
		row := c.near[y*w:][:w]
		for x, above := range row {
			d := min(last[x]+1, none)
			if above == 0 {
				d = 0
			}
			last[x] = d
			if d < above {
				row[x] = -d
			}
		}
	}
	return c
}

// envelope finds the nearest pixel along a row: the n parabolas that are lowest somewhere, from
// left to right, and where each begins to be.
type envelope struct {
	n    int
	at   []int
	from []float64
}

func newEnvelope(n int) *envelope { return &envelope{0, make([]int, n), make([]float64, n+1)} }

// lower takes how far the nearest pixels in each column lie from a row. What has pixels of the
// picture on both sides is nowhere the nearest of what is none.
func (e *envelope) lower(near []int16, most int16) {
	k := -1
	rise := func(q int) int { d := int(near[q]); return d*d + q*q }
	for q, d := range near {
		if d > most || d == 0 && q > 0 && q+1 < len(near) && near[q-1] == 0 && near[q+1] == 0 {
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
	e.n = k + 1
	e.from[e.n] = math.Inf(1)
}
