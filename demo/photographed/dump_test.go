package photographed_test

import (
	"fmt"
	"image/png"
	"os"
	"testing"

	"billow/demo"
	"billow/demo/photographed"
)

// With BILLOW_PHOTOS naming a folder, all photos are written there, for other programs.
func TestPhotosAreWritten(t *testing.T) {
	dir := t.TempDir()
	if named := os.Getenv("BILLOW_PHOTOS"); named != "" {
		dir = named
	}
	for i, c := range photographed.Cases(1) {
		p, err := c.Take(demo.Picture, uint64(100+i))
		if err != nil {
			t.Fatal(err)
		}
		f, err := os.Create(fmt.Sprintf("%s/%02d.png", dir, i))
		if err != nil {
			t.Fatal(err)
		}
		if err := png.Encode(f, p.Picture); err != nil {
			t.Fatal(err)
		}
		f.Close()
	}
}
