package edit

import (
	"math"

	"billow/core/clip"
	"billow/core/motion"
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
	Target string  `json:"target,omitempty"` // auto, rest or key
	DX     float64 `json:"dx,omitempty"`     // units
	DY     float64 `json:"dy,omitempty"`
	Factor float64 `json:"factor,omitempty"` // of the size, more than 0; 0 leaves it
	Wider  float64 `json:"wider,omitempty"`  // of the width alone, as Factor; makes scale keys
	Taller float64 `json:"taller,omitempty"` // of the height alone
	Turn   float64 `json:"turn,omitempty"`   // degrees clockwise
	// Base is the position that the layer had in that shape and frame, with
	// "just outside" worked out; a new key begins from it.
	Base *[2]float64 `json:"base,omitempty"`
	// Anchor is where the layer's rest is, in units from its middle: sized and turned,
	// the layer keeps its middle.
	Anchor *[2]float64 `json:"anchor,omitempty"`
}

func (h *Handle) apply(c *clip.Clip) error {
	l, err := find(c, h.Layer)
	if err != nil {
		return err
	}
	for _, f := range []float64{h.Factor, h.Wider, h.Taller} {
		if f < 0 || math.IsNaN(f) || f > 1000 {
			return clip.Fault("factor", "a size cannot be multiplied by %g", f)
		}
	}
	if apart := l.Apart() && h.Target != "rest"; apart && (h.DX != 0 || h.DY != 0) {
		if err := h.moveApart(c, l); err != nil {
			return err
		}
	} else if h.DX != 0 || h.DY != 0 {
		if err := h.change(c, l, clip.Position, func(r *clip.Rest) { r.X += h.DX; r.Y += h.DY }, h.moveKey); err != nil {
			return err
		}
	}
	if h.Factor != 0 && h.Factor != 1 {
		grow := func(k *motion.Key) {
			for i := range k.Value {
				k.Value[i] *= h.Factor
			}
		}
		if err := h.change(c, l, clip.Scale, func(r *clip.Rest) { r.Size *= h.Factor; h.keepMiddle(r, h.Factor, 0) }, grow); err != nil {
			return err
		}
	}
	if h.Wider != 0 || h.Taller != 0 {
		if err := h.oneWay(c, l); err != nil {
			return err
		}
	}
	if h.Turn != 0 {
		turn := func(k *motion.Key) { k.Value[0] += h.Turn }
		return h.change(c, l, clip.Rotation, func(r *clip.Rest) { r.Turn += h.Turn; h.keepMiddle(r, 1, h.Turn) }, turn)
	}
	return nil
}

// keepMiddle moves a rest that is not the layer's middle as sizing and turning about the
// middle ask for.
func (h *Handle) keepMiddle(r *clip.Rest, factor, turn float64) {
	if h.Anchor == nil {
		return
	}
	sin, cos := math.Sincos(turn * math.Pi / 180)
	x, y := h.Anchor[0], h.Anchor[1]
	r.X += factor*(x*cos-y*sin) - x
	r.Y += factor*(x*sin+y*cos) - y
}

// oneWay sizes width and height apart. A rest has one size, so this is always a
// scale: of the key on the frame, or of all keys when the whole motion is meant.
func (h *Handle) oneWay(c *clip.Clip, l *clip.Layer) error {
	factor := [2]float64{1, 1}
	if h.Wider != 0 {
		factor[0] = h.Wider
	}
	if h.Taller != 0 {
		factor[1] = h.Taller
	}
	apart := func(k *motion.Key) {
		v := k.Value
		if len(v) == 1 {
			v = []float64{v[0], v[0]}
		}
		k.Value = []float64{v[0] * factor[0], v[1] * factor[1]}
	}
	t := l.Tracks[clip.Scale]
	if h.Target == "rest" && len(t) > 0 {
		for i := range t {
			apart(&t[i])
		}
		return nil
	}
	frame := h.Frame
	if len(t) == 0 {
		frame, _ = c.Span(l)
	}
	k := KeyHere(c, l.ID, clip.Scale, frame)
	apart(&k)
	k.Move, k.Eased = "", false
	putKey(c, l.Tracks, l.ID, clip.Scale, k)
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
	x, y := motion.SideOf(k.Off)
	if x != 0 && h.DX != 0 || y != 0 && h.DY != 0 {
		k.Off = ""
	}
}

// moveApart moves a layer of which each axis has keys of its own: the axes that are
// dragged along get keys, or move their rest where they have none.
func (h *Handle) moveApart(c *clip.Clip, l *clip.Layer) error {
	for axis, property := range [2]string{clip.X, clip.Y} {
		by := [2]float64{h.DX, h.DY}[axis]
		if by == 0 {
			continue
		}
		var there []float64
		if h.Base != nil && len(l.Tracks[clip.Position]) == 0 {
			there = []float64{h.Base[axis]}
		}
		move := func(k *motion.Key) {
			if there != nil {
				k.Value = there
			}
			k.Value[0] += by
			k.Off = ""
		}
		rest := func(r *clip.Rest) {
			if axis == 0 {
				r.X += by
			} else {
				r.Y += by
			}
		}
		if err := h.change(c, l, property, rest, move); err != nil {
			return err
		}
	}
	return nil
}

func (h *Handle) change(c *clip.Clip, l *clip.Layer, property string, rest func(*clip.Rest), key func(*motion.Key)) error {
	onKey := h.Target != "rest" && len(l.Tracks[property]) > 0 || h.Target == "key"
	if !onKey {
		return withRest(c, l, h.Shape, func(r *clip.Rest) error { rest(r); return nil })
	}
	if err := onStage(c, l, h.Frame); err != nil {
		return err
	}
	k := KeyHere(c, l.ID, property, h.Frame)
	key(&k)
	k.Move, k.Eased = "", false
	putKey(c, l.Tracks, l.ID, property, k)
	return nil
}

// MovePivot puts a layer's pivot elsewhere and moves the layer so that it stays
// where it is on the frame.
type MovePivot struct {
	Typed
	Layer string     `json:"layer"`
	Shape string     `json:"shape"`
	To    [2]float64 `json:"to"`   // percent of the visible size from its centre
	Move  [2]float64 `json:"move"` // units by which the layer would jump otherwise
}

func (m *MovePivot) apply(c *clip.Clip) error {
	l, err := find(c, m.Layer)
	if err != nil {
		return err
	}
	if t := l.Tracks[clip.Pivot]; len(t) > 0 {
		return clip.Fault("layer", "the pivot of %q has keys; change it there", l.Name)
	}
	if l.Values == nil {
		l.Values = map[string][]float64{}
	}
	l.Values[clip.Pivot] = m.To[:]
	if m.To == [2]float64{} {
		delete(l.Values, clip.Pivot)
	}
	if m.Move == [2]float64{} {
		return nil
	}
	return withRest(c, l, m.Shape, func(r *clip.Rest) error {
		r.X += m.Move[0]
		r.Y += m.Move[1]
		return nil
	})
}
