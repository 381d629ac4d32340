package cutout

import (
	"encoding/json"
	"fmt"
	"image"
	"slices"

	"billow/core/clip"
	ink "billow/core/colour"
	"billow/core/paint"
)

// Node is a point of a path: x, y, how far from it the handle lies that pulls the curve after
// it, and how far the one that pulls the curve before it. Without handles it is a corner.
type Node [6]float64

// Even is a node through which the curve goes evenly: its handles lie opposite each other.
func Even(x, y, hx, hy float64) Node { return Node{x, y, hx, hy, -hx, -hy} }

// UnmarshalJSON reads a node; one of four numbers is even.
func (n *Node) UnmarshalJSON(b []byte) error {
	var list []float64
	if err := json.Unmarshal(b, &list); err != nil {
		return err
	}
	switch len(list) {
	case 4:
		*n = Even(list[0], list[1], list[2], list[3])
	case 6:
		*n = Node(list)
	default:
		return clip.Fault("pen", "a node of a path has 4 or 6 numbers, not %d", len(list))
	}
	return nil
}

// MostPaths and MostNodes are how many paths an order has at most, and nodes each of them.
const (
	MostPaths = 40
	MostNodes = 2000
)

// Pen is the method of what was cut along paths.
const Pen Method = "pen"

func (o *Order) checkPen() error {
	if len(o.Pen) > MostPaths {
		return clip.Fault("pen", "a thing is cut along at most %d paths", MostPaths)
	}
	for i, path := range o.Pen {
		field := fmt.Sprintf("pen[%d]", i)
		if len(path) < 2 || len(path) > MostNodes {
			return clip.Fault(field, "a path has 2 to %d nodes", MostNodes)
		}
		for _, n := range path {
			if !finite(n[:]...) || slices.Max(n[:]) > 1e6 || slices.Min(n[:]) < -1e6 {
				return clip.Fault(field, "a node of the path lies far outside the photo")
			}
		}
	}
	return nil
}

// outline is a closed path of nodes.
func outline(nodes []Node) paint.Path {
	p := paint.Path{{Op: 'M', P: [3][2]float64{{nodes[0][0], nodes[0][1]}}}}
	for i, a := range nodes {
		b := nodes[(i+1)%len(nodes)]
		p = append(p, paint.Segment{Op: 'C', P: [3][2]float64{
			{a[0] + a[2], a[1] + a[3]}, {b[0] + b[4], b[1] + b[5]}, {b[0], b[1]},
		}})
	}
	return p
}

// within is how much of each pixel of a picture of the photo lies within the paths of an
// order; what lies within two of them is a hole. The picture's corner and the size of its
// pixels are given in pixels of the photo.
func (o *Order) within(w, h int, x0, y0, across, down float64) []uint8 {
	out := make([]uint8, w*h)
	b := paint.NewBitmap(w, h)
	to := paint.Translate(-x0, -y0).Then(paint.Scale(1/across, 1/down))
	for i, nodes := range o.Pen {
		if i > 0 {
			clear(b.Pix)
		}
		b.FillPath(outline(nodes).Transformed(to), ink.Colour{A: 255})
		for j, p := range b.Pix {
			a, was := p>>24, uint32(out[j])
			out[j] = uint8(a + was - 2*scale(a, was))
		}
	}
	return out
}

// cutByPen keeps what lies within the paths, with a hard edge.
func (d *Desk) cutByPen(o Order) error {
	d.sides, d.open, d.shaded = nil, nil, nil
	d.found = Found{Method: Pen, Why: "What lies within your path stays, with its edge exactly there.", Confidence: 1}
	d.alpha = make([]float32, len(d.v.pix))
	any := false
	for i, a := range o.within(d.v.w, d.v.h, 0, 0, d.v.across, d.v.down) {
		d.alpha[i] = float32(a) / 255
		any = any || a > 0
	}
	if !any {
		return ErrNothing
	}
	return nil
}

// penned is the opacity of a part of the photo that was cut along paths.
func (d *Desk) penned(part image.Rectangle) *opacity {
	m := &opacity{part.Dx(), part.Dy(), d.order.within(part.Dx(), part.Dy(), float64(part.Min.X), float64(part.Min.Y), 1, 1)}
	if d.clear != nil {
		for i, a := range m.a {
			m.a[i] = uint8(scale(uint32(a), d.clear.Pix[(part.Min.Y+i/m.w)*d.photo.W+part.Min.X+i%m.w]>>24))
		}
	}
	return m
}
