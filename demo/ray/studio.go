package ray

import "math"

// studio is the light that comes from a direction in a product photographer's
// tent: a large soft box at the upper left, a narrow one at the right, an
// overhead one, and a bright floor. Rough surfaces see it blurred.
func studio(d Vec, rough float64) Vec {
	soft := 0.03 + rough*0.7
	up := smooth(-0.6, 0.9, d.Y)
	out := V(0.20, 0.20, 0.21).Mix(V(0.50, 0.51, 0.53), up)
	floor := smooth(0.1, -0.7, d.Y)
	out = out.Mix(V(0.60, 0.57, 0.53), floor*0.75)
	add := func(c Vec, share float64) { out = out.Add(c.Mul(share)) }
	add(V(3.4, 3.3, 3.15), panel(d, V(-0.75, 0.62, 0.62), 0.42, 0.55, soft))
	add(V(2.2, 2.3, 2.45), panel(d, V(0.93, 0.22, 0.28), 0.12, 0.75, soft))
	add(V(1.7, 1.7, 1.7), panel(d, V(0.05, 1, -0.1), 0.5, 0.4, soft))
	// A dark flag between the lights gives edges to shiny round things.
	dark := panel(d, V(0.45, 0.1, 0.88), 0.1, 0.9, soft)
	return out.Mul(1 - 0.6*dark)
}

// panel is how much of a rectangular soft box about a direction is seen, its
// edges blurred. w and h are half sides as tangents.
func panel(d, at Vec, w, h, soft float64) float64 {
	n := at.Unit()
	right := V(0, 1, 0).Cross(n).Unit()
	if math.Abs(n.Y) > 0.95 {
		right = V(1, 0, 0)
	}
	up := n.Cross(right)
	z := d.Dot(n)
	if z <= 0.05 {
		return 0
	}
	x, y := math.Abs(d.Dot(right)/z), math.Abs(d.Dot(up)/z)
	share := smooth(w+soft, w-soft, x) * smooth(h+soft, h-soft, y)
	// A blurred box is wider and fainter: its light stays the same.
	return share * (w * h) / ((w + soft*0.5) * (h + soft*0.5))
}

var keyLight = V(-0.62, 0.66, 0.56).Unit()

// tone maps linear light to 0..1 with a soft shoulder and encodes it as sRGB.
func tone(v float64) float64 {
	v = max(v*0.92, 0)
	v = v * (1 + v/9) / (1 + v*0.72) * 1.22
	v = min(v, 1)
	if v <= 0.0031308 {
		return v * 12.92
	}
	return 1.055*math.Pow(v, 1/2.4) - 0.055
}
