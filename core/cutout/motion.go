package cutout

import "math"

// motion is where what is seen at each place of a picture was in the one before, or will
// be in the next. It is the field that changes light least on its way and is smooth (B.
// Horn, B. Schunck, "Determining Optical Flow", Artificial Intelligence 17, 1981), found
// from coarse to fine, the picture being bent anew at each size (T. Brox and others, "High
// Accuracy Optical Flow Estimation Based on a Theory for Warping", 2004).
type motion struct {
	w, h int
	by   []int16 // across and down for each place, in parts of a place
}

// parts of a place that motion is kept in.
const motionParts = 64

// Flowing is the longer side of the pictures that motion is found in, in pixels.
const flowing = 160

const (
	stiffness = 110. // of the field: levels squared
	bendings  = 3    // at each size
	sweeps    = 24   // at each bending
	overshoot = 1.8  // of successive over-relaxation
)

// greys are light and dark, 0..255.
type greys struct {
	w, h int
	of   []float32
}

// greysOf averages a view down to where motion is found.
func greysOf(v *view) *greys {
	g := &greys{v.w, v.h, make([]float32, len(v.pix))}
	for i, c := range v.pix {
		g.of[i] = .299*c[0] + .587*c[1] + .114*c[2]
	}
	k := max(1, float64(max(v.w, v.h))/flowing)
	return g.smaller(max(1, int(math.Round(float64(v.w)/k))), max(1, int(math.Round(float64(v.h)/k))))
}

// smaller averages.
func (g *greys) smaller(w, h int) *greys {
	if w == g.w && h == g.h {
		return g
	}
	out := &greys{w, h, make([]float32, w*h)}
	for y := range h {
		y0, y1 := y*g.h/h, max((y+1)*g.h/h, y*g.h/h+1)
		for x := range w {
			x0, x1 := x*g.w/w, max((x+1)*g.w/w, x*g.w/w+1)
			var sum float32
			for j := y0; j < y1; j++ {
				for _, v := range g.of[j*g.w+x0 : j*g.w+x1] {
					sum += v
				}
			}
			out.of[y*w+x] = sum / float32((y1-y0)*(x1-x0))
		}
	}
	return out
}

// softer takes grain away.
func (g *greys) softer() *greys {
	line := make([]float32, len(g.of))
	out := &greys{g.w, g.h, make([]float32, len(g.of))}
	for y := range g.h {
		row := g.of[y*g.w : (y+1)*g.w]
		for x, c := range row {
			line[y*g.w+x] = (row[max(x-1, 0)] + 2*c + row[min(x+1, g.w-1)]) / 4
		}
	}
	for y := range g.h {
		up, down := max(y-1, 0)*g.w, min(y+1, g.h-1)*g.w
		for x := range g.w {
			out.of[y*g.w+x] = (line[up+x] + 2*line[y*g.w+x] + line[down+x]) / 4
		}
	}
	return out
}

// at reads between pixels.
func (g *greys) at(x, y float32) float32 {
	x, y = min(max(x, 0), float32(g.w-1)), min(max(y, 0), float32(g.h-1))
	x0, y0 := int(x), int(y)
	x1, y1 := min(x0+1, g.w-1), min(y0+1, g.h-1)
	fx, fy := x-float32(x0), y-float32(y0)
	top := g.of[y0*g.w+x0]*(1-fx) + g.of[y0*g.w+x1]*fx
	low := g.of[y1*g.w+x0]*(1-fx) + g.of[y1*g.w+x1]*fx
	return top*(1-fy) + low*fy
}

// motionOf is where what is seen in a lies in b.
func motionOf(a, b *greys) *motion {
	var sizes [][2]int
	for w, h := a.w, a.h; ; w, h = (w+1)/2, (h+1)/2 {
		sizes = append(sizes, [2]int{w, h})
		if min(w, h) < 24 {
			break
		}
	}
	var f *field
	for i := len(sizes) - 1; i >= 0; i-- {
		w, h := sizes[i][0], sizes[i][1]
		f = f.larger(w, h)
		from, to := a.smaller(w, h).softer(), b.smaller(w, h).softer()
		for range bendings {
			f.improve(from, to)
		}
	}
	m := &motion{a.w, a.h, make([]int16, 2*len(f.u))}
	most := float32(math.MaxInt16) / motionParts
	for i := range f.u {
		m.by[2*i] = int16(min(max(f.u[i], -most), most) * motionParts)
		m.by[2*i+1] = int16(min(max(f.v[i], -most), most) * motionParts)
	}
	return m
}

