package cutout

import "math"

// Pixels near the border are open: they may belong to both sides. For each of them the
// colours of both sides are looked up along rays, and that pair is taken which explains
// its colour best as a mixture (E. Gastal, M. Oliveira, "Shared Sampling for Real-Time
// Alpha Matting", Computer Graphics Forum 29(2), 2010).

// trimap tells what is sure of each pixel.
type trimap struct {
	open   []bool
	list   []int32 // the open pixels, in their order
	mask   []bool
	inside []uint8 // pixels to the border from within the thing, from 1; the most is deep
	out    []uint8 // and from the ground
	doubt  []bool
}

const (
	deep  = 4
	reach = 18 // pixels that hair may stand off, at the working size
)

// trimapOf opens the pixels around the border of a parting, and what hangs together with
// them and does not look as its side does.
func trimapOf(v *view, mask, doubt []bool, marks []int8) *trimap {
	t := &trimap{mask: mask, doubt: doubt}
	t.inside = depths(mask, true, v.w, v.h)
	t.out = depths(mask, false, v.w, v.h)
	t.open = make([]bool, len(mask))
	var edge, next []int32
	for i := range mask {
		if t.inside[i] <= 2 && t.out[i] <= 2 {
			t.open[i] = marks[i] == 0
			edge = append(edge, int32(i))
		}
	}
	for range reach {
		next = next[:0]
		for _, at := range edge {
			i := int(at)
			x, y := i%v.w, i/v.w
			for _, d := range around {
				nx, ny := x+d[0], y+d[1]
				if nx < 0 || ny < 0 || nx >= v.w || ny >= v.h {
					continue
				}
				if j := ny*v.w + nx; !t.open[j] && doubt[j] && marks[j] == 0 {
					t.open[j] = true
					next = append(next, int32(j))
				}
			}
		}
		edge, next = next, edge
	}
	for i, o := range t.open {
		if o {
			t.list = append(t.list, int32(i))
		}
	}
	return t
}

// depths is how far pixels of one side are from the other, along rows, columns and
// diagonals; 0 on the other side.
func depths(mask []bool, side bool, w, h int) []uint8 {
	d := make([]uint8, len(mask))
	for i, m := range mask {
		if m == side {
			d[i] = deep
		}
	}
	relax := func(i, j int) {
		if d[j]+1 < d[i] {
			d[i] = d[j] + 1
		}
	}
	for y := range h {
		for x := range w {
			i := y*w + x
			if x > 0 {
				relax(i, i-1)
			}
			if y > 0 {
				relax(i, i-w)
			}
		}
	}
	for y := h - 1; y >= 0; y-- {
		for x := w - 1; x >= 0; x-- {
			i := y*w + x
			if x < w-1 {
				relax(i, i+1)
			}
			if y < h-1 {
				relax(i, i+w)
			}
		}
	}
	return d
}

// sure tells whether a pixel's colour is one of its side alone: it is deep enough, or
// deepest in something thin.
func (t *trimap) sure(i, w int, side bool) bool {
	d := t.out
	if side {
		d = t.inside
	}
	if d[i] == 0 || t.doubt[i] {
		return false
	}
	if d[i] >= 3 {
		return true
	}
	if !side || d[i] < 2 || i < w || i+w >= len(d) {
		return false
	}
	return d[i-1] <= 2 && d[i+1] <= 2 && d[i-w] <= 2 && d[i+w] <= 2
}

// lookedUp is what sampling found for the open pixels, in their order.
type lookedUp struct {
	alpha         []float32
	trust         []float32 // 0..1
	thing, ground []colour
}

type found struct {
	colour colour
	far    float32
}

// lookUp samples. even is the look with less grain; model, if there is one, is the
// ground's colour everywhere, with which a colour found elsewhere is carried here.
func (t *trimap) lookUp(v *view, even []colour, model *evenGround) *lookedUp {
	n := len(t.list)
	l := &lookedUp{make([]float32, n), make([]float32, n), make([]colour, n), make([]colour, n)}
	slot := make([]int32, len(t.mask))
	for k, i := range t.list {
		slot[i] = int32(k) + 1
	}
	known := make([]bool, n)
	var things, grounds []found
	for k, at := range t.list {
		things, grounds = t.gather(v, even, model, int(at), things[:0], grounds[:0])
		if len(things) > 0 && len(grounds) > 0 {
			known[k] = true
			c := even[at].by(.35).add(v.pix[at].by(.65))
			l.pick(k, c, things, grounds, v.noise)
		}
	}
	l.share(t, v, slot, known)
	return l
}

