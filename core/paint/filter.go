package paint

import "math"

// kernel makes a picture smaller by a factor with a filter of its own length.
type kernel struct {
	factor float64 // of the sides, less than 1
	reach  float64 // pixels of the smaller picture on either side
	weight func(x float64) float64
}

// half makes each level from the one before, inter the copies between two.
var (
	half  = kernel{0.5, 2, lanczos2}
	inter = [perOctave - 1]kernel{
		{0.8408964152537145, 2, lanczos2}, {math.Sqrt2 / 2, 2, lanczos2}, {0.5946035575013605, 2, lanczos2},
	}
)

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
	weights []uint64 // those below 0 as two's complements
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
		w := make([]float64, last-from+1)
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
// borrow from each other on the way, but not in the end.
const lift = 64

// begin is an empty sum, which rounds.
const begin = (lift*tapUnit + tapUnit/2) * lanes

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

// resize makes the smaller picture, first along rows, then along columns.
func (k kernel) resize(b *Bitmap) *Bitmap {
	across, down := k.along(b.W), k.along(b.H)
	w := len(across)
	wide, row := make([]uint64, w*b.H), make([]uint64, b.W)
	for y := range b.H {
		for x, p := range b.Pix[y*b.W : (y+1)*b.W] {
			row[x] = spread(p)
		}
		resizeRow(wide[y*w:(y+1)*w], row, across)
	}
	out := NewBitmap(w, len(down))
	line := make([]uint64, w)
	for y, t := range down {
		for x := range line {
			line[x] = begin
		}
		for i, weight := range t.weights {
			for x, p := range wide[(t.from+i)*w : (t.from+i+1)*w] {
				line[x] += p * weight
			}
		}
		to := out.Pix[y*w : (y+1)*w]
		for x, s := range line {
			to[x] = packed(summed(s))
		}
	}
	return out
}

func resizeRow(out, in []uint64, across []taps) {
	for x, t := range across {
		s := uint64(begin)
		from := in[t.from : t.from+len(t.weights)]
		for i, w := range t.weights {
			s += from[i] * w
		}
		out[x] = summed(s)
	}
}
