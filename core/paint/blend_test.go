package paint

import (
	"math"
	"math/rand/v2"
	"testing"
)

func float32Sqrt(v float32) float32 { return float32(math.Sqrt(float64(v))) }

// somePixel is a random premultiplied pixel, often opaque, often of ends.
func somePixel(r *rand.Rand) uint32 {
	a := uint32(255)
	if r.IntN(2) == 0 {
		a = uint32(r.IntN(256))
	}
	p := a << 24
	for shift := 0; shift < 24; shift += 8 {
		switch r.IntN(6) {
		case 0:
		case 1:
			p |= a << shift
		default:
			p |= uint32(r.IntN(int(a)+1)) << shift
		}
	}
	return p
}

// Every mode gives what the specification's formulas give in floating point, to
// one step of 255; where a formula divides by a small number, so that one step of
// what goes in is many of what comes out, to two.
func TestBlendModesFollowTheSpecification(t *testing.T) {
	r := rand.New(rand.NewPCG(1, 9))
	for mode := Multiply; mode <= Luminosity; mode++ {
		limit := 1
		if mode >= Hue || mode == SoftLight {
			limit = 2
		}
		for range 200_000 {
			s, d := somePixel(r), somePixel(r)
			if s>>24 == 0 {
				continue
			}
			row := []uint32{d}
			blendRow(row, []uint32{s}, 256, mode)
			want := spec(d, s, mode)
			for shift := 0; shift < 32; shift += 8 {
				if e := int(row[0]>>shift&255) - int(want>>shift&255); e > limit || -e > limit {
					t.Fatalf("mode %d: %08x on %08x gives %08x, want %08x", mode, s, d, row[0], want)
				}
			}
		}
	}
}

// A row with less opacity is the row of fainter pixels, however long it is.
func TestBlendingFaintRows(t *testing.T) {
	r := rand.New(rand.NewPCG(3, 4))
	src, dst := make([]uint32, 700), make([]uint32, 700)
	for i := range src {
		src[i], dst[i] = somePixel(r), somePixel(r)
	}
	got := append([]uint32(nil), dst...)
	blendRow(got, src, 100, Multiply)
	for i, s := range src {
		want := []uint32{dst[i]}
		if f := packed((spread(s)*100 + 0x80*lanes) >> 8 & byteLanes); f != 0 {
			blendRow(want, []uint32{f}, 256, Multiply)
		}
		if got[i] != want[0] {
			t.Fatalf("pixel %d is %08x, want %08x", i, got[i], want[0])
		}
	}
}

// BenchmarkBlend is the time of a 1080x1920 frame of translucent pixels in each
// mode, and how many times Normal it is.
func BenchmarkBlend(b *testing.B) {
	const w, h = 1080, 1920
	r := rand.New(rand.NewPCG(1, 2))
	src, dst := NewBitmap(w, h), NewBitmap(w, h)
	for i := range src.Pix {
		src.Pix[i] = faded(uint32(r.IntN(1<<24))|0xFF000000, uint8(40+r.IntN(215)))
		dst.Pix[i] = uint32(r.IntN(1<<24)) | 0xFF000000
	}
	for name, mode := range blendNames {
		b.Run(name, func(b *testing.B) {
			for range b.N {
				for y := range h {
					composite(dst.Pix[y*w:(y+1)*w], src.Pix[y*w:(y+1)*w], 256, mode)
				}
			}
			b.ReportMetric(b.Elapsed().Seconds()*1000/float64(b.N), "ms/frame")
		})
	}
}

type rgbF struct{ r, g, b float32 }

func straight(p uint32) (rgbF, float32) {
	a := float32(p >> 24)
	if a == 0 {
		return rgbF{}, 0
	}
	return rgbF{float32(p&255) / a, float32(p>>8&255) / a, float32(p>>16&255) / a}, a / 255
}

// spec is one pixel by the specification's own formulas, in floating point.
func spec(d, s uint32, mode Blend) uint32 {
	cs, as := straight(s)
	cb, ab := straight(d)
	m := mix(mode, cb, cs)
	channel := func(s, b, m float32) uint32 {
		return uint32((s*as*(1-ab)+b*ab*(1-as)+m*as*ab)*255 + 0.5)
	}
	a := uint32((as+ab-as*ab)*255 + 0.5)
	return min(channel(cs.r, cb.r, m.r), a) | min(channel(cs.g, cb.g, m.g), a)<<8 | min(channel(cs.b, cb.b, m.b), a)<<16 | a<<24
}

func mix(mode Blend, b, s rgbF) rgbF {
	switch mode {
	case Hue:
		return setLumF(setSatF(s, satF(b)), lumF(b))
	case Saturation:
		return setLumF(setSatF(b, satF(s)), lumF(b))
	case Color:
		return setLumF(s, lumF(b))
	case Luminosity:
		return setLumF(b, lumF(s))
	}
	return rgbF{separable(mode, b.r, s.r), separable(mode, b.g, s.g), separable(mode, b.b, s.b)}
}

func separable(mode Blend, b, s float32) float32 {
	switch mode {
	case Multiply:
		return b * s
	case Screen:
		return b + s - b*s
	case Overlay:
		return separable(HardLight, s, b)
	case Darken:
		return min(b, s)
	case Lighten:
		return max(b, s)
	case ColorDodge:
		if b == 0 {
			return 0
		}
		if s >= 1 {
			return 1
		}
		return min(1, b/(1-s))
	case ColorBurn:
		if b >= 1 {
			return 1
		}
		if s <= 0 {
			return 0
		}
		return 1 - min(1, (1-b)/s)
	case HardLight:
		if s <= 0.5 {
			return b * 2 * s
		}
		return separable(Screen, b, 2*s-1)
	case SoftLight:
		return softLight(b, s)
	case Difference:
		return max(b, s) - min(b, s)
	case Exclusion:
		return b + s - 2*b*s
	}
	return s
}

func softLight(b, s float32) float32 {
	if s <= 0.5 {
		return b - (1-2*s)*b*(1-b)
	}
	d := float32Sqrt(b)
	if b <= 0.25 {
		d = ((16*b-12)*b + 4) * b
	}
	return b + (2*s-1)*(d-b)
}

func lumF(c rgbF) float32 { return 0.3*c.r + 0.59*c.g + 0.11*c.b }

func satF(c rgbF) float32 { return max(c.r, c.g, c.b) - min(c.r, c.g, c.b) }

// setLumF moves a colour to a luminosity and clips it into 0..1 around it.
func setLumF(c rgbF, l float32) rgbF {
	d := l - lumF(c)
	c = rgbF{c.r + d, c.g + d, c.b + d}
	l = lumF(c)
	if n := min(c.r, c.g, c.b); n < 0 {
		f := func(v float32) float32 { return l + (v-l)*l/(l-n) }
		c = rgbF{f(c.r), f(c.g), f(c.b)}
	}
	if x := max(c.r, c.g, c.b); x > 1 {
		f := func(v float32) float32 { return l + (v-l)*(1-l)/(x-l) }
		c = rgbF{f(c.r), f(c.g), f(c.b)}
	}
	return c
}

// setSatF stretches a colour's channels so that they span s from 0 upwards.
func setSatF(c rgbF, s float32) rgbF {
	lo, hi := min(c.r, c.g, c.b), max(c.r, c.g, c.b)
	if hi <= lo {
		return rgbF{}
	}
	f := func(v float32) float32 { return (v - lo) * s / (hi - lo) }
	return rgbF{f(c.r), f(c.g), f(c.b)}
}
