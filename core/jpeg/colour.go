package jpeg

import (
	"math"

	"billow/core/paint"
)

// Colours are worked out in four lanes of 16 bits at once, in 16ths of a level: red, blue, green
// and opacity from the lowest. A sum of lanes is right as long as it is within 0..255 levels in all
// of them, whatever borrowed of its neighbour on the way; otherwise bias tells them apart.
const (
	eachLane  = 1<<4 | 1<<20 | 1<<36       // a level of light
	outside   = 0xF000_F000_F000_F000      // what a level within its range has not
	levels    = 0x00FF_00FF_00FF_00FF      //
	bias      = 0x0000_4000_4000_4000      //
	opaque    = 0x0FF0_0000_0000_0000      //
	halfLevel = 0x0000_0008_0008_0008      //
	evenBits  = 0xFFFE_FFFE_FFFE_FFFE >> 1 // of what is halved
)

// ofBlue and ofRed are what a sample of colour, in quarters, adds to the lanes (JFIF: ITU-R
// BT.601, full range).
var ofBlue, ofRed = func() (blue, red [1024]uint64) {
	lane := func(v float64, at int) uint64 { return uint64(int64(math.Round(16*v))) << at }
	for i := range blue {
		v := float64(i)/4 - 128
		blue[i] = lane(1.772*v, 16) + lane(-0.344136*v, 32)
		red[i] = lane(1.402*v, 0) + lane(-0.714136*v, 32) + opaque + halfLevel
	}
	return blue, red
}()

// row is a row of pixels of a plane.
func (d *Decoder) row(i, y int) []byte { return d.planes[i][y%d.parts[i].rows*d.parts[i].stride:] }

// colour makes rows of pixels of the planes, up to one that is not made yet.
func (d *Decoder) colour(onto *paint.Bitmap, from, to int) {
	if d.n == 1 {
		for y := from; y < to; y++ {
			grey(onto.Pix[y*onto.W:][:onto.W], d.row(0, y))
		}
		return
	}
	light, part := &d.parts[0], &d.parts[1]
	shared := d.shared && part.side == light.side // nor was it transformed to as many
	if n := (onto.W+1)/2 + 1; cap(d.adds) < n {
		d.adds = make([]uint64, n)
	}
	for y := from; y < to; y++ {
		row, ys := onto.Pix[y*onto.W:][:onto.W], d.row(0, y)
		if !shared {
			each(row, ys, d.row(1, y), d.row(2, y))
			continue
		}
		// A sample lies between two rows: three quarters of it and one of its neighbour.
		rows := (onto.H + 1) / 2
		near, far := y/2, min(max(y/2+y%2*2-1, 0), rows-1)
		adds := d.adds[:(onto.W+1)/2+1]
		last := len(adds) - 1
		between(adds[:last], d.row(1, near), d.row(1, far), d.row(2, near), d.row(2, far))
		adds[last] = adds[last-1]
		pairs(row, ys, adds)
	}
}

func grey(row []uint32, ys []byte) {
	ys = ys[:len(row)]
	for x := range row {
		row[x] = uint32(ys[x])*0x010101 | 0xFF000000
	}
}

// each is a row with as much colour as light.
func each(row []uint32, ys, cb, cr []byte) {
	ys, cb, cr = ys[:len(row)], cb[:len(row)], cr[:len(row)]
	for x := range row {
		row[x] = pixel(uint64(ys[x])*eachLane + ofBlue[uint32(cb[x])<<2] + ofRed[uint32(cr[x])<<2])
	}
}

// between is a row of colour that lies between two.
func between(adds []uint64, cb, farB, cr, farR []byte) {
	n := len(adds)
	cb, farB, cr, farR = cb[:n], farB[:n], cr[:n], farR[:n]
	for x := range adds {
		b, r := 3*uint32(cb[x])+uint32(farB[x]), 3*uint32(cr[x])+uint32(farR[x])
		adds[x] = ofBlue[b&1023] + ofRed[r&1023]
	}
}

// pairs is a row with a sample of colour to two pixels. It lies on the first of them, as video has
// it (ITU-T H.273, type 0), and halfway to the next on the second.
func pairs(row []uint32, ys []byte, adds []uint64) {
	n := len(row) / 2
	next, light, to := adds[1:][:n], ys[:2*n], row[:2*n]
	a := adds[0]
	for i, b := range next {
		// Halved with what it is biased by, so that no lane is below 0.
		middle := ((a+bias)>>1)&evenBits + ((b+bias)>>1)&evenBits - bias
		x := 2*i + 1
		if x >= len(light) || x >= len(to) { // never; it spares checks
			break
		}
		// What pixel does, twice: a call for each would take as long.
		v, w := uint64(light[x-1])*eachLane+a, uint64(light[x])*eachLane+middle
		if (v|w)&outside != 0 {
			v, w = limited(v), limited(w)
		}
		v, w = v>>4&levels, w>>4&levels
		to[x-1] = uint32(v)&0x00FF00FF | uint32(v>>24)&0xFF00FF00
		to[x] = uint32(w)&0x00FF00FF | uint32(w>>24)&0xFF00FF00
		a = b
	}
	if len(row)%2 == 1 {
		row[len(row)-1] = pixel(uint64(ys[len(row)-1])*eachLane + a)
	}
}

// pixel is the pixel of lanes.
func pixel(v uint64) uint32 {
	if v&outside != 0 {
		v = limited(v)
	}
	v = v >> 4 & levels
	return uint32(v)&0x00FF00FF | uint32(v>>24)&0xFF00FF00
}

// limited is lanes of which some are outside their range.
func limited(v uint64) uint64 {
	const (
		first = 0x0000_0001_0001_0001
		three = 0x0000_FFFF_FFFF_FFFF
	)
	v += bias
	in := v & three
	not := in >> 14 & first // 1 in lanes that are not below 0
	in &= (not<<16 - not) & (0x3FFF * first)
	over := (in>>12 | in>>13) & first
	in |= over<<16 - over
	return v&^three | in&(0x0FFF*first)
}

// cover gives premultiplied pixels the opacity that the plane of light has. Of what is nearly
// clear or nearly opaque the coding's noise is left out, and no colour is more than its opacity.
func (d *Decoder) cover(onto *paint.Bitmap, from, to int) {
	const least = 4
	for y := from; y < to; y++ {
		row, as := onto.Pix[y*onto.W:][:onto.W], d.row(0, y)[:onto.W]
		for x, a := range as {
			switch {
			case a > 255-least:
			case a < least:
				row[x] = 0
			default:
				p, most := row[x], uint32(a)
				row[x] = min(p&255, most) | min(p>>8&255, most)<<8 | min(p>>16&255, most)<<16 | most<<24
			}
		}
	}
}
