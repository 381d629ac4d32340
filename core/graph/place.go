package graph

import (
	"image"
	"math"

	"billow/core/paint"
)

// Placement is where a sheet is put and how it is mixed with what is there.
type Placement struct {
	At      paint.Affine   // from the sheet's space to pixels of the frame
	Moved   []paint.Affine // where it is while the shutter is open, instead of At
	Opacity float64        // 0..1
	Blend   paint.Blend
}

// Place puts a node onto the frame. What is in its own space is made by p at
// once; what is in the frame's may be moved.
func (p *Painter) Place(in *Node, at Placement) *Node {
	k := Key{}.Word(placeNode).Of(in.Key).Matrix(at.At).Nums(at.Opacity).Word(uint64(at.Blend))
	for _, m := range at.Moved {
		k = k.Matrix(m)
	}
	n := &Node{Key: k, in: []*Node{in}}
	if !in.own {
		n.Bounds = mapped(in.Bounds, at.At)
		n.op = lain{at}
		return n
	}
	if w, ok := in.op.(wash); ok && len(at.Moved) == 0 {
		if on, ok := w.onto(at.At); ok {
			n.op = washed{at, w, on}
			n.Bounds = image.Rect(0, 0, w.w, w.h).Add(on)
			return n
		}
	}
	s := p.own(in)
	n.op = placed{at, s}
	w, h := s.Picture.W, s.Picture.H
	all := image.Rect(0, 0, w, h)
	m := s.Matrix()
	if len(at.Moved) == 0 {
		n.Bounds = mapped(all, m.Then(at.At))
	}
	for _, by := range at.Moved {
		n.Bounds = n.Bounds.Union(mapped(all, m.Then(by)))
	}
	return n
}

// far keeps the bounds of what lies anywhere whole numbers.
const far = 1 << 24

// mapped is the pixels that a rectangle touches when mapped and sampled
// smoothly.
func mapped(r image.Rectangle, m paint.Affine) image.Rectangle {
	if r.Empty() {
		return image.Rectangle{}
	}
	lo, hi := [2]float64{math.Inf(1), math.Inf(1)}, [2]float64{math.Inf(-1), math.Inf(-1)}
	for _, c := range [4][2]int{{r.Min.X - 1, r.Min.Y - 1}, {r.Max.X + 1, r.Min.Y - 1}, {r.Min.X - 1, r.Max.Y + 1}, {r.Max.X + 1, r.Max.Y + 1}} {
		x, y := m.Apply(float64(c[0]), float64(c[1]))
		lo[0], lo[1], hi[0], hi[1] = min(lo[0], x), min(lo[1], y), max(hi[0], x), max(hi[1], y)
	}
	whole := func(v float64) int { return int(min(max(v, -far), far)) }
	return image.Rect(whole(math.Floor(lo[0])), whole(math.Floor(lo[1])), whole(math.Ceil(hi[0])), whole(math.Ceil(hi[1])))
}

// placed is a sheet of a layer's own space on the frame.
type placed struct {
	Placement
	sheet *paint.Sheet
}

func (o placed) paint(p *Painter, _ *Node, dst *paint.Sheet) { p.draw(dst, o.sheet, o.Placement) }

// lain is a sheet of the frame's space mixed with what is there.
type lain struct{ Placement }

func (o lain) paint(p *Painter, n *Node, dst *paint.Sheet) {
	area := area(dst)
	if inv, ok := o.At.Inverse(); !ok {
		return
	} else if o.At != paint.Identity() {
		area = mapped(area, inv)
	}
	s, mine := p.make(n.in[0], area)
	if s == nil {
		return
	}
	p.draw(dst, s, o.Placement)
	if mine {
		p.pool.Put(s.Picture)
	}
}

// draw samples a sheet onto another one.
func (p *Painter) draw(dst, s *paint.Sheet, at Placement) {
	m, shift := s.Matrix(), paint.Translate(-dst.X, -dst.Y)
	if len(at.Moved) == 0 {
		p.brush.Draw(dst.Picture, &s.Pyramid, m.Then(at.At).Then(shift), at.Opacity, at.Blend)
		return
	}
	p.places = p.places[:0]
	for _, by := range at.Moved {
		p.places = append(p.places, m.Then(by).Then(shift))
	}
	p.brush.DrawMoved(dst.Picture, &s.Pyramid, p.places, at.Opacity, at.Blend)
}

// area is the pixels of the frame that a sheet covers.
func area(s *paint.Sheet) image.Rectangle {
	b := s.Picture
	return image.Rect(0, 0, b.W, b.H).Add(image.Pt(int(s.X), int(s.Y)))
}
