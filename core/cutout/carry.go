package cutout

import "slices"

// said is what strokes on a picture of footage say of it: above 0 where something is thing
// now that was ground without them, below 0 where something is ground, and around it.
type said struct {
	strokes []Stroke
	view    *view
	sides   []int8
}

const (
	beyond  = 8  // pixels around what was changed that are carried with it, as far as they are of the same side
	drift   = 2  // pixels at the border that are not carried: there the picture itself tells more
	unlike  = 34 // levels by which a place may look otherwise than where it came from
	wayBack = .6 // places by which the way there and back may miss
	sudden  = 16 // levels by which a place may look otherwise than it did on its way so far
	forget  = .2 // of how it looked on its way so far, with each step
)

// sayings is what strokes on a picture change there.
func (f *Footage) sayings(n int, o Order) (*said, error) {
	own := on(o, n)
	if s := f.said[n]; s != nil && same(s.strokes, own.Strokes) {
		return s, nil
	}
	d, err := f.instructed(n, o)
	if err != nil {
		return nil, err
	}
	v := d.v
	d.beside = nil // what others say of it does not matter here
	first := d.parted(d.known, &Order{Box: o.Box})
	then := d.parted(d.known, &own)
	s := &said{own.Strokes, v, make([]int8, len(v.pix))}
	strokes := marked(v, &Order{Strokes: own.Strokes})
	near := make([]bool, len(v.pix))
	for _, side := range []bool{true, false} {
		mark := ground
		if side {
			mark = thing
		}
		any := false
		for i := range near {
			leant := then.prices[i] - first.prices[i]
			if !side {
				leant = -leant
			}
			// What was taken for glass is no longer, so that the parting alone does not tell.
			near[i] = then.mask[i] == side && (strokes[i] == mark || first.mask[i] != side || leant > spokenFor)
			any = any || near[i]
		}
		if !any {
			continue
		}
		for range beyond {
			near = widened(near, v.w, v.h)
			for i := range near {
				near[i] = near[i] && then.mask[i] == side
			}
		}
		for i, in := range near {
			if in {
				s.sides[i] = mark
			}
		}
	}
	for i, in := range bandOf(then.mask, v.w, v.h, drift) {
		if in {
			s.sides[i] = 0
		}
	}
	f.said[n] = s
	return s, nil
}

// carriedThing is what strokes on other pictures say is thing, and what is around that as
// far as it may not have been carried.
func (d *Desk) carriedThing() []bool {
	if !slices.Contains(d.beside, thing) {
		return nil
	}
	out := make([]bool, len(d.beside))
	for i, m := range d.beside {
		out[i] = m > 0
	}
	for range 3 * drift {
		out = widened(out, d.v.w, d.v.h)
	}
	return out
}

// widened adds the four neighbours.
func widened(in []bool, w, h int) []bool {
	out := slices.Clone(in)
	for y := range h {
		for x := range w {
			i := y*w + x
			out[i] = in[i] || x > 0 && in[i-1] || x < w-1 && in[i+1] || y > 0 && in[i-w] || y < h-1 && in[i+w]
		}
	}
	return out
}

// carried is what strokes on other pictures say of one; nil is nothing. Of several that
// speak of a place, the nearest counts.
func (f *Footage) carried(n int, o Order) ([]int8, error) {
	var from []int
	for _, s := range o.Strokes {
		if s.Frame != n && !slices.Contains(from, s.Frame) {
			from = append(from, s.Frame)
		}
	}
	if len(from) == 0 {
		return nil, nil
	}
	// The farthest first, so that the nearest lie over them.
	slices.SortFunc(from, func(a, b int) int { return max(b-n, n-b) - max(a-n, n-a) })
	k, err := f.plain(n)
	if err != nil {
		return nil, err
	}
	out := make([]int8, len(k.view.pix))
	for _, at := range from {
		s, err := f.sayings(at, o)
		if err != nil {
			return nil, err
		}
		path, err := f.path(n, at)
		if err != nil {
			return nil, err
		}
		path.bring(k.view, s, out)
	}
	return out, nil
}

// path is where each place of a picture lies in another one; what is not to be seen there
// is lost.
type path struct {
	w, h  int
	at    [][2]float32
	looks []colour // on its way so far, in the mean
	lost  []bool
}

func (f *Footage) pathFrom(n int) (*path, error) {
	k, err := f.plain(n)
	if err != nil {
		return nil, err
	}
	size := k.greys.w * k.greys.h
	p := &path{k.greys.w, k.greys.h, make([][2]float32, size), make([]colour, size), make([]bool, size)}
	for i := range p.at {
		p.at[i] = [2]float32{float32(i % p.w), float32(i / p.w)}
		p.looks[i] = f.tiny[n].at(p.at[i][0], p.at[i][1])
	}
	return p, nil
}

// path goes from one picture to another.
func (f *Footage) path(from, to int) (*path, error) {
	step := 1
	if to < from {
		step = -1
	}
	p, err := f.pathFrom(from)
	if err != nil {
		return nil, err
	}
	for n := from; n != to; n += step {
		if err := f.step(p, n, step); err != nil {
			return nil, err
		}
	}
	return p, nil
}

