package frame

import (
	"fmt"
	"slices"
	"strings"
	"sync"

	"billow/core/clip"
	"billow/core/graph"
	"billow/core/layout"
	"billow/core/light"
	"billow/core/motion"
	"billow/core/paint"
	"billow/core/timing"
	"billow/core/transition"
	"billow/core/words"
)

// Stage is a clip made ready to be drawn in one shape at one size in pixels. It
// does not change and is safe for concurrent use.
type Stage struct {
	W, H   int
	clip   *clip.Clip
	shape  clip.Shape
	lib    *Library
	scale  float64  // pixels a unit
	actors []*actor // all of them, from the back to the front
	top    []*actor // those in no group
	byID   map[string]*actor

	direction, height *motion.Curve // of the light, nil without keys
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
	var missing MissingError
	for _, p := range c.Needs() {
		if p.Picture != nil && lib.Source(p.Hash) == nil {
			missing.Hashes = append(missing.Hashes, p.Hash)
			missing.Names = append(missing.Names, p.Name)
		}
	}
	if len(missing.Hashes) > 0 {
		return nil, &missing
	}
	s := Arrange(c, shape, lib)
	s.W, s.H, s.scale = w, h, float64(min(w, h))/1000
	return s, nil
}

// Arrange is Prepare without pictures: such a stage answers where layers are,
// but cannot be drawn.
func Arrange(c *clip.Clip, shape clip.Shape, lib *Library) *Stage {
	s := &Stage{
		W: shape.W, H: shape.H, clip: c, shape: shape, lib: lib, scale: float64(min(shape.W, shape.H)) / 1000,
		byID: make(map[string]*actor, len(c.Layers)),
	}
	if lib != nil && lib.File != nil {
		lib.Fonts.OwnFonts(c, lib.File)
	}
	if t := c.Light.Tracks[clip.LightDirection]; len(t) > 0 {
		s.direction = clip.Curve(clip.LightDirection, t, c.Clock())
	}
	if t := c.Light.Tracks[clip.LightHeight]; len(t) > 0 {
		s.height = clip.Curve(clip.LightHeight, t, c.Clock())
	}
	for i := range c.Layers {
		l := &c.Layers[i]
		a := &actor{layer: l, rest: layout.RestIn(c, l, shape), largest: 1}
		a.clock, a.from, a.to = c.Timed(l)
		s.byID[l.ID] = a
		s.actors = append(s.actors, a)
	}
	s.lead()
	s.tie()
	for _, a := range s.top {
		s.ready(a)
	}
	for _, a := range s.actors {
		s.resolveOff(a)
	}
	return s
}

// tie joins groups with what is in them and leaves out what does not show in
// this shape.
func (s *Stage) tie() {
	shown, silent := s.actors[:0], words.Silent(s.clip)
	for _, a := range s.actors {
		if f := a.layer.Follow; f != nil {
			a.leader = s.byID[f.Layer]
		}
		hidden := a.layer.Hidden || a.rest.Away || silent[a.layer.ID]
		for g := s.byID[a.layer.Group]; g != nil; g = s.byID[g.layer.Group] {
			hidden = hidden || g.layer.Hidden || g.rest.Away || silent[g.layer.ID]
		}
		a.away = hidden
		a.parent = s.byID[a.layer.Group]
		switch {
		case hidden:
		case a.parent == nil:
			s.top = append(s.top, a)
		default:
			a.parent.children = append(a.parent.children, a)
		}
		shown = append(shown, a)
	}
	s.actors = shown
	for _, a := range s.actors {
		if a.away {
			s.ready(a) // what follows it asks for its pose
		}
	}
}

// lead lets scenes go on while they lead to the next.
func (s *Stage) lead() {
	list := s.clip.Scenes()
	for i, p := range list[:max(len(list)-1, 0)] {
		n := p.Length.Leave.Frames
		if n == 0 {
			continue
		}
		n = min(n, list[i+1].To-list[i+1].From)
		from := s.byID[p.ID]
		s.byID[list[i+1].ID].before = from
		from.next = p.To
		from.leaves = transition.Named(p.Length.Leave.Kind)
		for _, a := range s.actors {
			if a.layer.To == nil && (a.layer.ID == p.ID || s.clip.Within(a.layer, p.ID)) {
				a.to += n
			}
		}
	}
}

