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

// one is what came of one photo: cut with the box that GrabCut had, and as a first guess.
type one struct {
	boxed, guess       figures
	over, first        float64 // overlap with the truth
	how                cutout.Found
	sure               cutout.Found // of the first guess
	failed, failedFree error
}

func cutBoth(p photographed.Photo) (o one) {
	w, h := p.Picture.Rect.Dx(), p.Picture.Rect.Dy()
	box := [4]float64{float64(p.Box.Min.X), float64(p.Box.Min.Y), float64(p.Box.Dx()), float64(p.Box.Dy())}
	cut, found, err := cutout.Make(bitmap(p.Picture), cutout.Order{Box: &box})
	if o.failed = err; err != nil {
		return o
	}
	o.how, o.boxed, o.over = found, compared(opacityOf(cut), p.Truth, w, h), overlap(opacityOf(cut), p.Truth)
	cut, found, err = cutout.Make(bitmap(p.Picture), cutout.Order{})
	if o.failedFree = err; err != nil {
		return o
	}
	o.sure, o.guess, o.first = found, compared(opacityOf(cut), p.Truth, w, h), overlap(opacityOf(cut), p.Truth)
	return o
}

// Photos of all groups are cut with the same boxes as by GrabCut: the error of opacity is
// below half of GrabCut's in every group, and so is that of its gradient, except where
// the ground has many colours, where it is below three quarters.
func TestFiguresBesideGrabCut(t *testing.T) {
	grab := others(t)
	cases, all := photographed.Cases(1), photos(t)
	done := make([]one, len(all))
	var work sync.WaitGroup
	for half := range 2 {
		work.Go(func() {
			for i := half; i < len(all); i += 2 {
				done[i] = cutBoth(all[i])
			}
		})
	}
	work.Wait()
	groups := map[string]*sums{}
	var right, said int
	for i, p := range all {
		o := done[i]
		if o.failed != nil || o.failedFree != nil {
			t.Errorf("%s: %v, %v", p.Name, o.failed, o.failedFree)
			continue
		}
		theirs, known := grab[p.Name]
		if !known {
			t.Errorf("GrabCut has not cut %s", p.Name)
		}
		t.Logf("%-46s %-6s alpha %5.1f (GrabCut %5.1f)  gradient %5.0f (%5.0f)  IoU %.4f  first guess %5.1f, IoU %.4f, sure %.2f",
			p.Name, o.how.Method, o.boxed.Alpha, theirs.Alpha, o.boxed.Gradient, theirs.Gradient, o.over, o.guess.Alpha, o.first, o.sure.Confidence)
		group := cases[i].Group
		if groups[group] == nil {
			groups[group] = &sums{}
		}
		groups[group].add(o, theirs)
		if !o.sure.NeedsALook() {
			said++
			if o.first > .95 {
				right++
			}
		}
	}
	for _, name := range photographed.Groups {
		share := .5
		if name == "textured" || name == "cluttered" {
			share = .75
		}
		if groups[name] == nil {
			t.Errorf("no photo of %s was cut", name)
			continue
		}
		groups[name].judge(t, name, share)
	}
	t.Logf("%d of %d first guesses that need no look overlap the truth by more than 95%%", right, said)
	if said < 12 || float64(right) < .9*float64(said) {
		t.Errorf("only %d of %d that are said to need no look need none", right, said)
	}
}

// sums are the figures of the photos of a group, added up.
type sums struct {
	n                   float64
	ours, theirs, guess figures
	over, first         float64
}

func (s *sums) add(o one, theirs figures) {
	s.n++
	s.ours.Alpha += o.boxed.Alpha
	s.ours.Gradient += o.boxed.Gradient
	s.theirs.Alpha += theirs.Alpha
	s.theirs.Gradient += theirs.Gradient
	s.guess.Alpha += o.guess.Alpha
	s.over += o.over
	s.first += o.first
}

// judge compares a group with GrabCut; share is what is asked of the gradient.
func (s *sums) judge(t *testing.T, name string, share float64) {
	t.Helper()
	t.Logf("%-10s %2.0f photos: alpha %5.1f (GrabCut %5.1f)  gradient %5.0f (%5.0f)  IoU %.4f  first guess %5.1f, IoU %.4f", name, s.n,
		s.ours.Alpha/s.n, s.theirs.Alpha/s.n, s.ours.Gradient/s.n, s.theirs.Gradient/s.n, s.over/s.n, s.guess.Alpha/s.n, s.first/s.n)
	if 2*s.ours.Alpha >= s.theirs.Alpha {
		t.Errorf("%s: the error of opacity is not half of GrabCut's", name)
	}
	if s.ours.Gradient >= share*s.theirs.Gradient {
		t.Errorf("%s: the error of its gradient is not %g of GrabCut's", name, share)
	}
	if (name == "plain" || name == "card") && s.first/s.n < .985 {
		t.Errorf("%s: the first guess overlaps the truth by %.4f", name, s.first/s.n)
	}
}
