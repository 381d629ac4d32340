package paint

import (
	"math"
	"sync"
	"sync/atomic"

	"billow/core/alike"
)

// Pyramid is a picture with prefiltered copies, each half as large as the one
// before, and others between two of these, so that it can be drawn at any size
// without shimmering. The copies lie one over the other: pixel i of
// level n covers what pixels i 2^n onwards of the picture do. A copy is made when
// it is needed first.
type Pyramid struct {
	Picture *Bitmap
	octaves []*octave     // shared by all who share the picture
	made    *atomic.Int64 // bytes of all copies that are made
}

// octave is the copies of a level that are between it and the next, and that.
type octave struct {
	half    lesser
	between [perOctave - 1]lesser
}

// lesser is a copy that is made once.
type lesser struct {
	once sync.Once
	b    *Bitmap
}

// lesser is a copy, made if it is not yet.
func (p *Pyramid) lesser(c *lesser, b *Bitmap, smaller func(*Bitmap) *Bitmap) *Bitmap {
	c.once.Do(func() {
		c.b = smaller(b)
		p.made.Add(int64(4 * len(c.b.Pix)))
	})
	return c.b
}

// NewPyramid is a picture that has smaller copies.
func NewPyramid(b *Bitmap) *Pyramid {
	p := &Pyramid{Picture: b, made: new(atomic.Int64)}
	for w, h := b.W, b.H; w > 1 || h > 1; w, h = (w+1)/2, (h+1)/2 {
		p.octaves = append(p.octaves, &octave{})
	}
	return p
}

// Bytes is the memory that the picture and all copies take that are made by now.
func (p *Pyramid) Bytes() int {
	n := 4 * len(p.Picture.Pix)
	if p.made != nil {
		n += int(p.made.Load())
	}
	return n
}

// Level is copy number n of those that are each half as large as the one before; 0 is the picture.
func (p *Pyramid) Level(n int) *Bitmap {
	b := p.Picture
	for _, o := range p.octaves[:n] {
		b = p.lesser(&o.half, b, halve)
	}
	return b
}

// coarser is the picture without its largest level.
func (p *Pyramid) coarser() Pyramid { return Pyramid{p.Level(1), p.octaves[1:], p.made} }

// perOctave is how many copies there are to an octave.
const perOctave = 4

// step is copy number n, each 0.84 times as large as the one before, and its
// size.
func (p *Pyramid) step(n int) (b *Bitmap, scale float64) {
	b, scale = p.Level(n/perOctave), math.Ldexp(1, -(n/perOctave))
	if n%perOctave == 0 {
		return b, scale
	}
	i := n%perOctave - 1
	return p.lesser(&p.octaves[n/perOctave].between[i], b, inter[i].resize), scale * inter[i].factor
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
	last := perOctave * len(p.octaves)
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
