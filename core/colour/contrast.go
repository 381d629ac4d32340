package colour

// Contrast is how much two opaque colours differ in lightness, 1..21, after WCAG
// 2.2, section 1.4.3.
func Contrast(a, b Colour) float64 {
	x, y := Luminance(a), Luminance(b)
	return (max(x, y) + 0.05) / (min(x, y) + 0.05)
}

// Luminance is relative luminance, 0..1, after WCAG 2.2.
func Luminance(c Colour) float64 {
	return 0.2126*linears[c.R] + 0.7152*linears[c.G] + 0.0722*linears[c.B]
}

// linears are the linear values of all bytes.
var linears = func() (out [256]float64) {
	for v := range out {
		out[v] = Linear(float64(v) / 255)
	}
	return out
}()

// Grey is the grey of a relative luminance, 0..1.
func Grey(luminance float64) Colour {
	v := 255 * Encoded(min(max(luminance, 0), 1))
	return FromFloats(v, v, v, 255)
}
