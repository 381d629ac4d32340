package photographed

import (
	"image"
	"image/color"
	"image/draw"
	"math"
	"math/rand/v2"

	"golang.org/x/image/vector"
)

// sheet is a transparent picture that is drawn on.
type sheet struct {
	*image.RGBA
	r *rand.Rand
}

const side = 900 // pixels of a drawn thing

func newSheet(chance uint64) *sheet {
	return &sheet{image.NewRGBA(image.Rect(0, 0, side, side)), rand.New(rand.NewPCG(chance, 5))}
}

func (s *sheet) thing() *image.NRGBA {
	out := image.NewNRGBA(s.Rect)
	draw.Draw(out, out.Rect, s.RGBA, image.Point{}, draw.Src)
	return out
}

type point struct{ x, y float64 }

// fill covers what lies within a line through points.
func (s *sheet) fill(c color.Color, line ...point) {
	lo, hi := line[0], line[0]
	for _, p := range line {
		lo, hi = point{min(lo.x, p.x), min(lo.y, p.y)}, point{max(hi.x, p.x), max(hi.y, p.y)}
	}
	part := image.Rect(int(lo.x)-1, int(lo.y)-1, int(hi.x)+2, int(hi.y)+2).Intersect(s.Rect)
	if part.Empty() {
		return
	}
	z := vector.NewRasterizer(part.Dx(), part.Dy())
	off := func(p point) (float32, float32) {
		return float32(p.x - float64(part.Min.X)), float32(p.y - float64(part.Min.Y))
	}
	x, y := off(line[0])
	z.MoveTo(x, y)
	for _, p := range line[1:] {
		x, y := off(p)
		z.LineTo(x, y)
	}
	z.ClosePath()
	z.Draw(s.RGBA, part, image.NewUniform(c), image.Point{})
}

// hair is a thin line that bends and ends in a point.
func (s *sheet) hair(c color.Color, from, to point, bend, wide float64) {
	const n = 8
	var left, right []point
	dx, dy := to.x-from.x, to.y-from.y
	l := math.Hypot(dx, dy)
	nx, ny := -dy/l, dx/l
	for i := range n + 1 {
		t := float64(i) / n
		off := bend * t * t
		w := wide * (1 - .85*t) / 2
		x, y := from.x+dx*t+nx*off, from.y+dy*t+ny*off
		left = append(left, point{x + nx*w, y + ny*w})
		right = append(right, point{x - nx*w, y - ny*w})
	}
	for i := range right {
		left = append(left, right[n-i])
	}
	s.fill(c, left...)
}

func oval(x, y, rx, ry float64) (line []point) {
	const n = 90
	for i := range n {
		sin, cos := math.Sincos(2 * math.Pi * float64(i) / n)
		line = append(line, point{x + rx*cos, y + ry*sin})
	}
	return line
}

// ring is what lies between two ovals around one place.
func (s *sheet) ring(c color.Color, x, y, rx, ry, wide float64) {
	out, in := oval(x, y, rx, ry), oval(x, y, rx-wide, ry-wide)
	line := append(out, out[0], in[0])
	for i := range in {
		line = append(line, in[len(in)-1-i])
	}
	s.fill(c, line...)
}

func tinted(c levels, k float64) color.NRGBA {
	v := func(i int) uint8 { return uint8(min(max(c[i]*k, 0), 255)) }
	return color.NRGBA{v(0), v(1), v(2), 255}
}

// Bobble is a ball of wool with hairs all around.
func Bobble(c levels) *image.NRGBA {
	s := newSheet(21)
	for i := range 5200 {
		a := s.r.Float64() * 2 * math.Pi
		from := s.r.Float64() * 250
		long := 60 + s.r.Float64()*80
		if i > 4700 {
			long += 70
		}
		sin, cos := math.Sincos(a + s.r.NormFloat64()*.12)
		p := point{side/2 + from*cos, side/2 + from*sin}
		q := point{p.x + long*cos, p.y + long*sin}
		light := .62 + .3*s.r.Float64() - .2*sin
		s.hair(tinted(c, light), p, q, s.r.NormFloat64()*24, 2.5+3*s.r.Float64())
	}
	return s.thing()
}

