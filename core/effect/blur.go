package effect

import (
	"math"
	"math/bits"

	"billow/core/alike"
	"billow/core/paint"
	"billow/core/property"
)

// Blur puts a picture out of focus: a Gaussian blur whose standard deviation is
// so many units.
var Blur = Effect{
	Name: "blur", Title: "Blur", Group: Blurring, Says: "Out of focus", Begin: []float64{12},
	Properties: []property.Property{{Name: "blur", Dims: 1, Max: 200, Title: "Blur"}},
	Reach:      func(v Values, _ Box) float64 { return SoftReach(v[0][0]) },
	Rounded:    func(v Values) Values { return Values{{Soft(v[0][0])}} },
	Draw: func(w Work, v Values) *paint.Sheet {
		s, _, sigma := ForBlur(w.Sheet, v[0][0]*w.Unit)
		margin := int(math.Ceil(3*sigma)) + 1
		out := paint.NewSheet(s.Picture.Blurred(sigma, margin, w.Pool), s.X-float64(margin), s.Y-float64(margin), s.Per)
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
// units of its space, is a few pixels wide: more cannot be seen. It was halved so
// many times, and has to be blurred with sigma, in its pixels, to be as soft as
// asked for once it is drawn as large as it was, as blur() of CSS filters has it.
func ForBlur(s *paint.Sheet, deviation float64) (at *paint.Sheet, octaves int, sigma float64) {
	octaves, sigma = Halvings(s, deviation)
	for range octaves {
		s = s.Coarser()
	}
	return s, octaves, sigma
}

// Halvings is how many times ForBlur halves a sheet, and the deviation in pixels after that.
func Halvings(s *paint.Sheet, deviation float64) (octaves int, sigma float64) {
	most := min(bits.Len(uint(max(s.Picture.W, s.Picture.H, 1))-1), 12) // softer than any frame
	for math.Ldexp(deviation*s.Per, -octaves) > 4 && octaves < most {
		octaves++
	}
	variance := math.Ldexp(spread(deviation*s.Per), -2*octaves)
	if octaves > 0 {
		// Means over 2^n pixels spread a little, and so does mixing between pixels on the
		// way back: by these variances, in pixels.
		means, mixing := (1-math.Ldexp(1, -2*octaves))/12, 1.0/6
		variance = max(variance-means-mixing, 0.25)
	}
	return octaves, math.Sqrt(variance)
}

// spread is the variance of a blur with a standard deviation in pixels. CSS filters ask for
// three boxes of the width d that the Filter Effects Module gives, which blur 6 percent less
// than a Gaussian; for small deviations browsers take the Gaussian itself, and between both we
// go over smoothly.
func spread(sigma float64) float64 {
	d := sigma * 3 * math.Sqrt(2*math.Pi) / 4
	gauss, css := sigma*sigma, (d*d-1)/4
	return gauss + (css-gauss)*min(max((sigma-1.6)/0.6, 0), 1)
}