// gather walks along rays until both sides are met.
func (t *trimap) gather(v *view, even []colour, model *evenGround, at int, things, grounds []found) ([]found, []found) {
	const rays = 8
	x0, y0 := at%v.w, at/v.w
	turn := float64((x0%3)+3*(y0%3)) / 9 * 2 * math.Pi / rays
	var here colour
	if model != nil {
		here = model.at(x0, y0)
	}
	for r := range rays {
		sin, cos := math.Sincos(turn + 2*math.Pi*float64(r)/rays)
		needThing, needGround := true, true
		for s := 1; s < 46 && (needThing || needGround); s++ {
			x, y := x0+int(math.Round(cos*float64(s))), y0+int(math.Round(sin*float64(s)))
			if x < 0 || y < 0 || x >= v.w || y >= v.h {
				break
			}
			j := y*v.w + x
			if needThing && t.mask[j] && t.sure(j, v.w, true) {
				c := v.pix[j]
				if t.inside[j] >= 3 {
					c = even[j]
				}
				things = append(things, found{c, float32(s)})
				needThing = false
			} else if needGround && !t.mask[j] && t.sure(j, v.w, false) {
				c := even[j]
				if model != nil {
					c = c.add(here).sub(model.at(x, y))
				}
				grounds = append(grounds, found{c, float32(s)})
				needGround = false
			}
		}
	}
	return things, grounds
}

// pick takes the pair that explains a colour best.
func (l *lookedUp) pick(k int, c colour, things, grounds []found, noise float32) {
	var nearThing, nearGround float32 = 99, 99
	for _, f := range things {
		nearThing = min(nearThing, f.far)
	}
	for _, g := range grounds {
		nearGround = min(nearGround, g.far)
	}
	least := float32(1e9)
	for _, f := range things {
		for _, g := range grounds {
			a, shade, off := mixtureOfTwo(c, f.colour, g.colour)
			cost := off + 1.2*(f.far/nearThing+g.far/nearGround)
			if cost >= least {
				continue
			}
			least = cost
			d := f.colour.sub(g.colour)
			square := d.dot(d)
			l.alpha[k], l.thing[k], l.ground[k] = a, f.colour, g.colour.by(shade)
			fits := float32(math.Exp(float64(-off * off / (60 + 8*noise*noise))))
			l.trust[k] = fits * square / (square + 900 + 40*noise*noise)
		}
	}
}

// mixtureOfTwo is how much of the thing a colour has, when the rest is ground that may lie
// in a deeper shade than where it was looked up; off is what is left unexplained, in
// levels, a shade counted in.
func mixtureOfTwo(c, thing, ground colour) (a, shade, off float32) {
	d, e := thing.sub(ground), c.sub(ground)
	dd, db, bb := d.dot(d)+1, d.dot(ground), ground.dot(ground)
	rest := bb * shadeCost
	det := dd*(bb+rest) - db*db
	ed, eb := e.dot(d), e.dot(ground)
	dark := float32(0)
	if det > 0 {
		dark = min(max((eb*dd-ed*db)/det, -.6), 0)
	}
	a = min(max((ed-dark*db)/dd, 0), 1)
	dark = min(max((eb-a*db)/(bb+rest+1), -.6*(1-a)), 0)
	left := e.sub(d.by(a)).sub(ground.by(dark))
	shade = 1
	if a < .98 {
		shade = 1 + dark/(1-a)
	}
	return a, shade, root32(left.dot(left) + rest*dark*dark)
}

// shadeCost is how unlikely a shade is: of a tenth it counts as one part in a hundred of
// the ground's light.
const shadeCost = .01

// share evens out what neighbours found, each by its trust, and gives those that found
// nothing what is around them.
func (l *lookedUp) share(t *trimap, v *view, slot []int32, known []bool) {
	old := *l
	n := len(l.alpha)
	l.thing, l.ground = make([]colour, n), make([]colour, n)
	for k, at := range t.list {
		x0, y0 := int(at)%v.w, int(at)/v.w
		var weight float32
		var f, g colour
		for y := max(y0-2, 0); y <= min(y0+2, v.h-1); y++ {
			for x := max(x0-2, 0); x <= min(x0+2, v.w-1); x++ {
				j := slot[y*v.w+x]
				if j == 0 || !known[j-1] {
					continue
				}
				d := v.pix[at].sub(v.pix[y*v.w+x])
				w := (old.trust[j-1] + .02) * 400 / (400 + d.dot(d))
				weight += w
				f = f.add(old.thing[j-1].by(w))
				g = g.add(old.ground[j-1].by(w))
			}
		}
		if weight == 0 {
			l.thing[k], l.ground[k] = v.pix[at], v.pix[at]
			l.trust[k] = 0
			if t.mask[at] {
				l.alpha[k] = 1
			}
			continue
		}
		l.thing[k], l.ground[k] = f.by(1/weight), g.by(1/weight)
		if !known[k] {
			l.trust[k] = 0
			if t.mask[at] {
				l.alpha[k] = 1
			}
		}
	}
}
