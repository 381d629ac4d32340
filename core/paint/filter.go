package paint

import "math"

// kernel makes a picture smaller by a factor with a filter of its own length.
type kernel struct {
	factor float64 // of the sides, less than 1
	reach  float64 // pixels of the smaller picture on either side
	weight func(x float64) float64
}

// inter makes the copies between two levels.
var inter = [perOctave - 1]kernel{
	{0.8408964152537145, 2, lanczos2}, {math.Sqrt2 / 2, 2, lanczos2}, {0.5946035575013605, 2, lanczos2},
}

// lanczos2 is sinc(x) sinc(x/2) for |x| < 2.
func lanczos2(x float64) float64 {
	if x == 0 {
		return 1
	}
	if x <= -2 || x >= 2 {
		return 0
	}
	t := math.Pi * x
	return math.Sin(t) / t * math.Sin(t/2) / (t / 2)
}

// taps are the weights with which pixels from a place on make one pixel, in
// 128ths: so many that the four channels of a pixel fit the lanes of one word.
type taps struct {
	from    int
	weights []uint64 // a multiple of 4; those below 0 as two's complements
}

const tapUnit = 128

// along is the taps for a side of n pixels; pixels beyond the ends are like the
// last ones.
func (k kernel) along(n int) []taps {
	size := max(1, int(math.Ceil(float64(n)*k.factor-1e-9)))
	out := make([]taps, size)
	for i := range out {
		centre := (float64(i) + 0.5) / k.factor
		lo, hi := int(math.Floor(centre-k.reach/k.factor)), int(math.Ceil(centre+k.reach/k.factor))
		from, last := min(max(lo, 0), n-1), min(max(hi-1, 0), n-1)
		w := make([]float64, (last-from+4)&^3)
		sum := 0.0
		for j := lo; j < hi; j++ {
			v := k.weight((float64(j) + 0.5 - centre) * k.factor)
			w[min(max(j, 0), n-1)-from] += v
			sum += v
		}
		out[i] = taps{from, whole128(w, sum)}
	}
	return out
}

// whole128 is weights as whole numbers that add up to tapUnit, so that an even
// area stays what it is: each carries what the one before it was rounded by.
func whole128(w []float64, sum float64) []uint64 {
	out := make([]uint64, len(w))
	exact, done := 0.0, 0
	for i, v := range w {
		exact += v / sum * tapUnit
		now := int(math.Round(exact))
		out[i] = uint64(int64(now - done))
		done = now
	}
	return out
}

// lift keeps the lanes of a sum above 0 where weights below 0 prevail: lanes may
// borrow from each other on the way, but not in the end. Between the two passes,
// lanes of 9 bits stay lifted, so that what overshoots is cut only once. While the
// weights below 0 add up to less than 21 of 128, no lane of either sum
// leaves 0..65535.
const lift = 96

const (
	begin     = (lift*tapUnit + tapUnit/2) * lanes // an empty sum of pixels, which rounds
	beginLift = tapUnit / 2 * lanes                // one of sums, of which each is lifted
	nineLanes = 0x01FF01FF01FF01FF
)

// lowered is what a lane of a sum says: 0..255, whatever it overshoots.
var lowered = func() (t [512]uint32) {
	for i := range t {
		t[i] = uint32(min(max(i-lift, 0), 255))
	}
	return t
}()

// summed is the pixel that a sum makes, spread; colours stay within the alpha.
func summed(s uint64) uint64 {
	a := lowered[s>>(48+7)]
	r, b, g := lowered[s>>7&511], lowered[s>>(16+7)&511], lowered[s>>(32+7)&511]
	return uint64(min(r, a)) | uint64(min(b, a))<<16 | uint64(min(g, a))<<32 | uint64(a)<<48
}

// resize makes the smaller picture: rows are made smaller across, and as soon as
// there are enough of them, they make one of the picture.
func (k kernel) resize(b *Bitmap) *Bitmap {
	across, down := k.along(b.W), k.along(b.H)
	most := 0
	for _, t := range down {
		most = max(most, len(t.weights))
	}
	out := NewBitmap(len(across), len(down))
	in, sums := make([]uint64, b.W+3), make([]uint64, out.W)
	rows := make([][]uint64, most) // row y is number y mod most
	for i := range rows {
		rows[i] = make([]uint64, out.W)
	}
	done := -1 // the last row that was made smaller across
	for y, t := range down {
		for done < t.from+len(t.weights)-1 {
			done++
			at := min(done, b.H-1) * b.W
			resizeRow(rows[done%most], in, b.Pix[at:at+b.W], across)
		}
		for x := range sums {
			sums[x] = beginLift
		}
		for i := 0; i < len(t.weights); i += 4 {
			var four [4][]uint64
			for k := range four {
				four[k] = rows[(t.from+i+k)%most]
			}
			addRows(sums, four, t.weights[i:])
		}
		to := out.Pix[y*out.W:][:out.W]
		for x, s := range sums {
			to[x] = packed(summed(s))
		}
	}
	return out
}

// addRows adds four rows with their weights to the sums.
func addRows(sums []uint64, rows [4][]uint64, weights []uint64) {
	n := len(sums)
	a, b, c, d := rows[0][:n], rows[1][:n], rows[2][:n], rows[3][:n]
	wa, wb, wc, wd := weights[0], weights[1], weights[2], weights[3]
	for x := range sums {
		sums[x] += a[x]*wa + b[x]*wb + c[x]*wc + d[x]*wd
	}
}

// resizeRow makes a row smaller; in is room for it and three pixels more, whose
// weights are 0.
func resizeRow(out, in []uint64, row []uint32, across []taps) {
	for x, p := range row {
		in[x] = spread(p)
	}
	for x, t := range across {
		s := uint64(begin)
		from := in[t.from:][:len(t.weights)]
		for i := 0; i+4 <= len(from); i += 4 {
			p, w := from[i:i+4:i+4], t.weights[i:i+4:i+4]
			s += p[0]*w[0] + p[1]*w[1] + p[2]*w[2] + p[3]*w[3]
		}
		out[x] = s >> 7 & nineLanes
	}
}
