package frame

import (
	"math"
	"strings"
	"testing"

	"billow/core/clip"
	"billow/core/colour"
	"billow/core/motion"
	"billow/core/paint"
	"billow/core/timing"
	"billow/core/words"
)

const hash = "1111111111111111111111111111111111111111111111111111111111111111"

// block is a clip whose only product is a red rectangle, 200 by 100 pixels of a
// picture with an empty margin, shown 400 units wide on white.
func block(t *testing.T) (*clip.Clip, *Library) {
	t.Helper()
	tall, _ := clip.StandardShape("tall")
	c := clip.New("Block", tall, 30, 60)
	c.Layers[0].Backdrop.Stops = []clip.Stop{{At: 0, Colour: colour.RGB(0xFFFFFF)}}
	b := paint.NewBitmap(300, 300)
	for y := 50; y < 150; y++ {
		for x := 20; x < 220; x++ {
			b.Pix[y*300+x] = 0xFF0000FF
		}
	}
	lib := NewLibrary(words.NewFonts(), 64<<20)
	lib.AddPicture(hash, b)
	visible, _ := b.Visible()
	c.Props = []clip.Prop{{ID: "red", Name: "Red", Kind: clip.KindCutout, Hash: hash, Media: "image/png", Picture: &clip.Picture{W: 300, H: 300, Visible: visible}}}
	l := clip.NewLayer("red-layer", "Red", clip.KindCutout)
	l.Cutout = &clip.Cutout{Prop: "red"}
	l.Rest.Size = 400
	c.Layers = append(c.Layers, l)
	return c, lib
}

func draw(t *testing.T, c *clip.Clip, lib *Library, shape string, w, h, n int) *paint.Bitmap {
	t.Helper()
	if err := c.Validate(); err != nil {
		t.Fatal(err)
	}
	s, err := c.Shape(shape)
	if err != nil {
		t.Fatal(err)
	}
	stage, err := Prepare(c, s, w, h, lib)
	if err != nil {
		t.Fatal(err)
	}
	b := paint.NewBitmap(w, h)
	stage.Painter().Draw(b, n)
	return b
}

// red is the bounds of what is more red than anything else, and its count.
func red(b *paint.Bitmap) (x0, y0, x1, y1, n int) {
	x0, y0 = b.W, b.H
	for i, p := range b.Pix {
		if r, g := p&255, p>>8&255; r > 128 && g < 128 {
			x, y := i%b.W, i/b.W
			x0, y0, x1, y1, n = min(x0, x), min(y0, y), max(x1, x+1), max(y1, y+1), n+1
		}
	}
	return
}

func TestACutoutStandsByWhatIsVisibleOfIt(t *testing.T) {
	c, lib := block(t)
	// Tall at 540x960: a unit is 0.54 pixels; 400 by 200 units are 216 by 108.
	x0, y0, x1, y1, _ := red(draw(t, c, lib, "tall", 540, 960, 0))
	if x0 != 162 || x1 != 378 || y0 != 426 || y1 != 534 {
		t.Errorf("the product lies at %d,%d to %d,%d, want 162,426 to 378,534", x0, y0, x1, y1)
	}
}

func TestJustOutsideIsOutsideInEveryShape(t *testing.T) {
	for _, side := range []string{"left", "right", "above", "below"} {
		for _, turn := range []float64{0, 27} {
			c, lib := block(t)
			l := &c.Layers[2]
			l.Lift = 80
			l.Rest.Turn = turn
			l.Tracks[clip.Position] = motion.Track{{At: timing.At(0), Value: []float64{0, 0}, Off: side, Ease: motion.Ease{Kind: motion.Linear}}, {At: timing.At(20), Value: []float64{0, 0}, Ease: motion.Ease{Kind: motion.Linear}}}
			for _, s := range []string{"tall", "square", "wide"} {
				shape, _ := c.Shape(s)
				b := draw(t, c, lib, s, shape.W/4, shape.H/4, 0)
				for i, p := range b.Pix {
					if p != 0xFFFFFFFF {
						t.Fatalf("%s, turned %g, in %s: something shows at %d,%d", side, turn, s, i%b.W, i/b.W)
					}
				}
				if _, _, _, _, n := red(draw(t, c, lib, s, shape.W/4, shape.H/4, 10)); n == 0 {
					t.Errorf("%s in %s: ten frames later nothing has come in", side, s)
				}
			}
		}
	}
}

