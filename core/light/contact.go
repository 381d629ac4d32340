package light

import (
	"math"

	"billow/core/clip"
)

// Spot is a soft dark ellipse on the ground.
type Spot struct {
	DX      float64 // units beside what throws it
	RX, RY  float64 // half its width and height, units
	Opacity float64 // 0..1 in its middle
}

// Contact is the shadow of a thing where it stands on the ground, or over which it
// floats: a narrow dark spot right under it, and a wide faint one around. base is the
// width on which it stands, tall its height and up how far it is above the ground, all
// in units; strength is 0..1.
//
// In its own heights above the ground, u, the narrow spot goes as 1/(1+(u/0.12)²) and
// the wide one as 1/(1+(u/0.5)²): the light from around reaches under what floats. Both
// spread as it rises, and move away from the light as its drop shadow does. In a
// stronger light both are darker, by its root, since the ground is lit from around, too.
func Contact(l clip.Light, strength, base, tall, up float64) [2]Spot {
	u := up / max(tall, 1)
	sin := math.Sin(l.Direction * math.Pi / 180)
	away := -sin * up / math.Tan(l.Height*math.Pi/180) / 2
	dark := strength * math.Sqrt(l.Strength/100)
	half, square := base/2, func(v float64) float64 { return v * v }
	wide, narrow := half*(1.3+1.4*u), half*(0.98+0.6*u)
	return [2]Spot{
		{DX: away - sin*half*0.06, RX: wide, RY: wide * 0.17, Opacity: 0.6 * dark / (1 + square(u/0.5))},
		{DX: away, RX: narrow, RY: narrow * 0.1, Opacity: 0.95 * dark / (1 + square(u/0.12))},
	}
}
