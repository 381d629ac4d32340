// Package alike has functions of package math that give the same number, to the
// last digit, on every machine. Those of package math are written in assembly for
// some machines and round otherwise there; a pixel drawn in the page could then
// differ from the export's. All that a frame depends on uses these.
package alike

import "math"

// Hypot is the length of (x, y); their squares must not be too large for a
// number.
func Hypot(x, y float64) float64 { return math.Sqrt(float64(x*x) + float64(y*y)) }

// Exp is e to the power of x, to within a few parts of 10^16 of the larger of
// itself and 1. Unlike Exp, Expm1 has no assembly.
func Exp(x float64) float64 { return math.Expm1(x) + 1 }

// Log is the natural logarithm of x > 0. Unlike Log, Log1p has no assembly; it
// is exact where x is near 1, so the powers of two are taken out first.
func Log(x float64) float64 {
	part, power := math.Frexp(x)
	if part < math.Sqrt2/2 {
		part, power = 2*part, power-1
	}
	return math.Log1p(part-1) + float64(power)*math.Ln2
}

// Pow is x to the power of y, for x >= 0 and y > 0.
func Pow(x, y float64) float64 {
	if x == 0 {
		return 0
	}
	return Exp(y * Log(x))
}
