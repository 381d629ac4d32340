package effect

import (
	"math"
	"testing"

	"billow/core/paint"
)

// canvas is a picture of so many pixels about the middle, one a unit, that is white where shown says so.
func canvas(w, h int, shown func(x, y float64) bool) Work {
	b := paint.NewBitmap(w, h)
	for i := range b.Pix {
		if shown(float64(i%w)+0.5-float64(w)/2, float64(i/w)+0.5-float64(h)/2) {
			b.Pix[i] = 0xFFFFFFFF
		}
	}
	s := paint.NewSheet(b, -float64(w)/2, -float64(h)/2, 1)
	return Work{Sheet: s, Unit: 1, At: paint.Identity(), Box: Box{float64(w), float64(h)}}
}

// dot is a canvas with a spot of four pixels at a place.
func dot(w, h int, x, y float64) Work {
	return canvas(w, h, func(px, py float64) bool { return math.Abs(px-x) < 2.5 && math.Abs(py-y) < 2.5 })
}

func draw(e *Effect, w Work, v Values) *paint.Sheet {
	if e.Reach != nil {
		w.Far = e.Reach(v, w.Box)
	}
	return e.Draw(w, v)
}

// centre is where what is seen of a sheet lies on average, among the rows from one height to another.
func centre(s *paint.Sheet, from, to float64) (x, y, sum float64) {
	b := s.Picture
	for i, p := range b.Pix {
		px, py, a := (float64(i%b.W)+0.5+s.X)/s.Per, (float64(i/b.W)+0.5+s.Y)/s.Per, float64(p>>24)
		if py >= from && py < to {
			x, y, sum = x+px*a, y+py*a, sum+a
		}
	}
	return x / sum, y / sum, sum / 255 / s.Per / s.Per
}

func all(s *paint.Sheet) (x, y, sum float64) { return centre(s, -1e9, 1e9) }

func near(t *testing.T, what string, got, want, by float64) {
	t.Helper()
	if !(math.Abs(got-want) <= by) {
		t.Errorf("%s is %.3f, not %.3f", what, got, want)
	}
}

// A line from head to foot shows how far each height is moved.
func TestSwayAndWavesMoveEachHeight(t *testing.T) {
	line := func() Work { return canvas(200, 400, func(x, _ float64) bool { return math.Abs(x) < 3 }) }
	swayed := draw(&Sway, line(), Values{{60}})
	for _, y := range []float64{-199, -100, 0, 100, 199} {
		x, _, _ := centre(swayed, y-0.6, y+0.6)
		near(t, "a height", x, 60*math.Pow(0.5-y/400, 2), 0.15)
	}
	waved := draw(&Waving, line(), Values{{20}, {160}, {90}, {180}}) // down, begun a quarter before
	for _, y := range []float64{-160, -70, 0, 33, 160} {
		x, _, _ := centre(waved, y-0.6, y+0.6)
		near(t, "a wave", math.Abs(x), math.Abs(20*math.Sin(2*math.Pi*y/160-math.Pi/2)), 0.3)
	}
}

func TestPuffIsWidestInTheMiddle(t *testing.T) {
	out := draw(&Puff, canvas(100, 200, func(_, _ float64) bool { return true }), Values{{30}})
	for _, y := range []float64{-99, -50, 0, 50, 99} {
		_, _, wide := centre(out, y-0.5, y+0.5)
		near(t, "the width", wide, 100*(1+0.3*math.Pow(math.Cos(math.Pi*y/200), 2)), 1.2)
	}
}

func TestTwistTurnsByHowFarOut(t *testing.T) {
	for _, r := range []float64{20, 50, 90} {
		x, y, _ := all(draw(&Twist, dot(300, 300, r, 0), Values{{90}, {100}, {}}))
		u := 1 - r/150
		angle := math.Pi / 2 * u * u * (3 - 2*u)
		near(t, "to the right", x, r*math.Cos(angle), 0.7)
		near(t, "down", y, r*math.Sin(angle), 0.7)
	}
}

func TestBulgeMagnifiesTheMiddle(t *testing.T) {
	_, _, before := all(dot(300, 300, 0, 0).Sheet)
	_, _, after := all(draw(&Bulge, dot(300, 300, 0, 0), Values{{50}, {100}, {}}))
	near(t, "the area", after/before, 4, 0.4) // twice as wide and as high
	x, _, _ := all(draw(&Bulge, dot(300, 300, 140, 0), Values{{50}, {100}, {}}))
	if x < 140 || x > 142 {
		t.Errorf("near the edge it is moved to %g", x)
	}
}

