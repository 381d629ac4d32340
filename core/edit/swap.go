package edit

import (
	"math"

	"billow/core/clip"
)

// SwapPicture gives a cut-out another picture. It keeps its motion, shadow and
// place; sizes agree by what is visible: as much is covered as before, and it
// stands on the same line. The pivot, being a share of the size, follows.
type SwapPicture struct {
	Typed
	Layer string `json:"layer"`
	Prop  string `json:"prop"`
}

func (s *SwapPicture) apply(c *clip.Clip) error {
	l, err := find(c, s.Layer)
	if err != nil {
		return err
	}
	if l.Cutout == nil {
		return clip.Fault("layer", "%q is no cut-out, so it has no picture to swap", l.Name)
	}
	now, next := c.Prop(l.Cutout.Prop), c.Prop(s.Prop)
	if next == nil || next.Picture == nil {
		return clip.Fault("prop", "there is no picture %q", s.Prop)
	}
	b := next.Picture.Visible
	if b[0] >= b[2] || b[1] >= b[3] {
		return clip.Fault("prop", "nothing of %q can be seen: every pixel of it is transparent", next.Name)
	}
	k, drop := fitted(now.Picture, next.Picture)
	resize := func(r *clip.Rest) {
		old := r.Size
		r.Size *= k
		// The base line stays; with a turn it moves along the turned axis.
		sin, cos := math.Sincos(r.Turn * math.Pi / 180)
		r.X -= drop(old) * -sin
		r.Y += drop(old) * cos
	}
	resize(&l.Rest)
	for id, r := range l.Rests {
		resize(&r)
		l.Rests[id] = r
	}
	if l.Name == now.Name {
		l.Name = next.Name
	}
	l.Cutout.Prop = s.Prop
	return nil
}

// fitted is the factor for the size of a layer (the longer visible side) when
// its picture changes, and how much its centre goes down from a size, so that
// the lower edge stays. The new one covers as much as the old one, but its
// bounds do not grow by more than a quarter in any direction.
func fitted(from, to *clip.Picture) (k float64, drop func(size float64) float64) {
	sides := func(p *clip.Picture) (w, h, area float64) {
		w, h = float64(p.Visible[2]-p.Visible[0]), float64(p.Visible[3]-p.Visible[1])
		long := max(w, h)
		cover := p.Area
		if cover == 0 {
			cover = 1
		}
		return w / long, h / long, w / long * h / long * cover
	}
	w0, h0, a0 := sides(from)
	w1, h1, a1 := sides(to)
	k = min(math.Sqrt(a0/a1), 1.25*w0/w1, 1.25*h0/h1)
	return k, func(size float64) float64 { return size * (h0 - k*h1) / 2 }
}
