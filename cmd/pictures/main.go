// Command pictures draws what the page and the sample world keep as pictures: the
// products into one folder, as PNG, photos of some of them and their cuts into another, how
// starters look into a third. It
// is run by hand, with go generate, when one of them is to look different.
package main

import (
	"fmt"
	"image"
	"image/jpeg"
	"image/png"
	"io"
	"os"
	"path/filepath"

	"billow/core/starter"
	"billow/demo"
	"billow/demo/drawn"
)

func main() {
	if len(os.Args) != 3 {
		fail(fmt.Errorf("usage: pictures products|photos|cuts|starters DIR"))
	}
	dir := os.Args[2]
	switch os.Args[1] {
	case "products":
		e := png.Encoder{CompressionLevel: png.BestCompression}
		for _, id := range drawn.IDs() {
			write(filepath.Join(dir, id+".png"), drawn.Picture(id, demo.Side), e.Encode)
		}
	case "photos":
		for _, s := range demo.Snaps {
			file, err := s.Take()
			fail(err)
			fail(os.WriteFile(filepath.Join(dir, s.ID+".jpg"), file, 0o644))
		}
	case "cuts":
		files, err := demo.Recut()
		fail(err)
		for name, file := range files {
			fail(os.WriteFile(filepath.Join(dir, name), file, 0o644))
		}
	case "starters":
		w, err := demo.Make(600)
		fail(err)
		for _, s := range starter.Starters {
			m, err := w.Poster(s.ID, 360)
			fail(err)
			write(filepath.Join(dir, s.ID+".jpg"), m, func(w io.Writer, m image.Image) error {
				return jpeg.Encode(w, m, &jpeg.Options{Quality: 86})
			})
		}
	}
}

func write(name string, m image.Image, encode func(w io.Writer, m image.Image) error) {
	f, err := os.Create(name)
	fail(err)
	fail(encode(f, m))
	fail(f.Close())
}

func fail(err error) {
	if err != nil {
		fmt.Fprintln(os.Stderr, "pictures:", err)
		os.Exit(1)
	}
}
