package cutout

import "math"

// opacity is the opacity of a part of a photo.
type opacity struct {
	w, h int
	a    []uint8
}

// reach is how many pixels around a pixel have a say in it.
func (e Edge) reach() int {
	return int(math.Ceil(math.Abs(e.Shift)+3*e.Feather+3*e.Smooth)) + int(2*e.Specks)
}

// change follows an order for the edge: first specks, then corners are rounded, then the
// edge is moved, then it fades.
func (m *opacity) change(e Edge) {
	if e.Specks > 0 {
		m.despeckle(e.Specks)
	}
	if e.Smooth > 0 {
		m.blur(e.Smooth)
		for i, a := range m.a {
			m.a[i] = uint8(min(max((float64(a)-127.5)*max(1, 1.6*e.Smooth)+127.5, 0), 255))
		}
	}
	if e.Shift != 0 {
		m.shift(e.Shift)
	}
	if e.Feather > 0 {
		m.blur(e.Feather)
	}
}

// despeckle takes islands and holes that cover less than a disc of this width.
func (m *opacity) despeckle(width float64) {
	least := int(math.Pi * width * width / 4)
	islands := make([]float32, len(m.a))
	for i, a := range m.a {
		if a >= 128 {
			islands[i] = 1
		}
	}
	for _, group := range parts(islands, m.w, m.h, least) {
		for _, i := range group {
			m.a[i] = 0
		}
		m.fade(group)
	}
	holes := make([]float32, len(m.a))
	for i, a := range m.a {
		if a < 128 {
			holes[i] = 1
		}
	}
	for _, group := range parts(holes, m.w, m.h, least) {
		for _, i := range group {
			m.a[i] = 255
		}
	}
}

// fade takes the half clear pixels around an island that is gone.
func (m *opacity) fade(group []int32) {
	for _, at := range group {
		x, y := int(at)%m.w, int(at)/m.w
		for ny := max(y-2, 0); ny <= min(y+2, m.h-1); ny++ {
			for nx := max(x-2, 0); nx <= min(x+2, m.w-1); nx++ {
				if j := ny*m.w + nx; m.a[j] < 128 {
					m.a[j] = 0
				}
			}
		}
	}
}

// shift moves the edge outwards, or inwards below 0: each pixel becomes the most opaque,
// or least, within a disc; between whole radii the two are mixed.
func (m *opacity) shift(by float64) {
	grow := by > 0
	by = math.Abs(by)
	whole := int(by)
	a := m.disc(whole, grow)
	if part := by - float64(whole); part > 0 {
		b := m.disc(whole+1, grow)
		for i := range a {
			a[i] = uint8(math.Round(float64(a[i])*(1-part) + float64(b[i])*part))
		}
	}
	m.a = a
}

func (m *opacity) disc(radius int, grow bool) []uint8 {
	out := make([]uint8, len(m.a))
	copy(out, m.a)
	if radius == 0 {
		return out
	}
	half := make([]int, 2*radius+1)
	for y := -radius; y <= radius; y++ {
		half[y+radius] = int(math.Sqrt(float64(radius*radius-y*y) + .25))
	}
	for y := range m.h {
		for x := range m.w {
			i := y*m.w + x
			if m.lone(x, y, radius) {
				continue
			}
			best := m.a[i]
			for dy := max(-radius, -y); dy <= min(radius, m.h-1-y); dy++ {
				k := half[dy+radius]
				row := m.a[(y+dy)*m.w+max(x-k, 0) : (y+dy)*m.w+min(x+k+1, m.w)]
				for _, a := range row {
					if grow {
						best = max(best, a)
					} else {
						best = min(best, a)
					}
				}
			}
			out[i] = best
		}
	}
	return out
}

// lone tells quickly that all around a pixel is as it is itself, from a few of them; a
// pixel near an edge is never lone.
func (m *opacity) lone(x, y, radius int) bool {
	a := m.a[y*m.w+x]
	if a != 0 && a != 255 {
		return false
	}
	for dy := -radius; dy <= radius; dy++ {
		ny := y + dy
		if ny < 0 || ny >= m.h {
			continue
		}
		row := m.a[ny*m.w+max(x-radius, 0) : ny*m.w+min(x+radius+1, m.w)]
		for _, b := range row {
			if b != a {
				return false
			}
		}
	}
	return true
}

// blur is three averages over squares, which is near to a normal distribution with this
// deviation.
func (m *opacity) blur(sigma float64) {
	radius := max(1, int(math.Round((math.Sqrt(4*sigma*sigma+1)-1)/2)))
	line := make([]int32, max(m.w, m.h)+1)
	along := func(from, step, n int) {
		for i := range n {
			line[i+1] = line[i] + int32(m.a[from+i*step])
		}
		for i := range n {
			lo, hi := max(0, i-radius), min(n, i+radius+1)
			m.a[from+i*step] = uint8((line[hi] - line[lo] + int32(hi-lo)/2) / int32(hi-lo))
		}
	}
	for range 3 {
		for y := range m.h {
			along(y*m.w, 1, m.w)
		}
		for x := range m.w {
			along(x, m.w, m.h)
		}
	}
}
