package graph

import (
	"image"

	"billow/core/paint"
)

// Store keeps sheets of layers' own spaces for all painters.
type Store interface {
	// Kept finds what was made under a key, or makes and keeps it.
	Kept(k Key, draw func() *paint.Sheet) *paint.Sheet
}

// Painter draws frames. It keeps of the last frame what the next one may share;
// one painter serves one goroutine.
type Painter struct {
	store  Store
	frame  image.Rectangle
	brush  paint.Brush
	pool   paint.Pool
	places []paint.Affine

	turn  int // counts frames
	last  []Key
	base  *paint.Bitmap // the frame after its first baseN nodes
	baseN int
	onto  *paint.Bitmap   // what the last frame was drawn on
	above image.Rectangle // where its further nodes lie

	made map[Key]int   // on which frame a node was made last
	kept map[Key]*held // what did not change from one frame to the next
}

type held struct {
	sheet *paint.Sheet
	area  image.Rectangle
	turn  int
}

// NewPainter draws frames of a size.
func NewPainter(w, h int, store Store) *Painter {
	return &Painter{store: store, frame: image.Rect(0, 0, w, h), made: map[Key]int{}, kept: map[Key]*held{}}
}

// Draw paints nodes onto dst, from the back to the front. What they leave free
// is black. A bitmap that the last frame was drawn on has to show that still: what
// stays the same is not drawn on it again.
func (p *Painter) Draw(dst *paint.Bitmap, list []*Node) {
	p.turn++
	same := 0
	for same < len(list) && same < len(p.last) && list[same].Key == p.last[same] {
		same++
	}
	from := 0
	switch {
	case p.baseN == 0 || p.baseN > same:
		p.baseN = 0
		if len(list) == 0 || !list[0].covers(p.frame) {
			dst.Fill(0xFF000000)
		}
	case dst == p.onto:
		dst.Restore(p.base, p.above)
		from = p.baseN
	default:
		dst.Restore(p.base, p.frame)
		from = p.baseN
	}
	canvas := paint.NewSheet(dst, 0, 0, 1)
	for i := from; i < len(list); i++ {
		if i == same && i > from {
			p.keepBase(dst, i)
		}
		if i > same {
			p.paintAgain(list[i], canvas)
		} else {
			p.paint(list[i], canvas)
		}
	}
	p.last, p.onto, p.above = p.last[:0], dst, image.Rectangle{}
	for i, n := range list {
		p.last = append(p.last, n.Key)
		if i >= p.baseN {
			p.above = p.above.Union(n.Bounds.Intersect(p.frame))
		}
	}
	p.forget()
}

// mostStood is how many frames' worth of pixels are kept of layers that stand still over
// others that move.
const mostStood = 4

// paintAgain is paint for a node over others that are not what they were. Where it stands as
// on the last frame its pixels are kept from the second time on, and only mixed with what is
// there. That comes to the same where it is mixed the plain way and as a whole; the share of
// another one would be rounded twice at its edges.
func (p *Painter) paintAgain(n *Node, dst *paint.Sheet) {
	if o, ok := n.op.(placed); ok && o.Blend == paint.Normal && o.Opacity == 1 && p.stood(n.Key) {
		n = &Node{in: []*Node{n}, Bounds: n.Bounds, op: lain{Placement{At: paint.Identity(), Opacity: 1}}}
	}
	p.paint(n, dst)
}

// stood tells whether a node was on the last frame, too, so that its pixels are worth keeping.
func (p *Painter) stood(k Key) bool {
	if p.kept[k] != nil {
		return true
	}
	before, again := p.made[k]
	if again && before < p.turn {
		pixels := 0
		for _, h := range p.kept {
			pixels += h.area.Dx() * h.area.Dy()
		}
		if pixels < mostStood*p.frame.Dx()*p.frame.Dy() {
			return true
		}
	}
	p.made[k] = p.turn
	return false
}

