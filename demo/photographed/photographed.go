// Package photographed takes photographs of things whose outline is known: a thing with
// transparency is laid on a ground, throws a shadow, and the camera adds its noise and
// its JPEG. So what a cut makes of a photo can be compared with the truth.
//
// All is made by code from a number, the chance, and is the same on every machine.
package photographed

import (
	"bytes"
	"fmt"
	"image"
	"image/draw"
	"image/jpeg"
	"math"
	"math/rand/v2"
)

// Photo is a photograph with what is true of it.
type Photo struct {
	Name    string
	Picture *image.NRGBA    // opaque
	File    []byte          // the same as a JPEG file
	Truth   []uint8         // opacity of the thing, row by row
	Box     image.Rectangle // a box as a person draws it around the thing
}

// Setting is how a photo is taken.
type Setting struct {
	W, H    int
	Ground  Ground
	Shadow  float64 // 0..1, how dark the thing's shadow is
	Noise   float64 // standard deviation of the camera's noise, in levels of 255
	Quality int     // of the JPEG
	Size    float64 // of the thing: a share of the frame's shorter side
	Turn    float64 // degrees
}

// Ground is what lies behind a thing: linear in nothing, just levels 0..255 of red,
// green and blue at a place, where (0, 0) and (w, h) are the corners of the photo.
type Ground func(x, y float64) [3]float64

// Take lays a thing in the middle of the setting, a little off as chance wants it.
func Take(name string, thing *image.NRGBA, s Setting, chance uint64) (Photo, error) {
	r := rand.New(rand.NewPCG(chance, 77))
	laid := laidOut(thing, s, r)
	truth := make([]uint8, s.W*s.H)
	for i := range truth {
		truth[i] = laid.Pix[4*i+3]
	}
	shade := shadowOf(truth, s)
	raw := image.NewNRGBA(image.Rect(0, 0, s.W, s.H))
	for y := range s.H {
		for x := range s.W {
			i := y*s.W + x
			ground := s.Ground(float64(x)+.5, float64(y)+.5)
			a := float64(truth[i]) / 255
			for c := range 3 {
				v := a*float64(laid.Pix[4*i+c]) + (1-a)*ground[c]*(1-shade[i])
				v += r.NormFloat64() * s.Noise
				raw.Pix[4*i+c] = uint8(min(max(math.Round(v), 0), 255))
			}
			raw.Pix[4*i+3] = 255
		}
	}
	var file bytes.Buffer
	if err := jpeg.Encode(&file, raw, &jpeg.Options{Quality: s.Quality}); err != nil {
		return Photo{}, fmt.Errorf("photo %s: %w", name, err)
	}
	read, err := jpeg.Decode(bytes.NewReader(file.Bytes()))
	if err != nil {
		return Photo{}, fmt.Errorf("photo %s: %w", name, err)
	}
	picture := image.NewNRGBA(raw.Rect)
	draw.Draw(picture, raw.Rect, read, image.Point{}, draw.Src)
	return Photo{name, picture, file.Bytes(), truth, boxOf(truth, s.W, s.H)}, nil
}

// boxOf is the bounds of a thing with a margin of 4% of the photo.
func boxOf(truth []uint8, w, h int) image.Rectangle {
	var b image.Rectangle
	for y := range h {
		for x := range w {
			if truth[y*w+x] > 12 {
				b = b.Union(image.Rect(x, y, x+1, y+1))
			}
		}
	}
	return b.Inset(-min(w, h) * 4 / 100).Intersect(image.Rect(1, 1, w-1, h-1))
}

