package cutout

import (
	"math/rand/v2"
	"testing"
)

// Every parting of small grids is priced; the flow's is as cheap as the cheapest.
func TestFlowFindsTheCheapestParting(t *testing.T) {
	r := rand.New(rand.NewPCG(1, 2))
	for n := range 400 {
		w, h := 1+r.IntN(4), 1+r.IntN(4)
		f := newFlow(w, h)
		ends := make([][2]int32, w*h)
		type pair struct {
			i, j  int
			price int32
		}
		var pairs []pair
		for y := range h {
			for x := range w {
				i := y*w + x
				ends[i] = [2]int32{r.Int32N(20), r.Int32N(20)}
				f.prices(i, ends[i][0], ends[i][1])
				for d := 0; d < 8; d += 2 {
					nx, ny := x+around[d][0], y+around[d][1]
					if nx < 0 || ny < 0 || nx >= w || ny >= h {
						continue
					}
					p := r.Int32N(12)
					f.link(i, d, p)
					pairs = append(pairs, pair{i, ny*w + nx, p})
				}
			}
		}
		cost := func(isThing func(int) bool) (sum int32) {
			for i, e := range ends {
				if isThing(i) {
					sum += e[1]
				} else {
					sum += e[0]
				}
			}
			for _, p := range pairs {
				if isThing(p.i) != isThing(p.j) {
					sum += p.price
				}
			}
			return sum
		}
		least := int32(1 << 30)
		for all := range 1 << (w * h) {
			least = min(least, cost(func(i int) bool { return all>>i&1 == 1 }))
		}
		f.run()
		if got := cost(f.isThing); got != least {
			t.Fatalf("grid %d of %dx%d: the parting costs %d, the cheapest %d", n, w, h, got, least)
		}
	}
}