// Brush is a wooden brush with bristles.
func Brush(wood, bristle levels) *image.NRGBA {
	s := newSheet(22)
	for range 900 {
		x := 130 + s.r.Float64()*640
		p := point{x, 360 + s.r.Float64()*20}
		q := point{x + (x-450)*.22 + s.r.NormFloat64()*16, 640 + s.r.Float64()*70}
		s.hair(tinted(bristle, .6+.55*s.r.Float64()), p, q, s.r.NormFloat64()*12, 5)
	}
	s.fill(tinted(wood, .8), oval(450, 330, 370, 84)...)
	s.fill(tinted(wood, 1), oval(450, 312, 366, 74)...)
	s.fill(tinted(wood, 1.12), oval(430, 292, 300, 34)...)
	return s.thing()
}

// Fern is a stem with many narrow leaves.
func Fern(c levels) *image.NRGBA {
	s := newSheet(23)
	for i := range 64 {
		t := float64(i) / 64
		x, y := 450+60*math.Sin(t*2.4), 860-800*t
		long := 300 * (1 - t) * (.35 + .65*math.Sin(min(1, t*4+.2)*math.Pi/2))
		for _, way := range []float64{-1, 1} {
			q := point{x + way*long, y - 60 - 40*s.r.Float64()}
			s.hair(tinted(c, .75+.4*s.r.Float64()), point{x, y}, q, way*-30, 17*(1-t)+4)
		}
	}
	s.hair(tinted(c, .6), point{450, 880}, point{492, 60}, 20, 16)
	return s.thing()
}

// Wreath is a ring of leaves with nothing in its middle.
func Wreath(c levels) *image.NRGBA {
	s := newSheet(24)
	for i := range 420 {
		a := 2 * math.Pi * float64(i) / 420
		sin, cos := math.Sincos(a)
		rad := 300 + 34*s.r.NormFloat64()
		p := point{450 + rad*cos, 450 + rad*sin}
		turn := a + 1.2 + s.r.NormFloat64()*.7
		q := point{p.x + 84*math.Cos(turn), p.y + 84*math.Sin(turn)}
		s.hair(tinted(c, .55+.6*s.r.Float64()), p, q, 12, 30)
	}
	return s.thing()
}

// Rack is a ring with wires across it, and a handle.
func Rack(c levels) *image.NRGBA {
	s := newSheet(25)
	for i := range 9 {
		at := 170 + 60*float64(i)
		half := math.Sqrt(max(0, 280*280-(at-410)*(at-410)))
		s.hair(tinted(c, .7), point{at + 40, 370 - half}, point{at + 40, 370 + half}, 0, 14)
		s.hair(tinted(c, 1.1), point{450 - half, at - 40}, point{450 + half, at - 40}, 0, 14)
	}
	s.ring(tinted(c, .85), 450, 370, 300, 300, 30)
	s.fill(tinted(c, .5), point{424, 660}, point{476, 660}, point{488, 880}, point{412, 880})
	return s.thing()
}

// Bag is a bag with two handles that one sees through.
func Bag(c levels) *image.NRGBA {
	s := newSheet(26)
	s.ring(tinted(c, .62), 470, 300, 150, 190, 30)
	s.fill(tinted(c, .9), point{170, 330}, point{730, 330}, point{790, 850}, point{110, 850})
	s.fill(tinted(c, 1.05), point{190, 350}, point{640, 345}, point{670, 830}, point{140, 835})
	s.ring(tinted(c, .78), 430, 320, 160, 220, 30)
	s.fill(tinted(levels{250, 240, 220}, 1), oval(420, 600, 110, 110)...)
	s.fill(tinted(c, .4), oval(420, 600, 70, 70)...)
	return s.thing()
}

// Tumbler is a drinking glass: clear, with brighter rims and a light that is mirrored.
func Tumbler(tint levels, clear float64) *image.NRGBA {
	s := newSheet(27)
	with := func(a, k float64) color.NRGBA {
		c := tinted(tint, k)
		c.A = uint8(255 * a)
		return c
	}
	s.fill(with(clear, 1), point{250, 130}, point{650, 130}, point{600, 800}, point{300, 800})
	s.fill(with(.6, .55), point{250, 130}, point{272, 130}, point{320, 800}, point{300, 800})
	s.fill(with(.6, .55), point{628, 130}, point{650, 130}, point{600, 800}, point{580, 800})
	s.fill(with(.55, .7), point{300, 720}, point{600, 720}, point{594, 812}, point{306, 812})
	s.ring(with(.75, .9), 450, 130, 200, 34, 9)
	s.fill(color.NRGBA{255, 255, 255, 200}, point{330, 220}, point{366, 220}, point{386, 660}, point{358, 660})
	s.fill(with(.5, .8), oval(450, 806, 148, 24)...)
	return s.thing()
}
