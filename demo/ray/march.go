package ray

import (
	"image"
	"image/color"
	"math"
	"runtime"
	"sync"
)

// Scene is what is photographed.
type Scene struct {
	Parts  []Part
	Eye    Vec     // the camera
	Aim    Vec     // what it looks at
	Height float64 // of the picture at the aim
	Aspect float64 // width by height
	Glow   []Glow  // lamps within the scene
}

// Glow is a small lamp that lights what is around it.
type Glow struct {
	At     Vec
	Colour Vec
	Reach  float64
}

type hit struct {
	t    float64
	part *Part
}

// solid finds the nearest part to a point, leaving out glass when asked.
func (s *Scene) solid(p Vec, glass bool) (float64, *Part) {
	d, part := math.Inf(1), (*Part)(nil)
	for i := range s.Parts {
		q := &s.Parts[i]
		if q.Glass > 0 && !glass || p.Sub(q.Centre).Len()-q.Radius >= d {
			continue
		}
		if v := q.Solid(p); v < d {
			d, part = v, q
		}
	}
	return d, part
}

func (s *Scene) march(from, dir Vec, glass bool, far float64) (hit, bool) {
	t := 0.0
	for range 100 {
		d, part := s.solid(from.Add(dir.Mul(t)), glass)
		if d < 0.0004 {
			return hit{t, part}, true
		}
		t += d * 0.9
		if t > far {
			break
		}
	}
	return hit{}, false
}

func (s *Scene) normal(p Vec, part *Part) Vec {
	const e = 0.0007
	f := func(q Vec) float64 {
		d := part.Solid(q)
		if part.Bump != nil {
			d -= part.Bump(q)
		}
		return d
	}
	// Four samples on a tetrahedron.
	a, b, c, d := V(1, -1, -1), V(-1, -1, 1), V(-1, 1, -1), V(1, 1, 1)
	return a.Mul(f(p.Add(a.Mul(e)))).Add(b.Mul(f(p.Add(b.Mul(e))))).
		Add(c.Mul(f(p.Add(c.Mul(e))))).Add(d.Mul(f(p.Add(d.Mul(e))))).Unit()
}

// open is how much of the sky above a point is free (ambient occlusion).
func (s *Scene) open(p, n Vec) float64 {
	closed, weight := 0.0, 1.0
	for i := 1; i <= 4; i++ {
		h := 0.035 * float64(i*i) * 0.6
		d, _ := s.solid(p.Add(n.Mul(h)), false)
		closed += (h - d) * weight
		weight *= 0.6
	}
	return min(max(1-2.2*closed, 0), 1)
}

// lit is how much of the key light's soft box reaches a point.
func (s *Scene) lit(p, n Vec) float64 {
	from, share, t := p.Add(n.Mul(0.004)), 1.0, 0.01
	for range 28 {
		d, _ := s.solid(from.Add(keyLight.Mul(t)), false)
		share = min(share, 0.5+0.5*d/(0.16*t))
		if share <= 0 {
			return 0
		}
		t += min(max(d, 0.02), 0.25)
		if t > 2.2 {
			break
		}
	}
	return smooth(0, 1, share)
}

// trace is the premultiplied linear light along a ray, and its alpha.
func (s *Scene) trace(from, dir Vec, depth int) (Vec, float64) {
	// Nothing lies nearer to the camera than this.
	near := 0.0
	if depth > 0 {
		near = from.Sub(s.Aim).Len() - 2.2
	}
	h, ok := s.march(from.Add(dir.Mul(near)), dir, depth > 0, 5)
	h.t += near
	if !ok {
		return Vec{}, 0
	}
	p := from.Add(dir.Mul(h.t))
	n := s.normal(p, h.part)
	if h.part.Glass > 0 {
		return s.throughGlass(p, dir, n, h.part)
	}
	return s.shade(p, dir, n, h.part), 1
}

func (s *Scene) throughGlass(p, dir, n Vec, part *Part) (Vec, float64) {
	back, alpha := s.trace(p, dir, 0)
	f := 0.04 + 0.96*math.Pow(1-math.Abs(n.Dot(dir)), 4)
	mirror := studio(dir.Sub(n.Mul(2*dir.Dot(n))), part.Rough)
	edge := math.Pow(1-math.Abs(n.Dot(dir)), 2)
	pass := part.Glass * (1 - 0.55*edge)
	colour := back.Times(part.Colour).Mul(pass).Add(mirror.Mul(f)).Add(part.Colour.Mul(0.10 * (0.3 + edge)))
	own := min(1, 0.12+0.5*edge+mirror.Y*f*0.6)
	return colour, own + (1-own)*alpha
}

