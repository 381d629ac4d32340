// Package cube has tables of colours in the .cube format (Adobe, "Cube LUT Specification", version 1.0,
// 2013): what becomes of a colour stands in a cube of so many points a side, or channel by channel in a
// row. Between the points of a cube it is mixed in tetrahedra (Sakamoto, US patent 4,275,413, long
// expired; Kasson, Nin, Plouffe and Hafner, "Performing color space conversions with three-dimensional
// linear interpolation", 1995).
package cube

import (
	"errors"
	"fmt"
	"math"
	"strings"
)

// MaxSide is the largest side of a cube that is read, in points; MaxRow that of a row.
const (
	MaxSide = 129
	MaxRow  = 65536
)

// MaxBytes is the largest file that is read: a cube of MaxSide with long numbers.
const MaxBytes = 96 << 20

// Table says what becomes of colours.
type Table struct {
	Title string
	Size  int  // points a side
	Row   bool // a row for each channel instead of a cube

	points []uint64 // of a cube, red the fastest: three lanes of 21 bits, in 8ths of a level
	row    [3][256]uint8
	at     [3][256]step
	ways   [8][2]uint32 // to the second and the third corner, by which side comes before which
	last   uint32       // to the last one
}

// step is where a level lies along a side: how many points of the cube before, and how far, in 1024ths.
type step struct{ i, part uint32 }

// Read reads a table. An error tells the line.
func Read(b []byte) (*Table, error) {
	r := reader{to: [3]float64{1, 1, 1}}
	for n := 1; len(b) > 0; n++ {
		line := b
		for i, c := range b {
			if c == '\n' || c == '\r' {
				line = b[:i]
				break
			}
		}
		b = b[len(line):]
		if len(b) > 0 {
			if b[0] == '\r' && len(b) > 1 && b[1] == '\n' {
				b = b[1:]
			}
			b = b[1:]
		}
		if err := r.line(string(line)); err != nil {
			return nil, fmt.Errorf("line %d of the table: %w", n, err)
		}
	}
	return r.table()
}

type reader struct {
	title    string
	size     int
	row      bool
	from, to [3]float64
	values   [][3]float32
}

var errNumbers = errors.New("there are three numbers to a line")

func (r *reader) line(line string) error {
	line = strings.TrimSpace(strings.TrimPrefix(line, "\ufeff"))
	if line == "" || line[0] == '#' {
		return nil
	}
	word, rest, _ := strings.Cut(line, " ")
	if tab := strings.IndexByte(word, '\t'); tab >= 0 {
		word, rest = line[:tab], line[tab:]
	}
	switch word {
	case "TITLE":
		r.title = strings.Trim(strings.TrimSpace(rest), `"`)
		return nil
	case "LUT_1D_SIZE", "LUT_3D_SIZE":
		n, rest := number(rest)
		r.row = word == "LUT_1D_SIZE"
		most := MaxSide
		if r.row {
			most = MaxRow
		}
		if rest != "" || n != math.Trunc(n) || !(n >= 2 && n <= float64(most)) {
			return fmt.Errorf("a table has 2 to %d points a side", most)
		}
		if r.size != 0 {
			return errors.New("it says twice how large it is")
		}
		r.size = int(n)
		return nil
	case "DOMAIN_MIN":
		return three(rest, &r.from)
	case "DOMAIN_MAX":
		return three(rest, &r.to)
	case "LUT_1D_INPUT_RANGE", "LUT_3D_INPUT_RANGE": // as some write it
		from, rest := number(rest)
		to, _ := number(rest)
		r.from, r.to = [3]float64{from, from, from}, [3]float64{to, to, to}
		return nil
	}
	if c := word[0]; c >= 'A' && c <= 'Z' || c >= 'a' && c <= 'z' && c != 'n' && c != 'i' {
		return nil // a word of another program's
	}
	if r.size == 0 {
		return errors.New("how large the table is does not stand before its numbers")
	}
	if len(r.values) >= r.points() {
		return fmt.Errorf("there are more lines of numbers than %d", r.points())
	}
	var v [3]float64
	if err := three(line, &v); err != nil {
		return err
	}
	r.values = append(r.values, [3]float32{float32(v[0]), float32(v[1]), float32(v[2])})
	return nil
}

