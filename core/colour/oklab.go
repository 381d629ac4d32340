package colour

import (
	"math"
	"sync"

	"billow/core/alike"
)

// Lab is a colour in OKLab (Björn Ottosson, "A perceptual color space for image
// processing", 2020; the matrices of CSS Color Module Level 4), in which evenly
// spaced mixtures look evenly spaced.
type Lab struct{ L, A, B float64 }

// Linear undoes the transfer function of sRGB; v is 0..1.
func Linear(v float64) float64 {
	if v <= 0.04045 {
		return v / 12.92
	}
	return alike.Pow((v+0.055)/1.055, 2.4)
}

func Encoded(v float64) float64 {
	if v <= 0.0031308 {
		return 12.92 * v
	}
	return 1.055*alike.Pow(v, 1/2.4) - 0.055
}

// OKLab converts from sRGB numbers of 0..255.
func OKLab(r, g, b float64) Lab {
	r, g, b = Linear(r/255), Linear(g/255), Linear(b/255)
	l := math.Cbrt(0.4122214708*r + 0.5363325363*g + 0.0514459929*b)
	m := math.Cbrt(0.2119034982*r + 0.6806995451*g + 0.1073969566*b)
	s := math.Cbrt(0.0883024619*r + 0.2817188376*g + 0.6299787005*b)
	return Lab{
		0.2104542553*l + 0.7936177850*m - 0.0040720468*s,
		1.9779984951*l - 2.4285922050*m + 0.4505937099*s,
		0.0259040371*l + 0.7827717662*m - 0.8086757660*s,
	}
}

// SRGB converts to sRGB numbers, held within 0..255.
func (c Lab) SRGB() (r, g, b float64) {
	r, g, b = c.light()
	return 255 * Encoded(r), 255 * Encoded(g), 255 * Encoded(b)
}

// NearSRGB is SRGB for many colours: to a hundredth of a step, and several times as
// fast.
func (c Lab) NearSRGB() (r, g, b float64) {
	r, g, b = c.light()
	return near(r), near(g), near(b)
}

const encodings = 4097

// encodedSteps are 255 times encoded of 0..1; the last stands twice.
var encodedSteps = sync.OnceValue(func() *[encodings + 1]float64 {
	t := new([encodings + 1]float64)
	for i := range t {
		t[i] = 255 * Encoded(float64(min(i, encodings-1))/(encodings-1))
	}
	return t
})

func near(v float64) float64 {
	t := encodedSteps()
	v *= encodings - 1
	i := int(v)
	return t[i] + (t[i+1]-t[i])*(v-float64(i))
}

// light is the linear light of red, green and blue, held within 0..1.
func (c Lab) light() (r, g, b float64) {
	l := c.L + 0.3963377774*c.A + 0.2158037573*c.B
	m := c.L - 0.1055613458*c.A - 0.0638541728*c.B
	s := c.L - 0.0894841775*c.A - 1.2914855480*c.B
	l, m, s = l*l*l, m*m*m, s*s*s
	channel := func(v float64) float64 { return min(max(v, 0), 1) }
	return channel(4.0767416621*l - 3.3077115913*m + 0.2309699292*s),
		channel(-1.2684380046*l + 2.6097574011*m - 0.3413193965*s),
		channel(-0.0041960863*l - 0.7034186147*m + 1.7076147010*s)
}

// FromFloats is the colour of four numbers of 0..255, rounded.
func FromFloats(r, g, b, a float64) Colour {
	whole := func(v float64) uint8 { return uint8(min(max(v, 0), 255) + 0.5) }
	return Colour{whole(r), whole(g), whole(b), whole(a)}
}
