package graph

import (
	"image"

	"billow/core/paint"
)

// Gel changes what lies beneath it: nodes of the frame's space that are painted before it. Where what is
// beneath ends with the frame it is taken to go on as at its edge.
func Gel(beneath []*Node, effects []Effected, where Where, opacity float64, blend paint.Blend) *Node {
	n := &Node{Key: Key{}.Word(gelNode).Nums(opacity).Word(uint64(blend)), op: gel{effects, where, opacity, blend}}
	for _, e := range effects {
		n.Key = e.Key(n.Key)
	}
	if where.Masks != nil {
		n.Key = where.Masks.Key(n.Key)
	}
	for _, in := range beneath {
		n.Bounds = n.Bounds.Union(in.Bounds)
	}
	n.Bounds = grown(n.Bounds, reachOf(effects))
	if by := where.Covered; by != nil {
		n.Key, n.in = n.Key.Word(1).Of(by.Key), []*Node{by}
		n.Bounds = n.Bounds.Intersect(by.Bounds)
	}
	return n
}

// Where is what a gel is kept to: masks, and what a node of the frame's space covers; nil is everywhere.
type Where struct {
	Masks   *Masked
	Covered *Node
}

// reachOf is how far effects draw beyond their input, one after the other, in units of the space.
func reachOf(effects []Effected) (out float64) {
	for _, e := range effects {
		out += e.Reach()
	}
	return out
}

type gel struct {
	effects []Effected
	where   Where
	opacity float64
	blend   paint.Blend
}

func (o gel) paint(p *Painter, n *Node, dst *paint.Sheet) {
	on := n.Bounds.Intersect(area(dst))
	if on.Empty() {
		return
	}
	need := grown(on, min(reachOf(o.effects), mostAround))
	b := p.pool.Get(need.Dx(), need.Dy())
	b.Continue(dst.Picture, int(dst.X)-need.Min.X, int(dst.Y)-need.Min.Y)
	s := paint.NewSheet(b, float64(need.Min.X), float64(need.Min.Y), 1)
	for _, e := range o.effects {
		e.only = need
		s = e.Apply(s, true, &p.pool)
	}
	changed := p.pool.Get(on.Dx(), on.Dy())
	p.brush.Draw(changed, &s.Pyramid, s.Matrix().Then(paint.Translate(-float64(on.Min.X), -float64(on.Min.Y))), 1, paint.Normal)
	p.pool.Put(s.Picture)
	o.mix(p, dst, changed, on)
	p.pool.Put(changed)
}

// mostAround is how many pixels around what is seen are looked at, at most.
const mostAround = 800

// mix lays what has become of a part of the frame onto it.
func (o gel) mix(p *Painter, dst *paint.Sheet, changed *paint.Bitmap, on image.Rectangle) {
	var mask *paint.Mask
	if masks := o.where.Masks; masks != nil {
		m := masks.At.Then(paint.Translate(-float64(on.Min.X), -float64(on.Min.Y)))
		if mask = masks.cover(m, image.Rect(0, 0, changed.W, changed.H)); mask == nil {
			return
		}
	}
	if o.where.Covered != nil {
		covered := o.where.glazed(p, on)
		if mask != nil {
			covered.Combine(mask, "intersect")
		}
		mask = covered
	}
	at := on.Min.Sub(area(dst).Min)
	if o.blend == paint.Normal {
		dst.Picture.MixPart(changed, mask, at.X, at.Y, o.opacity)
		return
	}
	if mask != nil {
		changed.Cut(mask)
	}
	whole := paint.NewSheet(changed, 0, 0, 1)
	p.brush.Draw(dst.Picture, &whole.Pyramid, paint.Translate(float64(at.X), float64(at.Y)), o.opacity, o.blend)
}

// clearGlass is the opacity, in 255ths, from which on glass is all there: what shines through it is bent
// as a whole, however clear it is.
const clearGlass = 48

// glazed is how much of each pixel is covered.
func (w Where) glazed(p *Painter, on image.Rectangle) *paint.Mask {
	by := p.copied(w.Covered, on)
	mask := paint.AlphaMask(by.Picture, 0)
	p.pool.Put(by.Picture)
	for i, a := range mask.Pix {
		mask.Pix[i] = uint8(min(uint32(a)*255/clearGlass, 255))
	}
	return mask
}
