package cutout

import (
	"math"
	"slices"
)

// prices are what it costs each pixel of a view to be ground, beside 1 for being the
// thing; 0 is surely ground, much above 1 surely the thing.
type prices []float32

const (
	priceUnit = 120 // of the flow's whole numbers in a price of 1
	surely    = 1 << 26
)

// part finds the cheapest border between thing and ground: pixels pay their prices, and
// a border is the cheaper the more the colours on its two sides differ. What is marked
// is as it is marked. Where within is given, only its pixels are decided anew; the
// others stay as they are in before.
func part(v *view, look []colour, p prices, marks []int8, smooth float32, before, within []bool) []bool {
	f := newFlow(v.w, v.h)
	f.in = within
	border := v.bordersOf(look)
	for y := range v.h {
		for x := range v.w {
			i := y*v.w + x
			if within != nil && !within[i] {
				continue
			}
			switch {
			case marks[i] > 0:
				f.prices(i, surely, 0)
			case marks[i] < 0:
				f.prices(i, 0, surely)
			default:
				f.prices(i, int32(min(p[i], 9)*priceUnit), priceUnit)
			}
			for d := 0; d < 8; d++ {
				nx, ny := x+around[d][0], y+around[d][1]
				if nx < 0 || ny < 0 || nx >= v.w || ny >= v.h {
					continue
				}
				j := ny*v.w + nx
				inside := within == nil || within[j]
				if inside && d&1 == 1 {
					continue // its even counterpart links it
				}
				whole := int32(smooth * border.price(i, j, d) * priceUnit)
				switch {
				case inside:
					f.link(i, d, whole)
				case before[j]:
					f.excess[i] += whole
				default:
					f.excess[i] -= whole
				}
			}
		}
	}
	f.run()
	out := make([]bool, len(p))
	for i := range out {
		if within != nil && !within[i] {
			out[i] = before[i]
			continue
		}
		out[i] = f.isThing(i)
	}
	return out
}

// marked draws the strokes of an order, and the outside of its box, on a view: above 0
// where the thing is, below 0 where the ground is, 0 where nothing is said.
func marked(v *view, o *Order) []int8 {
	m := make([]int8, v.w*v.h)
	if b := o.Box; b != nil {
		x0, y0 := int(math.Floor(b[0]/v.across)), int(math.Floor(b[1]/v.down))
		x1, y1 := int(math.Ceil((b[0]+b[2])/v.across)), int(math.Ceil((b[1]+b[3])/v.down))
		for y := range v.h {
			for x := range v.w {
				if x < x0 || y < y0 || x >= x1 || y >= y1 {
					m[y*v.w+x] = ground
				}
			}
		}
	}
	if len(o.Around) > 2 {
		within := make([]int8, len(m))
		v.enclose(within, Stroke{Points: o.Around}, thing)
		for i, in := range within {
			if in == 0 {
				m[i] = ground
			}
		}
	}
	for _, s := range o.Strokes {
		v.draw(m, s)
	}
	return m
}

// nearly is the factor of marks by strokes that stop at edges: they say on which side a pixel
// lies, and leave open how much of it at a border.
const nearly = 2

// draw marks the pixels under a stroke.
func (v *view) draw(m []int8, s Stroke) {
	side := ground
	if s.Stays {
		side = thing
	}
	if s.Inside {
		v.enclose(m, s, side)
		return
	}
	if s.Seeks {
		side *= nearly
	}
	for _, i := range v.pixelsOf(s) {
		m[i] = side
	}
}

// under calls with the pixels under a stroke, or under a share of its width.
func (v *view) under(s Stroke, share float64, with func(i int)) {
	rx, ry := max(share*s.Radius/v.across, .6), max(share*s.Radius/v.down, .6)
	for k := range s.Points {
		a := s.Points[k]
		b := s.Points[min(k+1, len(s.Points)-1)]
		ax, ay := a[0]/v.across, a[1]/v.down
		bx, by := b[0]/v.across, b[1]/v.down
		x0, x1 := clampPair(math.Floor(min(ax, bx)-rx), math.Ceil(max(ax, bx)+rx), v.w)
		y0, y1 := clampPair(math.Floor(min(ay, by)-ry), math.Ceil(max(ay, by)+ry), v.h)
		dx, dy := (bx-ax)/rx, (by-ay)/ry
		long := dx*dx + dy*dy
		for y := y0; y < y1; y++ {
			for x := x0; x < x1; x++ {
				px, py := (float64(x)+.5-ax)/rx, (float64(y)+.5-ay)/ry
				t := 0.
				if long > 0 {
					t = min(max((px*dx+py*dy)/long, 0), 1)
				}
				px, py = px-t*dx, py-t*dy
				if px*px+py*py <= 1 {
					with(y*v.w + x)
				}
			}
		}
	}
}

// middle is the colour along a line.
func (v *view) middle(points [][2]float64) (sum colour) {
	for _, p := range points {
		x := min(max(int(p[0]/v.across), 0), v.w-1)
		y := min(max(int(p[1]/v.down), 0), v.h-1)
		sum = sum.add(v.pix[y*v.w+x])
	}
	return sum.by(1 / float32(len(points)))
}

func clampPair(a, b float64, n int) (int, int) {
	return int(min(max(a, 0), float64(n))), int(min(max(b, 0), float64(n)))
}

// enclose marks what a closed line goes around, by the rule of even and odd.
func (v *view) enclose(m []int8, s Stroke, side int8) {
	for y := range v.h {
		at := (float64(y) + .5) * v.down
		var cross []float64
		for k, a := range s.Points {
			b := s.Points[(k+1)%len(s.Points)]
			if (a[1] <= at) != (b[1] <= at) {
				cross = append(cross, a[0]+(at-a[1])*(b[0]-a[0])/(b[1]-a[1]))
			}
		}
		slices.Sort(cross)
		for k := 0; k+1 < len(cross); k += 2 {
			x0, x1 := clampPair(math.Round(cross[k]/v.across), math.Round(cross[k+1]/v.across), v.w)
			for x := x0; x < x1; x++ {
				m[y*v.w+x] = side
			}
		}
	}
}
