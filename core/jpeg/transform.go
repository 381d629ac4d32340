package jpeg

import "math"

// transform makes pixels of a block of coefficients, side by side in so many, and clears it. last
// is the place of the last coefficient that is not nothing.
func (d *Decoder) transform(onto []byte, stride, side, last int) {
	b := &d.block
	if last == 0 {
		v := bounded((b[0] + 4) >> 3)
		b[0] = 0
		for y := range side {
			row := onto[y*stride:][:side]
			for x := range row {
				row[x] = v
			}
		}
		return
	}
	// How many rows and columns of coefficients there are.
	n := int(reaches[last])
	switch {
	case side == 8 && n <= 4:
		simple(b, onto, stride, n)
	case side == 8:
		whole(b, onto, stride, n)
	case side == 4:
		half(b, onto, stride, min(n, 4))
	default:
		fewer(b, onto, stride, side, min(n, side))
	}
	if n <= 4 {
		for y := range n {
			*(*[4]int32)(b[8*y:]) = [4]int32{}
		}
		return
	}
	*b = [64]int32{}
}

// reaches is how many rows and columns of a block have coefficients up to one in their order.
var reaches = func() (out [64]uint8) {
	most := uint8(0)
	for k, at := range zigzag {
		most = max(most, at/8+1, at%8+1)
		out[k] = most
	}
	return out
}()

// bounded is a sample about 0 as a byte.
func bounded(v int32) byte {
	v += 128
	if uint32(v) < 256 {
		return byte(v)
	}
	if v < 0 {
		return 0
	}
	return 255
}

// Factors of the transform of eight, in 2^13ths: Loeffler, Ligtenberg and Moschytz, "Practical
// fast 1-D DCT algorithms with 11 multiplications" (ICASSP 1989), of which this is the inverse.
const (
	f0298 = 2446
	f0390 = 3196
	f0541 = 4433
	f0765 = 6270
	f0899 = 7373
	f1175 = 9633
	f1501 = 12299
	f1847 = 15137
	f1961 = 16069
	f2053 = 16819
	f2562 = 20995
	f3072 = 25172
)

// whole transforms a block into eight by eight pixels.
func whole(b *[64]int32, onto []byte, stride, n int) {
	var t [64]int32
	for x := range n {
		c := b[x:]
		z2, z3 := c[16], c[48]
		z1 := (z2 + z3) * f0541
		t2, t3 := z1-z3*f1847, z1+z2*f0765
		t0, t1 := (c[0]+c[32])<<13, (c[0]-c[32])<<13
		e0, e3, e1, e2 := t0+t3, t0-t3, t1+t2, t1-t2
		o0, o1, o2, o3 := odd(c[56], c[40], c[24], c[8])
		const half = 1 << 10
		t[x], t[56+x] = (e0+o3+half)>>11, (e0-o3+half)>>11
		t[8+x], t[48+x] = (e1+o2+half)>>11, (e1-o2+half)>>11
		t[16+x], t[40+x] = (e2+o1+half)>>11, (e2-o1+half)>>11
		t[24+x], t[32+x] = (e3+o0+half)>>11, (e3-o0+half)>>11
	}
	for y := range 8 {
		c := (*[8]int32)(t[8*y:])
		row := (*[8]byte)(onto[y*stride:])
		z2, z3 := c[2], c[6]
		z1 := (z2 + z3) * f0541
		t2, t3 := z1-z3*f1847, z1+z2*f0765
		t0, t1 := (c[0]+c[4])<<13, (c[0]-c[4])<<13
		e0, e3, e1, e2 := t0+t3, t0-t3, t1+t2, t1-t2
		o0, o1, o2, o3 := odd(c[7], c[5], c[3], c[1])
		const half = 1 << 17
		row[0], row[7] = bounded((e0+o3+half)>>18), bounded((e0-o3+half)>>18)
		row[1], row[6] = bounded((e1+o2+half)>>18), bounded((e1-o2+half)>>18)
		row[2], row[5] = bounded((e2+o1+half)>>18), bounded((e2-o1+half)>>18)
		row[3], row[4] = bounded((e3+o0+half)>>18), bounded((e3-o0+half)>>18)
	}
}

// odd is the part of the odd coefficients, from the highest to the lowest.
func odd(t0, t1, t2, t3 int32) (int32, int32, int32, int32) {
	z1, z2, z3, z4 := t0+t3, t1+t2, t0+t2, t1+t3
	z5 := (z3 + z4) * f1175
	z1, z2 = -z1*f0899, -z2*f2562
	z3, z4 = z5-z3*f1961, z5-z4*f0390
	return t0*f0298 + z1 + z3, t1*f2053 + z2 + z4, t2*f3072 + z2 + z3, t3*f1501 + z1 + z4
}

