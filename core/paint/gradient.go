package paint

import (
	"math"

	"billow/core/colour"
)

// Stop is a colour of a gradient, at 0..1 of its way.
type Stop struct {
	At     float64
	Colour colour.Colour
}

// Run is how the colours of a gradient follow each other.
type Run int

// Along a line, from a centre outwards, and around a centre.
const (
	Linear Run = iota
	Radial
	Conic
)

// Gradient is colours that pass into each other, as in CSS Images 4: mixed
// premultiplied. Values between two 8-bit steps are dithered, so that wide soft
// gradients show no bands.
type Gradient struct {
	Run   Run
	Stops []Stop // in the order of At
	// Angle is the direction of a linear gradient (0 up, 90 right, 180 down), whose
	// ends lie where the corners farthest in that direction and against it have
	// exactly the end colours; a conic one begins there and goes clockwise; that of a
	// radial one is its longer axis.
	Angle float64
	X, Y  float64 // the centre of the other two, 0..1 of the box
	Reach float64 // of a radial one: its end as a share of the way to the farthest corner
	Flat  float64 // of a radial one: by which share it reaches less far across, less than 1
}

// Box is where a gradient lies: pixels.
type Box struct{ X, Y, W, H float64 }

// Shader is the gradient over a box.
func (g Gradient) Shader(box Box) Shader {
	if len(g.Stops) == 1 || box.W <= 0 || box.H <= 0 {
		return plain(Premultiplied(g.Stops[0].Colour))
	}
	r := newRamp(g.Stops)
	sin, cos := math.Sincos(g.Angle * math.Pi / 180)
	cx, cy := box.X+g.X*box.W, box.Y+g.Y*box.H
	switch g.Run {
	case Radial:
		dx, dy := max(cx-box.X, box.X+box.W-cx), max(cy-box.Y, box.Y+box.H-cy)
		long := 1 / (max(g.Reach, 1e-6) * math.Sqrt(dx*dx+dy*dy))
		flat := 1 / (1 - min(max(g.Flat, 0), 0.99))
		return radial{r, cx, cy, long, [2]float64{sin, -cos}, [2]float64{cos * flat, sin * flat}, flat}
	case Conic:
		from := g.Angle / 360
		return conic{r, cx, cy, float32(from - math.Floor(from))}
	}
	length := math.Abs(box.W*sin) + math.Abs(box.H*cos)
	return linear{r, box.X + box.W/2, box.Y + box.H/2, sin / length, -cos / length}
}

type plain uint32

func (s plain) Row(_, _ int, dst []uint32) {
	for i := range dst {
		dst[i] = uint32(s)
	}
}

func (s plain) Opaque() bool { return s >= 0xFF000000 }

type linear struct {
	*ramp
	cx, cy, dx, dy float64
}

func (s linear) Row(x, y int, dst []uint32) {
	d := dithers(y)
	t := ((float64(x)+0.5-s.cx)*s.dx+(float64(y)+0.5-s.cy)*s.dy+0.5)*steps + 0.5
	dt := s.dx * steps
	// In fixed point with 32 fractional bits: at most 2^20 steps lie beyond an end.
	const most = 1 << 30
	at, by := int64(min(max(t, -most), most)*one), int64(dt*one)
	for i := range dst {
		dst[i] = s.at(int(at >> fraction)).pixel(d[(x+i)&3])
		at += by
	}
}

type radial struct {
	*ramp
	cx, cy, k    float64
	along, aside [2]float64 // what a pixel to the right and one down go along and across its longer axis
	flat         float64    // the largest of them
}

func (s radial) Row(x, y int, dst []uint32) {
	dx, dy, k := float64(x)+0.5-s.cx, float64(y)+0.5-s.cy, s.k*steps*one
	along, aside := dx*s.along[0]+dy*s.along[1], dx*s.aside[0]+dy*s.aside[1]
	s.curved(x, y, dst, 0, len(dst), dx, dy, distant*s.flat, -1, func(i int) int64 {
		u, v := along+float64(i)*s.along[0], aside+float64(i)*s.aside[0]
		return int64(math.Sqrt(u*u+v*v) * k)
	})
}

type conic struct {
	*ramp
	cx, cy float64
	from   float32 // turns, 0 or more and less than 1
}

