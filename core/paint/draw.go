package paint

import (
	"image"
	"math"
)

// Brush draws transformed pictures. It keeps scratch memory, so one
// brush serves one goroutine.
type Brush struct {
	row     []uint32
	columns []uint64 // of two rows of a picture, mixed
	sums    []uint64 // of several places in a pixel
	moved   []uint64 // of a picture at several places
}

// Draw puts a picture onto dst. m maps pixels of the picture's largest level
// to pixels of dst; opacity is 0..1.
func (br *Brush) Draw(dst *Bitmap, p *Pyramid, m Affine, opacity float64, mode Blend) {
	alpha := uint32(math.Round(min(max(opacity, 0), 1) * 256))
	inv, ok := m.Inverse()
	if !ok || alpha == 0 {
		return
	}
	if br.copyWhole(dst, p.Picture, m, alpha, mode) {
		return
	}
	br.room(dst.W)
	edge := edgeOf(p.Picture, m)
	from := reading(p, inv)
	y0, y1 := edge.rows(dst.H)
	for y := y0; y < y1; y++ {
		x0, x1 := edge.row(y, dst.W)
		if x0 >= x1 {
			continue
		}
		row := br.row[:x1-x0]
		from.read(br, row, x0, y)
		edge.cover(row)
		composite(dst.Pix[y*dst.W+x0:y*dst.W+x1], row, alpha, mode)
	}
}

// room makes the brush's row long enough.
func (br *Brush) room(w int) {
	if len(br.row) < w {
		br.row = make([]uint32, w)
	}
}

// copyWhole draws a picture that is only moved by whole pixels without sampling
// it, and tells whether it did.
func (br *Brush) copyWhole(dst, src *Bitmap, m Affine, alpha uint32, mode Blend) bool {
	dx, dy := math.Round(m.E), math.Round(m.F)
	// A millionth of a pixel cannot be seen.
	off := max(math.Abs(m.A-1)*float64(src.W), math.Abs(m.D-1)*float64(src.H),
		math.Abs(m.B)*float64(src.W), math.Abs(m.C)*float64(src.H), math.Abs(m.E-dx), math.Abs(m.F-dy))
	if !(off < 1e-6) || math.Abs(dx) > 1e6 || math.Abs(dy) > 1e6 {
		return false
	}
	x0, x1 := max(0, int(dx)), min(dst.W, src.W+int(dx))
	for y := max(0, int(dy)); y < min(dst.H, src.H+int(dy)) && x0 < x1; y++ {
		at := (y-int(dy))*src.W + x0 - int(dx)
		composite(dst.Pix[y*dst.W+x0:y*dst.W+x1], src.Pix[at:at+x1-x0], alpha, mode)
	}
	return true
}

// composite blends a row of premultiplied pixels onto dst; alpha is 0..256.
func composite(dst, src []uint32, alpha uint32, mode Blend) {
	switch {
	case mode != Normal:
		blendRow(dst, src, alpha, mode)
	case alpha < 256:
		fade(dst, src, uint64(alpha))
	default:
		dst = dst[:len(src)]
		for i, s := range src {
			switch {
			case s >= 0xFF000000:
				dst[i] = s
			case s != 0:
				dst[i] = over(dst[i], s)
			}
		}
	}
}

// fade is composite for an alpha below 256: two pixels at once where both are
// opaque, as most of a faded sheet are.
func fade(dst, src []uint32, alpha uint64) {
	const opaque = 0xFF000000FF000000
	dst = dst[:len(src)]
	i := 0
	for ; i+2 <= len(src); i += 2 {
		s, d := src[i:i+2:i+2], dst[i:i+2:i+2]
		two := uint64(s[0]) | uint64(s[1])<<32
		switch {
		case two == 0:
		case two&opaque == opaque:
			below := uint64(d[0]) | uint64(d[1])<<32
			rb := lerp(below&byteLanes, two&byteLanes, alpha)
			ga := lerp(below>>8&byteLanes, two>>8&byteLanes, alpha)
			below = rb | ga<<8
			d[0], d[1] = uint32(below), uint32(below>>32)
		default:
			d[0], d[1] = over(d[0], thinned(s[0], alpha)), over(d[1], thinned(s[1], alpha))
		}
	}
	for ; i < len(src); i++ {
		dst[i] = over(dst[i], thinned(src[i], alpha))
	}
}

// thinned is a pixel with a share of its opacity, in 256ths.
func thinned(p uint32, share uint64) uint32 {
	return packed((spread(p)*share + 0x80*lanes) >> 8 & byteLanes)
}

// over is source-over of W3C Compositing: s + d (1 - alpha of s), the product
// rounded to the nearest of 255ths in all four lanes at once.
func over(d, s uint32) uint32 {
	t := spread(d)*uint64(255-s>>24) + 0x80*lanes
	t = (t + t>>8&byteLanes) >> 8 & byteLanes
	return packed(t) + s
}

// Shade paints what a shader shows onto a part of dst, whose pixel (x, y) is number
// (x, y) plus off of the shader's.
func (br *Brush) Shade(dst *Bitmap, s Shader, part image.Rectangle, off image.Point, opacity float64, mode Blend) {
	alpha := uint32(math.Round(min(max(opacity, 0), 1) * 256))
	if alpha == 0 || part.Empty() {
		return
	}
	br.room(part.Dx())
	row, covers := br.row[:part.Dx()], alpha == 256 && mode == Normal && s.Opaque()
	for y := part.Min.Y; y < part.Max.Y; y++ {
		to := dst.Pix[y*dst.W+part.Min.X : y*dst.W+part.Max.X]
		if covers {
			s.Row(part.Min.X+off.X, y+off.Y, to)
			continue
		}
		s.Row(part.Min.X+off.X, y+off.Y, row)
		composite(to, row, alpha, mode)
	}
}
