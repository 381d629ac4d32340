package cutout

// doubtPlain tells which pixels do not look as their side: outside, what is neither
// ground nor a soft shadow on it; inside, what is as the ground, and where hair lets it
// through, which is busy and paler than what is around it.
func doubtPlain(v *view, g *evenGround, even []colour, mask []bool, p prices, most []float32) []bool {
	busy, far := g.busyOn(v, even), farthestAround(v, g, even)
	out := make([]bool, len(mask))
	hue, tone := g.softness()
	hue, tone = hue*1.3, tone*1.3
	for y := range v.h {
		for x := range v.w {
			i := y*v.w + x
			b := g.at(x, y)
			if mask[i] {
				out[i] = p[i] < 1 || busy[i] > .07*most[i] && even[i].apart(b) < .85*most[i] && betweenTwo(even[i], b, far(x, y))
				continue
			}
			light, off := split(v.pix[i], b)
			out[i] = off > hue || (light-1)*b.length() > tone || (p[i] > .45 && v.steep(v.pix, x, y) > 4+1.5*v.noise)
		}
	}
	return out
}

// betweenTwo tells whether a colour may be a mixture of two: it lies on the way from one to
// the other, or nearly.
func betweenTwo(c, ground, thing colour) bool {
	d, e := thing.sub(ground), c.sub(ground)
	dot := d.dot(e)
	return dot > 0 && dot*dot > onTheWay*onTheWay*d.dot(d)*e.dot(e)
}

// onTheWay is the cosine of the angle by which a mixture may lie beside the way.
const onTheWay = .7

// farthestAround gives the colour that is farthest from the ground of those around a pixel,
// in squares as JPEG has them.
func farthestAround(v *view, g *evenGround, look []colour) func(x, y int) colour {
	const side = 8
	w, h := (v.w+side-1)/side, (v.h+side-1)/side
	far, most := make([]colour, w*h), make([]float32, w*h)
	for y := range v.h {
		for x := range v.w {
			i, j := y*v.w+x, y/side*w+x/side
			if d := look[i].apart(g.at(x, y)); d > most[j] {
				far[j], most[j] = look[i], d
			}
		}
	}
	return func(x, y int) colour {
		best := y/side*w + x/side
		for j := max(y/side-1, 0); j <= min(y/side+1, h-1); j++ {
			for i := max(x/side-1, 0); i <= min(x/side+1, w-1); i++ {
				if most[j*w+i] > most[best] {
					best = j*w + i
				}
			}
		}
		return far[best]
	}
}

// doubtMixed is the same before any other ground: what would as soon be of the other side.
func doubtMixed(mask []bool, p prices) []bool {
	out := make([]bool, len(mask))
	for i, m := range mask {
		out[i] = m && p[i] < 1.05 || !m && p[i] > .8
	}
	return out
}

// busyOn is how busy the photo is, which stays the same whatever is painted.
func (g *evenGround) busyOn(v *view, even []colour) []float32 {
	if g.busy == nil {
		g.busy = v.busy(even)
	}
	return g.busy
}

// busy is how steep the look is in the mean around each pixel, in levels a pixel: hair is
// busy over a wide area, an edge only along a line.
func (v *view) busy(look []colour) []float32 {
	out := make([]float32, len(look))
	for y := range v.h {
		for x := range v.w {
			out[y*v.w+x] = v.steep(look, x, y)
		}
	}
	const reach = 5
	line := make([]float32, max(v.w, v.h)+1)
	mean := func(from, step, n int) {
		for i := range n {
			line[i+1] = line[i] + out[from+i*step]
		}
		for i := range n {
			lo, hi := max(0, i-reach), min(n, i+reach+1)
			out[from+i*step] = (line[hi] - line[lo]) / float32(hi-lo)
		}
	}
	for y := range v.h {
		mean(y*v.w, 1, v.w)
	}
	for x := range v.w {
		mean(x, v.w, v.h)
	}
	return out
}
