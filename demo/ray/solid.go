package ray

import "math"

// Solid is a distance field: about how far a point is outside (positive) or
// inside (negative) a thing.
type Solid func(p Vec) float64

// Material is what a surface is made of.
type Material struct {
	Colour Vec
	Detail func(p Vec, c Vec) Vec // changes the colour from place to place
	Metal  bool                   // reflections take the colour
	Rough  float64                // 0 mirror .. 1 matt
	Gloss  float64                // strength of the reflection of what is not metal, 1 is glass
	Glass  float64                // share of light that passes, 0 solid
	Glow   Vec                    // light of its own
	Bump   func(p Vec) float64    // unevenness of the surface
}

// Part is a solid with its material.
type Part struct {
	Solid Solid
	*Material
	// Bound is a sphere around the part; outside it the solid is not asked.
	Centre Vec
	Radius float64
}

// Ball is a sphere about the origin.
func Ball(r float64) Solid { return func(p Vec) float64 { return p.Len() - r } }

// Ellipsoid is about the origin, with half axes r.
func Ellipsoid(r Vec) Solid {
	return func(p Vec) float64 {
		q := Vec{p.X / r.X, p.Y / r.Y, p.Z / r.Z}
		g := Vec{q.X / r.X, q.Y / r.Y, q.Z / r.Z}
		k := q.Len()
		return k * (k - 1) / max(g.Len(), 1e-9)
	}
}

// Box is a box about the origin with half sides s and rounded edges.
func Box(s Vec, round float64) Solid {
	return func(p Vec) float64 {
		q := Vec{math.Abs(p.X) - s.X + round, math.Abs(p.Y) - s.Y + round, math.Abs(p.Z) - s.Z + round}
		out := Vec{max(q.X, 0), max(q.Y, 0), max(q.Z, 0)}
		return out.Len() + min(max(q.X, q.Y, q.Z), 0) - round
	}
}

// Rod is a line from a to b, r0 thick at a and r1 at b.
func Rod(a, b Vec, r0, r1 float64) Solid {
	ab := b.Sub(a)
	n := ab.Dot(ab)
	return func(p Vec) float64 {
		ap := p.Sub(a)
		t := min(max(ap.Dot(ab)/n, 0), 1)
		return ap.Sub(ab.Mul(t)).Len() - (r0 + (r1-r0)*t)
	}
}

// Wire is a row of rods of even thickness through points. Rods are asked in
// groups, and a group only where it could be the nearest.
func Wire(r float64, points ...Vec) Solid {
	type group struct {
		centre Vec
		radius float64
		rods   []Solid
	}
	const size = 4
	var groups []group
	for i := 1; i < len(points); i += size {
		g := group{}
		end := min(i+size, len(points))
		g.centre = points[i-1].Mix(points[end-1], 0.5)
		for k := i; k < end; k++ {
			g.rods = append(g.rods, Rod(points[k-1], points[k], r, r))
			g.radius = max(g.radius, points[k-1].Sub(g.centre).Len()+r, points[k].Sub(g.centre).Len()+r)
		}
		groups = append(groups, g)
	}
	return func(p Vec) float64 {
		d := math.Inf(1)
		for i := range groups {
			g := &groups[i]
			if p.Sub(g.centre).Len()-g.radius >= d {
				continue
			}
			for _, rod := range g.rods {
				d = min(d, rod(p))
			}
		}
		return d
	}
}

// Arc is points along a function of 0..1, for Wire.
func Arc(n int, at func(t float64) Vec) []Vec {
	out := make([]Vec, n+1)
	for i := range out {
		out[i] = at(float64(i) / float64(n))
	}
	return out
}

// Ring lies flat about the y axis.
func Ring(radius, r float64) Solid {
	return func(p Vec) float64 {
		q := math.Hypot(p.X, p.Z) - radius
		return math.Hypot(q, p.Y) - r
	}
}

// Turned turns a closed outline of (radius, height) points about the y axis,
// as on a lathe, with edges rounded by round.
func Turned(round float64, outline ...[2]float64) Solid {
	return lathe(outline, func(x, y float64) float64 {
		d, sign := math.Inf(1), 1.0
		j := len(outline) - 1
		for i := range outline {
			a, b := outline[i], outline[j]
			d = min(d, squareToLine(x, y, a, b))
			c1, c2 := y >= a[1], y < b[1]
			c3 := (b[0]-a[0])*(y-a[1]) > (b[1]-a[1])*(x-a[0])
			if c1 && c2 && c3 || !c1 && !c2 && !c3 {
				sign = -sign
			}
			j = i
		}
		return sign*math.Sqrt(d) - round
	})
}

