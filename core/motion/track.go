package motion

import (
	"slices"
	"strings"

	"billow/core/colour"
	"billow/core/timing"
	"billow/core/wording"
)

// Key holds a value at a moment and the easing towards the next key.
type Key struct {
	At timing.Moment `json:"at"`
	// Value has as many numbers as the property says; a scale may have one for
	// both.
	Value []float64 `json:"value"`
	// Off makes a position key "just outside": one of SideNames, a corner being
	// outside on both axes. The numbers on these axes are worked out for each
	// shape.
	Off  string `json:"off,omitempty"`
	Ease Ease   `json:"ease"`
	// Out and In bend the path of a position: where the path leaves this key and
	// reaches it, in units from the key. The easing runs along its length.
	Out []float64 `json:"out,omitempty"`
	In  []float64 `json:"in,omitempty"`
	// Move is the ID of the move that wrote the key; a key without it was made
	// by hand.
	Move string `json:"move,omitempty"`
	// Eased says that a person has chosen the easing of a key that a move wrote:
	// it stays when the move is written anew.
	Eased bool `json:"eased,omitempty"`

	// Mark lets whoever edits find a key again; it is never written.
	Mark int `json:"-"`
}

// SideNames are where "just outside" can be.
var SideNames = wording.List{
	{ID: "left", Name: "Left"}, {ID: "right", Name: "Right"}, {ID: "above", Name: "Above"}, {ID: "below", Name: "Below"},
	{ID: "aboveLeft", Name: "Above left"}, {ID: "aboveRight", Name: "Above right"},
	{ID: "belowLeft", Name: "Below left"}, {ID: "belowRight", Name: "Below right"},
}

// Sides are their IDs.
var Sides = SideNames.IDs()

// SideOf splits a side into what it says on each axis: -1 (left, above), 1
// (right, below), or 0.
func SideOf(side string) (x, y int) {
	switch side {
	case "left", "aboveLeft", "belowLeft":
		x = -1
	case "right", "aboveRight", "belowRight":
		x = 1
	}
	switch side {
	case "above", "aboveLeft", "aboveRight":
		y = -1
	case "below", "belowLeft", "belowRight":
		y = 1
	}
	return x, y
}

// Corner is the side that is on one side horizontally and on another vertically; each
// may be none.
func Corner(horizontal, vertical string) string {
	if horizontal == "" || vertical == "" {
		return horizontal + vertical
	}
	return vertical + strings.ToUpper(horizontal[:1]) + horizontal[1:]
}

// Track is the keys of one property, in order of time.
type Track []Key

// Clone is a copy that shares nothing with t.
func (t Track) Clone() Track {
	out := append(Track(nil), t...)
	for i := range out {
		out[i].Value = slices.Clone(out[i].Value)
		out[i].Out = slices.Clone(out[i].Out)
		out[i].In = slices.Clone(out[i].In)
	}
	return out
}

// Curve is a track made ready for sampling: frames resolved, values flat.
type Curve struct {
	dims   int
	colour bool // values are kept in OKLab
	frames []float64
	values []float64
	eases  []Ease
	bends  []*bend // of each segment, nil when straight; nil when all are
	keys   Track
}

// NewCurve prepares a track of dims numbers a key. The keys' moments are
// resolved by clock and must come out in increasing order. A key with fewer
// numbers repeats its last one. Colours are mixed in OKLab.
func NewCurve(t Track, dims int, colours bool, clock timing.Clock) *Curve {
	c := &Curve{dims: dims, colour: colours, keys: t}
	if len(t) == 0 {
		return c
	}
	c.frames = make([]float64, len(t))
	c.values = make([]float64, 0, len(t)*dims)
	c.eases = make([]Ease, len(t))
	for i, k := range t {
		c.frames[i] = float64(clock.Frame(k.At))
		c.eases[i] = k.Ease
		if colours {
			lab := colour.OKLab(k.Value[0], k.Value[1], k.Value[2])
			c.values = append(c.values, lab.L, lab.A, lab.B, k.Value[3])
			continue
		}
		for d := range dims {
			c.values = append(c.values, k.Value[min(d, len(k.Value)-1)])
		}
	}
	c.Bend()
	return c
}

// Len is the number of keys.
func (c *Curve) Len() int { return len(c.frames) }

// Frame is the frame of key i.
func (c *Curve) Frame(i int) float64 { return c.frames[i] }

// Ease is the easing from key i to the next one.
func (c *Curve) Ease(i int) Ease { return c.eases[i] }

// Value is all numbers of key i.
func (c *Curve) Value(i int) []float64 {
	out := make([]float64, 4)
	v := [4]float64{}
	copy(v[:], c.values[i*c.dims:(i+1)*c.dims])
	if c.colour {
		v = rgb(v)
	}
	copy(out, v[:])
	return out[:c.dims]
}

// Set replaces one number of key i. Bend has to be called after the last one.
func (c *Curve) Set(i, dim int, v float64) { c.values[i*c.dims+dim] = v }

// segment finds the keys around a frame and the eased progress between them.
func (c *Curve) segment(frame float64) (lo int, progress float64) {
	n := len(c.frames)
	if frame <= c.frames[0] {
		return 0, 0
	}
	if frame >= c.frames[n-1] {
		return n - 1, 0
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
	return lo, c.eases[lo].At((frame - c.frames[lo]) / (c.frames[hi] - c.frames[lo]))
}

// Sample is the value at a frame, which may lie between two whole frames; as
// many numbers count as the curve has. Before the first key and after the last
// one the value stays; a curve without keys is 0.
func (c *Curve) Sample(frame float64) (v [4]float64) {
	if len(c.frames) == 0 {
		return v
	}
	lo, p := c.segment(frame)
	a := c.values[lo*c.dims : (lo+1)*c.dims]
	if p == 0 {
		copy(v[:], a)
	} else if c.bends != nil && c.bends[lo] != nil {
		v[0], v[1] = c.bends[lo].along(p)
	} else {
		for d, b := range c.values[(lo+1)*c.dims : (lo+2)*c.dims] {
			v[d] = a[d] + (b-a[d])*p
		}
	}
	if c.colour {
		return rgb(v)
	}
	return v
}

func rgb(v [4]float64) [4]float64 {
	v[0], v[1], v[2] = colour.Lab{L: v[0], A: v[1], B: v[2]}.SRGB()
	v[3] = min(max(v[3], 0), 255)
	return v
}

// At is one number of Sample.
func (c *Curve) At(frame float64, dim int) float64 { return c.Sample(frame)[dim] }
