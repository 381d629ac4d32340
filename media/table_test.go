package media

import (
	"bytes"
	"context"
	"fmt"
	"math/rand/v2"
	"os"
	"os/exec"
	"path/filepath"
	"strings"
	"testing"

	"billow/core/clip"
	"billow/core/cube"
)

// wild is a cube of colours that have little to do with what they were.
func wild(n int) []byte {
	var s strings.Builder
	fmt.Fprintf(&s, "LUT_3D_SIZE %d\n", n)
	r := rand.New(rand.NewPCG(7, 7))
	for range n * n * n {
		fmt.Fprintf(&s, "%.5f %.5f %.5f\n", r.Float64(), r.Float64(), r.Float64())
	}
	return []byte(s.String())
}

// Colours become what ffmpeg's lut3d makes of them with the same file.
func TestTablesOfColoursAsFfmpegReadsThem(t *testing.T) {
	dir := t.TempDir()
	r := rand.New(rand.NewPCG(1, 2))
	pixels := make([]byte, 256*256*3)
	for i := range pixels {
		pixels[i] = byte(r.IntN(256))
	}
	for _, n := range []int{2, 9, 33} {
		file := filepath.Join(dir, fmt.Sprintf("wild%d.cube", n))
		if err := os.WriteFile(file, wild(n), 0o600); err != nil {
			t.Fatal(err)
		}
		c := exec.Command("ffmpeg", "-v", "error", "-f", "rawvideo", "-pix_fmt", "rgb24", "-s", "256x256", "-i", "-",
			"-vf", "lut3d=file="+file+":interp=tetrahedral", "-f", "rawvideo", "-pix_fmt", "rgb24", "-")
		c.Stdin = bytes.NewReader(pixels)
		want, err := c.Output()
		if err != nil || len(want) != len(pixels) {
			t.Fatalf("ffmpeg gave %d bytes: %v", len(want), err)
		}
		table, err := cube.Read(wild(n))
		if err != nil {
			t.Fatal(err)
		}
		for i := 0; i < len(pixels); i += 3 {
			x, y, z := table.Of(pixels[i], pixels[i+1], pixels[i+2])
			for k, v := range [3]uint8{x, y, z} {
				if d := int(v) - int(want[i+k]); d > 1 || d < -1 {
					t.Fatalf("%d points a side: %v becomes %d,%d,%d, with ffmpeg %v", n, pixels[i:i+3], x, y, z, want[i:i+3])
				}
			}
		}
	}
}

func TestTablesOfColoursAreBroughtIn(t *testing.T) {
	taken := func(name, file string) (clip.Prop, error) {
		s, err := NewSpool(strings.NewReader(file), 1<<20)
		if err != nil {
			t.Fatal(err)
		}
		defer s.Close()
		p, _, err := Examine(context.Background(), name, s, DefaultLimits())
		return p, err
	}
	p, err := taken("Golden_evening.cube", "LUT_1D_SIZE 2\n0 0 0\n1 1 .8\n")
	if err != nil || p.Kind != clip.KindTable || p.Name != "Golden_evening" || p.Table.Size != 2 || !p.Table.Row {
		t.Errorf("it is %+v: %v", p, err)
	}
	if p, err = taken("look.txt", "TITLE \"Rust\"\nLUT_1D_SIZE 2\n0 0 0\n1 1 .8\n"); err != nil || p.Name != "Rust" {
		t.Errorf("it is %+v: %v", p, err)
	}
	for _, file := range []string{"LUT_3D_SIZE 2\n0 0 0\n", "no table at all", "\x00\x01\x02"} {
		if _, err := taken("bad.cube", file); err == nil || !strings.Contains(err.Error(), "bad.cube: ") {
			t.Errorf("%q: %v", file, err)
		}
	}
}
