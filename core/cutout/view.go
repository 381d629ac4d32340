package cutout

import (
	"math"

	"billow/core/paint"
)

// colour is red, green and blue, 0..255.
type colour [3]float32

func (a colour) sub(b colour) colour    { return colour{a[0] - b[0], a[1] - b[1], a[2] - b[2]} }
func (a colour) add(b colour) colour    { return colour{a[0] + b[0], a[1] + b[1], a[2] + b[2]} }
func (a colour) by(k float32) colour    { return colour{a[0] * k, a[1] * k, a[2] * k} }
func (a colour) dot(b colour) float32   { return a[0]*b[0] + a[1]*b[1] + a[2]*b[2] }
func (a colour) length() float32        { return root32(a.dot(a)) }
func (a colour) apart(b colour) float32 { return a.sub(b).length() }

func root32(v float32) float32 { return float32(math.Sqrt(float64(v))) }

// view is a photo at the size at which it is worked on.
type view struct {
	w, h   int
	pix    []colour
	across float64 // pixels of the photo a pixel of the view, 1 or more
	down   float64
	noise  float32 // standard deviation of what is grain in the photo, in levels

	// What was worked out of a look at it, and the strokes that were drawn on it.
	borders *borders
	slopes  []*slopes
	drawn   []drawn
	sayings [2]*saying
}

// Working is the longer side at which photos are worked on, in pixels. Everything that
// is told apart is told apart at this size; opacity then follows the photo's own pixels.
const Working = 640

// viewOf averages a photo down to the working size.
func viewOf(photo *paint.Bitmap, longer int) *view {
	v := &view{}
	v.w, v.h = workingSize(photo.W, photo.H, longer)
	v.across, v.down = float64(photo.W)/float64(v.w), float64(photo.H)/float64(v.h)
	v.average(photo)
	v.noise = v.grain()
	return v
}

// workingSize is the size at which a photo is worked on.
func workingSize(photoW, photoH, longer int) (w, h int) {
	k := max(1, float64(max(photoW, photoH))/float64(longer))
	return max(1, int(math.Round(float64(photoW)/k))), max(1, int(math.Round(float64(photoH)/k)))
}

// average gives each pixel of the view the mean of those that it has in a picture.
func (v *view) average(photo *paint.Bitmap) {
	v.pix = make([]colour, v.w*v.h)
	edge := func(i, n, of int) int { return i * of / n }
	for y := range v.h {
		y0, y1 := edge(y, v.h, photo.H), edge(y+1, v.h, photo.H)
		for x := range v.w {
			x0, x1 := edge(x, v.w, photo.W), edge(x+1, v.w, photo.W)
			var r, g, b uint32
			for j := y0; j < y1; j++ {
				for _, p := range photo.Pix[j*photo.W+x0 : j*photo.W+x1] {
					r, g, b = r+p&255, g+p>>8&255, b+p>>16&255
				}
			}
			n := 1 / float32((y1-y0)*(x1-x0))
			v.pix[y*v.w+x] = colour{float32(r) * n, float32(g) * n, float32(b) * n}
		}
	}
}

// grain is the noise of the view, in levels.
func (v *view) grain() float32 {
	return max(.5, deviation(v.w, v.h, 1, func(i int) float32 { return v.pix[i][1] }))
}

// grainOf is the noise of a photo, of which some rows are looked at.
func grainOf(b *paint.Bitmap) float32 {
	step := max(1, b.W*b.H/300_000)
	return deviation(b.W, b.H, step, func(i int) float32 { return float32(b.Pix[i] >> 8 & 255) })
}

// deviation is that of the noise in a picture, of each so many rows: the median of what a
// small filter leaves that is blind to planes and edges along an axis (J. Immerkaer, "Fast
// Noise Variance Estimation", 1996).
func deviation(w, h, step int, at func(i int) float32) float32 {
	if w < 3 || h < 3 {
		return 1
	}
	var count [1024]int
	n := 0
	for y := 1; y < h-1; y += step {
		for x := 1; x < w-1; x++ {
			i := y*w + x
			s := at(i-w-1) + at(i-w+1) + at(i+w-1) + at(i+w+1) - 2*(at(i-1)+at(i+1)+at(i-w)+at(i+w)) + 4*at(i)
			count[min(int(abs32(s)*2), 1023)]++
			n++
		}
	}
	sum := 0
	for i, c := range count {
		if sum += c; 2*sum >= n {
			if i == 0 {
				return 0
			}
			// The filter's own deviation is 6 times that of a pixel, the median of
			// absolute values 0.6745 of a deviation.
			return (float32(i) + .5) / 2 / 6 / .6745
		}
	}
	return 1
}

func abs32(v float32) float32 {
	if v < 0 {
		return -v
	}
	return v
}

// even is the view with each pixel averaged with its eight neighbours, which takes two
// thirds of its grain.
func (v *view) even() []colour {
	out := make([]colour, len(v.pix))
	line := make([]colour, len(v.pix))
	blur := func(dst, src []colour, n, lines, step, stride int) {
		for l := range lines {
			for i := range n {
				k := l*stride + i*step
				a, b := k, k
				if i > 0 {
					a = k - step
				}
				if i < n-1 {
					b = k + step
				}
				dst[k] = src[a].add(src[k]).add(src[b]).by(1. / 3)
			}
		}
	}
	blur(line, v.pix, v.w, v.h, 1, v.w)
	blur(out, line, v.h, v.w, v.w, 1)
	return out
}

// halved is the view at half its size.
func (v *view) halved() *view {
	o := &view{w: (v.w + 1) / 2, h: (v.h + 1) / 2, across: v.across * 2, down: v.down * 2, noise: v.noise / 2}
	o.pix = make([]colour, o.w*o.h)
	for y := range o.h {
		for x := range o.w {
			x0, y0 := 2*x, 2*y
			x1, y1 := min(x0+1, v.w-1), min(y0+1, v.h-1)
			s := v.pix[y0*v.w+x0].add(v.pix[y0*v.w+x1]).add(v.pix[y1*v.w+x0]).add(v.pix[y1*v.w+x1])
			o.pix[y*o.w+x] = s.by(.25)
		}
	}
	return o
}
