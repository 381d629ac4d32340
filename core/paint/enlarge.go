package paint

import "math"

// Enlarged is a plane of a size, of which pixel (x, y) shows what lies (x+dx, y+dy) pixels
// from the mask's corner when that is 2^octaves times as large: mixed between its pixels,
// as soft masks can be without being seen to be made small. Beyond the mask its last
// pixels go on.
func (m *Mask) Enlarged(octaves int, dx, dy float64, w, h int) *Mask {
	out := &Mask{W: w, H: h, Pix: make([]uint8, w*h)}
	if m.W == 0 || m.H == 0 {
		return out
	}
	scale := math.Ldexp(1, -octaves)
	// Where the first pixel lies, in 65536ths of the mask's.
	begin := func(d float64) int {
		const most = 1 << 24
		return int(math.Round(min(max((d+0.5)*scale-0.5, -most), most) * whole))
	}
	u0, v, step := begin(dx), begin(dy), whole>>octaves
	row := make([]uint32, m.W+1)
	for y := range h {
		m.betweenRows(row, v)
		to := out.Pix[y*w:][:w]
		u := u0
		for x := range to {
			i := min(max(u>>16, -1), m.W-1)
			a, b := row[max(i, 0)], row[i+1]
			part := uint32(u>>8) & 255
			to[x] = uint8((a*(256-part) + b*part + 1<<15) >> 16)
			u += step
		}
		v += step
	}
	return out
}

// betweenRows is a row at a height in 65536ths of a pixel, in 256ths of its values; its last
// pixel stands twice.
func (m *Mask) betweenRows(out []uint32, v int) {
	y, part := v>>16, uint32(v>>8)&255
	a := m.Pix[min(max(y, 0), m.H-1)*m.W:][:m.W]
	b := m.Pix[min(max(y+1, 0), m.H-1)*m.W:][:m.W]
	for x, p := range a {
		out[x] = uint32(p)*(256-part) + uint32(b[x])*part
	}
	out[m.W] = out[m.W-1]
}
