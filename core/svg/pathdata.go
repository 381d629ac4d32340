package svg

import (
	"math"

	"billow/core/paint"
)

// pathData reads what d of a path says. As SVG asks, what comes before a mistake is
// drawn; ok tells that there is none.
func pathData(d string) (p paint.Path, ok bool) {
	c := scanner{s: d}
	t := tracer{}
	op := byte(0)
	for !c.done() {
		if b := c.s[c.at]; b >= 'A' && b != 'e' && b != 'E' {
			op = b
			c.at++
			if op|0x20 == 'z' {
				if !t.begun {
					return t.p, false
				}
				t.close()
				continue
			}
		} else if op == 0 || op|0x20 == 'z' {
			return t.p, false
		}
		if op|0x20 != 'm' && !t.begun {
			return t.p, false
		}
		if !t.step(&c, op) {
			return t.p, false
		}
		switch op { // more points after a move are lines
		case 'M':
			op = 'L'
		case 'm':
			op = 'l'
		}
	}
	return t.p, true
}

// tracer makes a path of steps. All contours begin open; one that is closed is marked
// afterwards.
type tracer struct {
	p      paint.Path
	begun  bool
	from   int        // where the contour begins in p
	at     [2]float64 // the pen
	start  [2]float64 // of the contour
	bend   [2]float64 // the last control point
	before byte       // the last step
	moved  bool       // the contour was closed: the next step begins another one
}

func (t *tracer) close() {
	t.p[t.from].Op = 'M'
	t.at, t.moved, t.before = t.start, true, 'z'
}

func (t *tracer) begin(x, y float64) {
	t.from = len(t.p)
	t.p = append(t.p, paint.Segment{Op: 'O', P: [3][2]float64{{x, y}}})
	t.at, t.start, t.begun, t.moved = [2]float64{x, y}, [2]float64{x, y}, true, false
}

func (t *tracer) add(op byte, points ...[2]float64) {
	if t.moved {
		t.begin(t.at[0], t.at[1])
	}
	s := paint.Segment{Op: op}
	copy(s.P[:], points)
	t.p = append(t.p, s)
	t.at = points[len(points)-1]
}

// counts are how many numbers a step has.
var counts = map[byte]int{'m': 2, 'l': 2, 'h': 1, 'v': 1, 'c': 6, 's': 4, 'q': 4, 't': 2}

func (t *tracer) step(c *scanner, op byte) bool {
	low := op | 0x20
	if low == 'a' {
		return t.arc(c, op == 'a')
	}
	n, known := counts[low]
	if !known {
		return false
	}
	var v [6]float64
	for i := range n {
		var ok bool
		if v[i], ok = c.number(); !ok {
			return false
		}
	}
	x0, y0 := 0.0, 0.0
	if op == low {
		x0, y0 = t.at[0], t.at[1]
	}
	pt := func(i int) [2]float64 { return [2]float64{x0 + v[i], y0 + v[i+1]} }
	mirrored := func(after string) [2]float64 {
		for i := range len(after) {
			if t.before == after[i] {
				return [2]float64{2*t.at[0] - t.bend[0], 2*t.at[1] - t.bend[1]}
			}
		}
		return t.at
	}
	switch low {
	case 'm':
		t.begin(x0+v[0], y0+v[1])
	case 'l':
		t.add('L', pt(0))
	case 'h':
		t.add('L', [2]float64{x0 + v[0], t.at[1]})
	case 'v':
		t.add('L', [2]float64{t.at[0], y0 + v[0]})
	case 'c':
		t.bend = pt(2)
		t.add('C', pt(0), t.bend, pt(4))
	case 's':
		first := mirrored("cs")
		t.bend = pt(0)
		t.add('C', first, t.bend, pt(2))
	case 'q':
		t.bend = pt(0)
		t.add('Q', t.bend, pt(2))
	case 't':
		t.bend = mirrored("qt")
		t.add('Q', t.bend, pt(0))
	}
	t.before = low
	return true
}

func (t *tracer) arc(c *scanner, relative bool) bool {
	var v [5]float64
	var large, sweep, ok bool
	for i := range 3 {
		if v[i], ok = c.number(); !ok {
			return false
		}
	}
	if large, ok = c.flag(); !ok {
		return false
	}
	if sweep, ok = c.flag(); !ok {
		return false
	}
	for i := 3; i < 5; i++ {
		if v[i], ok = c.number(); !ok {
			return false
		}
	}
	if relative {
		v[3], v[4] = v[3]+t.at[0], v[4]+t.at[1]
	}
	for _, s := range arcs(t.at, v[0], v[1], v[2], large, sweep, [2]float64{v[3], v[4]}) {
		t.add(s.Op, s.P[:s.Points()]...)
	}
	t.before = 'a'
	return true
}

// arcs is an arc as curves, each of at most a quarter (SVG 2, "Elliptical arc
// implementation notes").
func arcs(from [2]float64, rx, ry, turn float64, large, sweep bool, to [2]float64) paint.Path {
	rx, ry = math.Abs(rx), math.Abs(ry)
	if from == to {
		return nil
	}
	if rx == 0 || ry == 0 {
		return paint.Path{{Op: 'L', P: [3][2]float64{to}}}
	}
	sin, cos := math.Sincos(turn * math.Pi / 180)
	dx, dy := (from[0]-to[0])/2, (from[1]-to[1])/2
	x, y := cos*dx+sin*dy, cos*dy-sin*dx
	if wide := x*x/(rx*rx) + y*y/(ry*ry); wide > 1 {
		rx, ry = rx*math.Sqrt(wide), ry*math.Sqrt(wide)
	}
	k := math.Sqrt(max(0, (rx*rx*ry*ry-rx*rx*y*y-ry*ry*x*x)/(rx*rx*y*y+ry*ry*x*x)))
	if large == sweep {
		k = -k
	}
	cx, cy := k*rx*y/ry, -k*ry*x/rx
	begin := math.Atan2((y-cy)/ry, (x-cx)/rx)
	sweeps := math.Atan2((-y-cy)/ry, (-x-cx)/rx) - begin
	switch {
	case sweep && sweeps < 0:
		sweeps += 2 * math.Pi
	case !sweep && sweeps > 0:
		sweeps -= 2 * math.Pi
	}
	n := max(1, int(math.Ceil(math.Abs(sweeps)/(math.Pi/2)-1e-9)))
	step := sweeps / float64(n)
	arm := 4.0 / 3 * math.Tan(step/4)
	mx, my := (from[0]+to[0])/2, (from[1]+to[1])/2
	place := func(u, v float64) [2]float64 {
		u, v = (u+cx/rx)*rx, (v+cy/ry)*ry
		return [2]float64{cos*u - sin*v + mx, sin*u + cos*v + my}
	}
	var out paint.Path
	for i := range n {
		s0, c0 := math.Sincos(begin + float64(i)*step)
		s1, c1 := math.Sincos(begin + float64(i+1)*step)
		end := place(c1, s1)
		if i == n-1 {
			end = to
		}
		out = append(out, paint.Segment{Op: 'C', P: [3][2]float64{place(c0-arm*s0, s0+arm*c0), place(c1+arm*s1, s1-arm*c1), end}})
	}
	return out
}
