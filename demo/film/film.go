// Package film makes the sample world's footage: light on black for the blend mode screen, and a
// splash before a green screen. The files are made by code once (go generate) and kept beside it in
// the form in which footage is kept.
package film

import (
	"embed"
	"math"
	"math/rand/v2"
)

//go:generate go run billow/demo/film/make

//go:embed *.mov
var files embed.FS

// Piece is a piece of footage.
type Piece struct {
	ID, Name string
	W, H     int     // pixels
	Seconds  float64 // it lasts
	draw     func(l *lit, t float64)
}

// Rate is how many pictures a second all pieces have.
const Rate = 30

// Pieces are all of them.
var Pieces = []Piece{
	{"light-streaks", "Light streaks", 540, 960, 4, streaks},
	{"sparks", "Sparks", 540, 960, 3, sparks},
	{"steam", "Steam", 540, 960, 4, steam},
	{"splash", "Splash on green", 720, 720, 2, splash},
}

// File is a piece as it is kept.
func (p Piece) File() []byte {
	b, err := files.ReadFile(p.ID + ".mov")
	if err != nil {
		panic(err) // it is embedded
	}
	return b
}

// Frame draws picture n of a piece: red, green and blue of each pixel.
func (p Piece) Frame(n int) []byte {
	l := &lit{w: p.W, h: p.H, rgb: make([][3]float32, p.W*p.H)}
	p.draw(l, float64(n)/Rate)
	out := make([]byte, 3*p.W*p.H)
	for i, v := range l.rgb {
		for c := range 3 {
			out[3*i+c] = uint8(255*math.Min(math.Max(float64(v[c]), 0), 1) + 0.5)
		}
	}
	return out
}

// lit is a picture as light: 1 is white, more is brighter.
type lit struct {
	w, h int
	rgb  [][3]float32
}

// spot adds a round soft light of a radius in pixels.
func (l *lit) spot(x, y, r, much float64, c [3]float64) {
	x0, x1 := max(0, int(x-3*r)), min(l.w-1, int(x+3*r)+1)
	y0, y1 := max(0, int(y-3*r)), min(l.h-1, int(y+3*r)+1)
	for py := y0; py <= y1; py++ {
		for px := x0; px <= x1; px++ {
			dx, dy := float64(px)+0.5-x, float64(py)+0.5-y
			v := much * math.Exp(-(dx*dx+dy*dy)/(2*r*r))
			at := &l.rgb[py*l.w+px]
			for k := range 3 {
				at[k] += float32(v * c[k])
			}
		}
	}
}

// bloom adds a blurred copy of what is there: light scatters.
func (l *lit) bloom(r int, share float32) {
	soft := make([][3]float32, len(l.rgb))
	copy(soft, l.rgb)
	for range 2 {
		soft = averaged(soft, l.w, l.h, r)
	}
	for i := range l.rgb {
		for c := range 3 {
			l.rgb[i][c] += share * soft[i][c]
		}
	}
}

// averaged is the mean of so many pixels to each side, across and down.
func averaged(in [][3]float32, w, h, r int) [][3]float32 {
	pass := func(in [][3]float32, n, rows, step, jump int) [][3]float32 {
		out := make([][3]float32, len(in))
		for y := range rows {
			var sum [3]float32
			get := func(i int) [3]float32 { return in[y*jump+min(max(i, 0), n-1)*step] }
			for i := -r; i <= r; i++ {
				v := get(i)
				for c := range 3 {
					sum[c] += v[c]
				}
			}
			for x := range n {
				for c := range 3 {
					out[y*jump+x*step][c] = sum[c] / float32(2*r+1)
				}
				a, b := get(x+r+1), get(x-r)
				for c := range 3 {
					sum[c] += a[c] - b[c]
				}
			}
		}
		return out
	}
	return pass(pass(in, w, h, 1, w), h, w, w, 1)
}

// film brings light down to what a picture shows, softly.
func (l *lit) exposed() {
	for i := range l.rgb {
		for c := range 3 {
			l.rgb[i][c] = float32(1 - math.Exp(-float64(l.rgb[i][c])))
		}
	}
}

func seeded(n uint64) *rand.Rand { return rand.New(rand.NewPCG(n, 7)) }

func mixed(a, b [3]float64, k float64) (out [3]float64) {
	for i := range 3 {
		out[i] = a[i] + (b[i]-a[i])*k
	}
	return out
}