// laidOut is the thing at its size and place on a transparent photo.
func laidOut(thing *image.NRGBA, s Setting, r *rand.Rand) *image.NRGBA {
	out := image.NewNRGBA(image.Rect(0, 0, s.W, s.H))
	t := thing.Bounds().Size()
	k := s.Size * float64(min(s.W, s.H)) / float64(max(t.X, t.Y))
	cx := float64(s.W)/2 + (r.Float64()-.5)*.06*float64(s.W)
	cy := float64(s.H)/2 + (r.Float64()-.5)*.04*float64(s.H)
	sin, cos := math.Sincos(s.Turn * math.Pi / 180)
	at := func(x, y float64) (u, v float64) {
		dx, dy := (x-cx)/k, (y-cy)/k
		return dx*cos + dy*sin + float64(t.X)/2, dy*cos - dx*sin + float64(t.Y)/2
	}
	n := max(1, int(math.Ceil(1/k))) // samples a side, so that none of the thing is missed
	n = min(n+1, 5)
	reach := math.Hypot(float64(t.X), float64(t.Y))*k/2 + 2
	part := image.Rect(int(cx-reach), int(cy-reach), int(cx+reach)+1, int(cy+reach)+1).Intersect(out.Rect)
	for y := part.Min.Y; y < part.Max.Y; y++ {
		for x := part.Min.X; x < part.Max.X; x++ {
			if u, v := at(float64(x)+.5, float64(y)+.5); min(u, v, float64(t.X)-u, float64(t.Y)-v) < -2/k-2 {
				continue
			}
			var sum [4]float64
			for j := range n {
				for i := range n {
					u, v := at(float64(x)+(float64(i)+.5)/float64(n), float64(y)+(float64(j)+.5)/float64(n))
					read(thing, u, v, &sum)
				}
			}
			store(out.Pix[4*(y*s.W+x):], sum, float64(n*n))
		}
	}
	return out
}

// read adds the thing's pixel at a place, premultiplied. The thing has more pixels than
// are asked for, so the nearest one will do.
func read(m *image.NRGBA, u, v float64, sum *[4]float64) {
	x, y := int(math.Floor(u)), int(math.Floor(v))
	if x < 0 || y < 0 || x >= m.Rect.Dx() || y >= m.Rect.Dy() {
		return
	}
	p := m.Pix[y*m.Stride+4*x:]
	a := float64(p[3])
	sum[3] += a
	for c := range 3 {
		sum[c] += a * float64(p[c])
	}
}

func store(p []uint8, sum [4]float64, n float64) {
	p[3] = uint8(math.Round(sum[3] / n))
	if sum[3] == 0 {
		return
	}
	for c := range 3 {
		p[c] = uint8(math.Round(sum[c] / sum[3]))
	}
}

// shadowOf is how much each place of the ground is darkened, 0..1: a wide soft shadow
// to the lower right, and a narrow one close to the thing.
func shadowOf(truth []uint8, s Setting) []float64 {
	out := make([]float64, len(truth))
	if s.Shadow == 0 {
		return out
	}
	side := min(s.W, s.H)
	wide := softened(truth, s.W, s.H, side*6/100)
	near := softened(truth, s.W, s.H, max(1, side*15/1000))
	read := func(m []float64, x, y int) float64 {
		return m[min(max(y, 0), s.H-1)*s.W+min(max(x, 0), s.W-1)]
	}
	for y := range s.H {
		for x := range s.W {
			far := read(wide, x-side*3/100, y-side*5/100)
			close := read(near, x-side/200, y-side*12/1000)
			out[y*s.W+x] = s.Shadow * (1 - (1-.75*far)*(1-.55*close))
		}
	}
	return out
}

// softened is opacity 0..1, averaged three times over squares with this radius.
func softened(truth []uint8, w, h, radius int) []float64 {
	m := make([]float64, len(truth))
	for i, a := range truth {
		m[i] = float64(a) / 255
	}
	line := make([]float64, max(w, h)+1)
	average := func(at func(i int) *float64, n int) {
		for i := range n {
			line[i+1] = line[i] + *at(i)
		}
		for i := range n {
			from, to := max(0, i-radius), min(n, i+radius+1)
			*at(i) = (line[to] - line[from]) / float64(to-from)
		}
	}
	for range 3 {
		for y := range h {
			average(func(i int) *float64 { return &m[y*w+i] }, w)
		}
		for x := range w {
			average(func(i int) *float64 { return &m[i*w+x] }, h)
		}
	}
	return m
}
