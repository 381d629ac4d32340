package paint

import "math"

// Affine maps (x, y) to (A x + C y + E, B x + D y + F).
type Affine struct{ A, B, C, D, E, F float64 }

// Identity maps every point to itself.
func Identity() Affine { return Affine{A: 1, D: 1} }

// Translate moves.
func Translate(x, y float64) Affine { return Affine{1, 0, 0, 1, x, y} }

// Scale scales about the origin.
func Scale(x, y float64) Affine { return Affine{x, 0, 0, y, 0, 0} }

// Rotate turns about the origin, degrees clockwise (y points down).
func Rotate(degrees float64) Affine {
	s, c := math.Sincos(degrees * math.Pi / 180)
	return Affine{c, s, -s, c, 0, 0}
}

// Then is first m, then n.
func (m Affine) Then(n Affine) Affine {
	return Affine{
		n.A*m.A + n.C*m.B, n.B*m.A + n.D*m.B,
		n.A*m.C + n.C*m.D, n.B*m.C + n.D*m.D,
		n.A*m.E + n.C*m.F + n.E, n.B*m.E + n.D*m.F + n.F,
	}
}

// Apply maps a point.
func (m Affine) Apply(x, y float64) (float64, float64) {
	return m.A*x + m.C*y + m.E, m.B*x + m.D*y + m.F
}

// Det is the factor by which areas grow.
func (m Affine) Det() float64 { return m.A*m.D - m.B*m.C }

// Inverse undoes m; ok is false when m flattens everything.
func (m Affine) Inverse() (inv Affine, ok bool) {
	det := m.Det()
	if math.Abs(det) < 1e-12 || math.IsNaN(det) || math.IsInf(det, 0) {
		return Affine{}, false
	}
	inv = Affine{A: m.D / det, B: -m.B / det, C: -m.C / det, D: m.A / det}
	inv.E = -(inv.A*m.E + inv.C*m.F)
	inv.F = -(inv.B*m.E + inv.D*m.F)
	return inv, true
}
