package frame

import (
	"math"
	"testing"

	"billow/core/clip"
	"billow/core/motion"
	"billow/core/paint"
)

// The block of these tests is 400 by 200 units about the frame's centre, 216 by 108
// pixels in Tall at 540x960; it stands at 480 + 54 = 534.

// dark is how much darker than white the frame is on average in a box of pixels, 0..1.
func dark(b *paint.Bitmap, x0, y0, x1, y1 int) float64 {
	sum := 0.0
	for y := y0; y < y1; y++ {
		for x := x0; x < x1; x++ {
			sum += 1 - float64(b.Pix[y*b.W+x]>>8&255)/255
		}
	}
	return sum / float64((x1-x0)*(y1-y0))
}

func grounded(t *testing.T) (*clip.Clip, *Library) {
	c, lib := block(t)
	c.Light.Colour.R, c.Light.Colour.G, c.Light.Colour.B = 0, 0, 0
	c.Layers[2].Lift = 0
	still(&c.Layers[2], clip.Contact, 100)
	return c, lib
}

// Where it stands, the ground is dark under the middle and not beside it; the shadow is
// about as wide as what stands there.
func TestWhatStandsHasAContactShadow(t *testing.T) {
	c, lib := grounded(t)
	b := draw(t, c, lib, "tall", 540, 960, 0)
	under := dark(b, 262, 535, 278, 537)
	if under < 0.3 {
		t.Errorf("right under it the ground is only %.2f dark", under)
	}
	if beside := dark(b, 20, 530, 60, 540); beside > 0.01 {
		t.Errorf("far beside it the ground is %.2f dark", beside)
	}
	if beneath := dark(b, 200, 600, 340, 640); beneath > 0.01 {
		t.Errorf("far beneath it the ground is %.2f dark", beneath)
	}
	still(&c.Layers[2], clip.Contact, 0)
	if none := dark(draw(t, c, lib, "tall", 540, 960, 0), 262, 535, 278, 537); none > 0.001 {
		t.Errorf("without one the ground is %.2f dark", none)
	}
}

// As it rises, the shadow stays on the ground, fades and spreads.
func TestAContactShadowFadesAsItsThingRises(t *testing.T) {
	c, lib := grounded(t)
	c.Layers[2].Tracks[clip.Position] = linear(0, v(0, 0), 20, v(0, -200), 40, v(0, -900))
	var before, wide float64
	for i, frame := range []int{0, 5, 10, 20} {
		b := draw(t, c, lib, "tall", 540, 960, frame)
		now := dark(b, 262, 534, 278, 536)
		if i > 0 && now >= before {
			t.Errorf("on frame %d the ground is %.3f dark, before %.3f", frame, now, before)
		}
		before = now
		if edge := dark(b, 100, 531, 130, 537); frame == 0 {
			wide = edge
		} else if frame == 20 && edge <= wide {
			t.Errorf("risen by its height, it is %.4f dark at the side, standing %.4f", edge, wide)
		}
	}
	if far := dark(draw(t, c, lib, "tall", 540, 960, 40), 262, 534, 278, 536); far > 0.05 {
		t.Errorf("high up it still has a shadow of %.3f", far)
	}
}

// Turned as it falls, what is lowest of it counts: standing on its short side, the block
// is 100 units nearer to the ground than its middle says.
func TestATurnedThingTouchesTheGroundWithItsLowestPoint(t *testing.T) {
	c, lib := grounded(t)
	// Its rest's lowest point lies 100 units below its centre; upright, its end lies 200
	// below it. Raised by 100 it stands on the ground again.
	c.Layers[2].Tracks[clip.Rotation] = linear(0, v(90))
	c.Layers[2].Tracks[clip.Position] = linear(0, v(0, -100))
	standing := dark(draw(t, c, lib, "tall", 540, 960, 0), 262, 534, 278, 536)
	c.Layers[2].Tracks[clip.Position] = linear(0, v(0, -200))
	if floating := dark(draw(t, c, lib, "tall", 540, 960, 0), 262, 534, 278, 536); floating >= standing*0.8 {
		t.Errorf("100 units higher the ground is %.3f dark, standing %.3f", floating, standing)
	}
}

