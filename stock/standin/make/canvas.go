package main

import (
	"image"
	"image/color"
	"math"
	"runtime"
	"sync"
)

// px is a colour, red, green and blue from 0 to 1, and how opaque it is.
type px struct{ R, G, B, A float64 }

func hex(v uint32) px {
	return px{float64(v>>16) / 255, float64(v>>8&255) / 255, float64(v&255) / 255, 1}
}

func (p px) mix(q px, k float64) px {
	k = clamp(k)
	return px{p.R + (q.R-p.R)*k, p.G + (q.G-p.G)*k, p.B + (q.B-p.B)*k, p.A + (q.A-p.A)*k}
}

// times makes it brighter or darker.
func (p px) times(k float64) px { return px{p.R * k, p.G * k, p.B * k, p.A} }

// plus adds light.
func (p px) plus(q px, k float64) px { return px{p.R + q.R*k, p.G + q.G*k, p.B + q.B*k, p.A} }

// over lays it on another one.
func (p px) over(q px) px {
	a := p.A + q.A*(1-p.A)
	if a == 0 {
		return px{}
	}
	c := func(x, y float64) float64 { return (x*p.A + y*q.A*(1-p.A)) / a }
	return px{c(p.R, q.R), c(p.G, q.G), c(p.B, q.B), a}
}

// faint is a share of it.
func (p px) faint(k float64) px { return px{p.R, p.G, p.B, p.A * clamp(k)} }

// drawing is a picture: where x and y go from -1/2 to 1/2 along the shorter side.
type drawing func(x, y float64) px

// picture draws w by h pixels, with so many samples of each on each axis.
func picture(w, h, samples int, f drawing) *image.NRGBA {
	out := image.NewNRGBA(image.Rect(0, 0, w, h))
	unit := 1 / float64(min(w, h))
	rows(h, func(y int) {
		for x := range w {
			var r, g, b, a float64
			for i := range samples * samples {
				sx := (float64(x) + (float64(i%samples)+0.5)/float64(samples) - float64(w)/2) * unit
				sy := (float64(y) + (float64(i/samples)+0.5)/float64(samples) - float64(h)/2) * unit
				p := f(sx, sy)
				p.A = clamp(p.A)
				r, g, b, a = r+clamp(p.R)*p.A, g+clamp(p.G)*p.A, b+clamp(p.B)*p.A, a+p.A
			}
			if a == 0 {
				continue
			}
			// A little noise, so that slow gradients have no steps.
			n := (hash(float64(x), float64(y), 77) - 0.5) / 255
			to := func(v float64) uint8 { return uint8(255*clamp(v/a+n) + 0.5) }
			out.SetNRGBA(x, y, color.NRGBA{to(r), to(g), to(b), uint8(255*a/float64(samples*samples) + 0.5)})
		}
	})
	return out
}

// rows does something for each of n rows, on all processors.
func rows(n int, f func(y int)) {
	var wait sync.WaitGroup
	workers := runtime.NumCPU()
	for k := range workers {
		wait.Go(func() {
			for y := k; y < n; y += workers {
				f(y)
			}
		})
	}
	wait.Wait()
}

func clamp(v float64) float64 { return math.Min(math.Max(v, 0), 1) }

// soft goes from 0 at a to 1 at b.
func soft(a, b, v float64) float64 {
	t := clamp((v - a) / (b - a))
	return t * t * (3 - 2*t)
}

// hash is a number from 0 to 1 that seems to have nothing to do with the place.
func hash(x, y, z float64) float64 {
	v := uint64(int64(math.Floor(x)))*0x9E3779B97F4A7C15 ^ uint64(int64(math.Floor(y)))*0xC2B2AE3D27D4EB4F ^ uint64(int64(z))*0x165667B19E3779F9
	v = (v ^ v>>30) * 0xBF58476D1CE4E5B9
	v = (v ^ v>>27) * 0x94D049BB133111EB
	return float64((v^v>>31)>>11) / (1 << 53)
}

