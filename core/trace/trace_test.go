package trace

import (
	"math"
	"math/rand"
	"testing"
)

// along are points on the curves of nodes.
func along(nodes []Node, closed bool) (out [][2]float64) {
	for i, a := range nodes {
		if i+1 == len(nodes) && !closed {
			break
		}
		b := nodes[(i+1)%len(nodes)]
		for step := range 40 {
			t := float64(step) / 40
			s := 1 - t
			var p [2]float64
			for d := range p {
				p[d] = s*s*s*a.At[d] + 3*s*s*t*(a.At[d]+a.Out[d]) + 3*s*t*t*(b.At[d]+b.In[d]) + t*t*t*b.At[d]
			}
			out = append(out, p)
		}
	}
	return out
}

// A circle drawn with a tremor becomes a round path of few points.
func TestATremblingCircleBecomesRound(t *testing.T) {
	r := rand.New(rand.NewSource(2))
	var drawn [][2]float64
	for i := range 400 {
		a := float64(i) / 400 * 2 * math.Pi
		drawn = append(drawn, [2]float64{300*math.Cos(a) + r.NormFloat64(), 300*math.Sin(a) + r.NormFloat64()})
	}
	nodes := Smooth(drawn, true, 99)
	if len(nodes) < 3 || len(nodes) > 16 {
		t.Errorf("it has %d points", len(nodes))
	}
	for _, p := range along(nodes, true) {
		if d := math.Sqrt(p[0]*p[0] + p[1]*p[1]); math.Abs(d-300) > 8 {
			t.Fatalf("at %v it is %.1f from the middle", p, d)
		}
	}
}

// An open line begins and ends where it was drawn, and follows it between.
func TestAWaveIsFollowed(t *testing.T) {
	var drawn [][2]float64
	for x := -400.0; x <= 400; x += 3 {
		drawn = append(drawn, [2]float64{x, 80 * math.Sin(x/80)})
	}
	nodes := Smooth(drawn, false, 99)
	if first, last := nodes[0].At, nodes[len(nodes)-1].At; first != drawn[0] || last != drawn[len(drawn)-1] {
		t.Errorf("it goes from %v to %v", first, last)
	}
	if len(nodes) > 24 {
		t.Errorf("it has %d points", len(nodes))
	}
	for _, p := range along(nodes, false) {
		if off := math.Abs(p[1] - 80*math.Sin(p[0]/80)); off > 7 {
			t.Fatalf("at %v it is %.1f away", p, off)
		}
	}
}

func TestWhatIsNoLineIsRefused(t *testing.T) {
	for what, drawn := range map[string][][2]float64{
		"nothing": nil, "a point": {{3, 4}}, "the same place": {{3, 4}, {3, 4}, {3, 4}}, "no numbers": {{0, 0}, {math.NaN(), 3}, {400, 3}}, "without end": {{0, 0}, {math.Inf(1), 3}},
	} {
		for _, closed := range []bool{false, true} {
			if got := Smooth(drawn, closed, 99); len(got) > 1 {
				t.Errorf("%s gives %d points", what, len(got))
			}
		}
	}
	long := make([][2]float64, 100_000)
	for i := range long {
		long[i] = [2]float64{float64(i%2) * 900, float64(i)}
	}
	if got := Smooth(long, false, 99); len(got) < 2 || len(got) > 99 {
		t.Errorf("a line of 100,000 places has %d points", len(got))
	}
}
