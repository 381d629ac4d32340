package photographed_test

import (
	"encoding/json"
	"fmt"
	"image"
	"image/png"
	"math"
	"os"
	"path/filepath"
	"sync"
	"testing"

	"billow/core/cutout"
	"billow/core/paint"
	"billow/demo"
	"billow/demo/photographed"
)

// taken are all photos of a chance, taken once.
var taken = sync.OnceValues(func() ([]photographed.Photo, error) { return take(1) })

func take(chance uint64) ([]photographed.Photo, error) {
	cases := photographed.Cases(chance)
	out := make([]photographed.Photo, len(cases))
	errs := make([]error, len(cases))
	var all sync.WaitGroup
	for half := range 2 {
		all.Go(func() {
			for i := half; i < len(cases); i += 2 {
				out[i], errs[i] = cases[i].Take(demo.Picture, 100*chance+uint64(i))
			}
		})
	}
	all.Wait()
	for _, err := range errs {
		if err != nil {
			return nil, err
		}
	}
	return out, nil
}

func photos(t *testing.T) []photographed.Photo {
	t.Helper()
	all, err := taken()
	if err != nil {
		t.Fatal(err)
	}
	return all
}

func bitmap(m *image.NRGBA) *paint.Bitmap {
	b := paint.NewBitmap(m.Rect.Dx(), m.Rect.Dy())
	copy(b.Bytes(), m.Pix)
	return b
}

func opacityOf(b *paint.Bitmap) []uint8 {
	a := make([]uint8, len(b.Pix))
	for i, p := range b.Pix {
		a[i] = uint8(p >> 24)
	}
	return a
}

// figures are the errors of a cut: of opacity in thousandths, and of its gradient.
type figures struct {
	Alpha    float64 `json:"alpha"`
	Gradient float64 `json:"gradient"`
}

// compared are the errors of opacity beside the truth. The gradient's error is that of
// C. Rhemann and others, "A Perceptually Motivated Online Benchmark for Image Matting",
// CVPR 2009: squared differences of gradients of a normal distribution with a deviation
// of 1.4 pixels; here their mean, in millionths.
func compared(got, truth []uint8, w, h int) (f figures) {
	for i := range got {
		f.Alpha += math.Abs(float64(got[i]) - float64(truth[i]))
	}
	n := float64(len(got))
	f.Alpha = f.Alpha / n / 255 * 1000
	gx, gy := gradient(got, w, h)
	tx, ty := gradient(truth, w, h)
	for i := range gx {
		dx, dy := gx[i]-tx[i], gy[i]-ty[i]
		f.Gradient += dx*dx + dy*dy
	}
	f.Gradient = f.Gradient / n * 1e6
	return f
}

func gradient(a []uint8, w, h int) (x, y []float64) {
	const sigma, reach = 1.4, 5
	var g, d [2*reach + 1]float64
	sum := 0.
	for i := range g {
		t := float64(i - reach)
		g[i] = math.Exp(-t * t / (2 * sigma * sigma))
		d[i] = t / (sigma * sigma) * g[i]
		sum += g[i]
	}
	for i := range g {
		g[i], d[i] = g[i]/sum, d[i]/sum
	}
	m := make([]float64, len(a))
	for i, v := range a {
		m[i] = float64(v) / 255
	}
	pass := func(m []float64, k [2*reach + 1]float64, across bool) []float64 {
		out := make([]float64, len(m))
		for y := range h {
			for x := range w {
				s := 0.
				for j, v := range k {
					px, py := x, y
					if across {
						px = min(max(x+j-reach, 0), w-1)
					} else {
						py = min(max(y+j-reach, 0), h-1)
					}
					s += v * m[py*w+px]
				}
				out[y*w+x] = s
			}
		}
		return out
	}
	return pass(pass(m, d, true), g, false), pass(pass(m, g, true), d, false)
}

// overlap is the area that two opacities have both, beside that which either has.
func overlap(a, b []uint8) float64 {
	both, either := 0, 0
	for i := range a {
		if p, q := a[i] > 127, b[i] > 127; p && q {
			both++
			either++
		} else if p || q {
			either++
		}
	}
	return float64(both) / float64(max(either, 1))
}

func TestPhotosAreWritten(t *testing.T) {
	dir := t.TempDir()
	if named := os.Getenv("BILLOW_PHOTOS"); named != "" {
		dir = named
	}
	boxes := ""
	for i, p := range photos(t) {
		boxes += fmt.Sprintf("%02d %d %d %d %d\n", i, p.Box.Min.X, p.Box.Min.Y, p.Box.Dx(), p.Box.Dy())
		f, err := os.Create(filepath.Join(dir, fmt.Sprintf("%02d.png", i)))
		if err != nil {
			t.Fatal(err)
		}
		if err := png.Encode(f, p.Picture); err != nil {
			t.Fatal(err)
		}
		f.Close()
	}
	if err := os.WriteFile(filepath.Join(dir, "boxes.txt"), []byte(boxes), 0o600); err != nil {
		t.Fatal(err)
	}
}