// actor is one layer on a stage.
type actor struct {
	layer    *clip.Layer
	kind     *clip.Kind
	away     bool // not shown in this shape
	parent   *actor
	children []*actor
	leader   *actor // what it follows
	before   *actor // of a scene: the one that leads to it, if that takes time
	leaves   *transition.Transition
	next     int // of a scene that leaves: the frame on which the next one begins
	from, to int // frames of the clip, to not included
	clock    timing.Clock
	rest     clip.Rest
	gx, gy   float64                  // a group: the centre of what is in it, at rest
	cx, cy   float64                  // of its middle at rest, units from the frame's centre
	ax, ay   float64                  // where its rest is from its middle: words may stand by an edge
	prop     *clip.Prop               // of a cut-out: its picture
	course   clip.Course              // of footage
	worn     []worn                   // effects that it has at some time
	w, h     float64                  // visible bounds at rest, units, before turning
	hx, hy   float64                  // where the hole of a card is, units from the card's centre
	base     [][4]float64             // as clip.AllProperties
	curves   []*motion.Curve          // nil without keys
	numbered map[string]*motion.Curve // of numbered properties
	largest  float64                  // scale factor over the whole track and its groups
	still    bool                     // it looks the same on every frame

	content graph.Key // of what it shows, without its look
	once    sync.Once
	picture *graph.Node // made when first drawn, if it is still
}

// ready works out what an actor needs for being sampled; groups after what is
// in them.
func (s *Stage) ready(a *actor) {
	l := a.layer
	a.largest = 1
	if a.parent != nil {
		a.largest = a.parent.largest
	}
	a.kind = l.Is()
	if a.kind.Holds {
		a.largest *= a.rest.Size / 1000
	}
	grow := 1.0
	for _, k := range l.Tracks[clip.Scale] {
		for _, v := range k.Value {
			grow = max(grow, v/100)
		}
	}
	a.largest *= grow
	a.base = slices.Clone(neutral)
	a.curves = make([]*motion.Curve, len(clip.AllProperties))
	a.content = s.contentOf(a)
	for i := fillColour; i < time; i++ {
		if name := clip.AllProperties[i].Name; clip.Has(l.Kind, name) {
			copy(a.base[i][:], l.Base(name))
		}
	}
	for name, v := range l.Values {
		copy(a.base[propertyIndex[name]][:], v)
	}
	a.still = true
	for name, t := range l.Tracks {
		curve := clip.Curve(name, t, a.clock)
		if i, ok := propertyIndex[name]; ok {
			a.curves[i] = curve
			a.still = a.still && !looks[i] && (l.Pattern == nil || i < patternApart || i > eachSize)
			continue
		}
		if a.numbered == nil {
			a.numbered = map[string]*motion.Curve{}
		}
		a.numbered[name] = curve
		a.still = false
	}
	a.wears()
	if w := l.Words; w != nil && w.Along != "" {
		a.still = false // the path may change
	}
	if l.Pattern != nil && l.Stepping != nil {
		a.still = false
	}
	for _, m := range l.Masks {
		a.still = a.still && !m.Still
	}
	a.cx, a.cy = layout.Centre(a.rest, s.shape)
	for _, child := range a.children {
		s.ready(child)
	}
	s.measure(a)
	if a.prop != nil {
		if f := a.prop.Footage; f != nil {
			a.still = false
			a.course = clip.CourseOf(l.Cutout.Runs, f.Seconds, a.clock, a.from)
		}
	}
}

// measure finds the size of a layer at rest.
func (s *Stage) measure(a *actor) {
	if a.kind.Fills {
		s.fill(a)
		return
	}
	kinds[a.layer.Kind].measure(s, a)
}

// fill makes a layer cover the frame.
func (s *Stage) fill(a *actor) {
	a.rest = clip.Rest{Size: a.rest.Size}
	a.cx, a.cy = 0, 0
	a.w, a.h = layout.Extent(s.shape)
	if a.layer.Cutout != nil {
		a.prop = s.clip.PictureOf(a.layer)
	}
}

