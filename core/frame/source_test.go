package frame

import (
	"testing"

	"billow/core/clip"
	"billow/core/paint"
)

// reel shows three pictures a second, each in one colour.
type reel struct{ pictures []*paint.Pyramid }

func (r reel) At(seconds float64) int { return min(max(int(seconds*3+1e-3), 0), len(r.pictures)-1) }

func (r reel) Picture(n int, _ float64) (*paint.Pyramid, float64, error) {
	return r.pictures[n], 1, nil
}
func (reel) Begins(n int) float64 { return float64(n) / 3 }
func (r reel) Frames() int        { return len(r.pictures) }
func (reel) Seconds() float64     { return 1 }
func (reel) Halved() int          { return 0 }

// reeled is a block whose picture is a reel of red, green and blue, beginning on
// frame 10.
func reeled(t *testing.T) (*clip.Clip, *Library) {
	t.Helper()
	c, lib := block(t)
	var r reel
	for _, colour := range []uint32{0xFF0000FF, 0xFF00FF00, 0xFFFF0000} {
		b := paint.NewBitmap(300, 300)
		for y := 50; y < 150; y++ {
			for x := 20; x < 220; x++ {
				b.Pix[y*300+x] = colour
			}
		}
		r.pictures = append(r.pictures, paint.NewPyramid(b))
	}
	lib.AddSource(hash, r)
	c.Layers[2].From.Frames = 10
	p := c.PictureOf(&c.Layers[2])
	p.Kind, p.Footage = clip.KindFootage, &clip.Footage{Seconds: 1, Frames: 3}
	return c, lib
}

// middle is the colour in the middle of a frame.
func middle(t *testing.T, c *clip.Clip, lib *Library, n int) uint32 {
	t.Helper()
	return draw(t, c, lib, "tall", 108, 192, n).Pix[96*108+54]
}

func TestASourceShowsWhatItIsAtItsTime(t *testing.T) {
	c, lib := reeled(t)
	// 30 frames a second, three pictures a second: one for ten frames.
	for n, want := range map[int]uint32{10: 0xFF0000FF, 19: 0xFF0000FF, 20: 0xFF00FF00, 30: 0xFFFF0000, 59: 0xFFFF0000} {
		if got := middle(t, c, lib, n); got != want {
			t.Errorf("on frame %d there is %08x, want %08x", n, got, want)
		}
	}
	// One painter that goes through all of it shows the same.
	stage, err := Prepare(c, c.Shapes[0], 108, 192, lib)
	if err != nil {
		t.Fatal(err)
	}
	p, b := stage.Painter(), paint.NewBitmap(108, 192)
	for n := range 60 {
		p.Draw(b, n)
		if got, want := b.Pix[96*108+54], middle(t, c, lib, n); got != want {
			t.Fatalf("frame %d in a row is %08x, alone %08x", n, got, want)
		}
	}
}

func TestASourceGoesByTheTimeOfItsGroup(t *testing.T) {
	c, lib := reeled(t)
	c.Layers[2].From.Frames = 0
	g := clip.NewGroup("group", "Group")
	g.Inside.Reverse = true
	c.Layers[2].Group = "group"
	c.Layers = append(c.Layers, g)
	// Backwards over 60 frames: frame 40 is frame 19 inside, frame 55 is frame 4.
	for n, want := range map[int]uint32{0: 0xFFFF0000, 40: 0xFF00FF00, 55: 0xFF0000FF} {
		if got := middle(t, c, lib, n); got != want {
			t.Errorf("on frame %d there is %08x, want %08x", n, got, want)
		}
	}
	at := 15
	c.Layers[3].Inside = &clip.Inside{Freeze: &at}
	for _, n := range []int{0, 30, 59} {
		if got := middle(t, c, lib, n); got != 0xFF00FF00 {
			t.Errorf("frozen, on frame %d there is %08x", n, got)
		}
	}
}
