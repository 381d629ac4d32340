// Command pictures draws the products of the sample world into a folder, as PNG.
// It is run by hand, with go generate, when a product is to look different.
package main

import (
	"fmt"
	"image/png"
	"os"
	"path/filepath"

	"billow/demo/drawn"
)

// side is how many pixels the longer side of a picture has.
const side = 1600

func main() {
	if len(os.Args) != 2 {
		fmt.Fprintln(os.Stderr, "usage: pictures DIR")
		os.Exit(2)
	}
	for _, id := range drawn.IDs() {
		if err := write(filepath.Join(os.Args[1], id+".png"), id); err != nil {
			fmt.Fprintln(os.Stderr, "pictures:", err)
			os.Exit(1)
		}
	}
}

func write(name, id string) error {
	f, err := os.Create(name)
	if err != nil {
		return err
	}
	e := png.Encoder{CompressionLevel: png.BestCompression}
	if err := e.Encode(f, drawn.Picture(id, side)); err != nil {
		f.Close()
		return err
	}
	return f.Close()
}
