package paint

// Blend is a blend mode of W3C Compositing and Blending Level 1.
type Blend uint8

// The sixteen modes.
const (
	Normal Blend = iota
	Multiply
	Screen
	Overlay
	Darken
	Lighten
	ColorDodge
	ColorBurn
	HardLight
	SoftLight
	Difference
	Exclusion
	Hue
	Saturation
	Color
	Luminosity
)

var blendNames = map[string]Blend{
	"normal": Normal, "multiply": Multiply, "screen": Screen, "overlay": Overlay,
	"darken": Darken, "lighten": Lighten, "color-dodge": ColorDodge, "color-burn": ColorBurn,
	"hard-light": HardLight, "soft-light": SoftLight, "difference": Difference, "exclusion": Exclusion,
	"hue": Hue, "saturation": Saturation, "color": Color, "luminosity": Luminosity,
}

// BlendNamed finds a mode by its W3C name; an unknown name is Normal.
func BlendNamed(name string) Blend { return blendNames[name] }

type rgb struct{ r, g, b float32 }

func straight(p uint32) (rgb, float32) {
	a := float32(p >> 24)
	if a == 0 {
		return rgb{}, 0
	}
	return rgb{float32(p&255) / a, float32(p>>8&255) / a, float32(p>>16&255) / a}, a / 255
}

// blendRow is the general formula: co = cs as (1-ab) + cb ab (1-as) + as ab B(cb, cs).
func blendRow(dst, src []uint32, alpha uint32, mode Blend) {
	for i, s := range src {
		if s == 0 {
			continue
		}
		cs, as := straight(s)
		as *= float32(alpha) / 256
		cb, ab := straight(dst[i])
		m := mix(mode, cb, cs)
		channel := func(s, b, m float32) uint32 {
			v := s*as*(1-ab) + b*ab*(1-as) + m*as*ab
			return uint32(v*255 + 0.5)
		}
		a := uint32((as+ab-as*ab)*255 + 0.5)
		dst[i] = min(channel(cs.r, cb.r, m.r), a) | min(channel(cs.g, cb.g, m.g), a)<<8 |
			min(channel(cs.b, cb.b, m.b), a)<<16 | a<<24
	}
}

func mix(mode Blend, b, s rgb) rgb {
	switch mode {
	case Hue:
		return setLum(setSat(s, sat(b)), lum(b))
	case Saturation:
		return setLum(setSat(b, sat(s)), lum(b))
	case Color:
		return setLum(s, lum(b))
	case Luminosity:
		return setLum(b, lum(s))
	}
	return rgb{separable(mode, b.r, s.r), separable(mode, b.g, s.g), separable(mode, b.b, s.b)}
}

func separable(mode Blend, b, s float32) float32 {
	switch mode {
	case Multiply:
		return b * s
	case Screen:
		return b + s - b*s
	case Overlay:
		return separable(HardLight, s, b)
	case Darken:
		return min(b, s)
	case Lighten:
		return max(b, s)
	case ColorDodge:
		if b == 0 {
			return 0
		}
		if s >= 1 {
			return 1
		}
		return min(1, b/(1-s))
	case ColorBurn:
		if b >= 1 {
			return 1
		}
		if s <= 0 {
			return 0
		}
		return 1 - min(1, (1-b)/s)
	case HardLight:
		if s <= 0.5 {
			return b * 2 * s
		}
		return separable(Screen, b, 2*s-1)
	case SoftLight:
		return softLight(b, s)
	case Difference:
		return max(b, s) - min(b, s)
	case Exclusion:
		return b + s - 2*b*s
	}
	return s
}

func softLight(b, s float32) float32 {
	if s <= 0.5 {
		return b - (1-2*s)*b*(1-b)
	}
	d := sqrt32(b)
	if b <= 0.25 {
		d = ((16*b-12)*b + 4) * b
	}
	return b + (2*s-1)*(d-b)
}

func lum(c rgb) float32 { return 0.3*c.r + 0.59*c.g + 0.11*c.b }

func sat(c rgb) float32 { return max(c.r, c.g, c.b) - min(c.r, c.g, c.b) }

// setLum moves a colour to a luminosity and clips it into 0..1 around it.
func setLum(c rgb, l float32) rgb {
	d := l - lum(c)
	c = rgb{c.r + d, c.g + d, c.b + d}
	l = lum(c)
	if n := min(c.r, c.g, c.b); n < 0 {
		f := func(v float32) float32 { return l + (v-l)*l/(l-n) }
		c = rgb{f(c.r), f(c.g), f(c.b)}
	}
	if x := max(c.r, c.g, c.b); x > 1 {
		f := func(v float32) float32 { return l + (v-l)*(1-l)/(x-l) }
		c = rgb{f(c.r), f(c.g), f(c.b)}
	}
	return c
}

// setSat stretches a colour's channels so that they span s from 0 upwards.
func setSat(c rgb, s float32) rgb {
	lo, hi := min(c.r, c.g, c.b), max(c.r, c.g, c.b)
	if hi <= lo {
		return rgb{}
	}
	f := func(v float32) float32 { return (v - lo) * s / (hi - lo) }
	return rgb{f(c.r), f(c.g), f(c.b)}
}
