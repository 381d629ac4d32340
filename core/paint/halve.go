package paint

// The weights of a kernel that halves, Lanczos 2 in 128ths, from the middle on
// either side; the next would be 1.
const (
	near  = 56
	next  = 14
	third = 6 // below 0
)

// halve makes a picture half as large with Lanczos 2. It covers odd sides too, so
// that pixel i of level n always covers i*2^n onwards.
func halve(b *Bitmap) *Bitmap {
	out := NewBitmap((b.W+1)/2, (b.H+1)/2)
	line := make([]uint64, 2*out.W+4)
	var rows [8][]uint64 // of the picture, halved across; row y is number y mod 8
	for i := range rows {
		rows[i] = make([]uint64, out.W)
	}
	done := -3 // the last row that was halved across
	for y := range out.H {
		for done < 2*y+3 {
			done++
			at := min(max(done, 0), b.H-1) * b.W
			halveRow(rows[done&7], line, b.Pix[at:at+b.W])
		}
		row := func(i int) []uint64 { return rows[(2*y+i)&7][:out.W] }
		a0, a1, a2, a3, a4, a5 := row(-2), row(-1), row(0), row(1), row(2), row(3)
		to := out.Pix[y*out.W:][:out.W]
		for x := range to {
			to[x] = packed(summed((a2[x]+a3[x])*near + (a1[x]+a4[x])*next - (a0[x]+a5[x])*third + beginLift))
		}
	}
	return out
}

// halveRow makes a row half as wide; line is room for it and two more pixels at
// either end, which are like the last ones.
func halveRow(out, line []uint64, row []uint32) {
	for i, p := range row {
		line[i+2] = spread(p)
	}
	line[0], line[1] = line[2], line[2]
	last := len(row) + 1
	for i := last + 1; i < len(line); i++ {
		line[i] = line[last]
	}
	for x := range out {
		a := line[2*x:][:6]
		out[x] = ((a[2]+a[3])*near + (a[1]+a[4])*next - (a[0]+a[5])*third + begin) >> 7 & nineLanes
	}
}
