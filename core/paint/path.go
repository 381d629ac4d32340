package paint

import (
	"math"

	"billow/core/colour"
)

// Segment is one step of a path: M, O and L have one point, Q two, C three. O
// begins a contour that is not closed when it is stroked.
type Segment struct {
	Op byte // 'M', 'O', 'L', 'Q' or 'C'
	P  [3][2]float64
}

// Path is an outline of closed contours, filled by the non-zero rule.
type Path []Segment

// Transformed is the path with every point mapped.
func (p Path) Transformed(m Affine) Path {
	out := make(Path, len(p))
	for i, s := range p {
		for k, pt := range s.P {
			s.P[k][0], s.P[k][1] = m.Apply(pt[0], pt[1])
		}
		out[i] = s
	}
	return out
}

// Bounds is the box around all points of the path: x0, y0, x1, y1. Control
// points count, so that the box may be a little larger than the shape.
func (p Path) Bounds() (b [4]float64) {
	b = [4]float64{math.Inf(1), math.Inf(1), math.Inf(-1), math.Inf(-1)}
	for _, s := range p {
		for _, pt := range s.P[:s.Points()] {
			b[0], b[1] = min(b[0], pt[0]), min(b[1], pt[1])
			b[2], b[3] = max(b[2], pt[0]), max(b[3], pt[1])
		}
	}
	return b
}

// End is where the step ends.
func (s Segment) End() [2]float64 { return s.P[s.Points()-1] }

// Points is how many points the step has.
func (s Segment) Points() int {
	switch s.Op {
	case 'Q':
		return 2
	case 'C':
		return 3
	}
	return 1
}

// FillPath draws the path onto b in one colour. Only where the path lies is
// looked at: a line of a text touches little of a picture of all lines.
func (b *Bitmap) FillPath(p Path, c colour.Colour) {
	box := p.Bounds()
	x0, y0 := max(0, int(math.Floor(max(box[0], 0)))), max(0, int(math.Floor(max(box[1], 0))))
	x1, y1 := int(math.Ceil(min(box[2], float64(b.W)))), int(math.Ceil(min(box[3], float64(b.H))))
	if x0 >= x1 || y0 >= y1 {
		return
	}
	r := newRaster(x1-x0, y1-y0)
	r.add(p, float64(x0), float64(y0))
	full := Premultiplied(c)
	r.coverage(func(x, y int, row []int32) {
		dst := b.Pix[(y+y0)*b.W+x0+x:][:len(row)]
		for x, cover := range row {
			switch {
			case cover == 0:
			case cover == whole && c.A == 255:
				dst[x] = full
			default:
				dst[x] = over(dst[x], covered16(c, uint64(cover)))
			}
		}
	})
}

// FillPathShaded is FillPath with the colours of a shader of the bitmap's plane. What lies
// in an evenOdd path an even number of times is left out.
func (b *Bitmap) FillPathShaded(p Path, s Shader, evenOdd bool) {
	r := newRaster(b.W, b.H)
	r.add(p, 0, 0)
	room, covered := make([]uint32, b.W), r.coverage
	if evenOdd {
		covered = r.evenOdd
	}
	covered(func(x, y int, row []int32) {
		s.Row(0, y, room) // a whole one: shaders keep what the next one can share
		dst, colours := b.Pix[y*b.W+x:][:len(row)], room[x:][:len(row)]
		for x, cover := range row {
			switch {
			case cover == 0:
			case cover == whole && colours[x]>>24 == 255:
				dst[x] = colours[x]
			default:
				dst[x] = over(dst[x], faded(colours[x], uint8((cover*255+whole/2)/whole)))
			}
		}
	})
}

// covered16 is a colour's pixel where it covers a part of 65536ths.
func covered16(c colour.Colour, part uint64) uint32 {
	alpha := uint64(c.A) * part
	of := func(v uint8) uint32 { return uint32((uint64(v)*alpha + 255*whole/2) / (255 * whole)) }
	return of(c.R) | of(c.G)<<8 | of(c.B)<<16 | uint32((alpha+whole/2)/whole)<<24
}

// kappa makes a cubic Bezier follow a quarter of a circle.
const kappa = 0.5522847498307936

// Ellipse is an ellipse about the origin.
func Ellipse(w, h float64) Path {
	return RoundRect(1, 1, 0.5).Transformed(Scale(w, h))
}

// RoundRect is a rectangle about the origin with rounded corners.
func RoundRect(w, h, radius float64) Path {
	r := min(radius, w/2, h/2)
	x, y, k := w/2, h/2, r*(1-kappa)
	pt := func(x, y float64) [2]float64 { return [2]float64{x, y} }
	line := func(px, py float64) Segment { return Segment{'L', [3][2]float64{pt(px, py)}} }
	curve := func(a, b, c [2]float64) Segment { return Segment{'C', [3][2]float64{a, b, c}} }
	return Path{
		{'M', [3][2]float64{pt(-x+r, -y)}},
		line(x-r, -y), curve(pt(x-k, -y), pt(x, -y+k), pt(x, -y+r)),
		line(x, y-r), curve(pt(x, y-k), pt(x-k, y), pt(x-r, y)),
		line(-x+r, y), curve(pt(-x+k, y), pt(-x, y-k), pt(-x, y-r)),
		line(-x, -y+r), curve(pt(-x, -y+k), pt(-x+k, -y), pt(-x+r, -y)),
	}
}

// Burst is a star of n soft teeth about the origin.
func Burst(radius float64, n int) Path {
	inner := radius * 0.86
	at := func(r, turn float64) [2]float64 {
		s, c := math.Sincos(turn * 2 * math.Pi / float64(n))
		return [2]float64{r * s, -r * c}
	}
	p := Path{{'M', [3][2]float64{at(inner, -0.5)}}}
	for i := range n {
		t := float64(i)
		p = append(p, Segment{'C', [3][2]float64{at(radius*0.97, t-0.3), at(radius*1.06, t-0.12), at(radius, t)}},
			Segment{'C', [3][2]float64{at(radius*1.06, t+0.12), at(radius*0.97, t+0.3), at(inner, t+0.5)}})
	}
	return p
}