// field is motion while it is found.
type field struct {
	w, h int
	u, v []float32
}

// larger is the same at another size; of nothing it is stillness.
func (f *field) larger(w, h int) *field {
	out := &field{w, h, make([]float32, w*h), make([]float32, w*h)}
	if f == nil {
		return out
	}
	kx, ky := float32(w)/float32(f.w), float32(h)/float32(f.h)
	u, v := &greys{f.w, f.h, f.u}, &greys{f.w, f.h, f.v}
	for y := range h {
		for x := range w {
			sx, sy := (float32(x)+.5)/kx-.5, (float32(y)+.5)/ky-.5
			out.u[y*w+x], out.v[y*w+x] = u.at(sx, sy)*kx, v.at(sx, sy)*ky
		}
	}
	return out
}

// improve bends one picture by what is known and finds what is missing.
func (f *field) improve(a, b *greys) {
	w, h := f.w, f.h
	// What light does along the way, and how it changes from place to place.
	dx, dy, dt := make([]float32, w*h), make([]float32, w*h), make([]float32, w*h)
	bent := &greys{w, h, make([]float32, w*h)}
	for y := range h {
		for x := range w {
			i := y*w + x
			bent.of[i] = b.at(float32(x)+f.u[i], float32(y)+f.v[i])
		}
	}
	for y := range h {
		for x := range w {
			i := y*w + x
			l, r, up, down := y*w+max(x-1, 0), y*w+min(x+1, w-1), max(y-1, 0)*w+x, min(y+1, h-1)*w+x
			dx[i] = (a.of[r] - a.of[l] + bent.of[r] - bent.of[l]) / 4
			dy[i] = (a.of[down] - a.of[up] + bent.of[down] - bent.of[up]) / 4
			// Light as a whole is kept; where a picture ends nothing is known.
			dt[i] = bent.of[i] - a.of[i]
			if px, py := float32(x)+f.u[i], float32(y)+f.v[i]; px < 0 || py < 0 || px > float32(w-1) || py > float32(h-1) {
				dx[i], dy[i], dt[i] = 0, 0, 0
			}
		}
	}
	u, v := append([]float32(nil), f.u...), append([]float32(nil), f.v...)
	for range sweeps {
		for y := range h {
			up, down := max(y-1, 0)*w, min(y+1, h-1)*w
			for x := range w {
				i := y*w + x
				l, r := y*w+max(x-1, 0), y*w+min(x+1, w-1)
				mu := (u[l] + u[r] + u[up+x] + u[down+x]) / 4
				mv := (v[l] + v[r] + v[up+x] + v[down+x]) / 4
				gx, gy := dx[i], dy[i]
				// Of the mean of the neighbours, counted from where the picture was bent to.
				off := (dt[i] + gx*(mu-f.u[i]) + gy*(mv-f.v[i])) / (stiffness + gx*gx + gy*gy)
				u[i] += overshoot * (mu - gx*off - u[i])
				v[i] += overshoot * (mv - gy*off - v[i])
			}
		}
	}
	f.u, f.v = medians(u, w, h), medians(v, w, h)
}

// medians takes the middle one of each nine values, which keeps borders of motion sharp.
func medians(of []float32, w, h int) []float32 {
	out := make([]float32, len(of))
	var nine [9]float32
	for y := range h {
		for x := range w {
			n := 0
			for j := max(y-1, 0); j <= min(y+1, h-1); j++ {
				for i := max(x-1, 0); i <= min(x+1, w-1); i++ {
					c := of[j*w+i]
					k := n
					for ; k > 0 && nine[k-1] > c; k-- {
						nine[k] = nine[k-1]
					}
					nine[k] = c
					n++
				}
			}
			out[y*w+x] = nine[n/2]
		}
	}
	return out
}

// at is the motion at a place between those that are known, in their unit.
func (m *motion) at(x, y float32) (u, v float32) {
	x, y = min(max(x, 0), float32(m.w-1)), min(max(y, 0), float32(m.h-1))
	x0, y0 := int(x), int(y)
	x1, y1 := min(x0+1, m.w-1), min(y0+1, m.h-1)
	fx, fy := x-float32(x0), y-float32(y0)
	add := func(x, y int, k float32) {
		i := 2 * (y*m.w + x)
		u, v = u+k*float32(m.by[i]), v+k*float32(m.by[i+1])
	}
	add(x0, y0, (1-fx)*(1-fy))
	add(x1, y0, fx*(1-fy))
	add(x0, y1, (1-fx)*fy)
	add(x1, y1, fx*fy)
	return u / motionParts, v / motionParts
}
