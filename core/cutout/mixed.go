package cutout

import (
	"math"
	"slices"
)

const (
	groundPlaced = .1 // how much places count beside colours
	thingPlaced  = .1
	smoothness   = 4.0 // the price of a border in a part of one colour
	typical      = .9  // of the ground costs no more than what is usual
	nearlyAll    = .97
	rounds       = 5
	groundParts  = 9
	thingParts   = 6
)

// mixedly parts a photo whose ground is not of one colour: mixtures of colours and
// places of thing and ground are learned from a parting and give the next one, a few
// times, at half size. clear is how much likelier the two sides are to be what they are
// than the other, in the mean of the pixels near the border.
//
// There are two courses: on the second one more of what looks as the ground
// does is taken for it, which tells things from textures. It counts where it is clearer,
// unless it loses most of the thing, as where a thing's colours are in the ground too.
func mixedly(v *view, marks []int8, boxed bool) (m *mixing, clear float64) {
	half := v.halved()
	look, small := half.even(), halvedMarks(v, half, marks)
	m, clear = course(half, look, small, boxed, typical)
	strict, clearer := course(half, look, small, boxed, nearlyAll)
	if clearer > clear && sizeOf(strict.mask) > sizeOf(m.mask)*.35 {
		return strict, clearer
	}
	return m, clear
}

func sizeOf(mask []bool) (n float64) {
	for _, m := range mask {
		if m {
			n++
		}
	}
	return n
}

// course learns from one parting to the next; typical is how much of the ground is taken
// for usual.
func course(half *view, look []colour, marks []int8, boxed bool, typical float64) (m *mixing, clear float64) {
	m = &mixing{shade: 1, v: half, look: look, marks: marks, typical: typical}
	m.sides(boxed)
	for range rounds {
		m.learn()
		m.small = m.prices(half, m.look, nil, nil)
		before := m.mask
		m.mask = part(half, m.look, m.small, m.marks, smoothness, nil, nil)
		if !slices.Contains(m.mask, true) || slices.Equal(m.mask, before) {
			break // what is learned from it again would be the same
		}
	}
	return m, m.clear()
}

// parted is the parting at the whole size, with what was painted over: at half size
// first, and then anew near the border, where alone prices are asked for.
func (m *mixing) parted(v *view, look []colour, strokes []Stroke, marks []int8) ([]bool, prices) {
	mask := m.mask
	if small := halvedMarks(v, m.v, marks); !slices.Equal(small, m.marks) {
		p := slices.Clone(m.small)
		lean(m.v, m.look, nil, strokes, p, small)
		mask = part(m.v, m.look, p, small, smoothness, nil, nil)
	}
	before := grown(v, m.v, mask)
	band := bandOf(before, v.w, v.h, reach+4)
	m.whole = m.prices(v, look, band, m.whole)
	p := slices.Clone(m.whole)
	for i, t := range before {
		if !band[i] { // also where it was asked for another order
			p[i] = 0
			if t {
				p[i] = 2
			}
		}
	}
	lean(v, look, nil, strokes, p, marks)
	return part(v, look, p, marks, smoothness, before, bandOf(before, v.w, v.h, 4)), p
}

// in is the parting of another picture of the same footage, by what was learned of this one.
func (m *mixing) in(v *view, marks []int8) *mixing {
	o := *m
	o.v, o.whole = v.halved(), nil
	o.look, o.marks = o.v.even(), halvedMarks(v, o.v, marks)
	o.small = o.prices(o.v, o.look, nil, nil)
	o.mask = part(o.v, o.look, o.small, o.marks, smoothness, nil, nil)
	return &o
}

// mixing is a parting while it is learned.
type mixing struct {
	v             *view
	look          []colour
	marks         []int8
	mask          []bool
	prior         []float32 // how much likelier a place is the thing's, in logarithms
	ground, thing *mixture
	typical       float64 // of the ground costs no more than this share
	shade         float32 // how unlikely shadows are, 1 where the ground has many colours
	small, whole  prices  // at half size, and at the whole as far as they were asked for
}

