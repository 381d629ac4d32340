package jpeg

import (
	"bytes"

	"billow/core/paint"
)

// scan decodes all blocks, of an alpha only those of light, and makes pixels of each row of them
// while it is at hand.
func (d *Decoder) scan(b []byte, eighths int, onto *paint.Bitmap, alpha bool) error {
	unit := func(side, blocks int) int { return (side + 8*blocks - 1) / (8 * blocks) }
	wide, high := unit(d.w, d.parts[0].h), unit(d.h, d.parts[0].v)
	for i := range d.n {
		p := &d.parts[i]
		p.before, p.side = 0, eighths
		if i > 0 && d.shared && 2*eighths <= 8 {
			p.side = 2 * eighths // colour has the detail that is asked for
		}
		p.stride, p.rows = wide*p.h*p.side, 2*p.v*p.side
		if n := p.stride * p.rows; cap(d.planes[i]) < n {
			d.planes[i] = make([]byte, n)
		} else {
			d.planes[i] = d.planes[i][:n]
		}
	}
	d.bits.reset(b)
	left, done := d.interval, 0
	for y := range high {
		for x := range wide {
			if d.interval > 0 {
				if left == 0 {
					if !d.restart() {
						return errDamaged
					}
					left = d.interval
				}
				left--
			}
			if err := d.unit(x, y, alpha); err != nil {
				return err
			}
		}
		if d.bits.ended > 8 {
			return errShort
		}
		// Between two samples of colour the next row has to be there.
		ready := min((y+1)*d.parts[0].v*eighths, onto.H)
		if y < high-1 && !alpha {
			ready--
		}
		if alpha {
			d.cover(onto, done, ready)
		} else {
			d.colour(onto, done, ready)
		}
		done = ready
	}
	return nil
}

// unit decodes the blocks of a unit.
func (d *Decoder) unit(x, y int, alpha bool) error {
	for i := range d.n {
		p := &d.parts[i]
		quant := &d.quant[p.quant]
		for v := range p.v {
			for h := range p.h {
				last, err := d.coefficients(p, quant)
				if err != nil {
					return err
				}
				if alpha && i > 0 {
					if last > 0 {
						clear(d.block[:])
					}
					continue
				}
				at := ((y%2*p.v+v)*p.stride + x*p.h + h) * p.side
				d.transform(d.planes[i][at:], p.stride, p.side, last)
			}
		}
	}
	return nil
}

// coefficients reads a block (F.2.2), multiplied by what they were divided by, and gives the place
// of the last one that is not nothing, in the order in which they are kept.
func (d *Decoder) coefficients(p *component, quant *[64]int32) (last int, err error) {
	r := &d.bits
	size, err := r.difference(&d.dc[p.dc])
	if err != nil {
		return 0, err
	}
	p.before += size
	d.block[0] = p.before * quant[0]
	t := &d.ac[p.ac]
	acc, n := r.acc, r.n // in registers
	for k := 1; k < 64; k++ {
		if n < 32 {
			r.acc, r.n = acc, n
			r.fill()
			acc, n = r.acc, r.n
		}
		e := t.quick[acc>>(64-look)]
		if e == 0 {
			r.acc, r.n = acc, n
			symbol, ok := r.long(t)
			if !ok {
				return 0, errDamaged
			}
			acc, n = r.acc, r.n
			e = entry(symbol>>4)<<8 | entry(symbol&15)<<16 | pending
			if symbol&15 == 0 {
				if symbol < 0xf0 {
					break
				}
				e = 15 << 8
			}
		}
		acc <<= e & 0x3f
		n -= int(e & 0x3f)
		k += int(e >> 8 & 0xff)
		if k > 63 {
			if e>>8&0xff == 64 {
				break // the end of the block
			}
			return 0, errDamaged
		}
		v := int32(e >> 16)
		if e&pending != 0 {
			size := v & 15
			v = extended16(int32(acc>>(64-size)), size)
			acc <<= size
			n -= int(size)
		}
		if v != 0 {
			at := zigzag[k&63] & 63
			d.block[at] = v * quant[at]
			last = k
		}
	}
	r.acc, r.n = acc, n
	return last, nil
}

// difference reads by how much a block is lighter than the one before (F.2.2.1).
func (r *bits) difference(t *table) (int32, error) {
	if r.n < 32 {
		r.fill()
	}
	e := t.quick[r.acc>>(64-look)]
	size := int32(e >> 16)
	switch {
	case e == 0:
		symbol, ok := r.long(t)
		if !ok {
			return 0, errDamaged
		}
		size = int32(symbol)
	case e&pending == 0:
		r.skip(int(e & 0x3f))
		return size, nil
	default:
		r.skip(int(e & 0x3f))
	}
	if size > 15 {
		return 0, errDamaged
	}
	if size == 0 {
		return 0, nil
	}
	return r.take(size), nil
}

// restart goes on behind the next restart marker (F.2.2.5).
func (d *Decoder) restart() bool {
	rest := d.bits.in[min(d.bits.at, len(d.bits.in)):]
	// The marker is where reading stopped, or a few bytes before it where less was used.
	for {
		i := bytes.IndexByte(rest, 0xff)
		if i < 0 || i+1 >= len(rest) {
			return false
		}
		if m := rest[i+1]; m >= 0xd0 && m <= 0xd7 {
			d.bits.reset(rest[i+2:])
			break
		}
		rest = rest[i+1:]
	}
	for i := range d.n {
		d.parts[i].before = 0
	}
	return true
}
