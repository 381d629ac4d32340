package motion

import (
	"math"

	"billow/core/alike"
)

// bend is a curved way between two positions: a cubic Bezier with a table of
// its length, so that it is travelled evenly.
type bend struct {
	p       [4][2]float64
	lengths [bendSteps + 1]float64 // from the beginning up to each step
}

const bendSteps = 48

func (b *bend) at(u float64) (x, y float64) {
	v := 1 - u
	w := [4]float64{v * v * v, 3 * v * v * u, 3 * v * u * u, u * u * u}
	for i, p := range b.p {
		x, y = x+w[i]*p[0], y+w[i]*p[1]
	}
	return x, y
}

func (b *bend) measure() {
	px, py := b.at(0)
	for i := 1; i <= bendSteps; i++ {
		x, y := b.at(float64(i) / bendSteps)
		b.lengths[i] = b.lengths[i-1] + alike.Hypot(x-px, y-py)
		px, py = x, y
	}
}

// along is the place after a share of the way's length. Shares below 0 and
// above 1, as springs have them, go on straight beyond the ends.
func (b *bend) along(share float64) (x, y float64) {
	total := b.lengths[bendSteps]
	if total == 0 {
		return b.p[0][0], b.p[0][1]
	}
	if share < 0 || share > 1 {
		end, inner := 0.0, 1e-3
		over := share
		if share > 1 {
			end, inner, over = 1, 1-1e-3, share-1
		}
		x0, y0 := b.at(end)
		x1, y1 := b.at(inner)
		d := alike.Hypot(x1-x0, y1-y0)
		if d == 0 {
			return x0, y0
		}
		k := math.Abs(over) * total / d
		return x0 - (x1-x0)*k, y0 - (y1-y0)*k
	}
	want := share * total
	lo, hi := 0, bendSteps
	for hi-lo > 1 {
		if mid := (lo + hi) / 2; b.lengths[mid] <= want {
			lo = mid
		} else {
			hi = mid
		}
	}
	part := 0.0
	if d := b.lengths[hi] - b.lengths[lo]; d > 0 {
		part = (want - b.lengths[lo]) / d
	}
	return b.at((float64(lo) + part) / bendSteps)
}

// Bend works out the curved ways between positions from the keys' handles and
// the values as they are now.
func (c *Curve) Bend() {
	c.bends = nil
	if c.dims != 2 {
		return
	}
	for i := 0; i+1 < len(c.keys); i++ {
		out, in := c.keys[i].Out, c.keys[i+1].In
		if len(out) != 2 && len(in) != 2 {
			continue
		}
		if c.bends == nil {
			c.bends = make([]*bend, len(c.keys))
		}
		b := &bend{}
		from, to := c.values[2*i:2*i+2], c.values[2*i+2:2*i+4]
		b.p[0], b.p[3] = [2]float64(from), [2]float64(to)
		b.p[1], b.p[2] = b.p[0], b.p[3]
		if len(out) == 2 {
			b.p[1] = [2]float64{from[0] + out[0], from[1] + out[1]}
		}
		if len(in) == 2 {
			b.p[2] = [2]float64{to[0] + in[0], to[1] + in[1]}
		}
		b.measure()
		c.bends[i] = b
	}
}