// sides is the first parting: all that may be the thing within a box, or an oval in the
// middle of the photo.
func (m *mixing) sides(boxed bool) {
	x0, y0, x1, y1 := m.free()
	cx, cy := float64(x0+x1)/2, float64(y0+y1)/2
	rx, ry := max(float64(x1-x0)/2, 1), max(float64(y1-y0)/2, 1)
	if !boxed {
		rx, ry = rx*.8, ry*.8
	}
	m.prior = make([]float32, len(m.look))
	middle := 1.3
	if !boxed {
		middle = .4
	}
	m.mask = make([]bool, len(m.look))
	for y := range m.v.h {
		for x := range m.v.w {
			i := y*m.v.w + x
			u, w := (float64(x)+.5-cx)/rx, (float64(y)+.5-cy)/ry
			far := math.Sqrt(u*u + w*w)
			square := max(math.Abs(u), math.Abs(w))
			// Things fill an oval more often than the corners of their box.
			m.prior[i] = float32(middle * (1 - math.Pow(.5*far+.5*square, 3)*1.6))
			m.mask[i] = m.marks[i] > 0 || (m.marks[i] == 0 && (far < .72 || boxed))
		}
	}
}

// free is the bounds of what was not marked.
func (m *mixing) free() (x0, y0, x1, y1 int) {
	x0, y0 = m.v.w, m.v.h
	for y := range m.v.h {
		for x := range m.v.w {
			if m.marks[y*m.v.w+x] >= 0 {
				x0, y0, x1, y1 = min(x0, x), min(y0, y), max(x1, x+1), max(y1, y+1)
			}
		}
	}
	if x1 == 0 {
		return 0, 0, m.v.w, m.v.h
	}
	return x0, y0, x1, y1
}

// learn fits both mixtures to the parting. Ground near the thing tells more than what is
// far off, so that of the outside only every third pixel is looked at.
func (m *mixing) learn() {
	var things, grounds []int32
	for i, t := range m.mask {
		switch {
		case t:
			things = append(things, int32(i))
		case m.marks[i] >= 0 || i%3 == 0:
			grounds = append(grounds, int32(i))
		}
	}
	m.ground = mixtureOf(samplesOf(m.v, m.look, grounds, nil), groundParts, m.v.noise, groundPlaced)
	things = m.unlike(things, grounds)
	m.thing = mixtureOf(samplesOf(m.v, m.look, things, nil), thingParts, m.v.noise, thingPlaced)
}

// unlike leaves out those pixels of the thing that the ground would have gladly: they may
// be ground that is seen through a hole, and the thing's colours are to be learned from
// what is surely its own.
func (m *mixing) unlike(things, grounds []int32) []int32 {
	step := max(1, len(grounds)/3000)
	var costs []float32
	for k := 0; k < len(grounds); k += step {
		costs = append(costs, m.groundCost(m.v, m.look[grounds[k]], int(grounds[k])))
	}
	if len(costs) == 0 {
		return things
	}
	slices.Sort(costs)
	m.shade = .5 + .5*min(max((costs[len(costs)/2]-few)/(many-few), 0), 1)
	most := costs[int(float64(len(costs)-1)*m.typical)]
	own := make([]int32, 0, len(things))
	for _, i := range things {
		if m.marks[i] > 0 || m.groundCost(m.v, m.look[i], int(i)) > most {
			own = append(own, i)
		}
	}
	if len(own) < len(things)/8 {
		return things
	}
	return own
}

// few and many are how unlikely a pixel of the ground is in the middle of all, where it
// has few colours and where it has many: of many, one is like any shadow.
const few, many = 10.8, 11.6

// shades are how much light a shadow leaves, and how much less likely that is.
var shades = [...]struct{ light, cost float32 }{{.84, .9}, {.7, 1.7}, {.56, 2.6}}

