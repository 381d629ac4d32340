package effect

import (
	"math"
	"math/rand/v2"
	"testing"

	"billow/core/paint"
)

// green is the colour of a screen as cameras see it.
var green = [3]float64{38, 160, 62}

// subject is a thing of several colours with a soft edge of some pixels, hair of one pixel and a
// hole, in a picture of 300 by 300: how opaque it is at a place, and its colour.
func subject(x, y int) (alpha float64, c [3]float64) {
	dx, dy := float64(x)+0.5-150, float64(y)+0.5-150
	r := math.Hypot(dx, dy)
	alpha = min(max((100-r)/4+0.5, 0), 1) * min(max((r-30)/3+0.5, 0), 1)
	if y < 70 && x%12 == 3 && x > 100 && x < 200 {
		alpha = max(alpha, 0.6) // hair
	}
	switch {
	case dx < -20:
		c = [3]float64{200, 60, 45}
	case dx < 20:
		c = [3]float64{225, 220, 210}
	case dy < 0:
		c = [3]float64{40, 60, 130}
	default:
		c = [3]float64{90, 85, 80}
	}
	return alpha, c
}

// before is the subject before a screen, with the light that the screen throws on it and noise of so
// many levels.
func before(screen [3]float64, spill, noise float64) *paint.Bitmap {
	rnd := rand.New(rand.NewPCG(1, 2))
	b := paint.NewBitmap(300, 300)
	for y := range 300 {
		for x := range 300 {
			a, c := subject(x, y)
			p := uint32(255) << 24
			for i := range 3 {
				v := a*(c[i]+spill*screen[i]*0.5) + (1-a)*screen[i]
				v += rnd.NormFloat64() * noise
				p |= uint32(min(max(math.Round(v), 0), 255)) << (8 * i)
			}
			b.Pix[y*300+x] = p
		}
	}
	return b
}

// usual are the values that an effect has when its first one is set.
func usual(e *Effect) Values {
	v := make(Values, len(e.Properties))
	for i, p := range e.Properties {
		for d := range p.Dims {
			v[i][d] = p.Neutral
		}
		copy(v[i][:], p.Usual)
	}
	return v
}

func keyed(b *paint.Bitmap, colour [3]float64, edge float64) *paint.Bitmap {
	v := usual(&ChromaKey)
	v[0][0], v[4][0] = 100, edge
	v[1] = [4]float64{colour[0], colour[1], colour[2], 255}
	return ChromaKey.Draw(Work{Sheet: paint.NewSheet(b, 0, 0, 1), Unit: 1}, v).Picture
}

// A thing before a screen comes back as opaque as it was, whatever the screen's colour, with spill
// and noise, and in its own colours.
func TestAKeyedThingIsAsOpaqueAsItWas(t *testing.T) {
	for name, c := range map[string]struct {
		screen       [3]float64
		spill, noise float64
	}{
		"clean":             {green, 0, 0},
		"noise":             {green, 0, 4},
		"spill and noise":   {green, 0.12, 4},
		"a bright screen":   {[3]float64{60, 220, 90}, 0.1, 3},
		"a blue screen":     {[3]float64{40, 80, 190}, 0.1, 3},
		"a pink background": {[3]float64{235, 90, 170}, 0.08, 3},
	} {
		got := keyed(before(c.screen, c.spill, c.noise), c.screen, 0)
		var off, tinted, fringe float64
		opaque, edge := 0, 0
		for y := range 300 {
			for x := range 300 {
				a, want := subject(x, y)
				if name == "a blue screen" && x > 170 && y < 150 { // what is blue itself goes, too
					continue
				}
				if name == "a pink background" && x < 130 { // and so does red
					continue
				}
				p := got.Pix[y*300+x]
				off += math.Abs(float64(p>>24)/255 - a)
				if a > 0.25 && a < 0.75 && p>>24 > 0 {
					edge++
					for i := range 3 {
						fringe += math.Abs(float64(p>>(8*i)&255)*255/float64(p>>24) - want[i])
					}
				}
				if a == 1 {
					opaque++
					for i := range 3 {
						tinted += math.Abs(float64(p>>(8*i)&255) - want[i])
					}
				}
			}
		}
		if off /= 90000; off > 0.02 {
			t.Errorf("%s: opacity is %.4f off on the mean", name, off)
		} else {
			t.Logf("%s: opacity is %.4f off on the mean", name, off)
		}
		if fringe /= float64(3 * edge); fringe > 24 {
			t.Errorf("%s: what is half clear is %.1f levels off its colour", name, fringe)
		} else {
			t.Logf("%s: what is half clear is %.1f levels off its colour", name, fringe)
		}
		if tinted /= float64(3 * opaque); tinted > 7 {
			t.Errorf("%s: what stays is %.1f levels off its colour", name, tinted)
		}
	}
}

