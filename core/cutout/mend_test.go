package cutout

import (
	"math"
	"testing"

	"billow/core/clip"
	"billow/core/paint"
)

// berried is a red disc on grey card, with a blue berry and a dark blemish on it.
func berried() *paint.Bitmap {
	photo, _ := disc(300, 240, 150, 120, 90, [3]float64{230, 230, 226})
	for y := range photo.H {
		for x := range photo.W {
			switch {
			case math.Hypot(float64(x)-120, float64(y)-110) < 24:
				photo.Pix[y*photo.W+x] = 0xffc81820 // blue is the third byte
			case math.Hypot(float64(x)-190, float64(y)-150) < 5:
				photo.Pix[y*photo.W+x] = 0xff101010
			}
		}
	}
	return photo
}

func TestABlemishIsHealed(t *testing.T) {
	photo := berried()
	around := photo.Pix[150*300+175]
	for _, o := range []Order{{}, {Heals: []Heal{{X: 190, Y: 150, Radius: 9}}}} {
		cut, _, err := Make(photo, o)
		if err != nil {
			t.Fatal(err)
		}
		is := colourOf(cut.Pix[150*300+190])
		healed := is.apart(colourOf(around)) < 12
		if healed != (len(o.Heals) > 0) {
			t.Errorf("with %d heals it is %v; around it is %v", len(o.Heals), is, colourOf(around))
		}
		if berry := cut.Pix[110*300+120]; berry != photo.Pix[110*300+120] {
			t.Errorf("the berry became %x", berry)
		}
	}
}

// A part is cut out by a line around it; the place behind it is filled as what is around it, and
// the outline of the whole stays.
func TestAPartIsTakenOutAndItsPlaceIsFilled(t *testing.T) {
	photo := berried()
	whole, _, err := Make(photo, Order{})
	if err != nil {
		t.Fatal(err)
	}
	part := Order{Around: [][2]float64{{84, 76}, {158, 74}, {160, 146}, {82, 148}}}
	berry, _, err := Make(photo, part)
	if err != nil {
		t.Fatal(err)
	}
	base, _, err := Make(photo, Order{Out: []Order{part}})
	if err != nil {
		t.Fatal(err)
	}
	wrong := 0
	for y := range photo.H {
		for x := range photo.W {
			i := y*photo.W + x
			d := math.Hypot(float64(x)-120, float64(y)-110) - 24
			a := berry.Pix[i] >> 24
			if d < -2 && a < 240 || d > 3 && a > 15 {
				wrong++
			}
			if base.Pix[i]>>24 != whole.Pix[i]>>24 {
				t.Fatalf("without its part, opacity at %d, %d is %d instead of %d", x, y, base.Pix[i]>>24, whole.Pix[i]>>24)
			}
			if d < 1 {
				if c := colourOf(base.Pix[i]); c[2] > c[0] {
					t.Fatalf("behind the part it is still blue at %d, %d: %v", x, y, c)
				}
			}
		}
	}
	if wrong > 20 {
		t.Errorf("the opacity of %d pixels of the part is wrong", wrong)
	}
}

// A knob that stands out over a pot leaves nothing where the ground is seen behind it, and the
// pot where that is.
func TestWhatWasBehindAPartIsGroundOrThing(t *testing.T) {
	photo := paint.NewBitmap(300, 260)
	for y := range photo.H {
		for x := range photo.W {
			p := &photo.Pix[y*photo.W+x]
			*p = 0xffe8e6e4
			if x >= 60 && x < 240 && y >= 120 && y < 220 {
				*p = 0xff2838c8 // the pot, red
			}
			if math.Hypot(float64(x)-150, float64(y)-115) < 30 {
				*p = 0xff206020 // the knob, half of it above the pot
			}
		}
	}
	around := [][2]float64{{110, 75}, {190, 75}, {190, 155}, {110, 155}}
	d, err := Open(photo)
	if err != nil {
		t.Fatal(err)
	}
	if err := d.Follow(Order{Out: []Order{{Around: around}}}); err != nil {
		t.Fatal(err)
	}
	cut := d.Whole()
	var behind, left, gone int // pixels behind the knob, those that are left above the pot, and those that are gone in it
	for y := range photo.H {
		for x := range photo.W {
			if math.Hypot(float64(x)-150, float64(y)-115) > 32 || math.Abs(float64(y)-120) < 6 {
				continue
			}
			behind++
			p := cut.Pix[y*photo.W+x]
			if y < 120 && p>>24 > 127 {
				left++
			}
			if c := colourOf(p); y > 120 && (p>>24 < 235 || c[0] < 150 || c[1] > 90) {
				gone++
			}
		}
	}
	if left > behind/50 || gone > behind/50 {
		t.Errorf("of %d pixels behind the knob %d are left above the pot, and %d of the pot are gone", behind, left, gone)
	}
}

// A square that is turned back stands straight: its bounds are those of its sides.
func TestAPhotoIsStraightened(t *testing.T) {
	const turn = 20
	sin, cos := math.Sincos(turn * math.Pi / 180)
	photo := paint.NewBitmap(300, 260)
	for y := range photo.H {
		for x := range photo.W {
			dx, dy := float64(x)+.5-150, float64(y)+.5-130
			u, v := dx*cos-dy*sin-30, dx*sin+dy*cos // as it would lie upright, 30 to the right of the middle
			photo.Pix[y*photo.W+x] = 0xffe8eaec
			if math.Abs(u) < 60 && math.Abs(v) < 40 {
				photo.Pix[y*photo.W+x] = 0xff305018
			}
		}
	}
	f, err := Finish(photo, Order{Turn: turn})
	if err != nil {
		t.Fatal(err)
	}
	w, h := f.Picture.W, f.Picture.H
	if math.Abs(float64(w)-120) > 4 || math.Abs(float64(h)-80) > 4 {
		t.Errorf("it is %d by %d pixels, not 120 by 80", w, h)
	}
	if x, y := float64(f.At[0])+float64(w)/2, float64(f.At[1])+float64(h)/2; math.Abs(x-180) > 2 || math.Abs(y-130) > 2 {
		t.Errorf("its middle lies at %g, %g, not at 180, 130", x, y)
	}
	for _, p := range f.Picture.Pix {
		if a := p >> 24; p&255 > a || p>>8&255 > a || p>>16&255 > a {
			t.Fatalf("%08x is lighter than it is opaque", p)
		}
	}
}

func TestMendingThatCannotBeIsRefused(t *testing.T) {
	for field, o := range map[string]Order{
		"around":   {Around: [][2]float64{{1, 1}, {5, 5}}},
		"heals[0]": {Heals: []Heal{{X: 4, Y: 4, Radius: math.NaN()}}},
		"heals":    {Heals: make([]Heal, MostHeals+1)},
		"out":      {Out: make([]Order, MostOut+1)},
		"out[0]":   {Out: []Order{{Out: []Order{{}}}}},
		"turn":     {Turn: 90},
	} {
		err := o.Check(100, 100)
		if fault, ok := err.(*clip.FieldError); !ok || fault.Field != field {
			t.Errorf("%s: %v", field, err)
		}
	}
}