// noise is smooth, from 0 to 1, of a place and a seed.
func noise(x, y, seed float64) float64 {
	fx, fy := math.Floor(x), math.Floor(y)
	s := func(t float64) float64 { return t * t * t * (t*(6*t-15) + 10) }
	tx, ty := s(x-fx), s(y-fy)
	a, b, c, d := hash(fx, fy, seed), hash(fx+1, fy, seed), hash(fx, fy+1, seed), hash(fx+1, fy+1, seed)
	return a + (b-a)*tx + (c+(d-c)*tx-a-(b-a)*tx)*ty
}

// fbm is noise of several sizes, from about 0 to 1.
func fbm(x, y, seed float64, sizes int) float64 {
	sum, share, all := 0.0, 1.0, 0.0
	for i := range sizes {
		sum += share * noise(x, y, seed+float64(i)*13)
		all += share
		share /= 2
		x, y = x*2.03+7.1, y*2.03+3.7
	}
	return sum / all
}

// around is noise on a circle, so that it meets itself.
func around(turn, size, seed float64) float64 {
	return noise(5+size*math.Cos(turn), 5+size*math.Sin(turn), seed)
}

func length(x, y float64) float64 { return math.Sqrt(x*x + y*y) }

func turned(x, y, degrees float64) (float64, float64) {
	sin, cos := math.Sincos(degrees * math.Pi / 180)
	return x*cos + y*sin, y*cos - x*sin
}

// box is how far a place is outside of a rectangle with round corners.
func box(x, y, w, h, r float64) float64 {
	dx, dy := math.Abs(x)-w/2+r, math.Abs(y)-h/2+r
	return length(math.Max(dx, 0), math.Max(dy, 0)) + math.Min(math.Max(dx, dy), 0) - r
}

// segment is how far a place is from a line between two.
func segment(x, y, x0, y0, x1, y1 float64) float64 {
	dx, dy := x1-x0, y1-y0
	t := clamp(((x-x0)*dx + (y-y0)*dy) / (dx*dx + dy*dy))
	return length(x-x0-t*dx, y-y0-t*dy)
}

// cells finds the nearest of points that are strewn one to a cell: how far it is, how far the next one,
// and a number of its own.
func cells(x, y, seed float64) (near, next, own float64) {
	near, next = 9, 9
	fx, fy := math.Floor(x), math.Floor(y)
	for j := -1.0; j <= 1; j++ {
		for i := -1.0; i <= 1; i++ {
			cx, cy := fx+i, fy+j
			d := length(cx+hash(cx, cy, seed)-x, cy+hash(cx, cy, seed+1)-y)
			if d < near {
				near, next, own = d, near, hash(cx, cy, seed+2)
			} else if d < next {
				next = d
			}
		}
	}
	return near, next, own
}

// solid shades something with a height: as lit from the upper left, with a gloss from 0 to 1. Where the
// height is 0 or less there is nothing.
func solid(x, y float64, height func(x, y float64) float64, c func(x, y float64) px, gloss float64) px {
	const d = 0.0015
	h := height(x, y)
	if h <= 0 {
		return px{}
	}
	nx, ny := (height(x-d, y)-height(x+d, y))/(2*d), (height(x, y-d)-height(x, y+d))/(2*d)
	k := 1 / math.Sqrt(nx*nx+ny*ny+1)
	nx, ny, nz := nx*k, ny*k, k
	lx, ly, lz := -0.42, -0.58, 0.70
	light := nx*lx + ny*ly + nz*lz
	p := c(x, y).times(0.45 + 0.62*math.Max(light, 0) + 0.10*math.Max(-nx*lx-ny*ly, 0))
	// Half way between the light and the eye.
	hx, hy, hz := -0.2277, -0.3145, 0.9216
	shine := math.Pow(math.Max(nx*hx+ny*hy+nz*hz, 0), 12+90*gloss)
	return p.plus(px{1, 1, 1, 1}, gloss*shine*0.9)
}
