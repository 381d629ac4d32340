package paint

import "math"

// polyline is a flattened contour.
type polyline struct {
	points [][2]float64
	closed bool
}

// flattened turns curves into lines that stay within tolerance of them. Open
// contours are those of paths made with OpenPath.
func (p Path) flattened(tolerance float64) []polyline {
	var out []polyline
	var now polyline
	end := func() {
		if len(now.points) > 1 {
			first, last := now.points[0], now.points[len(now.points)-1]
			if now.closed && math.Hypot(first[0]-last[0], first[1]-last[1]) > 1e-9 {
				now.points = append(now.points, first)
			}
			out = append(out, now)
		}
		now = polyline{}
	}
	for _, s := range p {
		var from [2]float64
		if n := len(now.points); n > 0 {
			from = now.points[n-1]
		}
		switch s.Op {
		case 'M':
			end()
			now = polyline{points: [][2]float64{s.P[0]}, closed: true}
		case 'O':
			end()
			now = polyline{points: [][2]float64{s.P[0]}}
		case 'L':
			now.points = append(now.points, s.P[0])
		case 'Q', 'C':
			c := [4][2]float64{from, s.P[0], s.P[1], s.P[2]}
			if s.Op == 'Q' {
				// The same curve as a cubic one.
				for d := range 2 {
					c[1][d], c[2][d], c[3][d] = from[d]+2*(s.P[0][d]-from[d])/3, s.P[1][d]+2*(s.P[0][d]-s.P[1][d])/3, s.P[1][d]
				}
			}
			now.points = appendCurve(now.points, c, tolerance)
		}
	}
	end()
	return out
}

// appendCurve divides a cubic curve evenly: the distance of a curve from n
// chords is at most the size of its second differences over 8 n squared, times
// 6 for a cubic (Wang, "Improved flattening", bound).
func appendCurve(points [][2]float64, c [4][2]float64, tolerance float64) [][2]float64 {
	dd := 0.0
	for i := range 2 {
		dd = max(dd, math.Hypot(c[i][0]-2*c[i+1][0]+c[i+2][0], c[i][1]-2*c[i+1][1]+c[i+2][1]))
	}
	n := int(min(max(math.Ceil(math.Sqrt(0.75*dd/tolerance)), 1), 200))
	for i := 1; i <= n; i++ {
		u := float64(i) / float64(n)
		v := 1 - u
		w := [4]float64{v * v * v, 3 * v * v * u, 3 * v * u * u, u * u * u}
		var pt [2]float64
		for k := range c {
			pt[0], pt[1] = pt[0]+w[k]*c[k][0], pt[1]+w[k]*c[k][1]
		}
		points = append(points, pt)
	}
	return points
}

func (l polyline) length() float64 {
	sum := 0.0
	for i := 1; i < len(l.points); i++ {
		sum += math.Hypot(l.points[i][0]-l.points[i-1][0], l.points[i][1]-l.points[i-1][1])
	}
	return sum
}

// part is what lies between two lengths along the line.
func (l polyline) part(from, to float64) polyline {
	out := polyline{}
	at := 0.0
	for i := 1; i < len(l.points) && at < to; i++ {
		a, b := l.points[i-1], l.points[i]
		d := math.Hypot(b[0]-a[0], b[1]-a[1])
		next := at + d
		if d > 0 && next > from {
			on := func(want float64) [2]float64 {
				t := min(max((want-at)/d, 0), 1)
				return [2]float64{a[0] + (b[0]-a[0])*t, a[1] + (b[1]-a[1])*t}
			}
			if len(out.points) == 0 {
				out.points = append(out.points, on(from))
			}
			out.points = append(out.points, on(to))
		}
		at = next
	}
	return out
}

// Stroked is the outline of a line of a width drawn along the path, with round
// ends and corners; only what lies between the shares start and end (0..1) of
// each contour's length is drawn. All pieces turn the same way, so that they
// fill as one.
func (p Path) Stroked(width, start, end, tolerance float64) Path {
	var out Path
	start, end = min(max(start, 0), 1), min(max(end, 0), 1)
	if width <= 0 || end <= start {
		return nil
	}
	for _, l := range p.flattened(tolerance) {
		if start > 0 || end < 1 {
			whole := l.length()
			l = l.part(start*whole, end*whole)
		}
		for i := 1; i < len(l.points); i++ {
			out = appendBar(out, l.points[i-1], l.points[i], width/2)
		}
		for i, pt := range l.points {
			if i == 0 && l.closed && start <= 0 && end >= 1 {
				continue // the last point is the first one
			}
			if i > 0 && i < len(l.points)-1 && onward(l.points[i-1], pt, l.points[i+1]) {
				continue
			}
			out = append(out, RoundRect(width, width, width/2).Transformed(Translate(pt[0], pt[1]))...)
		}
	}
	return out
}

// onward tells whether a line turns so little that it leaves no gap.
func onward(a, b, c [2]float64) bool {
	ux, uy, vx, vy := b[0]-a[0], b[1]-a[1], c[0]-b[0], c[1]-b[1]
	cross, dot := ux*vy-uy*vx, ux*vx+uy*vy
	return dot > 0 && math.Abs(cross) < 0.02*dot
}

// appendBar adds a rectangle along a line, turning the way RoundRect does.
func appendBar(path Path, a, b [2]float64, r float64) Path {
	dx, dy := b[0]-a[0], b[1]-a[1]
	d := math.Hypot(dx, dy)
	if d == 0 {
		return path
	}
	nx, ny := -dy/d*r, dx/d*r
	line := func(op byte, x, y float64) Segment { return Segment{op, [3][2]float64{{x, y}}} }
	return append(path,
		line('M', a[0]-nx, a[1]-ny), line('L', b[0]-nx, b[1]-ny),
		line('L', b[0]+nx, b[1]+ny), line('L', a[0]+nx, a[1]+ny))
}

// Line is an open path between two points, for stroking.
func Line(x0, y0, x1, y1 float64) Path {
	return Path{{'O', [3][2]float64{{x0, y0}}}, {'L', [3][2]float64{{x1, y1}}}}
}

// Reversed turns every contour the other way, so that it cuts a hole into one
// around it. Only closed contours of lines and cubic curves are turned.
func (p Path) Reversed() Path {
	var out Path
	for from := 0; from < len(p); {
		to := from + 1
		for to < len(p) && p[to].Op != 'M' {
			to++
		}
		last := p[to-1]
		out = append(out, Segment{'M', [3][2]float64{last.P[last.points()-1]}})
		for i := to - 1; i > from; i-- {
			prev := p[i-1]
			end := prev.P[prev.points()-1]
			s := p[i]
			switch s.Op {
			case 'C':
				out = append(out, Segment{'C', [3][2]float64{s.P[1], s.P[0], end}})
			default:
				out = append(out, Segment{'L', [3][2]float64{end}})
			}
		}
		from = to
	}
	return out
}