// points is how many there have to be.
func (r *reader) points() int {
	if r.row {
		return r.size
	}
	return r.size * r.size * r.size
}

func (r *reader) table() (*Table, error) {
	if r.size == 0 {
		return nil, errors.New("it is no table of colours: it does not say how large it is")
	}
	if len(r.values) != r.points() {
		return nil, fmt.Errorf("a table of this size has %d lines of numbers, not %d", r.points(), len(r.values))
	}
	for c := range 3 {
		if !(r.from[c] < r.to[c]) {
			return nil, errors.New("the table begins behind its end")
		}
	}
	t := &Table{Title: r.title, Size: r.size, Row: r.row}
	if r.row {
		for c := range 3 {
			for level := range 256 {
				i, part := r.along(c, level)
				a, b := float64(r.values[i][c]), float64(r.values[i+1][c])
				t.row[c][level] = uint8(math.Round(255 * clamped(a+(b-a)*part)))
			}
		}
		return t, nil
	}
	t.points = make([]uint64, len(r.values))
	for i, v := range r.values {
		for c := range 3 {
			t.points[i] |= uint64(math.Round(255*8*clamped(float64(v[c])))) << (21 * c)
		}
	}
	for c := range 3 {
		for level := range 256 {
			i, part := r.along(c, level)
			t.at[c][level] = step{uint32(i * [3]int{1, r.size, r.size * r.size}[c]), uint32(math.Round(1024 * part))}
		}
	}
	t.walk()
	return t, nil
}

// along is behind which point a level of a channel lies, and how far.
func (r *reader) along(c, level int) (i int, part float64) {
	at := clamped((float64(level)/255-r.from[c])/(r.to[c]-r.from[c])) * float64(r.size-1)
	i = min(int(at), r.size-2)
	return i, at - float64(i)
}

func clamped(v float64) float64 { return min(max(v, 0), 1) }

// Of is what becomes of a colour, level by level.
func (t *Table) Of(r, g, b uint8) (uint8, uint8, uint8) {
	if t.Row {
		return t.row[0][r], t.row[1][g], t.row[2][b]
	}
	x, y, z := t.at[0][r], t.at[1][g], t.at[2][b]
	// From the first corner along the sides in the order of how far along them the colour lies.
	// Colours of a photo come in any order, so that a branch could not be foreseen.
	ways := &t.ways[after(x.part, y.part)|after(y.part, z.part)<<1|after(x.part, z.part)<<2]
	far, near := max(x.part, y.part, z.part), min(x.part, y.part, z.part)
	between := x.part + y.part + z.part - far - near
	from := t.points[x.i+y.i+z.i:]
	v := from[0]*uint64(1024-far) + from[ways[0]]*uint64(far-between) +
		from[ways[1]]*uint64(between-near) + from[t.last]*uint64(near)
	const half, lane = 4 << 10, 1<<21 - 1 // 255 * 8 * 1024 and a half just fit
	return uint8((v&lane + half) >> 13), uint8((v>>21&lane + half) >> 13), uint8((v>>42&lane + half) >> 13)
}

// after is 1 where a part is less than another.
func after(a, b uint32) uint32 { return (a - b) >> 31 }

// walk finds the ways from the first corner of a cell to the last one.
func (t *Table) walk() {
	sides := [3]uint32{1, uint32(t.Size), uint32(t.Size * t.Size)}
	for i := range t.ways {
		// Of 8 answers to whether x < y, y < z and x < z two cannot be.
		xy, yz, xz := i&1, i>>1&1, i>>2&1
		rank := [3]int{xy + xz, 1 - xy + yz, 2 - yz - xz} // how many come before each
		way := uint32(0)
		for n := range 2 {
			for side, r := range rank {
				if r == n {
					way += sides[side]
				}
			}
			t.ways[i][n] = way
		}
	}
	t.last = sides[0] + sides[1] + sides[2]
}

// Bytes is how much memory it takes.
func (t *Table) Bytes() int { return 8*len(t.points) + 8<<10 }
