// Package ray draws lit three-dimensional things by marching rays through
// distance fields: the sample world's product photos.
package ray

import "math"

// Vec is a point, direction or linear colour. x points right, y up, z to the viewer.
type Vec struct{ X, Y, Z float64 }

func V(x, y, z float64) Vec            { return Vec{x, y, z} }
func (a Vec) Add(b Vec) Vec            { return Vec{a.X + b.X, a.Y + b.Y, a.Z + b.Z} }
func (a Vec) Sub(b Vec) Vec            { return Vec{a.X - b.X, a.Y - b.Y, a.Z - b.Z} }
func (a Vec) Mul(k float64) Vec        { return Vec{a.X * k, a.Y * k, a.Z * k} }
func (a Vec) Times(b Vec) Vec          { return Vec{a.X * b.X, a.Y * b.Y, a.Z * b.Z} }
func (a Vec) Dot(b Vec) float64        { return a.X*b.X + a.Y*b.Y + a.Z*b.Z }
func (a Vec) Len() float64             { return math.Sqrt(a.Dot(a)) }
func (a Vec) Unit() Vec                { return a.Mul(1 / max(a.Len(), 1e-12)) }
func (a Vec) Mix(b Vec, t float64) Vec { return a.Mul(1 - t).Add(b.Mul(t)) }

func (a Vec) Cross(b Vec) Vec {
	return Vec{a.Y*b.Z - a.Z*b.Y, a.Z*b.X - a.X*b.Z, a.X*b.Y - a.Y*b.X}
}

// TurnY, TurnX and TurnZ turn a point about an axis, in radians.
func (a Vec) TurnY(r float64) Vec {
	s, c := math.Sincos(r)
	return Vec{c*a.X + s*a.Z, a.Y, -s*a.X + c*a.Z}
}

func (a Vec) TurnX(r float64) Vec {
	s, c := math.Sincos(r)
	return Vec{a.X, c*a.Y - s*a.Z, s*a.Y + c*a.Z}
}

func (a Vec) TurnZ(r float64) Vec {
	s, c := math.Sincos(r)
	return Vec{c*a.X - s*a.Y, s*a.X + c*a.Y, a.Z}
}

// RGB is the linear colour of an sRGB 0xRRGGBB.
func RGB(hex uint32) Vec {
	lin := func(v uint32) float64 {
		c := float64(v&255) / 255
		if c <= 0.04045 {
			return c / 12.92
		}
		return math.Pow((c+0.055)/1.055, 2.4)
	}
	return Vec{lin(hex >> 16), lin(hex >> 8), lin(hex)}
}

func smooth(a, b, x float64) float64 {
	t := min(max((x-a)/(b-a), 0), 1)
	return t * t * (3 - 2*t)
}

// Noise is smooth value noise in -1..1 with a period of one unit.
func Noise(p Vec) float64 {
	fx, fy, fz := math.Floor(p.X), math.Floor(p.Y), math.Floor(p.Z)
	ix, iy, iz := int64(fx), int64(fy), int64(fz)
	ux, uy, uz := smooth(0, 1, p.X-fx), smooth(0, 1, p.Y-fy), smooth(0, 1, p.Z-fz)
	lerp := func(a, b, t float64) float64 { return a + (b-a)*t }
	row := func(y, z int64) float64 { return lerp(lattice(ix, y, z), lattice(ix+1, y, z), ux) }
	plane := func(z int64) float64 { return lerp(row(iy, z), row(iy+1, z), uy) }
	return lerp(plane(iz), plane(iz+1), uz)
}

// lattice is a hash of a whole point, in -1..1 (mixing after SplitMix64).
func lattice(x, y, z int64) float64 {
	h := uint64(x)*0x9E3779B97F4A7C15 ^ uint64(y)*0xC2B2AE3D27D4EB4F ^ uint64(z)*0x165667B19E3779F9
	h ^= h >> 30
	h *= 0xBF58476D1CE4E5B9
	h ^= h >> 27
	h *= 0x94D049BB133111EB
	h ^= h >> 31
	return float64(h>>11)/(1<<52) - 1
}
