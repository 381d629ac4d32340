package edit

import (
	"math"
	"slices"
	"strconv"

	"billow/core/clip"
)

// Recut gives all that shows a picture another cut of the same photo or footage, or one layer alone.
// Each pixel of the photo that both cuts show stays where it is, so that a thing does not
// move when its edge does: exactly so where a layer has a rest of its own, by the rules of
// derived rests elsewhere. Layers in a product's slot keep the size that suits the slot.
type Recut struct {
	Typed
	Was   string    `json:"was"`             // the file of the picture that goes, by its hash
	WasAt [2]int    `json:"wasAt"`           // the pixel of the photo that its upper left one is
	Prop  clip.Prop `json:"prop"`            // the cut that takes its place
	At    [2]int    `json:"at"`              // the pixel of the photo that its upper left one is
	Layer string    `json:"layer,omitempty"` // the only one that shows it from now on
}

func (r *Recut) apply(c *clip.Clip) error {
	if r.Prop.Picture == nil {
		return clip.Fault("prop", "%q is no picture", r.Prop.Name)
	}
	for _, v := range []int{r.WasAt[0], r.WasAt[1], r.At[0], r.At[1]} {
		if max(v, -v) > 100_000 {
			return clip.Fault("at", "the corner of a cut lies at most 100000 pixels from that of its photo")
		}
	}
	if r.Layer != "" {
		return r.one(c)
	}
	found := false
	c.Props = slices.Clone(c.Props)
	for i, was := range c.Props {
		if was.Hash != r.Was || was.Picture == nil || (was.Footage == nil) != (r.Prop.Footage == nil) {
			continue
		}
		found = true
		next := r.Prop
		next.ID = was.ID
		c.Props[i] = next
		for j := range c.Layers {
			if l := &c.Layers[j]; l.Cutout != nil && l.Cutout.Prop == next.ID {
				r.show(c.Own(l.ID), &was)
			}
		}
	}
	if !found {
		return clip.Fault("was", "the clip has no picture of this file")
	}
	return nil
}

// one changes a single layer.
func (r *Recut) one(c *clip.Clip) error {
	l, err := find(c, r.Layer)
	if err != nil {
		return err
	}
	var now *clip.Prop
	if l.Cutout != nil {
		now = c.Prop(l.Cutout.Prop)
	}
	if now == nil || now.Picture == nil || now.Hash != r.Was || (now.Footage == nil) != (r.Prop.Footage == nil) {
		return clip.Fault("layer", "%q does not show this picture", l.Name)
	}
	was := *now
	l.Cutout.Prop = broughtIn(c, r.Prop)
	r.show(l, &was)
	return nil
}

// show gives a layer that showed one picture the name and place that suit the new one.
func (r *Recut) show(l *clip.Layer, was *clip.Prop) {
	r.stay(l, was.Picture)
	if l.Name == was.Name {
		l.Name = r.Prop.Name
	}
}

// stay changes a layer's rests, which were made for what was visible of a picture, so that
// the pixels of the new one lie where they did.
func (r *Recut) stay(l *clip.Layer, before *clip.Picture) {
	if l.Cutout.Covering != nil || l.Cutout.Fitted != nil {
		return
	}
	a, b := before.Visible, r.Prop.Picture.Visible
	longer := func(v [4]int) float64 { return float64(max(v[2]-v[0], v[3]-v[1])) }
	middle := func(v [4]int, axis int) float64 { return float64(v[axis]+v[axis+2]) / 2 }
	dx := middle(b, 0) - middle(a, 0) - float64(r.WasAt[0]-r.At[0])
	dy := middle(b, 1) - middle(a, 1) - float64(r.WasAt[1]-r.At[1])
	pivoted := stayPivot(l, a, b, [2]float64{dx, dy})
	stayMasks(l, l.Rest.Size/longer(a)*dx, l.Rest.Size/longer(a)*dy)
	move := func(rest *clip.Rest) {
		unit := rest.Size / longer(a) // units that a pixel is wide
		sin, cos := math.Sincos(rest.Turn * math.Pi / 180)
		if pivoted { // a layer is turned about its pivot, which stays on its pixel
			sin, cos = 0, 1
		}
		rest.X += unit * (dx*cos - dy*sin)
		rest.Y += unit * (dx*sin + dy*cos)
		rest.Size = unit * longer(b)
	}
	move(&l.Rest)
	for id, rest := range l.Rests {
		move(&rest)
		l.Rests[id] = rest
	}
}

// stayMasks moves masks back by as much as the middle of their layer has moved.
func stayMasks(l *clip.Layer, dx, dy float64) {
	for i := range l.Masks {
		m := &l.Masks[i]
		if m.Still {
			continue
		}
		m.X -= dx
		m.Y -= dy
		for _, k := range l.Tracks[clip.MaskPlace+strconv.Itoa(m.ID)] {
			k.Value[0] -= dx
			k.Value[1] -= dy
		}
	}
}

// stayPivot keeps a pivot that was put somewhere on its pixel, and tells whether there is
// one. It is counted from the middle of what is visible, in percent of its width and
// height.
func stayPivot(l *clip.Layer, a, b [4]int, d [2]float64) bool {
	stay := func(pivot []float64) {
		for axis := range d {
			was, is := float64(a[axis+2]-a[axis]), float64(b[axis+2]-b[axis])
			pivot[axis] = min(max((pivot[axis]*was-100*d[axis])/is, -500), 500)
		}
	}
	value := l.Values[clip.Pivot]
	if value != nil {
		stay(value)
	}
	for _, k := range l.Tracks[clip.Pivot] {
		stay(k.Value)
	}
	return value != nil || len(l.Tracks[clip.Pivot]) > 0
}
