package paint

import "math"

// NoiseShader is grain over a plane: white and black of a strength, 0..1, in cells so many
// pixels wide, at least 1.
func NoiseShader(strength, cell float64, seed uint64) Shader {
	return &noise{strength: strength, per: 1 / max(cell, 1), seed: seed}
}

type noise struct {
	strength, per float64
	seed          uint64
	row           [2]int // whose values are known, plus one
	values        [2][]int32
}

func (s *noise) Opaque() bool { return false }

// value is noise at a corner of cells, -65536..65536, most often near 0.
func (s *noise) value(x, y int) int32 {
	v := uint64(uint32(x))<<32 | uint64(uint32(y))
	v = (v + s.seed) * 0x9E3779B97F4A7C15
	v = (v ^ v>>30) * 0xBF58476D1CE4E5B9
	v = (v ^ v>>27) * 0x94D049BB133111EB
	v ^= v >> 31
	return int32(v&0xFFFF) + int32(v>>16&0xFFFF) - 0xFFFF
}

func (s *noise) Row(x, y int, dst []uint32) {
	full := int64(s.strength * 255 * 256)
	if s.per == 1 {
		for i := range dst {
			dst[i] = grain(int64(s.value(x+i, y)) * full >> 16)
		}
		return
	}
	fy := (float64(y) + 0.5) * s.per
	j := int(math.Floor(fy))
	i0, i1 := int(math.Floor(float64(x)*s.per)), int(math.Floor(float64(x+len(dst))*s.per))+2
	a, b := s.corners(0, i0, i1, j), s.corners(1, i0, i1, j+1)
	v := int64((fy - float64(j)) * 256)
	u, step := int64((float64(x)+0.5)*s.per*65536)-int64(i0)<<16, int64(s.per*65536)
	for i := range dst {
		c, part := u>>16, u>>8&255
		left := int64(a[c])*(256-v) + int64(b[c])*v
		right := int64(a[c+1])*(256-v) + int64(b[c+1])*v
		// Mixing evens out: half as strong again brings it back.
		dst[i] = grain((left*(256-part) + right*part) >> 16 * full * 3 / 2 >> 16)
		u += step
	}
}

// corners are the values of a row of corners.
func (s *noise) corners(slot, from, to, y int) []int32 {
	if len(s.values[slot]) != to-from || s.row[slot] != y+1 {
		if slot == 0 && s.row[1] == y+1 && len(s.values[1]) == to-from {
			s.values[0], s.values[1], s.row[0], s.row[1] = s.values[1], s.values[0], y+1, 0
			return s.values[0]
		}
		if len(s.values[slot]) != to-from {
			s.values[slot] = make([]int32, to-from)
		}
		for i := range s.values[slot] {
			s.values[slot][i] = s.value(from+i, y)
		}
		s.row[slot] = y + 1
	}
	return s.values[slot]
}

// grain is the pixel of so much light, or of darkness below 0, in 256ths of 255.
func grain(v int64) uint32 {
	if v < 0 {
		return uint32(min((-v+128)>>8, 255)) << 24
	}
	return uint32(min((v+128)>>8, 255)) * 0x01010101
}
