package effect

import (
	"math"

	"billow/core/alike"
	"billow/core/paint"
	"billow/core/property"
)

// Blur puts a picture out of focus: a Gaussian blur whose standard deviation is
// so many units.
var Blur = Effect{
	Name:       "blur",
	Properties: []property.Property{{Name: "blur", Dims: 1, Max: 200, Title: "Blur"}},
	Reach:      func(v Values) float64 { return SoftReach(v[0][0]) },
	Rounded:    func(v Values) Values { return Values{{Soft(v[0][0])}} },
	Draw: func(w Work, v Values) *paint.Sheet {
		s := ForBlur(w.Sheet, v[0][0]*w.Unit)
		sigma := v[0][0] * w.Unit * s.Per
		margin := int(math.Ceil(3*sigma)) + 1
		out := paint.NewSheet(s.Picture.Blurred(sigma, margin), s.X-float64(margin), s.Y-float64(margin), s.Per)
		w.Done()
		return out
	},
}

// Softness comes in steps of 4 percent, so that one that changes needs few
// different blurs; a smaller difference cannot be seen.
var step = alike.Log(1.04)

// Soft is the step nearest to a standard deviation.
func Soft(sigma float64) float64 {
	return alike.Exp(math.Round(alike.Log(max(sigma, 0.05))/step) * step)
}

// SoftReach is how far a blur can be seen.
func SoftReach(sigma float64) float64 { return 3*Soft(sigma) + 2 }

// ForBlur is a sheet at the detail at which a blur, of a standard deviation in
// units of its space, is a few pixels wide: more cannot be seen.
func ForBlur(s *paint.Sheet, sigma float64) *paint.Sheet {
	for sigma*s.Per > 6 && (s.Picture.W > 1 || s.Picture.H > 1) {
		s = s.Coarser()
	}
	return s
}