// others are the figures of GrabCut by the name of the photo, made by testdata/grabcut.py.
func others(t *testing.T) map[string]figures {
	t.Helper()
	const name = "testdata/grabcut.json"
	out := map[string]figures{}
	if dir := os.Getenv("BILLOW_MASKS"); dir != "" {
		for i, p := range photos(t) {
			f, err := os.Open(filepath.Join(dir, fmt.Sprintf("%02d.mask.png", i)))
			if err != nil {
				t.Fatal(err)
			}
			m, err := png.Decode(f)
			if err != nil {
				t.Fatal(err)
			}
			f.Close()
			g := m.(*image.Gray)
			out[p.Name] = compared(g.Pix, p.Truth, g.Rect.Dx(), g.Rect.Dy())
		}
		b, err := json.MarshalIndent(out, "", "\t")
		if err != nil {
			t.Fatal(err)
		}
		if err := os.WriteFile(name, append(b, '\n'), 0o600); err != nil {
			t.Fatal(err)
		}
	}
	b, err := os.ReadFile(name)
	if err != nil {
		t.Fatal(err)
	}
	if err := json.Unmarshal(b, &out); err != nil {
		t.Fatal(err)
	}
	return out
}

// Figures of all photos, cut with the same box as GrabCut, and as a first guess.
func TestFiguresBesideGrabCut(t *testing.T) {
	grab := others(t)
	cases := photographed.Cases(1)
	type group struct {
		n                      float64
		ours, theirs, unguided figures
		iou, first             float64
	}
	groups := map[string]*group{}
	for i, p := range photos(t) {
		w, h := p.Picture.Rect.Dx(), p.Picture.Rect.Dy()
		box := [4]float64{float64(p.Box.Min.X), float64(p.Box.Min.Y), float64(p.Box.Dx()), float64(p.Box.Dy())}
		cut, found, err := cutout.Make(bitmap(p.Picture), cutout.Order{Box: &box})
		if err != nil {
			t.Errorf("%s: %v", p.Name, err)
			continue
		}
		boxed := compared(opacityOf(cut), p.Truth, w, h)
		over := overlap(opacityOf(cut), p.Truth)
		guess, first, err := cutout.Make(bitmap(p.Picture), cutout.Order{})
		if err != nil {
			t.Errorf("%s, first guess: %v", p.Name, err)
			continue
		}
		free := compared(opacityOf(guess), p.Truth, w, h)
		if dir := os.Getenv("BILLOW_PHOTOS"); dir != "" {
			keep(t, dir, fmt.Sprintf("%02d.cut.png", i), cut)
			keep(t, dir, fmt.Sprintf("%02d.guess.png", i), guess)
		}
		g := groups[cases[i].Group]
		if g == nil {
			g = &group{}
			groups[cases[i].Group] = g
		}
		g.n++
		theirs := grab[p.Name]
		g.ours.Alpha += boxed.Alpha
		g.ours.Gradient += boxed.Gradient
		g.theirs.Alpha += theirs.Alpha
		g.theirs.Gradient += theirs.Gradient
		g.unguided.Alpha += free.Alpha
		g.iou += over
		g.first += overlap(opacityOf(guess), p.Truth)
		t.Logf("%-34s %-6s alpha %5.1f (GrabCut %5.1f)  gradient %5.0f (%5.0f)  IoU %.4f  first guess %-5s %5.1f, IoU %.4f, sure %.2f / %.2f",
			p.Name, found.Method, boxed.Alpha, theirs.Alpha, boxed.Gradient, theirs.Gradient, over, first.Method, free.Alpha,
			overlap(opacityOf(guess), p.Truth), found.Confidence, first.Confidence)
	}
	for _, name := range photographed.Groups {
		g := groups[name]
		if g == nil {
			t.Errorf("no photo of %s was cut", name)
			continue
		}
		t.Logf("%-10s %2.0f photos: alpha %5.1f (GrabCut %5.1f)  gradient %5.0f (%5.0f)  IoU %.4f  first guess %5.1f, IoU %.4f", name, g.n,
			g.ours.Alpha/g.n, g.theirs.Alpha/g.n, g.ours.Gradient/g.n, g.theirs.Gradient/g.n, g.iou/g.n, g.unguided.Alpha/g.n, g.first/g.n)
		if 2*g.ours.Alpha >= g.theirs.Alpha {
			t.Errorf("%s: the error of opacity is not half of GrabCut's", name)
		}
		if 2*g.ours.Gradient >= g.theirs.Gradient {
			t.Errorf("%s: the error of its gradient is not half of GrabCut's", name)
		}
		if (name == "plain" || name == "card") && g.first/g.n < .985 {
			t.Errorf("%s: the first guess overlaps the truth by %.4f", name, g.first/g.n)
		}
	}
}

func keep(t *testing.T, dir, name string, b *paint.Bitmap) {
	t.Helper()
	f, err := os.Create(filepath.Join(dir, name))
	if err != nil {
		t.Fatal(err)
	}
	defer f.Close()
	if err := png.Encode(f, b.Image()); err != nil {
		t.Fatal(err)
	}
}
