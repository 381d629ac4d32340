// Package jpeg decodes baseline JPEG pictures (ITU-T T.81) quickly, since footage is a row of
// them: a picture that is asked for in less detail is transformed to so many eighths of its size
// at once, which leaves out what would not be seen and takes less time than all of it.
package jpeg

import (
	"encoding/binary"
	"errors"
	"fmt"

	"billow/core/paint"
)

// Errors of pictures that cannot be decoded.
var (
	errShort   = errors.New("the picture is cut off")
	errDamaged = errors.New("the picture is damaged")
)

// Decoder decodes pictures one after the other in the same memory. It serves one goroutine.
type Decoder struct {
	w, h     int
	shared   bool // one sample of colour to two by two of light
	interval int  // units between restarts; 0 is none
	parts    [3]component
	n        int // of parts: 1 or 3
	quant    [4][64]int32
	dc, ac   [4]table
	bits     bits
	block    [64]int32 // row by row
	planes   [3][]byte // the last two rows of units, in turns
	adds     []uint64
}

type component struct {
	id     byte
	h, v   int // blocks of a unit
	quant  int
	dc, ac int
	before int32 // DC of the block before
	side   int   // pixels of a block as it is asked for
	stride int   // pixels of a row of its plane
	rows   int   // of pixels that its plane holds
}

// Detail is the smallest number of eighths, 1 to 8, that still has a share of a picture's size.
func Detail(share float64) int {
	for n := 1; n < 8; n++ {
		if float64(n) >= 8*share {
			return n
		}
	}
	return 8
}

// Scaled is a side at so many eighths.
func Scaled(side, eighths int) int { return (side*eighths + 7) / 8 }

// Size reads how large a picture is, in pixels.
func Size(b []byte) (w, h int, err error) {
	var d Decoder
	_, err = d.header(b)
	return d.w, d.h, err
}

// Colours decodes a picture at so many eighths, 1 to 8, into an opaque bitmap, whose memory is
// used again where it is large enough.
func (d *Decoder) Colours(b []byte, eighths int, onto *paint.Bitmap) error {
	return d.decode(b, eighths, onto, false)
}

// Alpha decodes the light and dark of a picture as the opacity of a bitmap of its size that has
// premultiplied colours.
func (d *Decoder) Alpha(b []byte, eighths int, onto *paint.Bitmap) error {
	return d.decode(b, eighths, onto, true)
}

func (d *Decoder) decode(b []byte, eighths int, onto *paint.Bitmap, alpha bool) error {
	if eighths < 1 || eighths > 8 {
		return fmt.Errorf("a picture is decoded at 1 to 8 eighths, not %d", eighths)
	}
	scan, err := d.header(b)
	if err != nil {
		return err
	}
	w, h := Scaled(d.w, eighths), Scaled(d.h, eighths)
	if alpha {
		if onto.W != w || onto.H != h {
			return errors.New("the matte has another size than the picture")
		}
	} else {
		onto.W, onto.H = w, h
		if cap(onto.Pix) < w*h {
			onto.Pix = make([]uint32, w*h)
		}
		onto.Pix = onto.Pix[:w*h]
	}
	return d.scan(b[scan:], eighths, onto, alpha)
}

// segments that are of use (T.81, table B.1).
const (
	startOfImage  = 0xd8
	endOfImage    = 0xd9
	startOfScan   = 0xda
	quantisation  = 0xdb
	baseline      = 0xc0
	extended      = 0xc1
	huffman       = 0xc4
	restartLength = 0xdd
)

// maxSide is the most pixels that a side has.
const maxSide = 8192

