package edit

import (
	"math"

	"billow/core/clip"
	"billow/core/motion"
	"billow/core/timing"
)

// Handle is a drag on the Tabletop: a layer is moved, sized or turned in a
// shape at a frame. What it changes is the key there (or a new one) when the
// property has keys, and the rest otherwise; Target "rest" always takes the
// rest, so that the whole motion moves, and "key" always a key.
type Handle struct {
	Typed
	Layer  string  `json:"layer"`
	Shape  string  `json:"shape"`
	Frame  int     `json:"frame"`
	Target string  `json:"target"` // auto, rest or key
	DX     float64 `json:"dx"`     // units
	DY     float64 `json:"dy"`
	Factor float64 `json:"factor"` // of the size, more than 0; 0 leaves it
	Turn   float64 `json:"turn"`   // degrees clockwise
	// Base is the position that the layer had in that shape and frame, with
	// "just outside" worked out; a new key begins from it.
	Base *[2]float64 `json:"base"`
}

func (h *Handle) apply(c *clip.Clip) error {
	l, err := find(c, h.Layer)
	if err != nil {
		return err
	}
	if h.Factor < 0 || math.IsNaN(h.Factor) || h.Factor > 1000 {
		return clip.Fault("factor", "a size cannot be multiplied by %g", h.Factor)
	}
	if h.DX != 0 || h.DY != 0 {
		if err := h.change(c, l, clip.Position, func(r *clip.Rest) { r.X += h.DX; r.Y += h.DY }, h.moveKey); err != nil {
			return err
		}
	}
	if h.Factor != 0 && h.Factor != 1 {
		grow := func(k *motion.Key) { k.Value[0] *= h.Factor }
		if err := h.change(c, l, clip.Scale, func(r *clip.Rest) { r.Size *= h.Factor }, grow); err != nil {
			return err
		}
	}
	if h.Turn != 0 {
		turn := func(k *motion.Key) { k.Value[0] += h.Turn }
		return h.change(c, l, clip.Rotation, func(r *clip.Rest) { r.Turn += h.Turn }, turn)
	}
	return nil
}

// moveKey adds to a position; a drag along an axis on which the key was "just
// outside" makes it an ordinary position again.
func (h *Handle) moveKey(k *motion.Key) {
	if h.Base != nil {
		copy(k.Value, h.Base[:])
	}
	k.Value[0] += h.DX
	k.Value[1] += h.DY
	horizontal := k.Off == "left" || k.Off == "right"
	if horizontal && h.DX != 0 || !horizontal && h.DY != 0 {
		k.Off = ""
	}
}

func (h *Handle) change(c *clip.Clip, l *clip.Layer, property string, rest func(*clip.Rest), key func(*motion.Key)) error {
	onKey := h.Target == "key" || h.Target != "rest" && len(l.Tracks[property]) > 0
	if !onKey {
		return withRest(c, l, h.Shape, func(r *clip.Rest) error { rest(r); return nil })
	}
	if h.Frame < 0 || h.Frame >= c.Length {
		return clip.Fault("frame", "frame %d lies outside the clip", h.Frame)
	}
	k := KeyHere(c, l, property, h.Frame)
	key(&k)
	putKey(c, l, property, k)
	return nil
}

// KeyHere is the key of a property on a frame; where there is none, one that
// changes nothing: it holds the value of that frame and the easing of the
// string on which it would be put.
func KeyHere(c *clip.Clip, l *clip.Layer, property string, frame int) motion.Key {
	clock, t := c.Clock(), l.Tracks[property]
	here := motion.Key{At: timing.At(frame), Ease: motion.Ease{Kind: motion.InOut}}
	curve := motion.NewCurve(t, clip.Dims(property), clock)
	for d := range clip.Dims(property) {
		v := clip.Neutral(property)
		if len(t) > 0 {
			v = curve.At(float64(frame), d)
		}
		here.Value = append(here.Value, v)
	}
	for _, k := range t {
		f := clock.Frame(k.At)
		if f == frame {
			here.Off, here.At = k.Off, k.At
		}
		if f <= frame {
			here.Ease = k.Ease
		}
	}
	return here
}
