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
			t.open[i] = marks[i] == 0 || marks[i]%nearly == 0
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
	known         []bool  // both sides were found
	slot          []int32 // of each pixel of the view: its place in the order, from 1

	// What it was found from.
	from  []surety
	model *evenGround
	even  []colour
	noise float32
}

func newLookedUp(n int) *lookedUp {
	return &lookedUp{alpha: make([]float32, n), trust: make([]float32, n), thing: make([]colour, n), ground: make([]colour, n), known: make([]bool, n)}
}

// take takes what was found for a pixel before.
func (l *lookedUp) take(k int, o *lookedUp, j int) {
	l.alpha[k], l.trust[k], l.thing[k], l.ground[k], l.known[k] = o.alpha[j], o.trust[j], o.thing[j], o.ground[j], o.known[j]
}

type found struct {
	colour colour
	far    float32
}

// lookUp samples. even is the look with less grain; model, if there is one, is the
// ground's colour everywhere, with which a colour found elsewhere is carried here. What was
// looked up before holds where nothing has changed as far as rays go.
func (t *trimap) lookUp(v *view, even []colour, model *evenGround, before *lookedUp) *lookedUp {
	n := len(t.list)
	l := newLookedUp(n)
	l.from, l.model, l.even, l.noise = t.surety(v.w), model, even, v.noise
	l.slot = make([]int32, len(t.mask))
	for k, i := range t.list {
		l.slot[i] = int32(k) + 1
	}
	var stale []bool
	if before != nil && before.model == model && &before.even[0] == &even[0] && before.noise == v.noise {
		stale = changedNear(before.from, l.from, v.w, v.h)
	}
	var things, grounds []found
	for k, at := range t.list {
		if stale != nil && !stale[tileOf(int(at), v.w)] {
			if o := before.slot[at]; o > 0 {
				l.take(k, before, int(o)-1)
				continue
			}
		}
		things, grounds = l.gather(v, int(at), things[:0], grounds[:0])
		if len(things) > 0 && len(grounds) > 0 {
			l.known[k] = true
			c := even[at].by(.35).add(v.pix[at].by(.65))
			l.pick(k, c, things, grounds, v.noise)
		}
	}
	return l
}

// surety is what each pixel's colour tells of: the thing, by its look with less grain or by
// its own pixels, the ground, or nothing.
type surety = uint8

const (
	tellsNothing surety = iota
	tellsThing
	tellsThin
	tellsGround
)

func (t *trimap) surety(w int) []surety {
	out := make([]surety, len(t.mask))
	for i, m := range t.mask {
		switch {
		case !t.sure(i, w, m):
		case !m:
			out[i] = tellsGround
		case t.inside[i] >= 3:
			out[i] = tellsThing
		default:
			out[i] = tellsThin
		}
	}
	return out
}

// gather walks along rays until both sides are met.
func (l *lookedUp) gather(v *view, at int, things, grounds []found) ([]found, []found) {
	x0, y0 := at%v.w, at/v.w
	var here colour
	if l.model != nil {
		here = l.model.at(x0, y0)
	}
	for _, ray := range rays[x0%3+3*(y0%3)] {
		needThing, needGround := true, true
		for s, step := range ray {
			x, y := x0+int(step[0]), y0+int(step[1])
			if x < 0 || y < 0 || x >= v.w || y >= v.h {
				break
			}
			j := y*v.w + x
			switch is := l.from[j]; {
			case is == tellsNothing:
				continue
			case is == tellsGround && needGround:
				c := l.even[j]
				if l.model != nil {
					c = c.add(here).sub(l.model.at(x, y))
				}
				grounds = append(grounds, found{c, float32(s + 1)})
				needGround = false
			case is == tellsThing && needThing:
				things = append(things, found{l.even[j], float32(s + 1)})
				needThing = false
			case is == tellsThin && needThing:
				things = append(things, found{v.pix[j], float32(s + 1)})
				needThing = false
			}
			if !needThing && !needGround {
				break
			}
		}
	}
	return things, grounds
}

// farRay is how many pixels rays go.
const farRay = 45

// rays are the steps of eight rays, turned a little for each of nine neighbours.
var rays = func() (out [9][8][farRay][2]int8) {
	for n := range out {
		for r := range out[n] {
			sin, cos := math.Sincos((float64(n)/9 + float64(r)) * 2 * math.Pi / 8)
			for s := range out[n][r] {
				out[n][r][s] = [2]int8{int8(math.Round(cos * float64(s+1))), int8(math.Round(sin * float64(s+1)))}
			}
		}
	}
	return out
}()

// tile is the side of the squares in which changes are counted.
const tile = 16

func tileOf(at, w int) int { return at/w/tile*((w+tile-1)/tile) + at%w/tile }

// changedNear tells of each tile whether anything differs as near to it as rays go.
func changedNear(a, b []surety, w, h int) []bool {
	across, down := (w+tile-1)/tile, (h+tile-1)/tile
	differs, near := make([]bool, across*down), make([]bool, across*down)
	for i, s := range a {
		if s != b[i] {
			differs[tileOf(i, w)] = true
		}
	}
	const far = (farRay + tile - 1) / tile
	for i, d := range differs {
		if !d {
			continue
		}
		for y := max(i/across-far, 0); y <= min(i/across+far, down-1); y++ {
			for x := max(i%across-far, 0); x <= min(i%across+far, across-1); x++ {
				near[y*across+x] = true
			}
		}
	}
	return near
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

// shared is what was found with neighbours evened out, each by its trust; those that found
// nothing have what is around them.
func (l *lookedUp) shared(t *trimap, v *view) *lookedUp {
	out := newLookedUp(len(l.alpha))
	copy(out.alpha, l.alpha)
	copy(out.trust, l.trust)
	for k, at := range t.list {
		x0, y0 := int(at)%v.w, int(at)/v.w
		var weight float32
		var f, g colour
		for y := max(y0-2, 0); y <= min(y0+2, v.h-1); y++ {
			for x := max(x0-2, 0); x <= min(x0+2, v.w-1); x++ {
				j := l.slot[y*v.w+x]
				if j == 0 || !l.known[j-1] {
					continue
				}
				d := v.pix[at].sub(v.pix[y*v.w+x])
				w := (l.trust[j-1] + .02) * 400 / (400 + d.dot(d))
				weight += w
				f = f.add(l.thing[j-1].by(w))
				g = g.add(l.ground[j-1].by(w))
			}
		}
		if weight == 0 {
			out.thing[k], out.ground[k] = v.pix[at], v.pix[at]
		} else {
			out.thing[k], out.ground[k] = f.by(1/weight), g.by(1/weight)
		}
		if weight == 0 || !l.known[k] {
			out.trust[k] = 0
			if t.mask[at] {
				out.alpha[k] = 1
			}
		}
	}
	return out
}