func (s *Scene) shade(p, dir, n Vec, part *Part) Vec {
	colour := part.Colour
	if part.Detail != nil {
		colour = part.Detail(p, colour)
	}
	mirror := dir.Sub(n.Mul(2 * dir.Dot(n)))
	facing := min(max(-n.Dot(dir), 0), 1)
	fresnel := math.Pow(1-facing, 5)
	open := s.open(p, n)
	lit := 0.0
	if n.Dot(keyLight) > 0 {
		lit = s.lit(p, n)
	}
	var out Vec
	if part.Metal {
		tint := colour.Mix(V(1, 1, 1), fresnel)
		out = s.mirrored(p, n, mirror, part.Rough).Times(tint).Mul(0.25 + 0.75*open)
	} else {
		sky := V(0.40, 0.41, 0.43).Mix(V(0.31, 0.29, 0.27), 0.5-0.5*n.Y)
		wrap := max((n.Dot(keyLight)+0.15)/1.15, 0)
		light := sky.Mul(open).Add(V(1.25, 1.21, 1.14).Mul(wrap * lit))
		out = colour.Times(light)
		gloss := part.Gloss * (0.045 + 0.955*fresnel*(1-part.Rough*0.8))
		out = out.Add(s.mirrored(p, n, mirror, part.Rough).Mul(gloss * (0.3 + 0.7*open)))
	}
	for _, g := range s.Glow {
		to := g.At.Sub(p)
		fall := 1 / (1 + to.Dot(to)/(g.Reach*g.Reach))
		out = out.Add(colour.Times(g.Colour).Mul(fall * fall * (0.35 + 0.65*max(n.Dot(to.Unit()), 0))))
	}
	return out.Add(part.Glow)
}

// mirrored is what a surface reflects: the studio, or dimly the thing itself.
func (s *Scene) mirrored(p, n, dir Vec, rough float64) Vec {
	sky := studio(dir, rough)
	if rough > 0.5 {
		return sky
	}
	if h, ok := s.march(p.Add(n.Mul(0.006)), dir, false, 1.5); ok {
		q := h.part
		own := q.Colour.Mul(0.55).Add(q.Glow.Mul(0.6))
		return own.Mix(sky, smooth(0.1, 1.5, h.t)*0.6)
	}
	return sky
}

// Render draws the scene so many pixels high, with straight alpha, on all cores.
func (s *Scene) Render(height int) *image.NRGBA {
	w := int(math.Round(float64(height) * s.Aspect))
	out := image.NewNRGBA(image.Rect(0, 0, w, height))
	coarse := make([]float64, 4*w*height)
	rows(height, func(y int) {
		for x := range w {
			c, a := s.pixel(float64(x)+0.5, float64(y)+0.5, w, height)
			copy(coarse[4*(y*w+x):], []float64{c.X, c.Y, c.Z, a})
		}
	})
	rows(height, func(y int) {
		for x := range w {
			at := 4 * (y*w + x)
			c, a := V(coarse[at], coarse[at+1], coarse[at+2]), coarse[at+3]
			if edge(coarse, x, y, w, height) {
				c, a = s.fine(x, y, w, height)
			}
			out.SetNRGBA(x, y, encode(c, a))
		}
	})
	return out
}

func rows(n int, draw func(y int)) {
	var wg sync.WaitGroup
	next := make(chan int)
	for range runtime.GOMAXPROCS(0) {
		wg.Add(1)
		go func() {
			defer wg.Done()
			for y := range next {
				draw(y)
			}
		}()
	}
	for y := range n {
		next <- y
	}
	close(next)
	wg.Wait()
}

// pixel is toned before it is averaged, so that bright edges do not fray.
func (s *Scene) pixel(x, y float64, w, h int) (Vec, float64) {
	front := s.Aim.Sub(s.Eye).Unit()
	right := front.Cross(V(0, 1, 0)).Unit()
	up := right.Cross(front)
	far := s.Aim.Sub(s.Eye).Len()
	k := s.Height / far / float64(h)
	dir := front.Add(right.Mul((x - float64(w)/2) * k)).Add(up.Mul((float64(h)/2 - y) * k)).Unit()
	c, a := s.trace(s.Eye, dir, 1)
	if a == 0 {
		return Vec{}, 0
	}
	c = c.Mul(1 / a)
	return V(tone(c.X), tone(c.Y), tone(c.Z)).Mul(a), a
}

// edge tells whether a pixel differs enough from its neighbours to be drawn finely.
func edge(px []float64, x, y, w, h int) bool {
	at := 4 * (y*w + x)
	for _, d := range [4][2]int{{1, 0}, {-1, 0}, {0, 1}, {0, -1}} {
		nx, ny := x+d[0], y+d[1]
		if nx < 0 || ny < 0 || nx >= w || ny >= h {
			continue
		}
		n := 4 * (ny*w + nx)
		for k := range 4 {
			if math.Abs(px[at+k]-px[n+k]) > 0.08 {
				return true
			}
		}
	}
	return false
}

func (s *Scene) fine(x, y, w, h int) (Vec, float64) {
	var sum Vec
	alpha := 0.0
	// A rotated grid: its four columns and rows all differ.
	for _, d := range [4][2]float64{{0.375, 0.125}, {0.875, 0.375}, {0.125, 0.625}, {0.625, 0.875}} {
		c, a := s.pixel(float64(x)+d[0], float64(y)+d[1], w, h)
		sum, alpha = sum.Add(c.Mul(0.25)), alpha+a/4
	}
	return sum, alpha
}

func encode(c Vec, a float64) color.NRGBA {
	if a <= 0.002 {
		return color.NRGBA{}
	}
	b := func(v float64) uint8 { return uint8(min(max(v/a, 0), 1)*255 + 0.5) }
	return color.NRGBA{b(c.X), b(c.Y), b(c.Z), uint8(min(a, 1)*255 + 0.5)}
}