// header reads all up to the scan and gives where that begins.
func (d *Decoder) header(b []byte) (scan int, err error) {
	d.w, d.h, d.interval, d.shared = 0, 0, 0, false
	if len(b) < 4 || b[0] != 0xff || b[1] != startOfImage {
		return 0, errDamaged
	}
	for at := 2; ; {
		for at < len(b) && b[at] == 0xff { // markers may be filled up
			at++
		}
		if at+3 > len(b) {
			return 0, errShort
		}
		marker, size := b[at], int(binary.BigEndian.Uint16(b[at+1:]))
		at++
		if size < 2 || at+size > len(b) {
			return 0, errShort
		}
		in := b[at+2 : at+size]
		switch marker {
		case quantisation:
			err = d.readQuant(in)
		case huffman:
			err = d.readTables(in)
		case baseline, extended:
			err = d.readFrame(in)
		case restartLength:
			if len(in) < 2 {
				return 0, errDamaged
			}
			d.interval = int(binary.BigEndian.Uint16(in))
		case startOfScan:
			return at + size, d.readScan(in)
		case 0xc2, 0xc3, 0xc5, 0xc6, 0xc7, 0xc9, 0xca, 0xcb, 0xcd, 0xce, 0xcf:
			err = errors.New("it is no baseline JPEG")
		}
		if err != nil {
			return 0, err
		}
		if at += size; at >= len(b) || b[at] != 0xff {
			return 0, errDamaged
		}
	}
}

// readQuant reads quantisation tables (B.2.4.1).
func (d *Decoder) readQuant(b []byte) error {
	for len(b) > 0 {
		wide, to := b[0]>>4, b[0]&15
		if wide != 0 || to > 3 || len(b) < 65 {
			return errDamaged
		}
		for i, v := range b[1:65] {
			d.quant[to][zigzag[i]] = int32(v)
		}
		b = b[65:]
	}
	return nil
}

// readFrame reads what the frame has (B.2.2).
func (d *Decoder) readFrame(b []byte) error {
	if len(b) < 6 || b[0] != 8 {
		return errDamaged
	}
	d.h, d.w, d.n = int(binary.BigEndian.Uint16(b[1:])), int(binary.BigEndian.Uint16(b[3:])), int(b[5])
	if d.w < 1 || d.h < 1 || d.w > maxSide || d.h > maxSide || d.n != 1 && d.n != 3 || len(b) < 6+3*d.n {
		return errDamaged
	}
	for i := range d.n {
		in := b[6+3*i:]
		d.parts[i] = component{id: in[0], h: int(in[1] >> 4), v: int(in[1] & 15), quant: int(in[2])}
		p := &d.parts[i]
		if p.h < 1 || p.h > 2 || p.v < 1 || p.v > 2 || p.quant > 3 {
			return errDamaged
		}
	}
	if d.n == 1 { // the blocks of one component lie row by row, whatever it says
		d.parts[0].h, d.parts[0].v = 1, 1
		return nil
	}
	light, b1, b2 := &d.parts[0], &d.parts[1], &d.parts[2]
	d.shared = light.h == 2*b1.h && light.v == 2*b1.v
	if b1.h != b2.h || b1.v != b2.v || !d.shared && (light.h != b1.h || light.v != b1.v) {
		return errors.New("its colours are kept in a way that is not read")
	}
	return nil
}

// readScan reads which tables the scan uses (B.2.3).
func (d *Decoder) readScan(b []byte) error {
	if d.w == 0 || len(b) < 1 || int(b[0]) != d.n || len(b) < 4+2*d.n {
		return errDamaged
	}
	for i := range d.n {
		p := &d.parts[i]
		p.dc, p.ac = int(b[2+2*i]>>4), int(b[2+2*i]&15)
		if b[1+2*i] != p.id || p.dc > 3 || p.ac > 3 || !d.dc[p.dc].there || !d.ac[p.ac].there {
			return errDamaged
		}
	}
	return nil
}

// zigzag is where the coefficients of a block lie, row by row (figure A.6).
var zigzag = [64]uint8{
	0, 1, 8, 16, 9, 2, 3, 10, 17, 24, 32, 25, 18, 11, 4, 5,
	12, 19, 26, 33, 40, 48, 41, 34, 27, 20, 13, 6, 7, 14, 21, 28,
	35, 42, 49, 56, 57, 50, 43, 36, 29, 22, 15, 23, 30, 37, 44, 51,
	58, 59, 52, 45, 38, 31, 39, 46, 53, 60, 61, 54, 47, 55, 62, 63,
}
