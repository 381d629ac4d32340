package cutout

// faith is how much what sampling found counts beside the windows.
const faith = .25

// matte finds the opacity of the open pixels: near to what sampling found, as far as
// that is to be trusted, and in every window of three by three pixels as nearly as can
// be a linear function of colour (A. Levin, D. Lischinski, Y. Weiss, "A Closed-Form
// Solution to Natural Image Matting", PAMI 2008). The sum of squares is solved by
// conjugate gradients, window by window, without a matrix.
func matte(v *view, t *trimap, l *lookedUp, steps int) []float32 {
	alpha := make([]float32, len(t.mask))
	for i, m := range t.mask {
		if m {
			alpha[i] = 1
		}
	}
	for k, i := range t.list {
		alpha[i] = l.alpha[k]
	}
	s := &solver{v: v, windows: windowsOf(v, t)}
	n := len(t.list)
	data := make([]float32, n)
	for k := range data {
		data[k] = faith * (l.trust[k] + .002)
	}
	residual, way, product := make([]float32, n), make([]float32, n), make([]float32, n)
	s.full = make([]float32, len(alpha))
	s.sum = make([]float32, len(alpha))
	copy(s.full, alpha)
	s.apply(t.list, product)
	var square float32
	for k, i := range t.list {
		residual[k] = -product[k] - data[k]*(alpha[i]-l.alpha[k])
		way[k] = residual[k]
		square += residual[k] * residual[k]
	}
	start := square
	clear(s.full)
	for range steps {
		if square <= start*1e-6 || square == 0 {
			break
		}
		for k, i := range t.list {
			s.full[i] = way[k]
		}
		s.apply(t.list, product)
		var bent float32
		for k := range way {
			product[k] += data[k] * way[k]
			bent += way[k] * product[k]
		}
		if bent <= 0 {
			break
		}
		step := square / bent
		var next float32
		for k, i := range t.list {
			alpha[i] += step * way[k]
			residual[k] -= step * product[k]
			next += residual[k] * residual[k]
		}
		turn := next / square
		square = next
		for k := range way {
			way[k] = residual[k] + turn*way[k]
		}
	}
	for _, i := range t.list {
		// What is nearly nothing, or nearly all, is.
		alpha[i] = min(max((alpha[i]-.02)/.96, 0), 1)
	}
	return alpha
}

// window is three by three pixels around a middle: their mean colour and the inverse of
// their covariance, in units of 255.
type window struct {
	at      int32
	mean    colour
	inverse [6]float32 // xx, xy, xz, yy, yz, zz
}

type solver struct {
	v       *view
	windows []window
	full    []float32 // one value a pixel of the view; 0 where it is not open
	sum     []float32
}

// windowsOf are the windows that hold an open pixel.
func windowsOf(v *view, t *trimap) []window {
	touched := make([]bool, len(t.mask))
	for _, at := range t.list {
		x0, y0 := int(at)%v.w, int(at)/v.w
		for y := max(y0-1, 1); y <= min(y0+1, v.h-2); y++ {
			for x := max(x0-1, 1); x <= min(x0+1, v.w-2); x++ {
				touched[y*v.w+x] = true
			}
		}
	}
	even := (v.noise*v.noise*.35 + 4) / (255 * 255) // what differences in a window mean nothing
	out := make([]window, 0, 2*len(t.list))
	for i, is := range touched {
		if is {
			out = append(out, windowAt(v, i, even))
		}
	}
	return out
}

func windowAt(v *view, at int, even float32) window {
	var sum colour
	var c [6]float32
	for y := -v.w; y <= v.w; y += v.w {
		for x := -1; x <= 1; x++ {
			p := v.pix[at+y+x].by(1. / 255)
			sum = sum.add(p)
			c[0] += p[0] * p[0]
			c[1] += p[0] * p[1]
			c[2] += p[0] * p[2]
			c[3] += p[1] * p[1]
			c[4] += p[1] * p[2]
			c[5] += p[2] * p[2]
		}
	}
	m := sum.by(1. / 9)
	a, b, d := c[0]/9-m[0]*m[0]+even, c[1]/9-m[0]*m[1], c[2]/9-m[0]*m[2]
	e, f, g := c[3]/9-m[1]*m[1]+even, c[4]/9-m[1]*m[2], c[5]/9-m[2]*m[2]+even
	det := a*(e*g-f*f) - b*(b*g-f*d) + d*(b*f-e*d)
	k := 1 / det
	return window{int32(at), m, [6]float32{
		(e*g - f*f) * k, (d*f - b*g) * k, (b*f - d*e) * k,
		(a*g - d*d) * k, (b*d - a*f) * k, (a*e - b*b) * k,
	}}
}

// line is the linear function of colour that is nearest to nine values in a window:
// their mean and the slope.
func (w *window) line(v *view, values []float32) (mean float32, slope colour) {
	var r colour
	for y := -v.w; y <= v.w; y += v.w {
		for x := -1; x <= 1; x++ {
			i := int(w.at) + y + x
			a := values[i]
			if a == 0 {
				continue
			}
			mean += a
			p := v.pix[i]
			r[0] += a * (p[0]*(1./255) - w.mean[0])
			r[1] += a * (p[1]*(1./255) - w.mean[1])
			r[2] += a * (p[2]*(1./255) - w.mean[2])
		}
	}
	r = r.by(1. / 9)
	q := &w.inverse
	return mean / 9, colour{
		q[0]*r[0] + q[1]*r[1] + q[2]*r[2],
		q[1]*r[0] + q[3]*r[1] + q[4]*r[2],
		q[2]*r[0] + q[4]*r[1] + q[5]*r[2],
	}
}

// apply is the product of the matting Laplacian and the full values, for the open pixels.
func (s *solver) apply(list []int32, out []float32) {
	clear(s.sum)
	v := s.v
	for k := range s.windows {
		w := &s.windows[k]
		mean, slope := w.line(v, s.full)
		if mean == 0 && slope == (colour{}) {
			continue
		}
		for y := -v.w; y <= v.w; y += v.w {
			for x := -1; x <= 1; x++ {
				i := int(w.at) + y + x
				p := v.pix[i]
				s.sum[i] += s.full[i] - mean -
					slope[0]*(p[0]*(1./255)-w.mean[0]) - slope[1]*(p[1]*(1./255)-w.mean[1]) - slope[2]*(p[2]*(1./255)-w.mean[2])
			}
		}
	}
	for k, i := range list {
		out[k] = s.sum[i]
	}
}