// simple is whole for a block of which only the first four rows and columns have coefficients.
func simple(b *[64]int32, onto []byte, stride, n int) {
	var t [32]int32 // eight rows of four
	for x := range n {
		c0, c1, c2, c3 := b[x], b[8+x], b[16+x], b[24+x]
		t0, t2, t3 := c0<<13+1<<10, c2*f0541, c2*(f0541+f0765)
		e0, e3, e1, e2 := t0+t3, t0-t3, t0+t2, t0-t2
		z5 := (c3 + c1) * f1175
		z3, z4 := z5-c3*f1961, z5-c1*f0390
		o0, o1, o2, o3 := z3-c1*f0899, z4-c3*f2562, c3*(f3072-f2562)+z3, c1*(f1501-f0899)+z4
		t[x], t[28+x] = (e0+o3)>>11, (e0-o3)>>11
		t[4+x], t[24+x] = (e1+o2)>>11, (e1-o2)>>11
		t[8+x], t[20+x] = (e2+o1)>>11, (e2-o1)>>11
		t[12+x], t[16+x] = (e3+o0)>>11, (e3-o0)>>11
	}
	for y := range 8 {
		c := (*[4]int32)(t[4*y:])
		row := (*[8]byte)(onto[y*stride:])
		t0, t2, t3 := c[0]<<13+1<<17, c[2]*f0541, c[2]*(f0541+f0765)
		e0, e3, e1, e2 := t0+t3, t0-t3, t0+t2, t0-t2
		z5 := (c[3] + c[1]) * f1175
		z3, z4 := z5-c[3]*f1961, z5-c[1]*f0390
		o0, o1, o2, o3 := z3-c[1]*f0899, z4-c[3]*f2562, c[3]*(f3072-f2562)+z3, c[1]*(f1501-f0899)+z4
		row[0], row[7] = bounded((e0+o3)>>18), bounded((e0-o3)>>18)
		row[1], row[6] = bounded((e1+o2)>>18), bounded((e1-o2)>>18)
		row[2], row[5] = bounded((e2+o1)>>18), bounded((e2-o1)>>18)
		row[3], row[4] = bounded((e3+o0)>>18), bounded((e3-o0)>>18)
	}
}

// half transforms a block into four by four pixels, of the first four rows and columns.
func half(b *[64]int32, onto []byte, stride, n int) {
	var t [16]int32
	for x := range n {
		c0, c1, c2, c3 := b[x], b[8+x], b[16+x], b[24+x]
		e0, e1 := c0*p0+c2*p2+1<<10, c0*p0-c2*p2+1<<10
		o0, o1 := c1*p1+c3*p3, c1*p3-c3*p1
		t[x], t[12+x] = (e0+o0)>>11, (e0-o0)>>11
		t[4+x], t[8+x] = (e1+o1)>>11, (e1-o1)>>11
	}
	for y := range 4 {
		c := (*[4]int32)(t[4*y:])
		row := (*[4]byte)(onto[y*stride:])
		e0, e1 := c[0]*p0+c[2]*p2+1<<14, c[0]*p0-c[2]*p2+1<<14
		o0, o1 := c[1]*p1+c[3]*p3, c[1]*p3-c[3]*p1
		row[0], row[3] = bounded((e0+o0)>>15), bounded((e0-o0)>>15)
		row[1], row[2] = bounded((e1+o1)>>15), bounded((e1-o1)>>15)
	}
}

// Factors of the transform of four, in 2^13ths: half of the cosines of 0, 22.5, 45 and 67.5 degrees,
// the first one divided by the root of two.
const (
	p0 = 2896
	p1 = 3784
	p2 = 2896
	p3 = 1567
)

// bases are, for each side up to 7, the first half of the cosines by which coefficients are
// multiplied, in 2^13ths: for pixel i, coefficient k at 8*i+k.
var bases = func() (out [8][4 * 8]int32) {
	for side := 1; side < 8; side++ {
		for i := range (side + 1) / 2 {
			for k := range side {
				v := 0.5 * math.Cos(float64((2*i+1)*k)*math.Pi/float64(2*side))
				if k == 0 {
					v = math.Sqrt2 / 4
				}
				out[side][8*i+k] = int32(math.Round(v * (1 << 13)))
			}
		}
	}
	return out
}()

// fewer transforms a block into fewer pixels: of the n coefficients on each axis those are left
// out that fewer pixels cannot show.
func fewer(b *[64]int32, onto []byte, stride, side, n int) {
	var t [64]int32
	base := &bases[side]
	for x := range n {
		for i := range (side + 1) / 2 {
			var e, o int32
			m := (*[8]int32)(base[8*i:])
			for k := 0; k < n; k += 2 {
				e += m[k] * b[8*k+x]
				if k+1 < n {
					o += m[k+1] * b[8*k+8+x]
				}
			}
			t[8*i+x], t[8*(side-1-i)+x] = (e+o+1<<10)>>11, (e-o+1<<10)>>11
		}
	}
	for y := range side {
		c := (*[8]int32)(t[8*y:])
		row := onto[y*stride:][:side]
		for i := range (side + 1) / 2 {
			var e, o int32
			m := (*[8]int32)(base[8*i:])
			for k := 0; k < n; k += 2 {
				e += m[k] * c[k]
				o += m[k+1] * c[k+1]
			}
			row[i], row[side-1-i] = bounded((e+o+1<<14)>>15), bounded((e-o+1<<14)>>15)
		}
	}
}
