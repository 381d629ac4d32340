package frame

import (
	"math"

	"billow/core/colour"
	"billow/core/paint"
)

// Under is the colour that a layer's prop itself has at a place of the frame, in units from its
// centre, before anything is done to it: the mean around there. ok is false where it has none.
func (s *Stage) Under(layer string, frame int, x, y float64) (c colour.Colour, ok bool) {
	a := s.byID[layer]
	if a == nil || a.prop == nil || s.lib.Source(a.prop.Hash) == nil {
		return c, false
	}
	env, shown := s.surroundings(a, float64(frame))
	if !shown {
		return c, false
	}
	inv, ok := s.pose(a, env).M.Inverse()
	if !ok {
		return c, false
	}
	ux, uy := inv.Apply(x, y)
	at, _, _, _ := s.held(a, env.frame)
	var px, py float64 // pixels of the file
	if a.layer.Cutout.Covering != nil {
		per, left, top := s.coverAt(a, at).laid()
		px, py = (ux-left)*per, (uy-top)*per
	} else {
		v := a.prop.Picture.Visible
		px, py = float64(v[0]+v[2])/2+ux*a.per(), float64(v[1]+v[3])/2+uy*a.per()
	}
	picture, _, k := s.shown(a, at, 0.5)
	return around5(picture.Picture, int(math.Floor(px*k)), int(math.Floor(py*k)))
}

// around5 is the mean of the pixels around one, of those that are opaque.
func around5(b *paint.Bitmap, x, y int) (colour.Colour, bool) {
	var sum [3]uint32
	n := uint32(0)
	for dy := -2; dy <= 2; dy++ {
		for dx := -2; dx <= 2; dx++ {
			px, py := x+dx, y+dy
			if px < 0 || py < 0 || px >= b.W || py >= b.H || b.Pix[py*b.W+px]>>24 < 250 {
				continue
			}
			p := b.Pix[py*b.W+px]
			for c := range 3 {
				sum[c] += p >> (8 * c) & 255
			}
			n++
		}
	}
	if n == 0 {
		return colour.Colour{}, false
	}
	return colour.Colour{R: uint8(sum[0] / n), G: uint8(sum[1] / n), B: uint8(sum[2] / n), A: 255}, true
}

// Screen is the colour that most of the border of a layer's prop has: that of a screen before which
// it was taken. ok is false where the border is clear.
func (s *Stage) Screen(layer string, frame int) (c colour.Colour, ok bool) {
	a := s.byID[layer]
	if a == nil || a.prop == nil || s.lib.Source(a.prop.Hash) == nil {
		return c, false
	}
	at, _, _, _ := s.held(a, float64(frame))
	picture, _, _ := s.shown(a, at, 0.25)
	b := picture.Picture
	rim := max(1, min(b.W, b.H)/20)
	// Of bins of sixteen levels a channel the fullest, and the mean of what is in it.
	type bin struct{ n, r, g, b int }
	bins := map[uint32]*bin{}
	var best *bin
	for y := range b.H {
		for x := range b.W {
			if x >= rim && x < b.W-rim && y >= rim && y < b.H-rim {
				continue
			}
			p := b.Pix[y*b.W+x]
			if p>>24 < 250 {
				continue
			}
			key := p >> 4 & 0x0F0F0F
			one := bins[key]
			if one == nil {
				one = &bin{}
				bins[key] = one
			}
			one.n, one.r, one.g, one.b = one.n+1, one.r+int(p&255), one.g+int(p>>8&255), one.b+int(p>>16&255)
			if best == nil || one.n > best.n {
				best = one
			}
		}
	}
	if best == nil {
		return c, false
	}
	return colour.Colour{R: uint8(best.r / best.n), G: uint8(best.g / best.n), B: uint8(best.b / best.n), A: 255}, true
}

// Own is what a layer's prop shows on a frame before anything is done to it, and how many of the layer's
// units one of its pixels is wide. ok is false where it has none.
func (s *Stage) Own(layer string, frame int) (b *paint.Bitmap, units float64, ok bool) {
	a := s.byID[layer]
	if a == nil || a.prop == nil || s.lib.Source(a.prop.Hash) == nil {
		return nil, 0, false
	}
	at, _, _, _ := s.held(a, float64(frame))
	picture, _, k := s.shown(a, at, 1)
	if a.layer.Cutout.Covering != nil {
		per, _, _ := s.coverAt(a, at).laid()
		return picture.Picture, 1 / (per * k), true
	}
	return picture.Picture, 1 / (a.per() * k), true
}

// Alone draws a layer without its shadow onto a transparent bitmap of the stage's size.
func (s *Stage) Alone(dst *paint.Bitmap, layer string, frame int) {
	s.alone(dst, layer, []int{frame}, 1, shadowless)
}