// Wall is a lathe outline of even thickness along a line of (radius, height)
// points, open at both ends.
func Wall(thick float64, line ...[2]float64) Solid {
	return lathe(line, func(x, y float64) float64 {
		d := math.Inf(1)
		for i := 1; i < len(line); i++ {
			d = min(d, squareToLine(x, y, line[i-1], line[i]))
		}
		return math.Sqrt(d) - thick/2
	})
}

func squareToLine(x, y float64, a, b [2]float64) float64 {
	ex, ey := b[0]-a[0], b[1]-a[1]
	wx, wy := x-a[0], y-a[1]
	t := min(max((wx*ex+wy*ey)/(ex*ex+ey*ey), 0), 1)
	dx, dy := wx-ex*t, wy-ey*t
	return dx*dx + dy*dy
}

// lathe turns a plane distance field about the y axis. Near the outline the
// field is tabulated on a fine grid, since the outline has many lines.
func lathe(outline [][2]float64, field func(x, y float64) float64) Solid {
	const margin, n = 0.34, 900
	lo, hi := [2]float64{0, math.Inf(1)}, [2]float64{0, math.Inf(-1)}
	for _, p := range outline {
		hi[0] = max(hi[0], p[0]+margin)
		lo[1], hi[1] = min(lo[1], p[1]-margin), max(hi[1], p[1]+margin)
	}
	k := n / max(hi[0], hi[1]-lo[1])
	w, h := int(hi[0]*k)+2, int((hi[1]-lo[1])*k)+2
	table := make([]float32, w*h)
	rows(h, func(y int) {
		for x := range w {
			table[y*w+x] = float32(field(float64(x)/k, lo[1]+float64(y)/k))
		}
	})
	return func(p Vec) float64 {
		x, y := math.Sqrt(p.X*p.X+p.Z*p.Z), p.Y
		fx, fy := x*k, (y-lo[1])*k
		ix, iy := int(fx), int(fy)
		if fy < 0 || ix >= w-1 || iy >= h-1 {
			// Far away, the distance to the box around the outline will do.
			dx, dy := x-hi[0]+margin, max(lo[1]+margin-y, y-hi[1]+margin)
			return math.Hypot(max(dx, 0), max(dy, 0))
		}
		tx, ty := fx-float64(ix), fy-float64(iy)
		at := iy*w + ix
		top := float64(table[at])*(1-tx) + float64(table[at+1])*tx
		low := float64(table[at+w])*(1-tx) + float64(table[at+w+1])*tx
		return top*(1-ty) + low*ty
	}
}

// Curve samples a smooth line through points (Catmull-Rom), for Turned and Wall.
func Curve(steps int, pts ...[2]float64) [][2]float64 {
	at := func(i int) [2]float64 { return pts[min(max(i, 0), len(pts)-1)] }
	var out [][2]float64
	for i := 0; i < len(pts)-1; i++ {
		a, b, c, d := at(i-1), at(i), at(i+1), at(i+2)
		for s := range steps {
			t := float64(s) / float64(steps)
			f := func(k int) float64 {
				return 0.5 * (2*b[k] + (c[k]-a[k])*t + (2*a[k]-5*b[k]+4*c[k]-d[k])*t*t + (3*b[k]-a[k]-3*c[k]+d[k])*t*t*t)
			}
			out = append(out, [2]float64{f(0), f(1)})
		}
	}
	return append(out, pts[len(pts)-1])
}

// Union is all of the solids.
func Union(solids ...Solid) Solid {
	return func(p Vec) float64 {
		d := math.Inf(1)
		for _, s := range solids {
			d = min(d, s(p))
		}
		return d
	}
}

// Blend joins two solids with a soft seam k wide.
func Blend(a, b Solid, k float64) Solid {
	return func(p Vec) float64 {
		da, db := a(p), b(p)
		h := max(k-math.Abs(da-db), 0) / k
		return min(da, db) - h*h*k/4
	}
}

// Without is a less b.
func Without(a, b Solid) Solid { return func(p Vec) float64 { return max(a(p), -b(p)) } }

// Both is what a and b share.
func Both(a, b Solid) Solid { return func(p Vec) float64 { return max(a(p), b(p)) } }

// At moves a solid.
func At(by Vec, s Solid) Solid { return func(p Vec) float64 { return s(p.Sub(by)) } }

// SpunY, SpunX and SpunZ turn a solid about an axis, in degrees.
func SpunY(deg float64, s Solid) Solid {
	r := -deg * math.Pi / 180
	return func(p Vec) float64 { return s(p.TurnY(r)) }
}

func SpunX(deg float64, s Solid) Solid {
	r := -deg * math.Pi / 180
	return func(p Vec) float64 { return s(p.TurnX(r)) }
}

func SpunZ(deg float64, s Solid) Solid {
	r := -deg * math.Pi / 180
	return func(p Vec) float64 { return s(p.TurnZ(r)) }
}