func TestAFrameDependsOnNothingBeforeIt(t *testing.T) {
	c, lib := block(t)
	c.Layers[2].Lift = 40
	c.Layers[2].Tracks[clip.Rotation] = motion.Track{{At: timing.At(5), Value: []float64{0}, Ease: motion.Ease{Kind: motion.Spring, Bounce: 0.6}}, {At: timing.At(50), Value: []float64{90}, Ease: motion.Ease{Kind: motion.Linear}}}
	stage, err := Prepare(c, c.Shapes[0], 270, 480, lib)
	if err != nil {
		t.Fatal(err)
	}
	p, b := stage.Painter(), paint.NewBitmap(270, 480)
	for _, n := range []int{0, 1, 2, 30, 31, 3, 59, 0, 17, 17} {
		p.Draw(b, n)
		fresh := paint.NewBitmap(270, 480)
		stage.Painter().Draw(fresh, n)
		for i := range b.Pix {
			if b.Pix[i] != fresh.Pix[i] {
				t.Fatalf("frame %d drawn after others differs at pixel %d", n, i)
			}
		}
	}
}

func TestTheShadowFallsAwayFromTheLight(t *testing.T) {
	for _, light := range []struct{ direction, dx, dy float64 }{{0, 0, 1}, {90, -1, 0}, {180, 0, -1}, {-90, 1, 0}} {
		c, lib := block(t)
		c.Light.Direction, c.Light.Height, c.Light.Softness = light.direction, 45, 20
		c.Layers[2].Lift = 60
		b := draw(t, c, lib, "tall", 540, 960, 0)
		// The centre of mass of what is grey.
		var sx, sy, n float64
		for i, p := range b.Pix {
			if r, g := float64(p&255), float64(p>>8&255); g < 250 && math.Abs(r-g) < 60 {
				w := 255 - g
				sx, sy, n = sx+w*float64(i%b.W), sy+w*float64(i/b.W), n+w
			}
		}
		dx, dy := sx/n-270, sy/n-480
		if along := dx*light.dx + dy*light.dy; along < 20 || math.Abs(dx*light.dy+dy*light.dx) > 4 {
			t.Errorf("light from %g: the shadow's middle lies at %.1f, %.1f", light.direction, dx, dy)
		}
	}
}

func TestAllShadowsFollowTheOneLightUnlessTheyAreTheirOwn(t *testing.T) {
	c, lib := block(t)
	c.Layers[2].Lift = 60
	c.Layers[2].Shadow = &clip.Shadow{None: true}
	b := draw(t, c, lib, "tall", 540, 960, 0)
	for i, p := range b.Pix {
		if g := p >> 8 & 255; g > 20 && g < 235 && p&255 < 235 {
			t.Fatalf("a shadow shows at %d,%d", i%b.W, i/b.W)
		}
	}
}

func TestPickGoesByWhatIsVisible(t *testing.T) {
	c, lib := block(t)
	stage, err := Prepare(c, c.Shapes[0], 540, 960, lib)
	if err != nil {
		t.Fatal(err)
	}
	for _, want := range []struct {
		x, y float64
		hit  string
	}{{0, 0, "red-layer"}, {195, 95, "red-layer"}, {205, 0, ""}, {0, -105, ""}} {
		if got := strings.Join(stage.Pick(0, want.x, want.y), " "); got != want.hit {
			t.Errorf("at %g,%g there is %q, want %q", want.x, want.y, got, want.hit)
		}
	}
}

func TestAMissingPictureIsNamed(t *testing.T) {
	c, _ := block(t)
	_, err := Prepare(c, c.Shapes[0], 540, 960, NewLibrary(words.NewFonts(), 1<<20))
	if err == nil || !strings.Contains(err.Error(), "Red") {
		t.Errorf("the error is %v", err)
	}
}
