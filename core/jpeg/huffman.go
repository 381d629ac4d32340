package jpeg

import "encoding/binary"

// table is a Huffman table. Codes of up to look bits are found at once, with what follows them
// where it fits in, too.
type table struct {
	there bool
	// quick has for the next bits: the value that is meant (16 bits), how many zeros come before
	// it, and how many bits that takes in all; for codes that do not fit, 0.
	quick [1 << look]entry
	// For longer codes, by their length (T.81, F.2.2.3).
	most   [18]int32 // the largest code of a length, filled up to 16 bits, plus one
	offset [17]int32
	symbol [256]uint8
}

// entry is packed: value in the upper 16 bits, zeros in bits 8 to 15 (of which a whole symbol that
// ends a block has 64), and bits used in the lowest 6. Bit 7 tells that the value is still to be
// read: it then has so many bits.
type entry int32

const (
	look    = 10
	pending = 1 << 7
)

// readTables reads Huffman tables (B.2.4.2).
func (d *Decoder) readTables(b []byte) error {
	for len(b) > 0 {
		if len(b) < 17 {
			return errDamaged
		}
		class, to := b[0]>>4, b[0]&15
		n := 0
		for _, v := range b[1:17] {
			n += int(v)
		}
		if class > 1 || to > 3 || n > 256 || len(b) < 17+n {
			return errDamaged
		}
		t := &d.dc[to]
		if class == 1 {
			t = &d.ac[to]
		}
		if err := t.build(b[1:17], b[17:17+n], class == 1); err != nil {
			return err
		}
		b = b[17+n:]
	}
	return nil
}

// build makes a table of how many codes each length has and what they mean.
func (t *table) build(counts, symbols []byte, ac bool) error {
	*t = table{there: true}
	copy(t.symbol[:], symbols)
	code, k := int32(0), int32(0)
	for length := 1; length <= 16; length++ {
		t.offset[length] = k - code
		for range counts[length-1] {
			if code >= 1<<length {
				return errDamaged
			}
			if length <= look {
				t.fill(code, length, symbols[k], ac)
			}
			code++
			k++
		}
		t.most[length] = code << (16 - length)
		code <<= 1
	}
	t.most[17] = 1 << 30
	return nil
}

// fill notes a code in the quick table for all bits that may follow it.
func (t *table) fill(code int32, length int, symbol uint8, ac bool) {
	zeros, size := int32(0), int32(symbol)
	if ac {
		zeros, size = int32(symbol>>4), int32(symbol&15)
		if size == 0 && zeros < 15 {
			zeros = 64 // the block ends
		}
	}
	rest := look - length
	for follow := range int32(1) << rest {
		e := entry(zeros<<8) | entry(length)
		switch {
		case size == 0:
		case int(size) <= rest && size < 16:
			v := extended16(follow>>(int32(rest)-size), size)
			e = entry(v<<16) | entry(zeros<<8) | entry(int32(length)+size)
		default:
			e |= entry(size<<16) | pending
		}
		t.quick[code<<rest|follow] = e
	}
}

// extended16 is the value that so many bits mean (F.2.2.1).
func extended16(v, size int32) int32 {
	if v < 1<<(size-1) {
		return v - 1<<size + 1
	}
	return v
}

// bits reads a scan bit by bit. Of 0xff followed by 0 the zero is left out; at a marker it ends,
// and zeros follow.
type bits struct {
	in    []byte
	at    int
	acc   uint64 // from the highest bit
	n     int    // of bits in it
	ended int    // how many bytes were read behind the end
}

func (r *bits) reset(in []byte) { *r = bits{in: in} }

// fill sees to 32 bits or more.
func (r *bits) fill() {
	if r.at+4 <= len(r.in) {
		v := binary.BigEndian.Uint32(r.in[r.at:])
		if !has255(v) {
			r.acc |= uint64(v) << (32 - r.n)
			r.n += 32
			r.at += 4
			return
		}
	}
	r.slow()
}

// has255 tells whether one of four bytes is 255.
func has255(v uint32) bool {
	v = ^v
	return (v-0x01010101)&^v&0x80808080 != 0
}

func (r *bits) slow() {
	for r.n <= 56 {
		v := byte(0)
		switch {
		case r.at >= len(r.in):
			r.ended++
		case r.in[r.at] != 0xff:
			v = r.in[r.at]
			r.at++
		case r.at+1 < len(r.in) && r.in[r.at+1] == 0:
			v = 0xff
			r.at += 2
		default:
			r.ended++ // at a marker
		}
		r.acc |= uint64(v) << (56 - r.n)
		r.n += 8
	}
}

func (r *bits) skip(n int) {
	r.acc <<= n
	r.n -= n
}

// take reads the value of so many bits.
func (r *bits) take(size int32) int32 {
	v := int32(r.acc >> (64 - size))
	r.skip(int(size))
	return extended16(v, size)
}

// long decodes a symbol of more than look bits.
func (r *bits) long(t *table) (uint8, bool) {
	v := int32(r.acc >> 48)
	for length := look + 1; length <= 16; length++ {
		if v < t.most[length] {
			r.skip(length)
			return t.symbol[(v>>(16-length)+t.offset[length])&255], true
		}
	}
	return 0, false
}
