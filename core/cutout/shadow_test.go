package cutout_test

import (
	"image"
	"math"
	"math/rand/v2"
	"testing"

	"billow/core/cutout"
	"billow/core/paint"
)

// shaded is a red disc on blue-grey card that takes light from it, as a function says.
func shaded(w, h int, noise float64, takes func(x, y float64) float64) *paint.Bitmap {
	r := rand.New(rand.NewPCG(7, 7))
	b := paint.NewBitmap(w, h)
	for y := range h {
		for x := range w {
			c := [3]float64{180, 190, 210}
			for i := range c {
				c[i] *= 1 - takes(float64(x)+.5, float64(y)+.5)
			}
			if math.Hypot(float64(x)+.5-150, float64(y)+.5-130) < 60 {
				c = [3]float64{190, 40, 30}
			}
			p := uint32(0xff000000)
			for i, v := range c {
				p |= uint32(min(max(v+noise*r.NormFloat64(), 0), 255)+.5) << (8 * i)
			}
			b.Pix[y*w+x] = p
		}
	}
	return b
}

func TestTheShadowIsThatOfThePhoto(t *testing.T) {
	const w, h = 340, 300
	takes := func(x, y float64) float64 {
		u, v := (x-168)/52, (y-165)/44
		return .45 * math.Exp(-(u*u+v*v)/2)
	}
	photo := shaded(w, h, 1.2, takes)
	d, err := cutout.Open(photo)
	if err == nil {
		err = d.Follow(cutout.Order{Shadow: true})
	}
	if err != nil {
		t.Fatal(err)
	}
	if !d.HasShadow() {
		t.Fatal("before card no shadow is known")
	}
	s := d.Shadow(image.Rect(0, 0, w, h))
	var off, n, worst float64
	for y := range h {
		for x := range w {
			px, py := float64(x)+.5, float64(y)+.5
			if math.Hypot(px-150, py-130) < 66 {
				continue
			}
			if s.Pix[y*w+x]&0xffffff != 0 {
				t.Fatal("the shadow is not black")
			}
			e := math.Abs(float64(s.Pix[y*w+x]>>24)/255 - takes(px, py))
			off, n, worst = off+e, n+1, max(worst, e)
		}
	}
	t.Logf("off by %.4f in the mean, by %.3f at most", off/n, worst)
	if off/n > .01 || worst > .06 {
		t.Errorf("off by %.4f of the light in the mean, by %.3f at most", off/n, worst)
	}
	// Beneath the disc it goes on: as dark as around it, without steps.
	for x := 96; x < 204; x++ {
		a, b := int(s.Pix[130*w+x]>>24), int(s.Pix[130*w+x+1]>>24)
		if a < 20 || a > 130 {
			t.Errorf("beneath the thing, at %d, it has opacity %d", x, a)
			break
		}
		if max(a-b, b-a) > 6 {
			t.Errorf("beneath the thing it steps from %d to %d at %d", a, b, x)
			break
		}
	}
}

func TestNoShadowIsMadeUp(t *testing.T) {
	photo := shaded(300, 260, 3, func(x, y float64) float64 { return 0 })
	made, err := cutout.Finish(photo, cutout.Order{Shadow: true})
	if err != nil {
		t.Fatal(err)
	}
	if made.Shadow == nil {
		return
	}
	dark := 0
	for _, p := range made.Shadow.Picture.Pix {
		if p>>24 > 8 {
			dark++
		}
	}
	if dark > 60 {
		t.Errorf("of a photo without a shadow one of %d pixels is kept", dark)
	}
}

// A straightened photo's shadow is turned with it: thing and shadow stay together.
func TestTheShadowIsStraightenedToo(t *testing.T) {
	takes := func(x, y float64) float64 {
		if x > 150 && x < 250 && y > 120 && y < 200 {
			return .3
		}
		return 0
	}
	made, err := cutout.Finish(shaded(340, 300, 1, takes), cutout.Order{Shadow: true, Turn: 30})
	if err != nil {
		t.Fatal(err)
	}
	if made.Shadow == nil {
		t.Fatal("no shadow was kept")
	}
	// The shadow's right edge, in its middle, is (250, 160): from the photo's middle (170, 150)
	// by 80 and 10 turned by 30 degrees.
	sin, cos := math.Sincos(math.Pi / 6)
	x, y := 170+80*cos-10*sin, 150+80*sin+10*cos
	at := func(dx float64) uint32 {
		px, py := int(x+dx*cos)-made.Shadow.At[0], int(y+dx*sin)-made.Shadow.At[1]
		b := made.Shadow.Picture
		if px < 0 || py < 0 || px >= b.W || py >= b.H {
			return 0
		}
		return b.Pix[py*b.W+px] >> 24
	}
	if in, out := at(-8), at(8); in < 55 || out > 12 {
		t.Errorf("within its turned edge the shadow has opacity %d, beyond it %d", in, out)
	}
}
