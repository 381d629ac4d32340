package frame

import (
	"fmt"
	"strings"
	"sync"

	"billow/core/clip"
	"billow/core/layout"
	"billow/core/light"
	"billow/core/motion"
)

// Stage is a clip made ready to be drawn in one shape at one size in pixels. It
// does not change and is safe for concurrent use.
type Stage struct {
	W, H   int
	clip   *clip.Clip
	shape  clip.Shape
	lib    *Library
	scale  float64 // pixels a unit
	actors []*actor
}

// MissingError lists pictures that the library does not have.
type MissingError struct{ Hashes, Names []string }

func (e *MissingError) Error() string {
	return fmt.Sprintf("the file of %s is missing", strings.Join(e.Names, ", "))
}

// Prepare makes a clip ready for a shape. The size may be any with the shape's
// proportions; pixels are square, so the shorter side decides. The error is a
// *MissingError when pictures are missing.
func Prepare(c *clip.Clip, shape clip.Shape, w, h int, lib *Library) (*Stage, error) {
	s := &Stage{W: w, H: h, clip: c, shape: shape, lib: lib, scale: float64(min(w, h)) / 1000}
	var missing MissingError
	for i := range c.Layers {
		l := &c.Layers[i]
		if l.Cutout != nil {
			p := c.Prop(l.Cutout.Prop)
			if lib.Picture(p.Hash) == nil {
				missing.Hashes = append(missing.Hashes, p.Hash)
				missing.Names = append(missing.Names, p.Name)
				continue
			}
		}
		if a := s.newActor(l); a != nil {
			s.actors = append(s.actors, a)
		}
	}
	if len(missing.Hashes) > 0 {
		return nil, &missing
	}
	return s, nil
}

// Arrange is Prepare without pictures: such a stage answers where layers are,
// but cannot be drawn.
func Arrange(c *clip.Clip, shape clip.Shape, lib *Library) *Stage {
	s := &Stage{W: shape.W, H: shape.H, clip: c, shape: shape, lib: lib, scale: float64(min(shape.W, shape.H)) / 1000}
	for i := range c.Layers {
		if a := s.newActor(&c.Layers[i]); a != nil {
			s.actors = append(s.actors, a)
		}
	}
	return s
}

// properties in the order of an actor's curves.
const (
	position = iota
	scale
	rotation
	opacity
	lift
)

// actor is one layer on a stage.
type actor struct {
	layer    *clip.Layer
	from, to int // frames, to not included
	rest     clip.Rest
	cx, cy   float64 // of the rest, units from the frame's centre
	w, h     float64 // visible bounds at rest, units, before turning
	curves   [5]*motion.Curve
	largest  float64 // scale factor over the whole track

	once   sync.Once
	sprite *sprite // made when first drawn
}

// newActor is nil for a layer that does not show in this shape.
func (s *Stage) newActor(l *clip.Layer) *actor {
	a := &actor{layer: l, rest: layout.RestIn(s.clip, l, s.shape), largest: 1}
	if l.Hidden || a.rest.Away {
		return nil
	}
	a.from, a.to = s.clip.Span(l)
	a.cx, a.cy = layout.Centre(a.rest, s.shape)
	s.measure(a)
	clock := s.clip.Clock()
	for i, name := range clip.Properties {
		a.curves[i] = motion.NewCurve(l.Tracks[name], clip.Dims(name), clock)
	}
	for _, k := range l.Tracks[clip.Scale] {
		a.largest = max(a.largest, k.Value[0]/100)
	}
	s.resolveOff(a)
	return a
}

// measure finds the size of a layer at rest.
func (s *Stage) measure(a *actor) {
	switch l := a.layer; l.Kind {
	case clip.KindBackdrop:
		a.rest = clip.Rest{}
		a.cx, a.cy = 0, 0
		a.w, a.h = layout.Extent(s.shape)
	case clip.KindCutout:
		v := s.clip.Prop(l.Cutout.Prop).Picture.Visible
		w, h := float64(v[2]-v[0]), float64(v[3]-v[1])
		k := a.rest.Size / max(w, h)
		a.w, a.h = w*k, h*k
	default:
		b := s.block(a)
		a.w, a.h = b.W, b.H
	}
}

// resolveOff works out the positions that are "just outside": from the layer's
// bounds as it is turned, sized and lifted on that frame, shadow included.
func (s *Stage) resolveOff(a *actor) {
	curve := a.curves[position]
	for i, k := range a.layer.Tracks[clip.Position] {
		if k.Off == "" {
			continue
		}
		p := s.pose(a, curve.Frame(i))
		box := layout.Turned(a.w*p.Scale, a.h*p.Scale, p.Turn)
		if !p.Cast.None() {
			box = box.Union(box.Moved(p.Cast.DX, p.Cast.DY).Grown(3 * p.Cast.Sigma * max(1, p.Scale)))
		}
		d := layout.Dim(k.Off)
		rest := [2]float64{a.cx, a.cy}[d]
		curve.Set(i, d, layout.Outside(k.Off, box.Grown(1), s.shape)-rest)
	}
}

// Pose is how a layer stands at one moment.
type Pose struct {
	X, Y    float64 // centre, units from the frame's centre
	Scale   float64 // factor of the rest's size
	Turn    float64 // degrees clockwise
	Opacity float64 // 0..1
	Cast    light.Cast
}

func (s *Stage) pose(a *actor, frame float64) Pose {
	factor := func(p int) float64 {
		if a.curves[p].Len() == 0 {
			return 1
		}
		return a.curves[p].At(frame, 0) / 100
	}
	height := max(0, a.layer.Lift+a.curves[lift].At(frame, 0))
	return Pose{
		X:       a.cx + a.curves[position].At(frame, 0),
		Y:       a.cy + a.curves[position].At(frame, 1),
		Scale:   max(0, factor(scale)),
		Turn:    a.rest.Turn + a.curves[rotation].At(frame, 0),
		Opacity: min(max(factor(opacity), 0), 1),
		Cast:    light.Falls(s.clip.Light, height, a.layer.Shadow),
	}
}
