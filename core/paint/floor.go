package paint

import (
	"billow/core/alike"
	"billow/core/colour"
)

// Floor is a wall and a floor that pass into each other at the horizon, with a glow there
// that fades to all sides.
type Floor struct {
	Wall, Ground colour.Colour
	Horizon      float64 // pixels from the top
	Soft         float64 // pixels over which they pass into each other
	Light        colour.Colour
	Glow         float64 // 0..1 in its middle
	X            float64 // of its middle, pixels
	RX, RY       float64 // standard deviations of the glow, pixels
}

// glowCell is how many pixels apart the glow is worked out along a row; between them it is
// mixed evenly. It must divide 16.
const glowCell = 8

type floor struct {
	Floor
	wall, ground, light [4]float64
	across              []float64 // the glow along a row, of its strength, at each cell from from on
	from                int
}

// Shader is the floor.
func (f Floor) Shader() Shader {
	s := &floor{Floor: f}
	s.wall, s.ground, s.light = channelsOf(f.Wall), channelsOf(f.Ground), channelsOf(f.Light)
	return s
}

// channelsOf is a colour premultiplied, 0..255.
func channelsOf(c colour.Colour) [4]float64 {
	a := float64(c.A) / 255
	return [4]float64{float64(c.R) * a, float64(c.G) * a, float64(c.B) * a, float64(c.A)}
}

// Opaque tells that both are.
func (s *floor) Opaque() bool {
	return s.Wall.A == 255 && s.Ground.A == 255 && (s.Light.A == 255 || s.Glow == 0)
}

// Row mixes between cells in tints, as free gradients do.
func (s *floor) Row(x, y int, dst []uint32) {
	at := float64(y) + 0.5 - s.Horizon
	t := 0.0
	switch half := s.Soft / 2; {
	case at >= half:
		t = 1
	case at > -half:
		t = (at + half) / s.Soft
		t = t * t * (3 - 2*t)
	}
	var base [4]float64
	for k := range base {
		base[k] = s.wall[k] + (s.ground[k]-s.wall[k])*t
	}
	strength := s.Glow * bell(at/s.RY)
	d := dithers(y)
	if strength < 1.0/512 {
		even := tintOf(base)
		for i := range dst {
			dst[i] = even.pixel(d[(x+i)&3])
		}
		return
	}
	from, to := floorDiv(x, glowCell), floorDiv(x+len(dst)-1, glowCell)+1
	s.reach(from, to)
	corner := func(c int) tint {
		share := strength * s.across[c-s.from]
		now := base
		for k := range now {
			now[k] += (s.light[k] - now[k]) * share
		}
		// A sixteenth of what a lane holds, so that sixteen shares of it fill one.
		return tintOf(now) >> 4 & (each * 0xFFF)
	}
	const share = 16 / glowCell
	left := corner(from)
	for c := from; c < to; c++ {
		right := corner(c + 1)
		first, end := max(c*glowCell, x), min((c+1)*glowCell, x+len(dst))
		by := share * (right - left)
		v := 16*left + share/2*(right-left) + tint(first-c*glowCell)*by
		for px := first; px < end; px++ {
			dst[px-x] = v.pixel(d[px&3])
			v += by
		}
		left = right
	}
}

// reach works out the glow along a row.
func (s *floor) reach(from, to int) {
	if s.across != nil && s.from <= from && to < s.from+len(s.across) {
		return
	}
	s.from, s.across = from, make([]float64, to-from+1)
	for i := range s.across {
		s.across[i] = bell((float64((from+i)*glowCell) - s.X) / s.RX)
	}
}

// bell is the normal curve, 1 in its middle.
func bell(v float64) float64 { return alike.Exp(-v * v / 2) }