// Row goes through what lies more to the left of the centre than above or below it, what
// lies more above or below it, and what lies more to the right, since each is reckoned by
// one arc tangent.
func (s conic) Row(x, y int, dst []uint32) {
	dx, dy := float32(float64(x)+0.5-s.cx), float32(float64(y)+0.5-s.cy)
	high := float64(max(dy, -dy))
	split := func(at float64) int { return int(min(max(math.Ceil(at-0.5)-float64(x), 0), float64(len(dst)))) }
	left, right := split(s.cx-high), split(s.cx+high)
	turn := func(from, to int, turns func(dx float32) float32) {
		s.curved(x, y, dst, from, to, float64(dx), float64(dy), distant, steps-1, func(i int) int64 {
			return int64((turns(dx+float32(i)) - s.from) * steps * one)
		})
	}
	turn(0, left, func(dx float32) float32 { return 0.75 + arcTangent(dy/min(dx, -1e-6)) })
	begin, by := float32(0), -1/dy // about up, or about down
	if dy > 0 {
		begin = 0.5
	}
	turn(left, right, func(dx float32) float32 { return begin + arcTangent(dx*by) })
	turn(right, len(dst), func(dx float32) float32 { return 0.25 + arcTangent(dy/max(dx, 1e-6)) })
}

const (
	// block is of how many pixels of a row the first and the one after the last are reckoned
	// and those between go evenly from one to the other. Beyond a distance, that is an eighth
	// of a pixel from the truth at most.
	block = 8
	// distant is that distance from the centre of what is round, pixels.
	distant = 64
)

// curved writes a row's pixels from one on and before another. at tells how many steps, in
// fixed point, each is on its way, of whose whole number the bits of mask count. The row's
// first one lies (dx, dy) from the centre, near which all are reckoned.
func (r *ramp) curved(x, y int, dst []uint32, from, to int, dx, dy, near float64, mask int, at func(i int) int64) {
	d := dithers(y)
	exactly := func(from, to int) {
		for i := from; i < to; i++ {
			dst[i] = r.at(int((at(i)+one/2)>>fraction) & mask).pixel(d[(x+i)&3])
		}
	}
	evenly := func(from, to int) {
		if from+block > to {
			exactly(from, to)
			return
		}
		t := at(from)
		for ; from+block <= to; from += block {
			end := at(from + block)
			by, t0 := (end-t)/block, t+one/2
			for i := range dst[from : from+block] {
				dst[from+i] = r.at(int(t0>>fraction) & mask).pixel(d[(x+from+i)&3])
				t0 += by
			}
			t = end
		}
		exactly(from, to)
	}
	i0, i1 := to, to // of those that are near
	if math.Abs(dy) < near {
		clamp := func(v float64) int { return int(min(max(v, float64(from)), float64(to))) }
		i0, i1 = clamp(math.Ceil(-near-dx)), clamp(math.Floor(near-dx))
	}
	evenly(from, i0)
	exactly(i0, i1)
	evenly(i1, to)
}

// arcTangent is that of -1..1, in turns (Abramowitz and Stegun, Handbook of Mathematical
// Functions, 4.4.47: within 0.00001 radians).
func arcTangent(z float32) float32 {
	q := z * z
	return z * (0.9998660 + q*(-0.3302995+q*(0.1801410+q*(-0.0851330+q*0.0208351)))) / (2 * math.Pi)
}

// steps is into how many pieces the way of a gradient is divided: enough for a hard
// edge to lie within a quarter of a pixel of its place, and few enough for a cache.
const steps = 4096

// ramp is the colours of a gradient from one end to the other.
type ramp struct {
	tints  [steps + 1]tint
	opaque bool
}

// at is the colour at so many steps of the way, and at its end beyond it.
func (r *ramp) at(step int) tint {
	if uint(step) > steps {
		step = steps &^ (step >> 63) // before the beginning, or after the end
	}
	return r.tints[step]
}

// Opaque tells that all colours are.
func (r *ramp) Opaque() bool { return r.opaque }

func newRamp(stops []Stop) *ramp {
	colours := make([][4]float64, len(stops))
	for i, s := range stops {
		p := Premultiplied(s.Colour)
		for k := range 4 {
			colours[i][k] = float64(p >> (8 * k) & 255)
		}
	}
	r, i := &ramp{opaque: true}, 0 // i is the stop before a step
	for _, s := range stops {
		r.opaque = r.opaque && s.Colour.A == 255
	}
	for step := range r.tints {
		t := float64(step) / steps
		for i+1 < len(stops) && t >= stops[i+1].At {
			i++
		}
		c := colours[i]
		if i+1 < len(stops) && t > stops[i].At {
			share := (t - stops[i].At) / (stops[i+1].At - stops[i].At)
			for k, v := range colours[i+1] {
				c[k] += (v - c[k]) * share
			}
		}
		r.tints[step] = tintOf(c)
	}
	return r
}
