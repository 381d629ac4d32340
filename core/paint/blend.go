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

// blendRow mixes a row onto dst; alpha is 0..256. The formula is the general one
// of the specification, with premultiplied colours S and D in 255ths:
//
//	co = S (1-ab) + D (1-as) + as ab B(cb, cs)
func blendRow(dst, src []uint32, alpha uint32, mode Blend) {
	dst = dst[:len(src)]
	if alpha == 256 {
		rows[mode](dst, src)
		return
	}
	var part [256]uint32
	for len(src) > 0 {
		n := min(len(src), len(part))
		for i, s := range src[:n] {
			part[i] = thinned(s, uint64(alpha))
		}
		rows[mode](dst[:n], part[:n])
		dst, src = dst[n:], src[n:]
	}
}
