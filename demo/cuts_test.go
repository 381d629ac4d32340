package demo

import (
	"bytes"
	"image"
	"image/draw"
	"image/png"
	"math"
	"testing"
)

// The pictures of cuts that are kept with the sample world are what the Bench makes of its
// photos today.
func TestCutsAreWhatTheBenchMakes(t *testing.T) {
	list, err := Cuts()
	if err != nil {
		t.Fatal(err)
	}
	for i, k := range list {
		t.Run(k.Result, func(t *testing.T) {
			t.Parallel()
			made, err := finished(list, i)
			if err != nil {
				t.Fatal(err)
			}
			file, err := photos.ReadFile("photos/" + k.Result + ".png")
			if err != nil {
				t.Fatal(err)
			}
			m, err := png.Decode(bytes.NewReader(file))
			if err != nil {
				t.Fatal(err)
			}
			kept := image.NewNRGBA(m.Bounds())
			draw.Draw(kept, m.Bounds(), m, m.Bounds().Min, draw.Src)
			if made.At != k.At || made.Picture.W != kept.Rect.Dx() || made.Picture.H != kept.Rect.Dy() {
				t.Fatalf("it lies at %v and is %d by %d pixels large, not at %v and %v", made.At, made.Picture.W, made.Picture.H, k.At, kept.Rect.Size())
			}
			off := 0.
			for j, p := range made.Picture.Pix {
				off += math.Abs(float64(p>>24) - float64(kept.Pix[4*j+3]))
			}
			if off /= float64(len(made.Picture.Pix)); off > .5 {
				t.Errorf("its opacity is off by %.2f levels in the mean; go generate ./demo makes it anew", off)
			}
		})
	}
}

// A photo that is kept is the one that code takes.
func TestPhotosAreTakenByCode(t *testing.T) {
	s := Snaps[0]
	taken, err := s.Take()
	if err != nil {
		t.Fatal(err)
	}
	kept, err := photos.ReadFile("photos/" + s.ID + ".jpg")
	if err != nil {
		t.Fatal(err)
	}
	if !bytes.Equal(taken, kept) {
		t.Errorf("%s is another picture by now; go generate ./demo takes it anew", s.Name)
	}
}
