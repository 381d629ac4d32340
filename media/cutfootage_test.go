package media

import (
	"bytes"
	"context"
	"errors"
	"math"
	"strings"
	"testing"

	"billow/core/cutout"
	"billow/core/footage"
	"billow/core/layered"
	"billow/core/paint"
)

// crossing is a red square of 40 pixels that goes over blue card, 200 by 120 pixels, from 20 to the
// right by 80 pixels a second; its left edge has no place in between, so that nothing is mixed.
func crossing(t *testing.T, args ...string) string {
	t.Helper()
	return shot(t, "crossing.mp4", append([]string{
		"-f", "lavfi", "-i", "color=c=0x4668A8:s=200x120:r=10:d=1.2", "-f", "lavfi", "-i", "color=c=0xB42818:s=40x40:r=10:d=1.2",
		"-filter_complex", "[0][1]overlay=x=20+80*t:y=40:format=gbrp,format=yuv444p", "-c:v", "libx264", "-crf", "8",
	}, args...)...)
}

func TestAThingIsCutOutOfFootage(t *testing.T) {
	taken, whole := reelOf(t, crossing(t))
	shares := 0
	cut, found, err := CutFootage(context.Background(), "Red square", taken.File, cutout.Order{}, DefaultLimits(), func(v float64) {
		if v < 0 || v > 1 {
			t.Errorf("it is done by %g", v)
		}
		shares++
	})
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(cut.Close)
	if found.Method != cutout.Plain || shares < 10 {
		t.Errorf("found %+v after %d steps", found, shares)
	}
	f := cut.Prop.Footage
	if f == nil || !f.Alpha || f.Frames != whole.Frames() || math.Abs(f.Seconds-whole.Seconds()) > .001 {
		t.Fatalf("of %d pictures in %g s it became %+v", whole.Frames(), whole.Seconds(), f)
	}
	film, err := OpenFilm(cut.File)
	if err != nil {
		t.Fatal(err)
	}
	r := footage.NewReel(film, Part(cut.File))
	for n := range film.Frames() {
		p, _, err := r.Picture(n, 1)
		if err != nil {
			t.Fatal(err)
		}
		left := 20 + 8*n
		for _, at := range []struct {
			x    int
			seen bool
		}{{left - 6, false}, {left + 5, true}, {left + 34, true}, {left + 46, false}} {
			a := p.Picture.Pix[60*200+at.x] >> 24
			if at.seen != (a > 240) || at.seen == (a < 12) {
				t.Errorf("picture %d, at %d: opacity %d", n, at.x, a)
			}
		}
	}
	// Its bounds are those of all pictures, 20..148 across and 40..80 down.
	v := cut.Prop.Picture.Visible
	if math.Abs(float64(v[0]-20)) > 16 || math.Abs(float64(v[2]-148)) > 16 || math.Abs(float64(v[1]-40)) > 16 || math.Abs(float64(v[3]-80)) > 16 {
		t.Errorf("it is seen within %v", v)
	}
}

func TestFootageThatCannotBeCut(t *testing.T) {
	taken, _ := reelOf(t, crossing(t))
	nothing, _ := reelOf(t, shot(t, "card.mp4", "-f", "lavfi", "-i", "color=c=0x4668A8:s=64x48:r=10:d=0.4"))
	stroke := func(frame int) cutout.Order {
		return cutout.Order{Strokes: []cutout.Stroke{{Stays: true, Radius: 3, Frame: frame, Points: [][2]float64{{30, 60}}}}}
	}
	for name, one := range map[string]struct {
		file  *Spool
		order cutout.Order
		says  string
	}{
		"a stroke after its end": {taken.File, stroke(99), "picture 100"},
		"before its beginning":   {taken.File, stroke(-1), "picture 0"},
		"straightened":           {taken.File, cutout.Order{Turn: 5}, "turned with its layer"},
		"a shadow":               {taken.File, cutout.Order{Shadow: true}, "shadow of a photo"},
		"a path":                 {taken.File, cutout.Order{Pen: [][]cutout.Node{{{1, 1}, {9, 1}, {5, 9}}}}, "footage is cut by strokes"},
		"nothing on it":          {nothing.File, cutout.Order{}, cutout.ErrNothing.Error()},
	} {
		cut, _, err := CutFootage(context.Background(), "It", one.file, one.order, DefaultLimits(), func(float64) {})
		if err == nil {
			cut.Close()
			t.Errorf("%s: it is cut", name)
		} else if !strings.Contains(err.Error(), one.says) {
			t.Errorf("%s: %v", name, err)
		}
	}
	ctx, cancel := context.WithCancel(context.Background())
	if _, _, err := CutFootage(ctx, "It", taken.File, cutout.Order{}, DefaultLimits(), func(float64) { cancel() }); !errors.Is(err, context.Canceled) {
		t.Errorf("stopped, it says %v", err)
	}
}

func TestALayeredPictureIsTakenApart(t *testing.T) {
	png := func(w, h int, pix uint32) []byte {
		b, err := EncodePNG(filledWith(w, h, pix))
		if err != nil {
			t.Fatal(err)
		}
		return b
	}
	p := &layered.Picture{W: 100, H: 80, Layers: []layered.Layer{
		{Name: "low", Opacity: 1, Blend: "normal", PNG: png(20, 10, 0xff0000ff)},
		{Name: "empty", Opacity: 1, Blend: "normal", PNG: png(20, 10, 0)},
		{Name: "again", X: 50, Opacity: 1, Blend: "normal", PNG: png(20, 10, 0xff0000ff)},
	}}
	var b bytes.Buffer
	if err := layered.Write(&b, p, nil, nil); err != nil {
		t.Fatal(err)
	}
	s, err := NewSpool(bytes.NewReader(b.Bytes()), 1<<20)
	if err != nil {
		t.Fatal(err)
	}
	defer s.Close()
	got, err := TakeLayered(context.Background(), "Set.ora", s, DefaultLimits())
	if err != nil {
		t.Fatal(err)
	}
	defer got.Close()
	if len(got.Props) != 1 || len(got.Layers) != 3 || len(got.Notes) != 1 || got.Name != "Set" {
		t.Errorf("it has %d pictures, %d layers, and is said to lack %q", len(got.Props), len(got.Layers), got.Notes)
	}
	cutOff, err := NewSpool(bytes.NewReader(b.Bytes()[:b.Len()-40]), 1<<20)
	if err != nil {
		t.Fatal(err)
	}
	defer cutOff.Close()
	if _, err := TakeLayered(context.Background(), "Set.ora", cutOff, DefaultLimits()); err == nil || !strings.Contains(err.Error(), "Set.ora") {
		t.Errorf("cut off, it says %v", err)
	}
}

func filledWith(w, h int, pix uint32) *paint.Bitmap {
	b := paint.NewBitmap(w, h)
	for i := range b.Pix {
		b.Pix[i] = pix
	}
	return b
}
