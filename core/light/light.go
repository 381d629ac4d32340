// Package light derives drop shadows from the clip's one light.
package light

import (
	"math"

	"billow/core/clip"
)

// Cast is the shadow of one layer: where it falls, in units relative to the
// layer, how soft it is and how dark.
type Cast struct {
	DX, DY  float64 // units
	Sigma   float64 // standard deviation of the blur, units
	Opacity float64 // 0..1
}

// None casts nothing.
func (c Cast) None() bool { return c.Opacity <= 0 }

// Falls is the shadow of a layer that floats lift units above what lies behind
// it. The light shines from its direction at its height above the picture
// plane, so the shadow falls to the other side, lift/tan(height) away. Its
// softness is the penumbra of a light of a certain breadth: it grows with the
// lift; and since a broad light reaches behind a thing that floats high, the
// shadow grows somewhat fainter with it.
func Falls(l clip.Light, lift float64, own *clip.Shadow) Cast {
	if own != nil {
		if own.None {
			return Cast{}
		}
		sin, cos := math.Sincos(own.Direction * math.Pi / 180)
		return Cast{own.Distance * sin, -own.Distance * cos, own.Softness, own.Strength / 100}
	}
	if lift <= 0 {
		return Cast{}
	}
	sin, cos := math.Sincos(l.Direction * math.Pi / 180)
	distance := lift / math.Tan(l.Height*math.Pi/180)
	soft := l.Softness / 100
	return Cast{
		DX: -distance * sin, DY: distance * cos,
		Sigma:   lift * soft * 0.6,
		Opacity: l.Strength / 100 / (1 + soft*lift/400),
	}
}