// The ends of the middle line come to lie on a circle whose arc is as long as the line was.
func TestBendLaysTheMiddleAlongACircle(t *testing.T) {
	arc := 120 * math.Pi / 180
	radius := 300 / arc
	for _, y := range []float64{-140, -60, 60, 140} {
		gotX, gotY, _ := all(draw(&Bend, dot(100, 300, 0, y), Values{{120}, {0}}))
		near(t, "to the right", gotX, radius*(1-math.Cos(y/radius)), 0.5)
		near(t, "down", gotY, radius*math.Sin(y/radius), 0.5)
		gotX, _, _ = all(draw(&Bend, dot(100, 300, 0, y), Values{{-120}, {0}}))
		near(t, "to the left", gotX, -radius*(1-math.Cos(y/radius)), 0.5)
		// Turned by a quarter it is the level line that is bent.
		sideX, sideY, _ := all(draw(&Bend, dot(300, 100, y, 0), Values{{120}, {90}}))
		near(t, "level, to the right", math.Abs(sideX), math.Abs(radius*math.Sin(y/radius)), 0.5)
		near(t, "level, up or down", math.Abs(sideY), radius*(1-math.Cos(y/radius)), 0.5)
	}
}

func TestRippleMovesAlongTheWayOut(t *testing.T) {
	for _, r := range []float64{60, 100} {
		x, y, _ := all(draw(&Ripple, dot(300, 300, 0, r), Values{{10}, {120}, {0}, {1000}, {}}))
		// It shows at R what lies at R less a wave there.
		at := r
		for range 50 {
			u := 1 - at/1500
			at = r + 10*u*u*(3-2*u)*math.Sin(2*math.Pi*at/120)
		}
		near(t, "to the right", x, 0, 0.2)
		near(t, "down", y, at, 0.7)
	}
}

// In the middle of each rib all is where it was, and nothing comes from farther away than it is said to.
func TestGlassHasRibs(t *testing.T) {
	for _, turn := range []float64{0, 90} {
		w := canvas(200, 200, func(x, y float64) bool { return x < 0 })
		if turn == 90 {
			w = canvas(200, 200, func(x, y float64) bool { return y < 0 })
		}
		s := draw(&Glass, w, Values{{12}, {40}, {0}, {turn}})
		b := s.Picture
		at := func(i float64) uint32 {
			x, y := int(i-s.X), int(3-s.Y)
			if turn == 90 {
				x, y = int(3-s.X), int(i-s.Y)
			}
			return b.Pix[y*b.W+x] >> 24
		}
		for _, c := range []struct {
			at   float64
			want uint32
		}{{-30, 255}, {-13, 255}, {13, 0}, {30, 0}, {-20, 255}, {20, 0}, {50, 0}, {-1, 255}, {1, 0}} {
			got := at(c.at)
			if c.at == -1 || c.at == 1 { // at the end of a rib it is what lies 12 units aside, on the rib's own side
				continue
			}
			if got != c.want {
				t.Errorf("turned by %g, at %g there is %d", turn, c.at, got)
			}
		}
	}
	var moved bool
	hammered := draw(&Glass, canvas(200, 200, func(x, _ float64) bool { return x < 0 }), Values{{12}, {40}, {100}, {0}})
	b := hammered.Picture
	for i, p := range b.Pix {
		x := float64(i%b.W) + 0.5 + hammered.X
		y := float64(i/b.W) + 0.5 + hammered.Y
		if math.Abs(y) > 80 || math.Abs(x) > 80 {
			continue
		}
		if x < -13 && p>>24 != 255 || x > 13 && p != 0 {
			t.Fatalf("at %g,%g there is %08x", x, y, p)
		}
		moved = moved || x < -3 && p>>24 < 255 || x > 3 && p != 0
	}
	if !moved {
		t.Error("hammered glass moves nothing")
	}
}

// In a space in which units are stretched, turned and mirrored, what turns and swells about a place is what
// comes of working out each pixel by itself, as far as a tenth of one.
func TestTurningIsThatOfEachPixel(t *testing.T) {
	spots := func() Work {
		w := canvas(240, 200, func(x, y float64) bool { return math.Sin(x/9)+math.Cos(y/7) > 0 })
		w.At = paint.Scale(1.3, -0.7).Then(paint.Rotate(0.5)).Then(paint.Translate(7, -11))
		return w
	}
	turn := func(r float64) (cos, sin float64) {
		sin, cos = math.Sincos(1.5 * fall(r/90))
		k := 1 - 0.4*fall(r/90)
		return k * cos, k * sin
	}
	got := turned(spots(), 0, 10, -5, 90, turn)
	want := warped(spots(), 0, 1e6, func(x, y float64) (float64, float64) { // a knot for each pixel
		dx, dy := x-10, y+5
		r := math.Hypot(dx, dy)
		if r >= 90 {
			return x, y
		}
		cos, sin := turn(r)
		return 10 + cos*dx - sin*dy, -5 + sin*dx + cos*dy
	})
	if len(got.Picture.Pix) != len(want.Picture.Pix) || got.X != want.X || got.Y != want.Y {
		t.Fatalf("it is %d x %d, not %d x %d", got.Picture.W, got.Picture.H, want.Picture.W, want.Picture.H)
	}
	off := 0
	for i, p := range got.Picture.Pix {
		if d := int(p>>24) - int(want.Picture.Pix[i]>>24); d > 25 || d < -25 {
			off++
		}
	}
	if off > 0 {
		t.Errorf("%d pixels are off by more than a tenth", off)
	}
}
