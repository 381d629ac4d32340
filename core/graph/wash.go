package graph

import (
	"image"
	"math"
	"sync"

	"billow/core/paint"
)

// Wash is a layer's picture in its own space of which each pixel is worked out: a
// gradient. Its first pixel's corner lies at (x/per, y/per). Where it lies on the frame
// pixel on pixel, it is painted there at once.
func Wash(k Key, w, h int, x, y, per float64, shader func() paint.Shader) *Node {
	return &Node{Key: k, own: true, op: wash{w, h, x, y, per, sync.OnceValue(shader)}}
}

type wash struct {
	w, h      int
	x, y, per float64
	shader    func() paint.Shader
}

func (o wash) make(*Painter, *Node, image.Rectangle) (*paint.Sheet, bool) {
	b := paint.NewBitmap(o.w, o.h)
	b.Shade(o.shader())
	return paint.NewSheet(b, o.x, o.y, o.per), false
}

// onto is the pixel of the frame on which the first one lies, where it lies pixel on
// pixel.
func (o wash) onto(m paint.Affine) (at image.Point, ok bool) {
	m = paint.Affine{A: 1 / o.per, D: 1 / o.per, E: o.x / o.per, F: o.y / o.per}.Then(m)
	x, y := math.Round(m.E), math.Round(m.F)
	side := float64(max(o.w, o.h))
	// A millionth of a pixel cannot be seen.
	off := max(math.Abs(m.A-1)*side, math.Abs(m.D-1)*side, math.Abs(m.B)*side, math.Abs(m.C)*side, math.Abs(m.E-x), math.Abs(m.F-y))
	return image.Pt(int(min(max(x, -far), far)), int(min(max(y, -far), far))), off < 1e-6
}

// washed is a wash on the frame.
type washed struct {
	Placement
	wash
	at image.Point
}

func (o washed) paint(p *Painter, n *Node, dst *paint.Sheet) {
	before, again := p.made[n.Key]
	p.made[n.Key] = p.turn
	if again && before < p.turn { // it stands still for a while
		p.draw(dst, p.own(n.in[0]), o.Placement)
		return
	}
	on := area(dst)
	p.brush.Shade(dst.Picture, o.shader(), n.Bounds.Intersect(on).Sub(on.Min), on.Min.Sub(o.at), o.Opacity, o.Blend)
}

// covers tells that a node leaves nothing of an area free.
func (n *Node) covers(area image.Rectangle) bool {
	o, ok := n.op.(washed)
	return ok && area.In(n.Bounds) && o.Opacity == 1 && o.Blend == paint.Normal && o.shader().Opaque()
}
