package cutout

import (
	"math"
	"testing"
)

// holed is a picture by a function, with a disc left out of it.
func holed(w, h int, cx, cy, radius float64, at func(x, y int) colour) (pix []colour, hole []bool) {
	pix, hole = make([]colour, w*h), make([]bool, w*h)
	for y := range h {
		for x := range w {
			pix[y*w+x] = at(x, y)
			if math.Hypot(float64(x)-cx, float64(y)-cy) <= radius {
				pix[y*w+x], hole[y*w+x] = colour{255, 0, 255}, true
			}
		}
	}
	return pix, hole
}

func TestAHoleIsFilledAsWhatIsAroundIt(t *testing.T) {
	for _, c := range []struct {
		name string
		at   func(x, y int) colour
		most float64 // mean difference from what was there, levels
	}{
		{"one colour", func(x, y int) colour { return colour{40, 90, 160} }, .6},
		{"slanted light", func(x, y int) colour { return colour{60 + float32(x), 200 - float32(y), 100} }, 6},
		{"stripes", func(x, y int) colour {
			if x/4%2 == 0 {
				return colour{220, 210, 60}
			}
			return colour{30, 40, 90}
		}, 8},
		{"an edge", func(x, y int) colour {
			if y < 60 {
				return colour{240, 240, 240}
			}
			return colour{90, 20, 30}
		}, 6},
	} {
		pix, hole := holed(120, 120, 58, 61, 17, c.at)
		fillHoles(120, 120, pix, hole)
		sum, n := 0., 0.
		for i, is := range hole {
			was := c.at(i%120, i/120)
			if !is {
				if pix[i] != was {
					t.Fatalf("%s: what is no hole was changed at %d, %d", c.name, i%120, i/120)
				}
				continue
			}
			sum += float64(pix[i].apart(was))
			n++
		}
		t.Logf("%s: %.2f levels", c.name, sum/n)
		if sum/n > c.most {
			t.Errorf("%s: %.1f levels from what was there", c.name, sum/n)
		}
	}
}

func TestHolesThatHaveNothingAroundThemStay(t *testing.T) {
	pix, hole := holed(9, 9, 4, 4, 20, func(x, y int) colour { return colour{} })
	fillHoles(9, 9, pix, hole)
	if pix[40] != (colour{255, 0, 255}) {
		t.Errorf("it became %v", pix[40])
	}
	fillHoles(1, 1, []colour{{1, 2, 3}}, []bool{true})
	fillHoles(0, 0, nil, nil)
}

func BenchmarkFillAHoleOf300Pixels(b *testing.B) {
	for b.Loop() {
		pix, hole := holed(700, 700, 350, 350, 150, func(x, y int) colour {
			return colour{float32(x * 7 % 200), float32(y * 5 % 180), float32((x + y) % 90)}
		})
		fillHoles(700, 700, pix, hole)
	}
}
