package motion

import (
	"billow/core/timing"
)

// Key holds a value at a moment and the easing towards the next key.
type Key struct {
	At timing.Moment `json:"at"`
	// Value has two numbers for a position and one for everything else.
	Value []float64 `json:"value"`
	// Off makes a position key "just outside": "left", "right", "above" or
	// "below". The number on that axis is then worked out for each shape.
	Off  string `json:"off,omitempty"`
	Ease Ease   `json:"ease"`
}

// Track is the keys of one property, in order of time.
type Track []Key

// Clone is a copy that shares nothing with t.
func (t Track) Clone() Track {
	out := append(Track(nil), t...)
	for i := range out {
		out[i].Value = append([]float64(nil), out[i].Value...)
	}
	return out
}

// Curve is a track made ready for sampling: frames resolved, values flat.
type Curve struct {
	dims   int
	frames []float64
	values []float64
	eases  []Ease
}

// NewCurve prepares a track of dims numbers a key. The keys' moments are
// resolved by clock and must come out in increasing order.
func NewCurve(t Track, dims int, clock timing.Clock) *Curve {
	c := &Curve{dims: dims}
	for _, k := range t {
		c.frames = append(c.frames, float64(clock.Frame(k.At)))
		c.eases = append(c.eases, k.Ease)
		for d := range dims {
			c.values = append(c.values, k.Value[d])
		}
	}
	return c
}

// Len is the number of keys.
func (c *Curve) Len() int { return len(c.frames) }

// Frame is the frame of key i.
func (c *Curve) Frame(i int) float64 { return c.frames[i] }

// Value is all numbers of key i.
func (c *Curve) Value(i int) []float64 { return c.values[i*c.dims : (i+1)*c.dims] }

// Set replaces one number of key i.
func (c *Curve) Set(i, dim int, v float64) { c.values[i*c.dims+dim] = v }

// At is number dim of the value at a frame, which may lie between two whole
// frames. Before the first key and after the last one the value stays; a curve
// without keys is 0.
func (c *Curve) At(frame float64, dim int) float64 {
	n := len(c.frames)
	if n == 0 {
		return 0
	}
	if frame <= c.frames[0] {
		return c.values[dim]
	}
	if frame >= c.frames[n-1] {
		return c.values[(n-1)*c.dims+dim]
	}
	lo, hi := 0, n-1
	for hi-lo > 1 {
		mid := (lo + hi) / 2
		if c.frames[mid] <= frame {
			lo = mid
		} else {
			hi = mid
		}
	}
	a, b := c.values[lo*c.dims+dim], c.values[hi*c.dims+dim]
	t := (frame - c.frames[lo]) / (c.frames[hi] - c.frames[lo])
	return a + (b-a)*c.eases[lo].At(t)
}

// Moving tells whether the value differs anywhere from the one at its first key.
func (c *Curve) Moving() bool {
	for i := c.dims; i < len(c.values); i++ {
		if c.values[i] != c.values[i%c.dims] {
			return true
		}
	}
	return false
}

// Range is the smallest and largest value of a number over all frames from
// first to last, as sampled on whole frames.
func (c *Curve) Range(dim, first, last int) (lo, hi float64) {
	lo = c.At(float64(first), dim)
	hi = lo
	for f := first + 1; f <= last; f++ {
		v := c.At(float64(f), dim)
		lo, hi = min(lo, v), max(hi, v)
	}
	return lo, hi
}