// The edge moves by what is asked: the area that stays changes by the edge's length for each unit.
func TestTheEdgeOfAKeyMoves(t *testing.T) {
	area := func(edge float64) (sum float64) {
		b := paint.NewBitmap(200, 200)
		for y := range 200 {
			for x := range 200 {
				p := uint32(0xFF3EA026) // the screen
				if math.Hypot(float64(x)-99.5, float64(y)-99.5) < 60 {
					p = 0xFF808080
				}
				b.Pix[y*200+x] = p
			}
		}
		for _, p := range keyed(b, green, edge).Pix {
			sum += float64(p>>24) / 255
		}
		return sum
	}
	for _, by := range []float64{-8, -3, 3, 8} {
		r := math.Sqrt(area(by) / math.Pi)
		if math.Abs(r-60-by) > 0.7 {
			t.Errorf("moved by %v a disc of 60 is one of %.1f", by, r)
		}
	}
}

// Light before black is not made darker by the black being taken out; white paper goes.
func TestBrightnessIsKeyed(t *testing.T) {
	draw := func(p uint32, dark, bright float64) uint32 {
		b := paint.NewBitmap(1, 1)
		b.Pix[0] = p
		v := usual(&BrightnessKey)
		v[0][0], v[1][0] = dark, bright
		return BrightnessKey.Draw(Work{Sheet: paint.NewSheet(b, 0, 0, 1), Unit: 1}, v).Picture.Pix[0]
	}
	if p := draw(0xFF000000, 15, 100); p != 0 {
		t.Errorf("black stays as %08x", p)
	}
	if p := draw(0xFF80C0FF, 15, 100); p != 0xFF80C0FF {
		t.Errorf("light becomes %08x", p)
	}
	if p := draw(0xFFFFFFFF, 0, 80); p != 0 {
		t.Errorf("white stays as %08x", p)
	}
	if p := draw(0xFF203040, 0, 80); p != 0xFF203040 {
		t.Errorf("ink becomes %08x", p)
	}
	// Half of the way from black: the softness is 30 percent about the bound.
	if a := draw(0xFF262626, 15, 100) >> 24; a < 110 || a > 145 {
		t.Errorf("what is on the bound is %d opaque", a)
	}
}

// BenchmarkChromaKey takes a screen out of a frame of 1080 by 1920 pixels, a third of which is opaque.
func BenchmarkChromaKey(b *testing.B) {
	small, whole := before(green, 0.1, 3), paint.NewBitmap(1080, 1920)
	for y := range whole.H {
		for x := range whole.W {
			whole.Pix[y*whole.W+x] = small.Pix[y*300/1920*300+x*300/1080]
		}
	}
	v := usual(&ChromaKey)
	v[0][0], v[1] = 100, [4]float64{green[0], green[1], green[2], 255}
	var pool paint.Pool
	for b.Loop() {
		out := ChromaKey.Draw(Work{Sheet: paint.NewSheet(whole, 0, 0, 1), Unit: 1, Pool: &pool}, v)
		pool.Put(out.Picture)
	}
}
