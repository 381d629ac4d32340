package paint

import (
	"math"
	"math/rand/v2"
	"testing"
)

// Turned round, a mask is blurred as it was. Sizes are odd and even, since two rows and two
// columns are blurred at once.
func TestABlurIsTheSameInAllDirections(t *testing.T) {
	for _, size := range [][2]int{{37, 23}, {36, 22}, {21, 40}, {1, 9}, {8, 1}, {1, 1}} {
		r := rand.New(rand.NewPCG(1, 2))
		w, h := size[0], size[1]
		m := &Mask{W: w, H: h, Pix: make([]uint8, w*h)}
		turned, mirrored := &Mask{W: h, H: w, Pix: make([]uint8, w*h)}, &Mask{W: w, H: h, Pix: make([]uint8, w*h)}
		for i := range m.Pix {
			m.Pix[i] = uint8(r.IntN(2) * r.IntN(256))
			turned.Pix[i%w*h+i/w], mirrored.Pix[w*h-1-i] = m.Pix[i], m.Pix[i]
		}
		for _, b := range []*Mask{m, turned, mirrored} {
			b.Blur(4)
		}
		for i, v := range m.Pix {
			a, b := turned.Pix[i%w*h+i/w], mirrored.Pix[w*h-1-i]
			if math.Abs(float64(a)-float64(v)) > 1 || math.Abs(float64(b)-float64(v)) > 1 {
				t.Fatalf("%v: at %d,%d there is %d, on its side %d and turned round %d", size, i%w, i/w, v, a, b)
			}
		}
	}
}
