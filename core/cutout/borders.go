package cutout

import "math"

// borders are the prices of a border between neighbours, which depend on the look of a
// photo alone: so they are worked out once, those that are asked for.
type borders struct {
	look  []colour
	beta  float32
	known [4][]float32 // for the even directions; 0 is not known yet
}

func (v *view) bordersOf(look []colour) *borders {
	if v.borders == nil || &v.borders.look[0] != &look[0] {
		b := &borders{look: look, beta: contrastOf(v, look)}
		for d := range b.known {
			b.known[d] = make([]float32, len(look))
		}
		v.borders = b
	}
	return v.borders
}

// price is that between a pixel and its neighbour j in a direction: the less the more
// their colours differ, and by the length of a border between squares.
func (b *borders) price(i, j, d int) float32 {
	if d&1 == 1 {
		i, j = j, i
	}
	known := &b.known[d/2][i]
	if *known == 0 {
		diff := b.look[i].sub(b.look[j])
		*known = .04 + .96*float32(math.Exp(float64(-diff.dot(diff)*b.beta)))
		if d >= 4 {
			*known *= math.Sqrt2 / 2
		}
	}
	return *known
}

// contrastOf is the factor beside a squared difference of colours in the exponent: half
// of the mean of squares between neighbours, inverted.
func contrastOf(v *view, look []colour) float32 {
	var sum float64
	n := 0
	for y := range v.h {
		for x := 1; x < v.w; x++ {
			d := look[y*v.w+x].sub(look[y*v.w+x-1])
			sum += float64(d.dot(d))
			n++
		}
	}
	mean := max(sum/float64(max(n, 1)), float64(v.noise*v.noise)/2, 20)
	return float32(1 / (2 * mean))
}
