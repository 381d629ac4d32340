package cube

import (
	"fmt"
	"strings"
	"testing"
)

// cubeOf is a cube of a side that a function fills, red the fastest.
func cubeOf(n int, f func(r, g, b float64) [3]float64) string {
	var s strings.Builder
	fmt.Fprintf(&s, "# made for a test\nTITLE \"Of a test\"\nLUT_3D_SIZE %d\n", n)
	at := func(i int) float64 { return float64(i) / float64(n-1) }
	for b := range n {
		for g := range n {
			for r := range n {
				v := f(at(r), at(g), at(b))
				fmt.Fprintf(&s, "%.6f %.6f %.6f\n", v[0], v[1], v[2])
			}
		}
	}
	return s.String()
}

func read(t *testing.T, file string) *Table {
	t.Helper()
	table, err := Read([]byte(file))
	if err != nil {
		t.Fatal(err)
	}
	return table
}

// What is even between the points of a cube is exact: nothing, a negative, channels exchanged, a mean.
func TestEvenCubesAreExact(t *testing.T) {
	for name, f := range map[string]func(r, g, b float64) [3]float64{
		"nothing":   func(r, g, b float64) [3]float64 { return [3]float64{r, g, b} },
		"negative":  func(r, g, b float64) [3]float64 { return [3]float64{1 - r, 1 - g, 1 - b} },
		"exchanged": func(r, g, b float64) [3]float64 { return [3]float64{b, r, g} },
		"mean":      func(r, g, b float64) [3]float64 { m := (r + g + b) / 3; return [3]float64{m, m, m} },
	} {
		for _, n := range []int{2, 5, 17, 33} {
			table := read(t, cubeOf(n, f))
			if table.Title != "Of a test" || table.Size != n || table.Row {
				t.Fatalf("it is called %q and has %d points", table.Title, table.Size)
			}
			for r := 0; r < 256; r += 15 {
				for g := 0; g < 256; g += 17 {
					for b := 0; b < 256; b += 51 {
						want := f(float64(r)/255, float64(g)/255, float64(b)/255)
						x, y, z := table.Of(uint8(r), uint8(g), uint8(b))
						for c, v := range [3]uint8{x, y, z} {
							if d := float64(v) - 255*want[c]; d > 0.8 || d < -0.8 {
								t.Fatalf("%s of %d points: %d,%d,%d becomes %d,%d,%d, not %v", name, n, r, g, b, x, y, z, want)
							}
						}
					}
				}
			}
		}
	}
}

// In a cube of two points a side, the middle of which only one corner is lit, tetrahedra tell colours
// apart by the order of their channels: that corner's share is what the least of them has.
func TestTetrahedra(t *testing.T) {
	table := read(t, cubeOf(2, func(r, g, b float64) [3]float64 {
		if r+g+b == 3 {
			return [3]float64{1, 1, 1}
		}
		return [3]float64{}
	}))
	for _, c := range [][4]uint8{{255, 255, 255, 255}, {255, 255, 51, 51}, {102, 204, 255, 102}, {153, 51, 204, 51}, {0, 255, 255, 0}} {
		if v, _, _ := table.Of(c[0], c[1], c[2]); v < c[3]-min(c[3], 1) || int(v) > int(c[3])+1 {
			t.Errorf("%v becomes %d", c[:3], v)
		}
	}
}

func TestRowsAndRanges(t *testing.T) {
	row := read(t, "\ufeffLUT_1D_SIZE 3\r\nDOMAIN_MIN 0 0 0\r\nDOMAIN_MAX 2 1 1\r\n0 0 1\r\n.5 1 0.5\r\n1e0 1 0")
	if r, g, b := row.Of(255, 51, 51); r != 128 || g != 102 || b != 204 {
		t.Errorf("it gives %d, %d, %d", r, g, b)
	}
}

func TestWrongTables(t *testing.T) {
	whole := cubeOf(2, func(r, g, b float64) [3]float64 { return [3]float64{r, g, b} })
	for name, c := range map[string][2]string{
		"nothing":        {"", "no table of colours"},
		"prose":          {"Dear reader,\nthis is a letter", "no table of colours"},
		"one line less":  {strings.TrimSuffix(whole, "1.000000 1.000000 1.000000\n"), "has 8 lines of numbers, not 7"},
		"one line more":  {whole + "1 1 1\n", "more lines of numbers than 8"},
		"of one point":   {"LUT_3D_SIZE 1\n0 0 0\n", "2 to 129 points"},
		"far too large":  {"LUT_3D_SIZE 4096\n", "2 to 129 points"},
		"not whole":      {"LUT_3D_SIZE 2.5\n", "2 to 129 points"},
		"two sizes":      {"LUT_3D_SIZE 2\nLUT_1D_SIZE 2\n", "twice"},
		"two numbers":    {"LUT_1D_SIZE 2\n0 0\n1 1 1\n", "line 2 of the table: there are three numbers"},
		"not a number":   {"LUT_1D_SIZE 2\n0 0 nan\n1 1 1\n", "three numbers"},
		"numbers first":  {"0 0 0\n", "how large"},
		"turned around":  {"LUT_1D_SIZE 2\nDOMAIN_MIN 1 1 1\nDOMAIN_MAX 0 0 0\n0 0 0\n1 1 1\n", "begins behind its end"},
		"without a size": {"LUT_3D_SIZE\n", "2 to 129 points"},
	} {
		if _, err := Read([]byte(c[0])); err == nil || !strings.Contains(err.Error(), c[1]) {
			t.Errorf("%s: %v", name, err)
		}
	}
}

func FuzzRead(f *testing.F) {
	f.Add([]byte(cubeOf(2, func(r, g, b float64) [3]float64 { return [3]float64{r, g, b} })))
	f.Add([]byte("LUT_1D_SIZE 2\n0 0 0\n1 1 1"))
	f.Add([]byte("LUT_3D_INPUT_RANGE 0 1\nLUT_3D_SIZE 3\n\t1 2 3"))
	f.Fuzz(func(t *testing.T, b []byte) {
		if table, err := Read(b); err == nil {
			table.Of(1, 128, 255)
			table.Of(255, 0, 77)
		}
	})
}

func BenchmarkOf(b *testing.B) {
	table, err := Read([]byte(cubeOf(33, func(r, g, b float64) [3]float64 { return [3]float64{r * r, g, b} })))
	if err != nil {
		b.Fatal(err)
	}
	v := uint32(1)
	for b.Loop() {
		v = v*1664525 + 1013904223
		table.Of(uint8(v>>24), uint8(v>>16), uint8(v>>8))
	}
}
