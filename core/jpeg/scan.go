package jpeg

import "bytes"

// scan decodes all blocks into planes: of an alpha only the first.
func (d *Decoder) scan(b []byte, eighths int, alpha bool) error {
	unit := func(side, blocks int) int { return (side + 8*blocks - 1) / (8 * blocks) }
	wide, high := unit(d.w, d.parts[0].h), unit(d.h, d.parts[0].v)
	for i := range d.n {
		p := &d.parts[i]
		p.before, p.side = 0, eighths
		if i > 0 && d.shared && 2*eighths <= 8 {
			p.side = 2 * eighths // colour has the detail that is asked for
		}
		p.stride = wide * p.h * p.side
		if n := p.stride * high * p.v * p.side; cap(d.planes[i]) < n {
			d.planes[i] = make([]byte, n)
		} else {
			d.planes[i] = d.planes[i][:n]
		}
	}
	d.bits.reset(b)
	left := d.interval
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
				at := ((y*p.v+v)*p.stride + x*p.h + h) * p.side
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
	if r.n < 32 {
		r.fill()
	}
	t := &d.dc[p.dc]
	e := t.quick[r.acc>>(64-look)]
	var v int32
	switch {
	case e == 0:
		size, ok := r.long(t)
		if !ok || size > 15 {
			return 0, errDamaged
		}
		if size > 0 {
			v = r.take(int32(size))
		}
	case e&pending != 0:
		r.skip(int(e & 0x7f))
		if e>>16 > 15 {
			return 0, errDamaged
		}
		v = r.take(int32(e >> 16))
	default:
		r.skip(int(e & 0x7f))
		v = int32(e >> 16)
	}
	p.before += v
	d.block[0] = p.before * quant[0]
	t = &d.ac[p.ac]
	for k := 1; k < 64; k++ {
		if r.n < 32 {
			r.fill()
		}
		e := t.quick[r.acc>>(64-look)]
		if e == 0 {
			symbol, ok := r.long(t)
			if !ok {
				return 0, errDamaged
			}
			zeros, size := int(symbol>>4), int32(symbol&15)
			if size == 0 {
				if zeros < 15 {
					break
				}
				k += zeros
				continue
			}
			if k += zeros; k > 63 {
				return 0, errDamaged
			}
			at := zigzag[k]
			d.block[at] = r.take(size) * quant[at]
			last = k
			continue
		}
		r.skip(int(e & 0x7f))
		k += int(e >> 8 & 0xff)
		if k > 63 {
			if e>>8&0xff == 64 {
				break // the end of the block
			}
			return 0, errDamaged
		}
		v := int32(e >> 16)
		if e&pending != 0 {
			v = r.take(v)
		}
		if v != 0 {
			at := zigzag[k&63]
			d.block[at] = v * quant[at]
			last = k
		}
	}
	return last, nil
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
