package paint

import (
	"math"
	"sync"

	"billow/core/alike"
)

// Pyramid is a picture with prefiltered copies, each half as large as the one
// before, and others between two of these, so that it can be drawn at any size
// without shimmering. The copies lie one over the other: pixel i of
// level n covers what pixels i 2^n onwards of the picture do.
type Pyramid struct {
	Levels []*Bitmap
	halves []*between // after each level, shared by all who share the levels
}

// between are the copies between a level and the next, each made when it is
// needed first.
type between struct {
	once [perOctave - 1]sync.Once
	b    [perOctave - 1]*Bitmap
}

// NewPyramid makes the smaller copies.
func NewPyramid(b *Bitmap) *Pyramid {
	p := &Pyramid{Levels: []*Bitmap{b}}
	for b.W > 1 || b.H > 1 {
		b = halve(b)
		p.Levels = append(p.Levels, b)
		p.halves = append(p.halves, &between{})
	}
	return p
}

// Bytes is the memory that all levels take, those between counted as made.
func (p *Pyramid) Bytes() int {
	n := 0
	for i, l := range p.Levels {
		n += 4 * len(l.Pix)
		if i < len(p.halves) {
			n += 6 * len(l.Pix)
		}
	}
	return n
}

// coarser is the picture without its largest level.
func (p *Pyramid) coarser() Pyramid {
	out := Pyramid{Levels: p.Levels[1:]}
	if len(p.halves) > 0 {
		out.halves = p.halves[1:]
	}
	return out
}

// perOctave is how many copies there are to an octave.
const perOctave = 4

// step is copy number n, each 0.84 times as large as the one before, and its
// size.
func (p *Pyramid) step(n int) (b *Bitmap, scale float64) {
	b, scale = p.Levels[n/perOctave], math.Ldexp(1, -(n/perOctave))
	if n%perOctave == 0 {
		return b, scale
	}
	h := p.halves[n/perOctave]
	i := n%perOctave - 1
	h.once[i].Do(func() { h.b[i] = inter[i].resize(b) })
	return h.b[i], scale * inter[i].factor
}

// bias is by how many copies more detail is read than falls on a pixel
// exactly: reading between pixels blurs a little by itself.
const bias = 1.25

// Sharp is how many of a picture's pixels fall on one of the frame, on each axis,
// where the picture itself is read alone: what is made to be drawn once is made
// with so many.
const Sharp = 1.241857812073484 // 2^(bias/perOctave)

// faint is a share, in 256ths, of which a copy is not read.
const faint = 16

// detail is the two copies to be mixed for so many pixels of the picture on one
// of the frame, and the share of the second in 256ths.
func (p *Pyramid) detail(r float64) (n int, share uint64) {
	last := perOctave * (len(p.Levels) - 1)
	if len(p.halves) < len(p.Levels)-1 {
		last = 0
	}
	at := 0.0
	if r > 1 {
		at = max(0, perOctave*alike.Log(r)/math.Ln2-bias)
	}
	if at >= float64(last) {
		return last, 0
	}
	n = int(at)
	share = uint64((at - float64(n)) * 256)
	switch { // so little of one copy cannot be told from none
	case share < faint:
		return n, 0
	case share > 256-faint:
		return n + 1, 0
	}
	return n, share
}