// Over lays nodes faintly over a bitmap without keeping anything; share is how
// much of their opacity is left.
func (p *Painter) Over(dst *paint.Bitmap, list []*Node, share float64) {
	canvas := paint.NewSheet(dst, 0, 0, 1)
	for _, n := range list {
		p.paint(n.faded(share), canvas)
	}
}

// faded is a node with a share of its opacity.
func (n *Node) faded(share float64) *Node {
	out := *n
	switch o := n.op.(type) {
	case placed:
		o.Opacity *= share
		out.op = o
	case washed:
		o.Opacity *= share
		out.op = o
	case lain:
		o.Opacity *= share
		out.op = o
	case gel:
		o.opacity *= share
		out.op = o
	}
	return &out
}

// Made is the sheet of a node in a layer's own space.
func Made(store Store, n *Node) *paint.Sheet { return (&Painter{store: store}).own(n) }

func (p *Painter) keepBase(dst *paint.Bitmap, n int) {
	if p.base == nil {
		p.base = paint.NewBitmap(dst.W, dst.H)
	}
	copy(p.base.Pix, dst.Pix)
	p.baseN = n
}

// forget gives back what this frame had no use for.
func (p *Painter) forget() {
	for k, h := range p.kept {
		if h.turn != p.turn {
			delete(p.kept, k)
			p.pool.Put(h.sheet.Picture)
		}
	}
	for k, turn := range p.made {
		if turn != p.turn {
			delete(p.made, k)
		}
	}
}

// paint lays a node over dst.
func (p *Painter) paint(n *Node, dst *paint.Sheet) {
	if !n.Bounds.Overlaps(area(dst)) {
		return
	}
	if l, ok := n.op.(layer); ok {
		l.paint(p, n, dst)
		return
	}
	lain{Placement{At: paint.Identity(), Opacity: 1}}.paint(p, &Node{in: []*Node{n}}, dst)
}

// own is the sheet of a node in a layer's own space.
func (p *Painter) own(n *Node) *paint.Sheet {
	if k, ok := n.op.(known); ok {
		return k.Sheet
	}
	return p.store.Kept(n.Key, func() *paint.Sheet {
		s, _ := n.op.(maker).make(p, n, image.Rectangle{})
		return s.WithCopies()
	})
}

// make gives a node of the frame's space as a sheet, as far as an area needs it;
// nil is nothing at all. What is mine belongs to the caller.
func (p *Painter) make(n *Node, need image.Rectangle) (s *paint.Sheet, mine bool) {
	if n.shared > 0 {
		need = p.frame.Inset(-n.shared)
	}
	need = need.Intersect(n.Bounds)
	if need.Empty() {
		return nil, false
	}
	if h := p.kept[n.Key]; h != nil && need.In(h.area) {
		h.turn = p.turn
		return h.sheet, false
	}
	before, again := p.made[n.Key]
	p.made[n.Key] = p.turn
	if m, ok := n.op.(maker); ok {
		s, mine = m.make(p, n, need)
	} else {
		s, mine = paint.NewSheet(p.pool.Get(need.Dx(), need.Dy()), float64(need.Min.X), float64(need.Min.Y), 1), true
		n.op.(layer).paint(p, n, s)
	}
	if s != nil && mine && (n.shared > 0 || again && before < p.turn) {
		p.keep(n.Key, &held{s, need, p.turn})
		mine = false
	}
	return s, mine
}

func (p *Painter) keep(k Key, h *held) {
	if old := p.kept[k]; old != nil {
		p.pool.Put(old.sheet.Picture)
	}
	p.kept[k] = h
}

// copied is a node alone on a sheet of an area.
func (p *Painter) copied(n *Node, need image.Rectangle) *paint.Sheet {
	b := p.pool.Get(need.Dx(), need.Dy())
	out := paint.NewSheet(b, float64(need.Min.X), float64(need.Min.Y), 1)
	p.paint(n, out)
	return out
}
