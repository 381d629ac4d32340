package paint

// Pool lends bitmaps and takes them back, so that drawing frames does not ask
// for new memory each time. A nil pool lends new ones. It serves one goroutine.
type Pool struct {
	free  []*Bitmap
	bytes int
}

// poolBytes is the most that waits in a pool.
const poolBytes = 64 << 20

// Get lends a transparent bitmap.
func (p *Pool) Get(w, h int) *Bitmap {
	n := w * h
	best := -1
	if p != nil {
		for i, b := range p.free {
			if cap(b.Pix) >= n && (best < 0 || cap(b.Pix) < cap(p.free[best].Pix)) {
				best = i
			}
		}
	}
	// One that is far too large is left for what needs it.
	if best < 0 || cap(p.free[best].Pix) > 4*n+4096 {
		return NewBitmap(w, h)
	}
	b := p.free[best]
	last := len(p.free) - 1
	p.free[best], p.free[last] = p.free[last], nil
	p.free = p.free[:last]
	p.bytes -= 4 * cap(b.Pix)
	b.W, b.H, b.Pix = w, h, b.Pix[:n]
	clear(b.Pix)
	return b
}

// Put takes a bitmap back, which nobody may use any more.
func (p *Pool) Put(b *Bitmap) {
	if p == nil || b == nil || p.bytes+4*cap(b.Pix) > poolBytes {
		return
	}
	p.free = append(p.free, b)
	p.bytes += 4 * cap(b.Pix)
}
