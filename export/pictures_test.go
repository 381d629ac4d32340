package export

import (
	"bytes"
	"context"
	"image"
	"image/color"
	"image/png"
	"io"
	"math"
	"testing"

	"billow/core/clip"
	"billow/core/frame"
	"billow/core/motion"
	"billow/core/timing"
	"billow/media"
)

// copies are coarse copies in memory.
type copies map[string][]byte

func (c copies) Coarse(_ context.Context, hash string) ([]byte, error) { return c[hash], nil }
func (c copies) KeepCoarse(_ context.Context, hash string, png []byte) error {
	c[hash] = png
	return nil
}

// pictured is a clip with a cut-out of 1600 pixels, a disc of bands with a soft rim that throws a
// shadow, and its file.
func pictured(t *testing.T) (*clip.Clip, Files) {
	t.Helper()
	m := image.NewNRGBA(image.Rect(0, 0, 1600, 1600))
	for y := range 1600 {
		for x := range 1600 {
			away := math.Hypot(float64(x)-800, float64(y)-800)
			m.SetNRGBA(x, y, color.NRGBA{uint8(128 + 100*math.Sin(away/40)), uint8(x / 7), uint8(y / 7), uint8(min(max(790-away, 0), 255))})
		}
	}
	var file bytes.Buffer
	if err := png.Encode(&file, m); err != nil {
		t.Fatal(err)
	}
	spool, err := media.NewSpool(bytes.NewReader(file.Bytes()), 50<<20)
	if err != nil {
		t.Fatal(err)
	}
	defer spool.Close()
	prop, _, err := media.Examine(t.Context(), "disc.png", spool, media.DefaultLimits())
	if err != nil {
		t.Fatal(err)
	}
	c := posted(t)
	c.Props = append(c.Props, prop)
	disc := clip.NewLayer("disc", "Disc", clip.KindCutout)
	disc.Cutout = &clip.Cutout{Prop: prop.ID}
	disc.Rest = clip.Rest{Pin: "centre", Size: 700}
	c.Layers = append(c.Layers, disc)
	if err := c.Validate(); err != nil {
		t.Fatal(err)
	}
	return c, func(context.Context, string) (io.ReadCloser, error) {
		return io.NopCloser(bytes.NewReader(file.Bytes())), nil
	}
}

// shelfed draws a frame with pictures from a shelf, and says how often the picture was halved for it.
func shelfed(t *testing.T, c *clip.Clip, s *pictureShelf, side int) (frame0 []uint32, halved int) {
	t.Helper()
	done, err := s.hold(t.Context(), c, frame.Halvings(c, c.Shapes[0], side, side, s.lib))
	if err != nil {
		t.Fatal(err)
	}
	defer done()
	still, err := Still(t.Context(), c, c.Shapes[0], side, side, 10, s.lib, s.files)
	if err != nil {
		t.Fatal(err)
	}
	return still.Pix, s.lib.Source(c.Props[0].Hash).Halved()
}

func shelf(files Files, coarse coarseCopies) *pictureShelf {
	return &pictureShelf{lib: Library(), files: files, coarse: coarse, most: 100 << 20, sizes: map[string]int64{}, held: map[string]int{}}
}

// far is the mean and the largest difference of a channel of two pictures.
func far(a, b []uint32) (mean, most float64) {
	for i := range a {
		for s := 0; s < 32; s += 8 {
			d := math.Abs(float64(a[i]>>s&255) - float64(b[i]>>s&255))
			mean, most = mean+d, max(most, d)
		}
	}
	return mean / float64(4*len(a)), most
}

// A poster drawn from the coarse copy of a picture looks like one drawn from the picture, whether
// the copy was there or had to be made; where the picture is seen large, it is read whole.
func TestSmallPostersAreDrawnFromCoarseCopies(t *testing.T) {
	c, files := pictured(t)
	whole, n := shelfed(t, c, shelf(files, nil), 260)
	if n != 0 {
		t.Fatalf("without copies the picture was halved %d times", n)
	}
	kept := copies{}
	fresh, n := shelfed(t, c, shelf(files, kept), 260)
	// 1600 pixels on 182 of the poster: halved twice there are still two and more on each.
	if n != 2 || len(kept) != 1 {
		t.Fatalf("halved %d times, %d copies kept", n, len(kept))
	}
	gone := func(context.Context, string) (io.ReadCloser, error) {
		t.Error("the whole picture is read though there is a copy")
		return nil, io.EOF
	}
	again, _ := shelfed(t, c, shelf(gone, kept), 260)
	for name, got := range map[string][]uint32{"made": fresh, "kept": again} {
		if mean, most := far(got, whole); mean > 0.25 || most > 12 {
			t.Errorf("drawn from a copy that was %s, a channel is %.2f off, and %.0f at most", name, mean, most)
		}
	}
	large, n := shelfed(t, c, shelf(files, kept), 1200)
	if n != 0 {
		t.Errorf("for a large poster the picture was halved %d times", n)
	}
	s := shelf(files, kept)
	shelfed(t, c, s, 260)
	if grown, n := shelfed(t, c, s, 1200); n != 0 {
		t.Errorf("after a small poster the large one is drawn from a picture halved %d times", n)
	} else if mean, _ := far(grown, large); mean != 0 {
		t.Errorf("after a small poster the large one is %.2f off", mean)
	}
	kept[c.Props[0].Hash] = []byte("no picture")
	if repaired, _ := shelfed(t, c, shelf(files, kept), 260); len(kept[c.Props[0].Hash]) < 1000 {
		t.Error("a copy that cannot be read was left")
	} else if mean, _ := far(repaired, whole); mean > 0.25 {
		t.Errorf("with a copy that cannot be read it is %.2f off", mean)
	}
}

// A picture that grows on the way is not halved further than its largest allows.
func TestAPictureThatGrowsKeepsItsDetail(t *testing.T) {
	c, _ := pictured(t)
	c.Own("disc").Tracks = map[string]motion.Track{clip.Scale: {
		{At: timing.At(0), Value: []float64{100}, Ease: motion.Ease{Kind: motion.Linear}},
		{At: timing.At(20), Value: []float64{900}, Ease: motion.Ease{Kind: motion.Linear}},
	}}
	if err := c.Validate(); err != nil {
		t.Fatal(err)
	}
	if n := frame.Halvings(c, c.Shapes[0], 260, 260, Library())[c.Props[0].Hash]; n != 0 {
		t.Errorf("a picture that becomes nine times as large may be halved %d times", n)
	}
}