// step goes to the picture before or after one. What would not come back where it is from is
// lost: it is hidden there, or seen for the first time. So is what slips over an edge.
func (f *Footage) step(p *path, n, by int) error {
	if err := f.Look(min(n, n+by)); err != nil {
		return err
	}
	there, back := f.way(n, by)
	next := f.tiny[n+by]
	for i, at := range p.at {
		if p.lost[i] {
			continue
		}
		u, v := there.at(at[0], at[1])
		x, y := at[0]+u, at[1]+v
		bu, bv := back.at(x, y)
		miss := (u+bu)*(u+bu) + (v+bv)*(v+bv)
		long := u*u + v*v
		if miss > wayBack*wayBack+.02*long || x < -.5 || y < -.5 || x > float32(p.w)-.5 || y > float32(p.h)-.5 {
			p.lost[i] = true
			continue
		}
		looks := next.at(x, y)
		if off := looks.sub(p.looks[i]); off.dot(off) > sudden*sudden {
			p.lost[i] = true
			continue
		}
		p.at[i] = [2]float32{x, y}
		p.looks[i] = p.looks[i].by(1 - forget).add(looks.by(forget))
	}
	return nil
}

// tiny is a picture as small as motion is looked for, one byte for each of red, green and
// blue.
type tiny struct {
	w, h int
	pix  []uint8
}

// tinyOf averages a view down.
func tinyOf(v *view, w, h int) *tiny {
	t := &tiny{w, h, make([]uint8, 3*w*h)}
	for y := range h {
		y0, y1 := y*v.h/h, max((y+1)*v.h/h, y*v.h/h+1)
		for x := range w {
			x0, x1 := x*v.w/w, max((x+1)*v.w/w, x*v.w/w+1)
			var sum colour
			for j := y0; j < y1; j++ {
				for _, c := range v.pix[j*v.w+x0 : j*v.w+x1] {
					sum = sum.add(c)
				}
			}
			sum = sum.by(1 / float32((y1-y0)*(x1-x0)))
			for i, c := range sum {
				t.pix[3*(y*w+x)+i] = uint8(c + .5)
			}
		}
	}
	return t
}

// at reads between pixels.
func (t *tiny) at(x, y float32) (c colour) {
	x, y = min(max(x, 0), float32(t.w-1)), min(max(y, 0), float32(t.h-1))
	x0, y0 := int(x), int(y)
	x1, y1 := min(x0+1, t.w-1), min(y0+1, t.h-1)
	fx, fy := x-float32(x0), y-float32(y0)
	a, b, d, e := 3*(y0*t.w+x0), 3*(y0*t.w+x1), 3*(y1*t.w+x0), 3*(y1*t.w+x1)
	for i := range c {
		top := float32(t.pix[a+i])*(1-fx) + float32(t.pix[b+i])*fx
		low := float32(t.pix[d+i])*(1-fx) + float32(t.pix[e+i])*fx
		c[i] = top*(1-fy) + low*fy
	}
	return c
}

// over calls with the pixels of a view that are not lost, and where they lie in the other one.
func (p *path) over(v *view, with func(i int, x, y float32)) {
	kx, ky := float32(v.w)/float32(p.w), float32(v.h)/float32(p.h)
	for y := range v.h {
		gy := min(max((float32(y)+.5)/ky-.5, 0), float32(p.h-1))
		y0 := int(gy)
		y1, fy := min(y0+1, p.h-1), gy-float32(y0)
		for x := range v.w {
			gx := min(max((float32(x)+.5)/kx-.5, 0), float32(p.w-1))
			x0 := int(gx)
			x1, fx := min(x0+1, p.w-1), gx-float32(x0)
			four := [4]int{y0*p.w + x0, y0*p.w + x1, y1*p.w + x0, y1*p.w + x1}
			share := [4]float32{(1 - fx) * (1 - fy), fx * (1 - fy), (1 - fx) * fy, fx * fy}
			var px, py, sum float32
			for c, j := range four {
				if !p.lost[j] {
					// Of the way alone, so that a place beside one that is lost stays where it is.
					px += share[c] * (p.at[j][0] - float32(j%p.w))
					py += share[c] * (p.at[j][1] - float32(j/p.w))
					sum += share[c]
				}
			}
			if sum < .5 {
				continue
			}
			with(y*v.w+x, float32(x)+px/sum*kx, float32(y)+py/sum*ky)
		}
	}
}

// bring carries what was said of the picture at a path's end to the one at its beginning.
func (p *path) bring(v *view, s *said, out []int8) {
	p.over(v, func(i int, x, y float32) {
		px, py := int(x+.5), int(y+.5)
		if px < 0 || py < 0 || px >= v.w || py >= v.h {
			return
		}
		j := py*v.w + px
		if side := s.sides[j]; side != 0 && v.pix[i].apart(s.view.pix[j]) < unlike+2*v.noise {
			out[i] = side
		}
	})
}

// gather adds to each pixel the colour of the other picture at the end of its way, by how
// alike they are.
func (p *path) gather(v, other *view, limit float32, sum []colour, weight []float32) {
	p.over(v, func(i int, x, y float32) {
		c, ok := other.between(x, y)
		if !ok {
			return
		}
		w := c.likeness(v.pix[i], limit)
		sum[i] = sum[i].add(c.by(w))
		weight[i] += w
	})
}

// between reads a view between its pixels.
func (v *view) between(x, y float32) (c colour, ok bool) {
	if x < 0 || y < 0 || x > float32(v.w-1) || y > float32(v.h-1) {
		return c, false
	}
	x0, y0 := int(x), int(y)
	x1, y1 := min(x0+1, v.w-1), min(y0+1, v.h-1)
	fx, fy := x-float32(x0), y-float32(y0)
	top := v.pix[y0*v.w+x0].by(1 - fx).add(v.pix[y0*v.w+x1].by(fx))
	low := v.pix[y1*v.w+x0].by(1 - fx).add(v.pix[y1*v.w+x1].by(fx))
	return top.by(1 - fy).add(low.by(fy)), true
}
