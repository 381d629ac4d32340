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
	b, used := p.lend(w, h)
	if used {
		clear(b.Pix)
	}
	return b
}

// Any lends a bitmap that shows anything, for who fills all of it.
func (p *Pool) Any(w, h int) *Bitmap {
	b, _ := p.lend(w, h)
	return b
}

// lend tells whether the bitmap was used before.
func (p *Pool) lend(w, h int) (b *Bitmap, used bool) {
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
		return NewBitmap(w, h), false
	}
	b = p.free[best]
	last := len(p.free) - 1
	p.free[best], p.free[last] = p.free[last], nil
	p.free = p.free[:last]
	p.bytes -= 4 * cap(b.Pix)
	b.W, b.H, b.Pix = w, h, b.Pix[:n]
	return b, true
}

// Put takes a bitmap back, which nobody may use any more.
func (p *Pool) Put(b *Bitmap) {
	if p == nil || b == nil || p.bytes+4*cap(b.Pix) > poolBytes {
		return
	}
	p.free = append(p.free, b)
	p.bytes += 4 * cap(b.Pix)
}
