package cutout

import (
	"math"
	"slices"
)

// evenGround is a ground of one colour, whose light changes slowly over the photo: for
// each of red, green and blue a polynomial of second degree.
type evenGround struct {
	w, h  float64
	of    [3][6]float64
	sigma float32  // deviation of what lies on it, in levels
	share float64  // of the border that belongs to it, 0..1
	drawn []colour // at each pixel of the view, once it was laid out

	busy []float32 // how busy the photo before it is
}

func (g *evenGround) terms(x, y float64) [6]float64 {
	u, v := x/g.w-.5, y/g.h-.5
	return [6]float64{1, u, v, u * u, u * v, v * v}
}

// at is the colour of the ground at a pixel of the view.
func (g *evenGround) at(x, y int) (c colour) {
	if g.drawn != nil {
		return g.drawn[y*int(g.w)+x]
	}
	t := g.terms(float64(x), float64(y))
	for i := range c {
		sum := 0.
		for k, v := range t {
			sum += g.of[i][k] * v
		}
		c[i] = float32(sum)
	}
	return c
}

// layOut works the ground out at every pixel, once it is fitted.
func (g *evenGround) layOut() {
	w, h := int(g.w), int(g.h)
	all := make([]colour, w*h)
	for y := range h {
		for x := range w {
			all[y*w+x] = g.at(x, y)
		}
	}
	g.drawn = all
}

// groundOf fits a ground to pixels that are taken for it. Those that are too far off
// count less with each round (Tukey's biweight), so that a thing that touches the border
// does not matter.
func groundOf(v *view, outside []int32) *evenGround {
	if step := len(outside) / 4000; step > 1 {
		some := outside[:0:0]
		for i := 0; i < len(outside); i += step {
			some = append(some, outside[i])
		}
		outside = some
	}
	g := &evenGround{w: float64(v.w), h: float64(v.h)}
	weight := make([]float64, len(outside))
	off := make([]float64, len(outside))
	for i := range weight {
		weight[i] = 1
	}
	g.start(v, outside)
	for range 8 {
		for i, p := range outside {
			off[i] = float64(v.pix[p].apart(g.at(int(p)%v.w, int(p)/v.w)))
		}
		sorted := slices.Clone(off)
		slices.Sort(sorted)
		scale := max(1.5, sorted[len(sorted)/2]*1.1)
		near := 0
		for i, d := range off {
			t := d / (4.7 * scale)
			weight[i] = 0
			if t < 1 {
				weight[i] = (1 - t*t) * (1 - t*t)
				near++
			}
		}
		g.sigma, g.share = float32(scale/1.5), float64(near)/float64(len(off))
		if !g.fit(v, outside, weight) {
			break
		}
	}
	return g
}

// start takes the middle of the border's colours, channel by channel.
func (g *evenGround) start(v *view, outside []int32) {
	list := make([]float32, len(outside))
	for c := range 3 {
		for i, p := range outside {
			list[i] = v.pix[p][c]
		}
		slices.Sort(list)
		g.of[c] = [6]float64{float64(list[len(list)/2])}
	}
}

// fit solves the normal equations of weighted least squares.
func (g *evenGround) fit(v *view, outside []int32, weight []float64) bool {
	var a [6][9]float64
	for i, p := range outside {
		if weight[i] == 0 {
			continue
		}
		t := g.terms(float64(int(p)%v.w), float64(int(p)/v.w))
		for r := range 6 {
			wt := weight[i] * t[r]
			for k := range 6 {
				a[r][k] += wt * t[k]
			}
			for c := range 3 {
				a[r][6+c] += wt * float64(v.pix[p][c])
			}
		}
	}
	total := a[0][0]
	for r := range 6 {
		a[r][r] += 1e-6 * total // what few pixels say nothing of stays small
	}
	for k := range 6 {
		most := k
		for r := k; r < 6; r++ {
			if math.Abs(a[r][k]) > math.Abs(a[most][k]) {
				most = r
			}
		}
		a[k], a[most] = a[most], a[k]
		if math.Abs(a[k][k]) < 1e-12 {
			return false
		}
		for r := range 6 {
			if r == k {
				continue
			}
			f := a[r][k] / a[k][k]
			for j := k; j < 9; j++ {
				a[r][j] -= f * a[k][j]
			}
		}
	}
	for c := range 3 {
		for k := range 6 {
			g.of[c][k] = a[k][6+c] / a[k][k]
		}
	}
	return true
}

// isPlain tells whether a ground is of one colour: nearly all of the border belongs to
// it, and what lies on it is grain, which goes when pixels are averaged, and no texture,
// which stays.
func (g *evenGround) isPlain(v *view, even []colour, outside []int32) bool {
	if g.share < .86 || g.sigma > 16 {
		return false
	}
	return g.texture(v, even, outside) < plainTexture
}

// plainTexture is the most that averages over five by five pixels may be off the ground
// in the middle of all, in levels.
const plainTexture = 2.6

// texture is the median of how far averages are off.
func (g *evenGround) texture(v *view, even []colour, outside []int32) float32 {
	var off []float32
	step := max(1, len(outside)/1500)
	for k := 0; k < len(outside); k += step {
		x, y := int(outside[k])%v.w, int(outside[k])/v.w
		var sum colour
		n := float32(0)
		for dy := -3; dy <= 3; dy += 3 {
			for dx := -3; dx <= 3; dx += 3 {
				px, py := x+dx, y+dy
				if px < 0 || py < 0 || px >= v.w || py >= v.h {
					continue
				}
				sum = sum.add(even[py*v.w+px].sub(g.at(px, py)))
				n++
			}
		}
		off = append(off, sum.by(1/n).length())
	}
	slices.Sort(off)
	return off[len(off)/2]
}

// split tells of a colour how much of the ground's light it has, 1 where it is as light
// as the ground, and how far it is from all that is only darker or lighter than the
// ground, in levels.
func split(c, ground colour) (light, off float32) {
	n := ground.dot(ground)
	if n < 1 {
		return 1, c.length()
	}
	light = c.dot(ground) / n
	return light, c.sub(ground.by(light)).length()
}
