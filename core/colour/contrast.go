package colour

// Contrast is how much two opaque colours differ in lightness, 1..21, after WCAG
// 2.2, section 1.4.3.
func Contrast(a, b Colour) float64 {
	x, y := luminance(a), luminance(b)
	return (max(x, y) + 0.05) / (min(x, y) + 0.05)
}

// luminance is relative luminance, 0..1.
func luminance(c Colour) float64 {
	part := func(v uint8) float64 { return linear(float64(v) / 255) }
	return 0.2126*part(c.R) + 0.7152*part(c.G) + 0.0722*part(c.B)
}
