package demo

import (
	"bytes"
	"fmt"
	"image"
	"image/png"
	"math"
	"sync"
	"testing"

	"billow/core/clip"
	"billow/core/edit"
	"billow/core/frame"
	"billow/core/paint"
	"billow/core/pieces"
	"billow/demo/drawn"
	"billow/demo/synth"
	"billow/export"
	"billow/fonts"
)

// Product pictures lie whole within their frame, on nothing, and cover a good
// part of it.
func TestProductsAreCleanlyCutOut(t *testing.T) {
	for _, product := range products {
		p := pictureOf(t, product.ID)
		b := p.Bounds()
		if longer := max(b.Dx(), b.Dy()); longer < Side-1 || longer > Side {
			t.Errorf("the picture of %s has %v pixels", product.ID, b.Size())
		}
		opaque := 0
		for y := range b.Dy() {
			for x := range b.Dx() {
				_, _, _, a := p.At(x, y).RGBA()
				if a > 0 && (x == 0 || y == 0 || x == b.Dx()-1 || y == b.Dy()-1) {
					t.Fatalf("%s reaches the edge of its picture at %d,%d", product.ID, x, y)
				}
				if a == 0xffff {
					opaque++
				}
			}
		}
		if share := float64(opaque) / float64(b.Dx()*b.Dy()); share < 0.12 || share > 0.85 {
			t.Errorf("%s covers %.0f%% of its picture", product.ID, 100*share)
		}
	}
}

func pictureOf(t *testing.T, id string) image.Image {
	t.Helper()
	file, err := photo(id, Side)
	if err != nil {
		t.Fatal(err)
	}
	m, err := png.Decode(bytes.NewReader(file))
	if err != nil {
		t.Fatal(err)
	}
	return m
}

// The pictures are what their scenes show: two are drawn small and compared with
// the kept ones made as small. (Drawn small, an edge lies within a pixel of
// where it lies drawn large, so single pixels differ; the whole must not.)
func TestTheKeptPicturesAreThoseThatAreDrawn(t *testing.T) {
	for _, id := range []string{"kettle", "tin"} {
		want := drawn.Picture(id, 150)
		size := want.Bounds().Size()
		got := resized(pictureOf(t, id), size.X, size.Y)
		sum, far := 0.0, 0
		for i := 0; i < len(want.Pix); i += 4 {
			off := 0.0
			for c := range 4 {
				// What cannot be seen has no colour.
				k := float64(want.Pix[i+3]) / 255
				if c == 3 {
					k = 1
				}
				off = max(off, k*math.Abs(float64(want.Pix[i+c])-float64(got.Pix[i+c])))
			}
			sum += off
			if off > 64 {
				far++
			}
		}
		n := float64(len(want.Pix) / 4)
		if mean := sum / n; mean > 3 || float64(far) > 0.01*n {
			t.Errorf("the kept picture of the %s is off by %.1f of 255, and far off in %.1f%% of its pixels: run go generate ./demo", id, mean, 100*float64(far)/n)
		}
	}
}

// Tunes reach -1 dB of full scale, are never clipped, have no offset, keep
// sounding, and end in silence. The longest has more than a minute, of which the best is chosen.
func TestTunesAreWellLevelled(t *testing.T) {
	for i := range Tunes {
		tune := &Tunes[i]
		pcm := tune.Play()
		peak, sum, square := 0.0, 0.0, 0.0
		for _, v := range pcm {
			peak = max(peak, math.Abs(float64(v)))
			sum += float64(v)
			square += float64(v) * float64(v)
		}
		n := float64(len(pcm))
		if math.Abs(20*math.Log10(peak)+1) > 0.05 {
			t.Errorf("%s peaks at %.2f dB", tune.ID, 20*math.Log10(peak))
		}
		if rms := 20 * math.Log10(math.Sqrt(square/n)); rms < -24 || rms > -9 {
			t.Errorf("%s has a level of %.1f dB", tune.ID, rms)
		}
		if math.Abs(sum/n) > 0.01 {
			t.Errorf("%s has an offset of %.3f", tune.ID, sum/n)
		}
		if s := n / 2 / synth.Rate; s < 20 || s > 80 {
			t.Errorf("%s lasts %.1f s", tune.ID, s)
		}
		if last := pcm[len(pcm)-1]; math.Abs(float64(last)) > 1e-3 {
			t.Errorf("%s ends at %g", tune.ID, last)
		}
	}
}

var world = sync.OnceValues(func() (*World, error) {
	return Make(64)
})

// small is the sample world with tiny pictures.
func small(t *testing.T) *World {
	t.Helper()
	w, err := world()
	if err != nil {
		t.Fatal(err)
	}
	return w
}

