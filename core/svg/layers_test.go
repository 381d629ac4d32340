package svg

import (
	"math"
	"os"
	"path/filepath"
	"slices"
	"testing"

	"billow/core/clip"
	"billow/core/colour"
	"billow/core/frame"
	"billow/core/paint"
)

// read reads a file of testdata.
func read(t *testing.T, name string) *Drawing {
	t.Helper()
	file, err := os.ReadFile(name)
	if err != nil {
		t.Fatal(err)
	}
	d, err := Read(file)
	if err != nil {
		t.Fatalf("%s: %v", name, err)
	}
	return d
}

// levels is by how many levels two pictures differ on the whole.
func levels(a, b *paint.Bitmap) float64 {
	sum := 0.0
	for i, p := range a.Pix {
		for k := range 3 {
			sum += math.Abs(float64(p>>(8*k)&255) - float64(b.Pix[i]>>(8*k)&255))
		}
	}
	return sum / float64(3*len(a.Pix))
}

// A drawing that was taken apart into figures of a clip looks on a frame as it does itself.
func TestFiguresLookLikeTheirDrawing(t *testing.T) {
	files, err := filepath.Glob("testdata/*.svg")
	if err != nil || len(files) < 15 {
		t.Fatal(len(files), err)
	}
	// What cannot be said with figures, by file; of all others nothing is left out.
	leaves := map[string][]string{
		"linear.svg": {"the gradient of a stroke"},
		"radial.svg": {"the exact course of a gradient"}, // one has its focus aside
	}
	square, _ := clip.StandardShape("square")
	const side = 400
	for _, name := range files {
		d := read(t, name)
		layers, notes, err := d.Layers("Drawing", 1000)
		if err != nil {
			t.Errorf("%s: %v", name, err)
			continue
		}
		c := clip.New("Drawing", square, 30, 1)
		c.Layers[0].Backdrop.Stops = []clip.Stop{{ID: 1, Colour: colour.RGB(0xFFFFFF)}}
		scene := c.SceneAt(0).ID
		for _, l := range layers {
			if l.Group == "" {
				l.Group, l.Lift = scene, 0
			}
			c.Layers = append(c.Layers, l)
		}
		if err := c.Validate(); err != nil {
			t.Errorf("%s: %v", name, err)
			continue
		}
		stage, err := frame.Prepare(c, square, side, side, frame.NewLibrary(nil, 1<<26))
		if err != nil {
			t.Fatal(err)
		}
		got := paint.NewBitmap(side, side)
		stage.Painter().Draw(got, 0)
		want := paint.NewBitmap(side, side)
		want.Fill(0xFFFFFFFF)
		w, h := int(math.Round(side*d.W/max(d.W, d.H))), int(math.Round(side*d.H/max(d.W, d.H)))
		var brush paint.Brush
		brush.Draw(want, &paint.Pyramid{Picture: d.Draw(w, h)}, paint.Translate(float64(side-w)/2, float64(side-h)/2), 1, paint.Normal)
		if want := leaves[filepath.Base(name)]; !slices.Equal(notes, want) {
			t.Errorf("%s leaves out %q, want %q", name, notes, want)
		}
		if off := levels(got, want); off > 2 && len(notes) == 0 {
			t.Errorf("%s looks otherwise by %.2f levels", name, off)
		}
	}
}