// resolveOff works out the positions that are "just outside": from the layer's
// bounds as it is turned, sized and lifted on that frame, shadow included.
func (s *Stage) resolveOff(a *actor) {
	up := restUnder(a.parent, nil)
	down, ok := up.Inverse()
	if !ok {
		return
	}
	for _, property := range [3]int{position, xAxis, yAxis} {
		if curve := a.curves[property]; curve != nil {
			s.resolve(a, property, curve, up, down)
		}
	}
}

// resolve works them out for one of the tracks that say where a layer is.
func (s *Stage) resolve(a *actor, property int, curve *motion.Curve, up, down paint.Affine) {
	for i, k := range a.layer.Tracks[clip.AllProperties[property].Name] {
		if k.Off == "" {
			continue
		}
		f := curve.Frame(i)
		p := s.pose(a, around{frame: f, outer: f, m: up, depth: depthOver(a.parent, f)})
		rim := 2 * a.rim(f)
		box := bounds(p.M, a.w+rim, a.h+rim)
		if !p.Cast.None() {
			_, size := spread(p.M)
			box = box.Union(box.Moved(p.Cast.DX, p.Cast.DY).Grown(3 * p.Cast.Sigma * max(1, size)))
		}
		box = box.Grown(1)
		var by [2]float64
		x, y := motion.SideOf(k.Off)
		for d, side := range [2]int{x, y} {
			if side != 0 {
				by[d] = layout.Beyond(d, side, box, s.shape)
			}
		}
		// The box moves by the groups' and the perspective's share of what the key says.
		at := curve.Value(i)
		dx, dy := (down.A*by[0]+down.C*by[1])/p.Perspective, (down.B*by[0]+down.D*by[1])/p.Perspective
		switch property {
		case xAxis:
			curve.Set(i, 0, at[0]+dx)
		case yAxis:
			curve.Set(i, 0, at[0]+dy)
		default:
			curve.Set(i, 0, at[0]+dx)
			curve.Set(i, 1, at[1]+dy)
		}
	}
	curve.Bend()
}

// depthOver is how deep a group and those around it lie on a frame, without what
// their own time makes of it.
func depthOver(g *actor, frame float64) float64 {
	sum := 0.0
	for ; g != nil; g = g.parent {
		sum += g.number(depth, frame)
	}
	return sum
}

// rim is how far an outline reaches beyond a layer's bounds, in units: all of it
// around a cut-out, half of it where it is drawn along an edge.
func (a *actor) rim(frame float64) float64 {
	w := max(0, a.number(outline, frame))
	if a.kind.Rim {
		return w
	}
	return w / 2
}

// bounds is the box around a w by h rectangle about the origin, mapped by m.
func bounds(m paint.Affine, w, h float64) layout.Box {
	ex, ey := (abs(m.A)*w+abs(m.C)*h)/2, (abs(m.B)*w+abs(m.D)*h)/2
	return layout.Box{X0: m.E - ex, Y0: m.F - ey, X1: m.E + ex, Y1: m.F + ey}
}

func abs(v float64) float64 { return max(v, -v) }

// lightAt is the clip's light on a frame.
func (s *Stage) lightAt(frame float64) clip.Light {
	l := s.clip.Light
	if s.direction != nil {
		l.Direction = s.direction.At(frame, 0)
	}
	if s.height != nil {
		l.Height = min(max(s.height.At(frame, 0), 10), 90)
	}
	return l
}

// cast is the shadow of an actor: frame is its own, outer the clip's, by which
// the light goes.
func (s *Stage) cast(a *actor, frame, outer float64) light.Cast {
	height := a.layer.Lift
	if c := a.curves[lift]; c != nil {
		height += c.At(frame, 0)
	}
	if height <= 0 && a.layer.Shadow == nil {
		return light.Cast{}
	}
	return light.Falls(s.lightAt(outer), max(0, height), a.layer.Shadow)
}

// Extent is the stage's shape in units.
func (s *Stage) Extent() (w, h float64) { return layout.Extent(s.shape) }
