package trace

import (
	"math"
	"testing"
)

func around(n int, r, from float64, way float64) (out []Node) {
	for i := range n {
		sin, cos := math.Sincos(from + way*2*math.Pi*float64(i)/float64(n))
		out = append(out, Node{At: [2]float64{r * cos, r * sin}})
	}
	return out
}

// A triangle is matched with a hexagon that runs the other way around: both have six points
// then, none has far to go, and the triangle's own corners keep their places.
func TestFiguresAreMatchedPointByPoint(t *testing.T) {
	triangle, hexagon := around(3, 100, 0, 1), around(6, 100, 0.1, -1)
	a, b, of := Matched(triangle, hexagon)
	if len(a) != 6 || len(b) != 6 || len(of) != 6 {
		t.Fatalf("they have %d and %d points", len(a), len(b))
	}
	own := 0
	for i := range a {
		if of[i] >= 0 {
			own++
			if a[i].At != triangle[of[i]].At {
				t.Errorf("corner %d went to %v", of[i], a[i].At)
			}
		}
		if far := math.Hypot(a[i].At[0]-b[i].At[0], a[i].At[1]-b[i].At[1]); far > 62 { // a new one lies 50 from the middle, its corner 100
			t.Errorf("point %d has %.0f to go", i, far)
		}
	}
	if own != 3 {
		t.Errorf("%d corners are its own", own)
	}
	if Area(a)*Area(b) <= 0 {
		t.Error("they run around different ways")
	}
	if math.Abs(Area(a)-Area(triangle)) > 1e-6 {
		t.Error("the triangle has another area")
	}
}
