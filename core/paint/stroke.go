package paint

import (
	"math"

	"billow/core/alike"
)

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
			if now.closed && alike.Hypot(first[0]-last[0], first[1]-last[1]) > 1e-9 {
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
		dd = max(dd, alike.Hypot(c[i][0]-2*c[i+1][0]+c[i+2][0], c[i][1]-2*c[i+1][1]+c[i+2][1]))
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
		sum += alike.Hypot(l.points[i][0]-l.points[i-1][0], l.points[i][1]-l.points[i-1][1])
	}
	return sum
}

// part is what lies between two lengths along the line.
func (l polyline) part(from, to float64) polyline {
	out := polyline{}
	if to <= from {
		return out
	}
	at := 0.0
	for i := 1; i < len(l.points) && at < to; i++ {
		a, b := l.points[i-1], l.points[i]
		d := alike.Hypot(b[0]-a[0], b[1]-a[1])
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

// Stroked is Drawn with a plain round pen.
func (p Path) Stroked(width, start, end, tolerance float64) Path {
	return p.Drawn(Pen{Width: width, Start: start, End: end}, tolerance)
}

type vec [2]float64

func (v vec) plus(o vec, k float64) vec { return vec{v[0] + k*o[0], v[1] + k*o[1]} }

// line strokes a polyline. Where it bends gently, the two pieces that meet share
// an edge along the bisector; at a sharp corner a wedge fills the outer gap.
func (s *stroker) line(points [][2]float64, closed bool) {
	var pts []vec
	var normals []vec // of each piece, to the right of its way, as long as r
	for _, pt := range points {
		v := vec(pt)
		if n := len(pts); n > 0 {
			dx, dy := v[0]-pts[n-1][0], v[1]-pts[n-1][1]
			d := alike.Hypot(dx, dy)
			if d < 1e-9 {
				continue
			}
			normals = append(normals, vec{-dy / d * s.r, dx / d * s.r})
		}
		pts = append(pts, v)
	}
	n := len(normals)
	if n == 0 {
		return
	}
	join := func(i int) (before, after vec) { // at the beginning of piece i
		if !closed && (i == 0 || i == n) {
			edge := normals[min(i, n-1)]
			return edge, edge
		}
		return s.join(normals[(i-1+n)%n], normals[i%n], pts[i])
	}
	begins, ends := make([]vec, n), make([]vec, n)
	for i := range n + 1 {
		if closed && i == n {
			ends[n-1], _ = s.joined(normals[n-1], normals[0])
			continue
		}
		before, after := join(i)
		if i > 0 {
			ends[i-1] = before
		}
		if i < n {
			begins[i] = after
		}
	}
	for i := range n {
		a, b := pts[i], pts[i+1]
		s.piece(a.plus(begins[i], -1), b.plus(ends[i], -1), b.plus(ends[i], 1), a.plus(begins[i], 1))
	}
	if !closed {
		s.cap(pts[0], normals[0])
		s.cap(pts[n], vec{-normals[n-1][0], -normals[n-1][1]})
	}
}

// cap ends a line at a point; the edge lies clockwise of the way out of the line.
func (s *stroker) cap(at, edge vec) {
	back := vec{-edge[0], -edge[1]}
	switch s.pen.Cap {
	case RoundCap:
		s.fan(at, edge, back)
	case SquareCap:
		out := vec{-edge[1], edge[0]}
		s.piece(at.plus(edge, 1), at.plus(edge, 1).plus(out, 1), at.plus(back, 1).plus(out, 1), at.plus(back, 1))
	}
}

// joined is the edge that two pieces share, for each of them: the bisector where
// they bend by less than 60 degrees, else each its own.
func (s *stroker) joined(n1, n2 vec) (before, after vec) {
	sum := n1.plus(n2, 1)
	dot := (n1[0]*n2[0] + n1[1]*n2[1]) / (s.r * s.r)
	if dot < 0.5 {
		return n1, n2
	}
	k := 1 / (1 + dot) // the bisector reaches both sides' edges
	edge := vec{sum[0] * k, sum[1] * k}
	return edge, edge
}

// join is joined, with a wedge on the outer side of a sharp corner.
func (s *stroker) join(n1, n2, at vec) (before, after vec) {
	before, after = s.joined(n1, n2)
	if before == after {
		return before, after
	}
	from, to := n2, n1
	if n1[0]*n2[1]-n1[1]*n2[0] > 0 {
		from, to = vec{-n1[0], -n1[1]}, vec{-n2[0], -n2[1]}
	}
	dot := (n1[0]*n2[0] + n1[1]*n2[1]) / (s.r * s.r)
	switch {
	case s.pen.Join == RoundJoin:
		s.fan(at, from, to)
	case s.pen.Join == MiterJoin && 2/(1+dot) <= s.pen.miter()*s.pen.miter():
		k := 1 / (1 + dot)
		s.piece(at, at.plus(from, 1), at.plus(from, k).plus(to, k), at.plus(to, 1))
	default:
		s.piece(at, at.plus(from, 1), at.plus(to, 1))
	}
	return before, after
}

func (s *stroker) piece(corners ...vec) {
	for i, c := range corners {
		op := byte('L')
		if i == 0 {
			op = 'M'
		}
		s.out = append(s.out, Segment{op, [3][2]float64{c}})
	}
}

// fan is a slice of a disc about a point, clockwise from one edge to another.
func (s *stroker) fan(at, from, to vec) {
	a := math.Atan2(from[1], from[0])
	b := math.Atan2(to[1], to[0])
	if b < a {
		b += 2 * math.Pi
	}
	n := max(2, int(math.Ceil((b-a)*math.Sqrt(s.r)*1.6)))
	corners := []vec{at}
	for i := range n + 1 {
		sin, cos := math.Sincos(a + (b-a)*float64(i)/float64(n))
		corners = append(corners, at.plus(vec{cos, sin}, s.r))
	}
	s.piece(corners...)
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
		out = append(out, Segment{'M', [3][2]float64{last.P[last.Points()-1]}})
		for i := to - 1; i > from; i-- {
			prev := p[i-1]
			end := prev.P[prev.Points()-1]
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
