package graph

import (
	"image"

	"billow/core/colour"
	"billow/core/paint"
)

// Cutting is how one picture cuts another.
type Cutting struct {
	Brightness bool // by how bright it is, and not by how opaque
	Invert     bool // what it does not cover shows
}

// Matte is a node cut to what another one covers; what free covers, if there is any, shows all
// the same.
func Matte(in, by, free *Node, how Cutting) *Node {
	n := &Node{Bounds: in.Bounds, in: []*Node{in, by}, op: matte{how}}
	n.Key = Key{}.Word(matteNode).Of(in.Key).Of(by.Key)
	for _, is := range [3]bool{how.Brightness, how.Invert, free != nil} {
		n.Key = n.Key.Word(map[bool]uint64{true: 1}[is])
	}
	if free != nil {
		n.in = append(n.in, free)
		n.Key = n.Key.Of(free.Key)
	} else if !how.Invert {
		n.Bounds = in.Bounds.Intersect(by.Bounds)
	}
	return n
}

type matte struct{ Cutting }

func (m matte) make(p *Painter, n *Node, area image.Rectangle) (*paint.Sheet, bool) {
	s, by := p.copied(n.in[0], area), p.copied(n.in[1], area)
	cover := paint.AlphaMask(by.Picture, 0)
	if m.Brightness {
		cover = paint.BrightnessMask(by.Picture)
	}
	p.pool.Put(by.Picture)
	if m.Invert {
		cover.Invert()
	}
	if len(n.in) > 2 {
		free := p.copied(n.in[2], area)
		cover.Combine(paint.AlphaMask(free.Picture, 0), "add")
		p.pool.Put(free.Picture)
	}
	s.Picture.Cut(cover)
	return s, true
}

// Figure is a white figure on the frame, of a path in pixels.
func Figure(path paint.Path, k Key) *Node {
	b := path.Bounds()
	whole := func(v float64) int { return int(min(max(v, -far), far)) }
	return &Node{
		Key: k.Text("figure"), op: figure{path},
		Bounds: image.Rect(whole(b[0])-1, whole(b[1])-1, whole(b[2])+1, whole(b[3])+1),
	}
}

type figure struct{ path paint.Path }

func (f figure) paint(_ *Painter, _ *Node, dst *paint.Sheet) {
	dst.Picture.FillPath(f.path.Transformed(paint.Translate(-dst.X, -dst.Y)), colour.RGB(0xFFFFFF))
}