// A reflection hangs from the ground line, upside down, and fades.
func TestTheGroundMirrors(t *testing.T) {
	c, lib := block(t)
	l := &c.Layers[2]
	l.Lift = 0
	still(l, clip.Reflection, 60)
	still(l, clip.ReflectionLong, 50)
	b := draw(t, c, lib, "tall", 540, 960, 0)
	red := func(y int) float64 { return 1 - float64(b.Pix[y*b.W+270]>>8&255)/255 }
	// It is 54 pixels long: 60 percent at the line, half of it 27 further down.
	for y, want := range map[int]float64{535: 0.6, 561: 0.3, 587: 0.01, 600: 0} {
		if got := red(y); math.Abs(got-want) > 0.03 {
			t.Errorf("%d pixels below the line it is %.2f strong, want %.2f", y-534, got, want)
		}
	}
	if b.Pix[561*b.W+150]>>8&255 != 255 {
		t.Error("beside it something is mirrored")
	}
	// Risen by 40 units, it and its reflection are 80 units, 43 pixels, apart.
	l.Tracks[clip.Position] = linear(0, v(0, -40))
	b = draw(t, c, lib, "tall", 540, 960, 0)
	if red(550) > 0.01 || red(560) < 0.05 {
		t.Errorf("risen, the reflection is %.2f strong at 16 and %.2f at 26 pixels", red(550), red(560))
	}
}

// A group of one thing leaves on the ground what the thing would, wherever it rises to.
func TestAGroupStandsOnWhatIsInIt(t *testing.T) {
	for name, set := range map[string]func(l *clip.Layer){
		"contact shadow": func(l *clip.Layer) { still(l, clip.Contact, 80) },
		"reflection":     func(l *clip.Layer) { still(l, clip.Reflection, 60) },
		"blurred reflection": func(l *clip.Layer) {
			still(l, clip.Reflection, 60)
			still(l, clip.ReflectionBlur, 6)
		},
		"both, lower": func(l *clip.Layer) {
			still(l, clip.Contact, 80)
			still(l, clip.Reflection, 60)
			still(l, clip.Below, 30)
		},
	} {
		rises := func(l *clip.Layer) {
			set(l)
			l.Tracks[clip.Position] = linear(0, v(0, 0), 20, v(60, -120))
		}
		alone, lib := block(t)
		alone.Layers[2].Lift = 0
		rises(&alone.Layers[2])
		grouped, _ := block(t)
		grouped.Layers[2].Lift, grouped.Layers[2].Group = 0, "group"
		g := clip.NewGroup("group", "Group")
		g.Tracks = map[string]motion.Track{}
		rises(&g)
		grouped.Layers = append(grouped.Layers, g)
		for _, frame := range []int{0, 10, 20} {
			want, got := draw(t, alone, lib, "tall", 540, 960, frame), draw(t, grouped, lib, "tall", 540, 960, frame)
			worst, off := 0.0, 0
			for i, p := range got.Pix {
				if d := math.Abs(float64(p>>8&255) - float64(want.Pix[i]>>8&255)); d > worst {
					worst, off = d, i
				}
			}
			// A group is mirrored as the frame shows it, its things from what they are made of.
			if worst > 6 {
				t.Errorf("%s on frame %d: at %d,%d they differ by %.0f levels", name, frame, off%540, off/540, worst)
			}
		}
	}
}

// What is repeated stands next to each other: each has a shadow of its own.
func TestEachOfWhatIsRepeatedStandsOnTheGround(t *testing.T) {
	c, lib := grounded(t)
	l := &c.Layers[2]
	l.Rest.Size = 200 // so wide, and 100 high
	one := draw(t, c, lib, "tall", 540, 960, 0)
	l.Repeat = &clip.Repeat{Columns: 3, Rows: 1}
	still(l, clip.Gap, 100, 0)
	three := draw(t, c, lib, "tall", 540, 960, 0)
	// One stands every 300 units, which are 162 pixels; the ground is at 480 + 27.
	for _, x := range []int{270 - 162, 270, 270 + 162} {
		want, got := dark(one, 262, 508, 278, 510), dark(three, x-8, 508, x+8, 510)
		if want < 0.2 || math.Abs(want-got) > 0.02 {
			t.Errorf("under the one at %d the ground is %.3f dark, under one alone %.3f", x, got, want)
		}
	}
}
