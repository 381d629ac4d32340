// Package layout places things: units, pins, where a layer rests in each
// shape, and how far away "just outside" is.
package layout

import (
	"math"

	"billow/core/clip"
)

// Extent is the size of a shape in units: its shorter side is 1000.
func Extent(s clip.Shape) (w, h float64) {
	short := float64(min(s.W, s.H))
	return 1000 * float64(s.W) / short, 1000 * float64(s.H) / short
}

// Frame is the bounds of a shape, units from its centre.
func Frame(s clip.Shape) Box {
	w, h := Extent(s)
	return Box{-w / 2, -h / 2, w / 2, h / 2}
}

// PinPoint is where a pin lies, in units from the frame's centre.
func PinPoint(pin string, s clip.Shape) (x, y float64) {
	w, h := Extent(s)
	sx, sy := PinSide(pin)
	return sx * w / 2, sy * h / 2
}

// PinSide is which edges a pin is at: -1, 0 or 1 on each axis.
func PinSide(pin string) (x, y float64) {
	switch pin {
	case "left", "topLeft", "bottomLeft":
		x = -1
	case "right", "topRight", "bottomRight":
		x = 1
	}
	switch pin {
	case "top", "topLeft", "topRight":
		y = -1
	case "bottom", "bottomLeft", "bottomRight":
		y = 1
	}
	return x, y
}

// PutAt lets a layer that has one rest for all shapes stand at a point of one of
// them, in units from the frame's centre.
func PutAt(c *clip.Clip, l *clip.Layer, s clip.Shape, x, y float64) {
	l.Rest.X, l.Rest.Y = 1, 1
	there := RestIn(c, l, s)
	px, py := PinPoint(l.Rest.Pin, s)
	l.Rest.X, l.Rest.Y = (x-px)/there.X, (y-py)/there.Y
}

// RestIn is where a layer stands in a shape: its own rest there, or one derived
// from the home shape. A derived rest keeps its distance from the edge it is
// pinned to and its share of the frame on an axis on which it is not, and
// shrinks where the frame has less room, by the square root of what is lost. What is
// in a group stays together (together.go).
func RestIn(c *clip.Clip, l *clip.Layer, s clip.Shape) clip.Rest {
	home := c.Shapes[0]
	if r, ok := l.Rests[s.ID]; ok {
		return r
	}
	if s.ID == home.ID {
		return l.Rest
	}
	if g := outermost(c, l); g != nil {
		return together(c, g, l, s)
	}
	return derived(l, home, s)
}

// derived is the rest of a layer that stands by itself.
func derived(l *clip.Layer, home, s clip.Shape) clip.Rest {
	hw, hh := Extent(home)
	w, h := Extent(s)
	shrink := Shrink(home, s)
	r := l.Rest
	px, py := PinSide(r.Pin)
	r.X *= axisFactor(px, w/hw, shrink)
	r.Y *= axisFactor(py, h/hh, shrink)
	if !l.Is().Holds { // what is in it shrinks by itself
		r.Size *= shrink
	}
	return r
}

func axisFactor(side, ratio, shrink float64) float64 {
	if side != 0 {
		return shrink
	}
	return ratio
}

// Shrink is the factor by which sizes are reduced from one shape to another:
// 1 when the other has at least as much room on both axes.
func Shrink(home, s clip.Shape) float64 {
	hw, hh := Extent(home)
	w, h := Extent(s)
	return math.Sqrt(min(1, w/hw, h/hh))
}

// Centre is the place of a rest, in units from the frame's centre.
func Centre(r clip.Rest, s clip.Shape) (x, y float64) {
	x, y = PinPoint(r.Pin, s)
	return x + r.X, y + r.Y
}

// Box is a rectangle in units.
type Box struct{ X0, Y0, X1, Y1 float64 }

// Union is the smallest box around both.
func (b Box) Union(o Box) Box {
	return Box{min(b.X0, o.X0), min(b.Y0, o.Y0), max(b.X1, o.X1), max(b.Y1, o.Y1)}
}

// Moved is b moved.
func (b Box) Moved(dx, dy float64) Box { return Box{b.X0 + dx, b.Y0 + dy, b.X1 + dx, b.Y1 + dy} }

// Grown is b with room on all sides.
func (b Box) Grown(by float64) Box { return Box{b.X0 - by, b.Y0 - by, b.X1 + by, b.Y1 + by} }

// Turned is the bounds of a w by h rectangle about the origin, turned by so
// many degrees.
func Turned(w, h, degrees float64) Box {
	s, c := math.Sincos(degrees * math.Pi / 180)
	x := (math.Abs(w*c) + math.Abs(h*s)) / 2
	y := (math.Abs(w*s) + math.Abs(h*c)) / 2
	return Box{-x, -y, x, y}
}

// Beyond is how far a box has to go on an axis (0 for x, 1 for y) so that it
// lies just outside the frame of a shape, to the side -1 (left, above) or 1.
func Beyond(axis, side int, b Box, s clip.Shape) float64 {
	w, h := Extent(s)
	half, lo, hi := w/2, b.X0, b.X1
	if axis == 1 {
		half, lo, hi = h/2, b.Y0, b.Y1
	}
	if side < 0 {
		return -half - hi
	}
	return half - lo
}