func (m *mixing) groundCost(v *view, c colour, i int) float32 {
	k := v.placed()
	s := sample{c[0], c[1], c[2], float32(i%v.w) * k * groundPlaced, float32(i/v.w) * k * groundPlaced}
	_, least := m.ground.nearest(&s)
	best := m.ground.best()
	for _, shade := range shades {
		if best+m.shade*shade.cost >= least {
			break // those that follow cost more
		}
		t := s
		for j := range 3 {
			t[j] = min(c[j]/shade.light, 255)
		}
		if _, cost := m.ground.nearest(&t); cost+m.shade*shade.cost < least {
			least = cost + m.shade*shade.cost
		}
	}
	return least
}

func (m *mixing) thingCost(v *view, c colour, i int) float32 {
	k := v.placed()
	_, cost := m.thing.nearest(&sample{c[0], c[1], c[2], float32(i%v.w) * k * thingPlaced, float32(i/v.w) * k * thingPlaced})
	return cost
}

// unpriced is the price of what was not asked for.
const unpriced = -9

// prices prices the pixels of a view, all or some; those of known that have a price keep it.
func (m *mixing) prices(v *view, look []colour, only []bool, known prices) prices {
	p := known
	if p == nil {
		p = make(prices, len(look))
		for i := range p {
			p[i] = unpriced
		}
	}
	for i, c := range look {
		if p[i] != unpriced || only != nil && !only[i] {
			continue
		}
		if v == m.v && m.marks[i] < 0 {
			p[i] = 0 // it lies outside the box, whatever it costs
			continue
		}
		at := i
		if v != m.v {
			at = i/v.w/2*m.v.w + i%v.w/2
		}
		odds := m.groundCost(v, c, i) - m.thingCost(v, c, i) + m.prior[at]
		p[i] = 1 + min(max(odds/4, -1), 4)
	}
	return p
}

// clear is the mean of how sure the pixels near the border are of their side, 0..1.
func (m *mixing) clear() float64 {
	band := bandOf(m.mask, m.v.w, m.v.h, 6)
	var sum, n float64
	for i, in := range band {
		if !in {
			continue
		}
		odds := float64(m.groundCost(m.v, m.look[i], i) - m.thingCost(m.v, m.look[i], i))
		if !m.mask[i] {
			odds = -odds
		}
		sum += min(max(odds/8, -1), 1)
		n++
	}
	if n == 0 {
		return 0
	}
	return max(0, sum/n)
}

func halvedMarks(v, half *view, marks []int8) []int8 {
	out := make([]int8, half.w*half.h)
	for y := range half.h {
		for x := range half.w {
			out[y*half.w+x] = marks[2*y*v.w+2*x]
			for _, d := range [][2]int{{1, 0}, {0, 1}, {1, 1}} {
				if px, py := 2*x+d[0], 2*y+d[1]; px < v.w && py < v.h {
					if m := marks[py*v.w+px]; m > 0 {
						out[y*half.w+x] = m
					}
				}
			}
		}
	}
	return out
}

// grown is a parting of half size at the whole.
func grown(v, half *view, mask []bool) []bool {
	out := make([]bool, v.w*v.h)
	for y := range v.h {
		for x := range v.w {
			out[y*v.w+x] = mask[y/2*half.w+x/2]
		}
	}
	return out
}

// bandOf is all pixels whose distance from the border of a parting is at most so many
// pixels, along rows and columns.
func bandOf(mask []bool, w, h, reach int) []bool {
	band := make([]bool, len(mask))
	var open, next []int32
	for y := range h {
		for x := range w {
			i := y*w + x
			if (x > 0 && mask[i-1] != mask[i]) || (x < w-1 && mask[i+1] != mask[i]) ||
				(y > 0 && mask[i-w] != mask[i]) || (y < h-1 && mask[i+w] != mask[i]) {
				band[i] = true
				open = append(open, int32(i))
			}
		}
	}
	for range reach - 1 {
		next = next[:0]
		for _, at := range open {
			i := int(at)
			x, y := i%w, i/w
			for d := range 4 {
				nx, ny := x+around[d][0], y+around[d][1]
				if nx < 0 || ny < 0 || nx >= w || ny >= h || band[ny*w+nx] {
					continue
				}
				band[ny*w+nx] = true
				next = append(next, int32(ny*w+nx))
			}
		}
		open, next = next, open
	}
	return band
}
