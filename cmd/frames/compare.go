package main

import (
	"fmt"
	"image"
	stddraw "image/draw"
	"image/png"
	"os"
	"path/filepath"
)

// compare prints, for each clip and shape, the largest difference of a channel
// and where it is, and how many pixels differ by more than one step.
func compare(a, b string) error {
	folders, err := filepath.Glob(filepath.Join(a, "*", "*"))
	if err != nil || len(folders) == 0 {
		return fmt.Errorf("there are no frames in %s", a)
	}
	worst := 0
	for _, folder := range folders {
		rel, err := filepath.Rel(a, folder)
		if err != nil {
			return err
		}
		d, err := compareFolder(folder, filepath.Join(b, rel))
		if err != nil {
			return err
		}
		fmt.Printf("%-28s %s\n", rel, d)
		worst = max(worst, d.most)
	}
	fmt.Println("the largest difference:", worst)
	return nil
}

type difference struct {
	most   int // of 255
	where  string
	pixels int // that differ by more than 1
	frames int // in which one does
}

func (d difference) String() string {
	if d.most == 0 {
		return "the same"
	}
	return fmt.Sprintf("at most %d (%s), %d pixels of %d frames by more than 1", d.most, d.where, d.pixels, d.frames)
}

func compareFolder(a, b string) (d difference, err error) {
	files, err := filepath.Glob(filepath.Join(a, "*.png"))
	if err != nil {
		return d, err
	}
	for _, f := range files {
		m, err := open(f)
		if err != nil {
			return d, err
		}
		n, err := open(filepath.Join(b, filepath.Base(f)))
		if err != nil {
			return d, err
		}
		if m.Rect != n.Rect {
			return d, fmt.Errorf("%s has another size", f)
		}
		before := d.pixels
		d.add(m, n, filepath.Base(f))
		if d.pixels > before {
			d.frames++
		}
	}
	return d, nil
}

func (d *difference) add(m, n *image.RGBA, name string) {
	for i := 0; i < len(m.Pix); i += 4 {
		far := 0
		for k := range 4 {
			far = max(far, int(m.Pix[i+k])-int(n.Pix[i+k]), int(n.Pix[i+k])-int(m.Pix[i+k]))
		}
		if far > 1 {
			d.pixels++
		}
		if far > d.most {
			d.most, d.where = far, fmt.Sprintf("%s at %d,%d", name, i/4%m.Rect.Dx(), i/4/m.Rect.Dx())
		}
	}
}

func open(name string) (*image.RGBA, error) {
	f, err := os.Open(name)
	if err != nil {
		return nil, err
	}
	defer f.Close()
	m, err := png.Decode(f)
	if err != nil {
		return nil, err
	}
	out := image.NewRGBA(m.Bounds())
	stddraw.Draw(out, out.Rect, m, m.Bounds().Min, stddraw.Src)
	return out, nil
}
