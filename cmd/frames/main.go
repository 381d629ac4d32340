// Command frames draws moments of the sample clips and compares them with those
// that another version of Billow has drawn:
//
//	frames draw DIR         draws into a folder
//	frames draw DIR CLIPS   draws the documents (*.json) of a folder instead
//	frames compare A B      says how far two folders differ
package main

import (
	"context"
	"errors"
	"fmt"
	"image/png"
	"os"
	"path/filepath"
	"strings"

	"billow/core/clip"
	"billow/core/frame"
	"billow/core/paint"
	"billow/demo"
	"billow/export"
)

// How much is drawn.
const (
	moments = 40
	side    = 640 // pixels of a product picture
)

var shapes = []string{"tall", "square", "wide"}

func main() {
	err := errors.New("say: frames draw DIR [CLIPS], or: frames compare A B")
	switch {
	case len(os.Args) == 3 && os.Args[1] == "draw":
		err = draw(os.Args[2], "")
	case len(os.Args) == 4 && os.Args[1] == "draw":
		err = draw(os.Args[2], os.Args[3])
	case len(os.Args) == 4 && os.Args[1] == "compare":
		err = compare(os.Args[2], os.Args[3])
	}
	if err != nil {
		fmt.Fprintln(os.Stderr, "frames:", err)
		os.Exit(1)
	}
}

func draw(dir, documents string) error {
	lib := export.Library()
	world, err := demo.Make(side)
	if err != nil {
		return err
	}
	clips, err := read(documents)
	if documents == "" {
		var trial *clip.Clip
		trial, err = demo.Trial(world)
		clips = append(world.Clips, demo.NamedClip{ID: "trial", Clip: trial})
	}
	if err != nil {
		return err
	}
	for _, c := range clips {
		if err := export.Load(context.Background(), c.Clip, lib, world.Open); err != nil {
			return err
		}
		for _, id := range shapes {
			if err := drawShape(dir, c.ID, c.Clip, id, lib); err != nil {
				return err
			}
		}
	}
	return nil
}

// read reads the documents of a folder, which use the pictures of the sample
// world.
func read(dir string) ([]demo.NamedClip, error) {
	var out []demo.NamedClip
	files, err := filepath.Glob(filepath.Join(dir, "*.json"))
	for _, f := range files {
		b, err := os.ReadFile(f)
		if err != nil {
			return nil, err
		}
		c, err := clip.Parse(b)
		if err != nil {
			return nil, fmt.Errorf("%s: %w", f, err)
		}
		out = append(out, demo.NamedClip{ID: strings.TrimSuffix(filepath.Base(f), ".json"), Clip: c})
	}
	return out, err
}

func drawShape(dir, name string, c *clip.Clip, shape string, lib *frame.Library) error {
	s, err := c.Shape(shape)
	if err != nil {
		return err
	}
	stage, err := frame.Prepare(c, s, s.W, s.H, lib)
	if err != nil {
		return err
	}
	painter, b := stage.Painter(), paint.NewBitmap(s.W, s.H)
	at := filepath.Join(dir, name, shape)
	if err := os.MkdirAll(at, 0o755); err != nil {
		return err
	}
	for i := range moments {
		n := i * (c.Length - 1) / (moments - 1)
		painter.Draw(b, n)
		f, err := os.Create(filepath.Join(at, fmt.Sprintf("%04d.png", n)))
		if err != nil {
			return err
		}
		e := png.Encoder{CompressionLevel: png.BestSpeed}
		if err := errors.Join(e.Encode(f, b.Image()), f.Close()); err != nil {
			return err
		}
	}
	fmt.Println(name, shape)
	return nil
}
