package edit

import (
	"math"

	"billow/core/clip"
)

// SwapPicture gives a cut-out another picture, or lets it show the product of its
// scene (clip.ProductSlot). It keeps its motion, shadow and
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
	if s.Prop == clip.ProductSlot {
		return intoSlot(c, l)
	}
	next := c.Prop(s.Prop)
	if next == nil || next.Picture == nil {
		return clip.Fault("prop", "there is no picture %q", s.Prop)
	}
	if b := next.Picture.Visible; b[0] >= b[2] || b[1] >= b[3] {
		return clip.Fault("prop", "nothing of %q can be seen: every pixel of it is transparent", next.Name)
	}
	refit(l, madeFor(c, l), next.Picture.Fits())
	if now := c.Prop(l.Cutout.Prop); now != nil && l.Name == now.Name {
		l.Name = next.Name
	}
	l.Cutout.Prop, l.Cutout.Fitted = s.Prop, nil
	return nil
}

// intoSlot lets a cut-out show the product of its scene. What it is sized for
// stays known, so that every product has the size that suits it.
func intoSlot(c *clip.Clip, l *clip.Layer) error {
	made := madeFor(c, l)
	l.Cutout.Prop, l.Cutout.Fitted = clip.ProductSlot, &made
	return nil
}

// madeFor is what a cut-out's size was made for.
func madeFor(c *clip.Clip, l *clip.Layer) clip.Fitted {
	if l.Cutout.Fitted != nil {
		return *l.Cutout.Fitted
	}
	if p := c.PictureOf(l); p != nil {
		return p.Picture.Fits()
	}
	return clip.Fitted{Aspect: 1, Cover: 1}
}

// refit changes a layer's rests, which were made for one picture, to suit
// another.
func refit(l *clip.Layer, from, to clip.Fitted) {
	k, drop := from.For(to)
	resize := func(r *clip.Rest) {
		old := r.Size
		r.Size *= k
		// The base line stays; with a turn it moves along the turned axis.
		sin, cos := math.Sincos(r.Turn * math.Pi / 180)
		r.X -= drop(old) * sin
		r.Y += drop(old) * cos
	}
	resize(&l.Rest)
	for id, r := range l.Rests {
		resize(&r)
		l.Rests[id] = r
	}
}
