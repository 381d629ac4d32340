package paint

import "math"

// Figures lie about the origin; sizes and radii are in units, angles in degrees
// clockwise from up. Their contours go clockwise, holes the other way.

func moveTo(x, y float64) Segment { return Segment{'M', [3][2]float64{{x, y}}} }
func lineTo(x, y float64) Segment { return Segment{'L', [3][2]float64{{x, y}}} }

// Polygon is a closed contour of straight lines.
func polygonOf(points [][2]float64) Path {
	p := make(Path, len(points))
	for i, at := range points {
		p[i] = lineTo(at[0], at[1])
	}
	p[0].Op = 'M'
	return p
}

// Corners is a rectangle with a radius for each corner: upper left, upper right, lower
// right, lower left. As in CSS, radii that do not fit beside each other all shrink.
func Corners(w, h float64, radius [4]float64) Path {
	k := 1.0
	fit := func(a, b, side float64) {
		if a+b > side && a+b > 0 {
			k = min(k, side/(a+b))
		}
	}
	fit(radius[0], radius[1], w)
	fit(radius[2], radius[3], w)
	fit(radius[1], radius[2], h)
	fit(radius[3], radius[0], h)
	x, y := w/2, h/2
	var p Path
	// Each corner with the ways to it and from it.
	for i, c := range [4][2]float64{{-x, -y}, {x, -y}, {x, y}, {-x, y}} {
		r := max(radius[i], 0) * k
		to := [4][2]float64{{0, 1}, {-1, 0}, {0, -1}, {1, 0}}[i] // from where the contour comes
		on := [4][2]float64{{1, 0}, {0, 1}, {-1, 0}, {0, -1}}[i] // to where it goes
		at := func(d [2]float64, far float64) [2]float64 { return [2]float64{c[0] + d[0]*far, c[1] + d[1]*far} }
		a := at(to, r)
		p = append(p, lineTo(a[0], a[1]))
		if r > 0 {
			p = append(p, Segment{'C', [3][2]float64{at(to, r*(1-kappa)), at(on, r*(1-kappa)), at(on, r)}})
		}
	}
	p[0].Op = 'M'
	return p
}

// Star is a figure of n points with its corners between them at a share of the radius;
// all of it is a polygon.
func Star(radius float64, n int, inner float64) Path {
	var points [][2]float64
	for i := range n {
		for half, r := range [2]float64{radius, radius * inner} {
			if half == 1 && inner >= 1 {
				continue
			}
			s, c := math.Sincos((float64(i) + float64(half)/2) * 2 * math.Pi / float64(n))
			points = append(points, [2]float64{r * s, -r * c})
		}
	}
	return polygonOf(points)
}

// Ring is an ellipse with a hole, at a share of its size, or a part of it that begins at
// an angle and goes on by another, at most 360.
func Ring(w, h, inner, begin, sweep float64) Path {
	inner = min(max(inner, 0), 1)
	if sweep >= 360 {
		p := Ellipse(w, h)
		if inner > 0 {
			p = append(p, Ellipse(w*inner, h*inner).Reversed()...)
		}
		return p
	}
	if sweep <= 0 || inner >= 1 {
		return nil
	}
	at := func(r, angle float64) (x, y float64) {
		x, y = onCircle(r, angle)
		return x * w / 2, y * h / 2
	}
	x, y := at(1, begin)
	p := append(Path{moveTo(x, y)}, arc(at, 1, begin, begin+sweep)...)
	if inner == 0 {
		return append(p, lineTo(0, 0))
	}
	x, y = at(inner, begin+sweep)
	return append(append(p, lineTo(x, y)), arc(at, inner, begin+sweep, begin)...)
}

// onCircle is the place on a circle of a radius at an angle in degrees, clockwise from above.
func onCircle(r, angle float64) (x, y float64) {
	s, c := math.Sincos(angle * math.Pi / 180)
	return r * s, -r * c
}

// arc follows an arc by curves of at most 45 degrees; at gives a place by its share of
// the radius and its angle.
func arc(at func(r, angle float64) (x, y float64), r, from, to float64) Path {
	n := max(1, int(math.Ceil(math.Abs(to-from)/45)))
	step := (to - from) / float64(n)
	// The handles of a circle's arc lie on its tangents, 4/3 tan(a/4) away; scaled as
	// the radius is, they are those of the ellipse.
	k := 4.0 / 3 * math.Tan(step*math.Pi/720)
	var p Path
	for i := range n {
		a, b := from+float64(i)*step, from+float64(i+1)*step
		ax, ay := at(r, a)
		atx, aty := at(r, a+90)
		bx, by := at(r, b)
		btx, bty := at(r, b+90)
		p = append(p, Segment{'C', [3][2]float64{{ax + k*atx, ay + k*aty}, {bx - k*btx, by - k*bty}, {bx, by}}})
	}
	return p
}

// Arrow points to the right: a shaft at a share of the height, and a head as long as
// that is high, or shorter where there is no room.
func Arrow(w, h, shaft float64) Path {
	x, y, s := w/2, h/2, h/2*min(max(shaft, 0), 1)
	neck := x - min(h*0.9, w)
	return polygonOf([][2]float64{{-x, -s}, {neck, -s}, {neck, -y}, {x, 0}, {neck, y}, {neck, s}, {-x, s}})
}

// Rounded is a path of straight lines with its corners rounded by arcs of a radius, or
// of as much as fits into half of the shorter line beside a corner. Curves stay.
func (p Path) Rounded(radius float64) Path {
	if radius <= 0 {
		return p
	}
	var out Path
	for from := 0; from < len(p); {
		to := from + 1
		straight := p[from].Op == 'M'
		for to < len(p) && p[to].Op != 'M' && p[to].Op != 'O' {
			straight = straight && p[to].Op == 'L'
			to++
		}
		if straight && to-from > 2 {
			out = append(out, rounded(p[from:to], radius)...)
		} else {
			out = append(out, p[from:to]...)
		}
		from = to
	}
	return out
}

func rounded(p Path, radius float64) Path {
	n := len(p)
	point := func(i int) vec { return p[(i+n)%n].P[0] }
	var out Path
	for i := range n {
		a, at, b := point(i-1), point(i), point(i+1)
		in, on := vec{a[0] - at[0], a[1] - at[1]}, vec{b[0] - at[0], b[1] - at[1]}
		la, lb := math.Sqrt(in[0]*in[0]+in[1]*in[1]), math.Sqrt(on[0]*on[0]+on[1]*on[1])
		if la == 0 || lb == 0 {
			continue
		}
		in, on = vec{in[0] / la, in[1] / la}, vec{on[0] / lb, on[1] / lb}
		// Half the angle between the lines; the arc touches them that far from the corner.
		half := math.Acos(min(max(in[0]*on[0]+in[1]*on[1], -1), 1)) / 2
		if math.Tan(half) == 0 {
			out = append(out, lineTo(at[0], at[1]))
			continue
		}
		far := min(radius/math.Tan(half), la/2, lb/2)
		r := far * math.Tan(half)
		k := 4.0 / 3 * math.Tan((math.Pi-2*half)/4) * r
		s, e := at.plus(in, far), at.plus(on, far)
		out = append(out, lineTo(s[0], s[1]), Segment{'C', [3][2]float64{at.plus(in, far-k), at.plus(on, far-k), e}})
	}
	if len(out) > 0 {
		out[0].Op = 'M'
	}
	return out
}
