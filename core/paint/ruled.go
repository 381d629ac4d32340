package paint

import "math"

// RuledMask is the coverage of a path on a plane of a size, by the even-odd rule or by
// the non-zero one (SVG 2, fill-rule).
func RuledMask(p Path, w, h int, evenOdd bool) *Mask {
	if !evenOdd {
		return PathMask(p, w, h)
	}
	m := &Mask{W: w, H: h, Pix: make([]uint8, w*h)}
	r := newRaster(w, h)
	r.add(p, 0, 0)
	r.evenOdd(func(x0, y int, row []int32) {
		to := m.Pix[y*w+x0:]
		for x, cover := range row {
			to[x] = uint8((cover*255 + whole/2) / whole)
		}
	})
	return m
}

// CoverRow draws a row of pixels over another one, each by so many 255ths.
func CoverRow(dst, src []uint32, cover []uint8) {
	for x, p := range src {
		switch a := cover[x]; {
		case a == 0:
		case a == 255 && p>>24 == 255:
			dst[x] = p
		default:
			dst[x] = over(dst[x], faded(p, a))
		}
	}
}

// Dashed is what lengths, drawn and left out in turn, leave of the path's contours;
// the first of them begins so far before each contour (SVG 2, stroke-dasharray).
func (p Path) Dashed(lengths []float64, from, tolerance float64) Path {
	period := 0.0
	for _, d := range lengths {
		period += d
	}
	var out Path
	for _, l := range p.flattened(tolerance) {
		length := l.length()
		if length/period*float64(len(lengths)) > mostDashes {
			out = append(out, l.path()...)
			continue
		}
		at := -math.Mod(from, period)
		if at > 0 {
			at -= period
		}
		for at < length {
			for i, d := range lengths {
				if part := l.part(max(at, 0), min(at+d, length)); i%2 == 0 && len(part.points) > 1 {
					out = append(out, part.path()...)
				}
				at += d
			}
		}
	}
	return out
}

// path is the line as a path.
func (l polyline) path() Path {
	out := make(Path, len(l.points))
	for i, pt := range l.points {
		out[i] = Segment{'L', [3][2]float64{pt}}
	}
	if out[0].Op = 'O'; l.closed {
		out[0].Op = 'M'
	}
	return out
}