// In the parade every product stands in the window for its time, and its words
// and badge change on the frames on which it does.
func TestTheParadesWordsChangeWithItsProducts(t *testing.T) {
	var c *clip.Clip
	for _, n := range small(t).Clips {
		if n.ID == "trail-parade" {
			c = n.Clip
		}
	}
	opacity := func(id string, frame int) float64 {
		return clip.Curve(clip.Opacity, c.Layer(id).Tracks[clip.Opacity], c.ClockOf(c.Layer(id))).At(float64(frame), 0)
	}
	place := func(id string, frame int) float64 {
		return clip.Curve(clip.Position, c.Layer(id).Tracks[clip.Position], c.ClockOf(c.Layer(id))).At(float64(frame), 0)
	}
	// At 126 BPM eight beats are 3.81 seconds, 114.3 frames.
	for i, id := range []string{"kettle", "stove", "lantern"} {
		for f := range c.Length {
			turn := f/114 == i && f%114 > 3 && f%114 < 98 || i == 2 && f > 235
			if turn && (place(id+"-layer", f) != 0 || opacity(id+"-name", f) != 100 || opacity(id+"-badge", f) != 100) {
				t.Fatalf("on frame %d the %s is at %g, its name at %g%%", f, id, place(id+"-layer", f), opacity(id+"-name", f))
			}
			if other := f/114 != i && f%114 > 3 && f%114 < 98 && f < 330; other && opacity(id+"-name", f) != 0 {
				t.Fatalf("on frame %d the name of the %s shows", f, id)
			}
		}
	}
}

// Whatever tune is laid under a sample clip, it is taken, and everything stays
// within the clip; a tempo near its own leaves all that is bound to beats on them.
func TestTheSampleClipsTakeEveryTempo(t *testing.T) {
	for _, n := range small(t).Clips {
		for bpm := 40.0; bpm <= 220; bpm += 4.5 {
			c, err := edit.Apply(n.Clip, fmt.Appendf(nil, `{"type":"setTempo","bpm":%g}`, bpm))
			if err != nil {
				t.Errorf("%s at %g beats a minute: %v", n.ID, bpm, err)
				continue
			}
			if settled := edit.Settled(n.Clip, c); len(settled) > 0 && math.Abs(bpm-n.Clip.Tempo.BPM) < 0.5 {
				t.Errorf("%s at %g beats a minute: %v did not fit", n.ID, bpm, settled)
			}
		}
	}
}

// All words of the sample clips stand long enough to be read.
func TestAllWordsOfTheSamplesCanBeRead(t *testing.T) {
	lib := frame.NewLibrary(fonts.All(), 1<<20)
	for _, n := range small(t).Clips {
		for _, p := range n.Clip.Props {
			lib.AddPicture(p.Hash, paint.NewBitmap(1, 1)) // pictures do not matter here
		}
		stage, err := frame.Prepare(n.Clip, n.Clip.Shapes[0], 270, 480, lib)
		if err != nil {
			t.Fatal(err)
		}
		for _, l := range n.Clip.Layers {
			if needs, has := stage.Reading(l.ID); has < needs {
				t.Errorf("%s: %s takes %.1f s to be read and stands for %.1f", n.Clip.Name, l.Name, needs, has)
			}
		}
	}
}

// No sample clip asks for what nothing fills, nor does anything that is newly put on the
// Tabletop of a clip without products.
func TestNothingIsMissingFromTheStart(t *testing.T) {
	for _, n := range small(t).Clips {
		if gaps := frame.Gaps(n.Clip); len(gaps) > 0 {
			t.Errorf("%s: %v", n.ID, gaps[0])
		}
	}
	square, _ := clip.StandardShape("square")
	for _, k := range clip.Kinds {
		if !k.Offered {
			continue
		}
		c := clip.New("Empty", square, 30, 90)
		fill(c, *c.Layer("backdrop"), clip.Draft(c, k.ID, "", "", ""))
		if gaps := frame.Gaps(c); len(gaps) > 0 {
			t.Errorf("a new %s: %v", k.Name, gaps[0])
		}
	}
	for _, k := range pieces.Names {
		c := clip.New("Empty", square, 30, 90)
		made, err := pieces.Make(c, pieces.Asked{Kind: k.ID})
		if err != nil {
			t.Fatal(err)
		}
		c.Layers = append(c.Layers, made...)
		if gaps := frame.Gaps(c); len(gaps) > 0 {
			t.Errorf("a new %s: %v", k.Name, gaps[0])
		}
	}
}

// All variants of the samples that have any are fit to be posted.
func TestAllVariantsOfTheSamplesCanBePosted(t *testing.T) {
	w, err := Make(900)
	if err != nil {
		t.Fatal(err)
	}
	lib := export.Library()
	ranges := 0
	for _, named := range w.Clips {
		c := named.Clip
		if c.Variants == nil {
			continue
		}
		ranges++
		at := frame.PosterFrame(c, lib)
		all := c.EachVariant()
		if len(all) != 12*3*2 {
			t.Errorf("%s has %d variants", c.Name, len(all))
		}
		for _, ref := range all {
			v, problems, err := edit.Variant(c, ref)
			if err != nil {
				t.Fatal(err)
			}
			shape, err := v.Shape(ref.Shape)
			if err != nil {
				t.Fatal(err)
			}
			for _, f := range export.Look(v, problems, shape, at, lib) {
				t.Errorf("%s, %s: %s: %s", c.Name, ref.ID(), f.Layer, f.Says)
			}
		}
	}
	if ranges != 2 {
		t.Errorf("%d samples have variants", ranges)
	}
}
