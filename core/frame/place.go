package frame

import (
	"math"
	"slices"

	"billow/core/alike"
	"billow/core/clip"
	"billow/core/graph"
	"billow/core/layout"
	"billow/core/motion"
	"billow/core/paint"
)

// Place is where a layer is on a frame, for handles and pointers.
type Place struct {
	Layer    string        `json:"layer"`
	X        float64       `json:"x"` // centre, units from the frame's centre
	Y        float64       `json:"y"`
	W        float64       `json:"w"` // as drawn, before turning, units
	H        float64       `json:"h"`
	Turn     float64       `json:"turn"` // degrees clockwise, as drawn
	Opacity  float64       `json:"opacity"`
	Position [2]float64    `json:"position"` // relative to rest, "just outside" worked out
	Pivot    [2]float64    `json:"pivot"`    // where its pivot is, units from the frame's centre
	Corners  [4][2]float64 `json:"corners"`  // clockwise from the upper left one
	Away     [2]float64    `json:"away"`     // a unit of its position to the right, as drawn: x and y
	Own      [2]float64    `json:"own"`      // its width and height before keys and groups size it, units
	Shrink   float64       `json:"shrink"`   // by how much less its own lengths are than in its home shape
	Standing [6]float64    `json:"standing"` // maps its own space to the frame, units, as if nothing moved it within its group
	Anchor   [2]float64    `json:"anchor"`   // where its rest is from its middle, units in its group
}

// Places lists the layers that are on at a frame, from the back to the front:
// all of them, or those of only that are.
func (s *Stage) Places(frame int, only []string) []Place {
	out := []Place{}
	for _, a := range s.actors {
		if only != nil && !slices.Contains(only, a.layer.ID) {
			continue
		}
		if pl, on := s.place(a, float64(frame)); on {
			out = append(out, pl)
		}
	}
	return out
}

func (s *Stage) place(a *actor, frame float64) (Place, bool) {
	env, shown := s.surroundings(a, frame)
	if !shown || !a.on(env.frame) {
		return Place{}, false
	}
	p := s.pose(a, env)
	pl := Place{
		Layer: a.layer.ID, X: p.M.E, Y: p.M.F,
		W: a.w * alike.Hypot(p.M.A, p.M.B), H: a.h * alike.Hypot(p.M.C, p.M.D),
		Turn: math.Atan2(p.M.B, p.M.A) * 180 / math.Pi, Opacity: p.Opacity, Position: p.Position,
		Away: [2]float64{env.m.A * p.Perspective, env.m.B * p.Perspective}, Anchor: [2]float64{a.ax, a.ay}, Own: [2]float64{a.w, a.h}, Shrink: a.shrink(),
	}
	st, _ := s.seen(a, env, a.standing())
	pl.Standing = [6]float64{st.A, st.B, st.C, st.D, st.E, st.F}
	px, py := a.pivotAt(env.frame)
	pl.Pivot[0], pl.Pivot[1] = p.M.Apply(px, py)
	for i, c := range corners {
		pl.Corners[i][0], pl.Corners[i][1] = p.M.Apply(c[0]*a.w, c[1]*a.h)
	}
	return pl, true
}

// Pick lists the layers at a point, in units from the frame's centre, from the
// front to the back: a cut-out where it is not transparent, a card outside its
// hole, words anywhere in their bounds. Backdrops, groups and locked layers are
// never picked this way.
func (s *Stage) Pick(frame int, x, y float64) []string {
	out := []string{}
	for i := len(s.actors) - 1; i >= 0; i-- {
		a := s.actors[i]
		if a.kind.Fills || a.kind.Holds || a.layer.Locked || s.lockedAbove(a) {
			continue
		}
		env, shown := s.surroundings(a, float64(frame))
		if !shown || !a.on(env.frame) {
			continue
		}
		p := s.pose(a, env)
		inv, ok := p.M.Inverse()
		if !ok || p.Opacity < 0.02 {
			continue
		}
		lx, ly := s.onCopy(a, env, p, inv, x, y)
		if abs(lx) > a.w/2 || abs(ly) > a.h/2 {
			continue
		}
		if a.kind.Block || s.opaque(a, env, lx, ly) {
			out = append(out, a.layer.ID)
		}
	}
	return out
}

// Touching lists the layers whose bounds a rectangle touches, units from the
// frame's centre, from the back to the front; those that are never picked are not
// among them.
func (s *Stage) Touching(frame int, r layout.Box) []string {
	out := []string{}
	for _, a := range s.actors {
		if a.kind.Fills || a.kind.Holds || a.layer.Locked || s.lockedAbove(a) {
			continue
		}
		if pl, on := s.place(a, float64(frame)); on && pl.Opacity >= 0.02 && pl.touches(r) {
			out = append(out, a.layer.ID)
		}
	}
	return out
}

func (s *Stage) lockedAbove(a *actor) bool {
	for g := a.parent; g != nil; g = g.parent {
		if g.layer.Locked {
			return true
		}
	}
	return false
}

// opaque tells whether a layer shows at a point of its own; a cut-out whose
// picture is not at hand counts as showing all over.
func (s *Stage) opaque(a *actor, env around, lx, ly float64) bool {
	if a.prop != nil && s.lib.Source(a.prop.Hash) == nil {
		return true
	}
	n, slid := s.picture(a, env)
	sheet := graph.Made(s.lib, n)
	b := sheet.Picture
	px, py := int(math.Floor((lx-slid[0])*sheet.Per-sheet.X)), int(math.Floor((ly-slid[1])*sheet.Per-sheet.Y))
	return px >= 0 && py >= 0 && px < b.W && py < b.H && b.Pix[py*b.W+px]>>24 >= 8
}

// Missing lists the letters of a layer's words that no font has, or "".
func (s *Stage) Missing(layer string) string {
	a := s.byID[layer]
	if a == nil || a.layer.Words == nil {
		return ""
	}
	return string(s.block(a).Missing)
}

// Curve is a layer's curve of a property, with "just outside" worked out for
// the stage's shape; nil when it has no keys or the layer is not there.
func (s *Stage) Curve(layer, property string) *motion.Curve {
	if a := s.byID[layer]; a != nil {
		if i, ok := propertyIndex[property]; ok {
			return a.curves[i]
		}
		return a.numbered[property]
	}
	return nil
}

// Mapping maps the layer's own units about its middle to units from the frame's centre.
func (p Place) Mapping() paint.Affine {
	o, r, d := p.Corners[0], p.Corners[1], p.Corners[3]
	w, h := max(p.Own[0], 1e-9), max(p.Own[1], 1e-9)
	return paint.Affine{A: (r[0] - o[0]) / w, B: (r[1] - o[1]) / w, C: (d[0] - o[0]) / h, D: (d[1] - o[1]) / h, E: p.X, F: p.Y}
}

// Box is the bounds of a layer on a frame, units from the frame's centre.
func (p Place) Box() layout.Box {
	b := layout.Box{X0: p.Corners[0][0], Y0: p.Corners[0][1], X1: p.Corners[0][0], Y1: p.Corners[0][1]}
	for _, c := range p.Corners[1:] {
		b = b.Union(layout.Box{X0: c[0], Y0: c[1], X1: c[0], Y1: c[1]})
	}
	return b
}

// touches tells whether the layer's bounds, turned as they are, and a rectangle
// have a point in common. Two convex figures have none when a side of one of them
// keeps the other out.
func (p Place) touches(r layout.Box) bool {
	q := [4][2]float64{{r.X0, r.Y0}, {r.X1, r.Y0}, {r.X1, r.Y1}, {r.X0, r.Y1}}
	return !keepsOut(p.Corners, q) && !keepsOut(q, p.Corners)
}

// keepsOut tells whether all of q lies beyond one side of p.
func keepsOut(p, q [4][2]float64) bool {
	for i, a := range p {
		b := p[(i+1)%4]
		x, y := b[1]-a[1], a[0]-b[0] // across the side
		reach := [2][2]float64{}
		for j, f := range [2][4][2]float64{p, q} {
			for k, c := range f {
				d := x*(c[0]-a[0]) + y*(c[1]-a[1])
				if k == 0 || d < reach[j][0] {
					reach[j][0] = d
				}
				if k == 0 || d > reach[j][1] {
					reach[j][1] = d
				}
			}
		}
		if reach[0][1] < reach[1][0] || reach[1][1] < reach[0][0] {
			return true
		}
	}
	return false
}

// Path is the way of a layer's centre through the frame.
type Path struct {
	Points [][2]float64 `json:"points"` // each frame from First on, units from the frame's centre
	First  int          `json:"first"`
	Keys   []PathKey    `json:"keys"`
}

// PathKey is a position key on the way.
type PathKey struct {
	Frame int         `json:"frame"`
	At    [2]float64  `json:"at"`
	Off   string      `json:"off"`
	Out   *[2]float64 `json:"out"` // where its handles are, units from the frame's centre
	In    *[2]float64 `json:"in"`
}

// travels tells from which frame to which a layer has keys of where it is.
func (a *actor) travels() (first, last int, any bool) {
	for _, property := range [3]int{position, xAxis, yAxis} {
		if c := a.curves[property]; c != nil {
			from, to := int(c.Frame(0)), int(c.Frame(c.Len()-1))
			if !any {
				first, last, any = from, to, true
			}
			first, last = min(first, from), max(last, to)
		}
	}
	return first, last, any
}

// Path follows a layer's centre from its first position key to its last.
func (s *Stage) Path(layer string) Path {
	out := Path{Points: [][2]float64{}, Keys: []PathKey{}}
	a := s.byID[layer]
	if a == nil {
		return out
	}
	first, last, moves := a.travels()
	if !moves {
		return out
	}
	out.First = first
	at := func(f float64) ([2]float64, paint.Affine) {
		env := whole(f)
		if a.parent != nil { // by the group's time where it is neutral
			outer, _ := s.surroundings(a.parent, f)
			env = s.inside(a.parent, outer)
			env.frame = f
		}
		m, near := s.seen(a, env, s.local(a, env).M)
		return [2]float64{m.E, m.F}, env.m.Then(paint.Scale(near, near))
	}
	for f := out.First; f <= last; f++ {
		p, _ := at(float64(f))
		out.Points = append(out.Points, p)
	}
	for _, property := range [2]int{xAxis, yAxis} {
		for i, k := range a.layer.Tracks[clip.AllProperties[property].Name] {
			f := a.curves[property].Frame(i)
			p, _ := at(f)
			out.Keys = append(out.Keys, PathKey{Frame: int(f), At: p, Off: k.Off})
		}
	}
	curve := a.curves[position]
	for i, k := range a.layer.Tracks[clip.Position] {
		p, m := at(curve.Frame(i))
		pk := PathKey{Frame: int(curve.Frame(i)), At: p, Off: k.Off}
		bent := func(h []float64) *[2]float64 {
			if len(h) != 2 {
				return nil
			}
			return &[2]float64{p[0] + m.A*h[0] + m.C*h[1], p[1] + m.B*h[0] + m.D*h[1]}
		}
		pk.Out, pk.In = bent(k.Out), bent(k.In)
		out.Keys = append(out.Keys, pk)
	}
	return out
}

// Ghosts draws a layer alone as it is on some frames, faint, onto a transparent
// bitmap of the stage's size.
func (s *Stage) Ghosts(dst *paint.Bitmap, layer string, frames []int) {
	s.alone(dst, layer, frames, 0.3, shadowless)
}

// Shaded draws a layer on a frame by itself, with its shadow, on nothing.
func (s *Stage) Shaded(dst *paint.Bitmap, layer string, frame int) {
	s.alone(dst, layer, []int{frame}, 1, func(a *actor) *actor { return a })
}

// alone draws what is shown of a layer on some frames, so opaque.
func (s *Stage) alone(dst *paint.Bitmap, layer string, frames []int, share float64, as func(*actor) *actor) {
	clear(dst.Pix)
	a := s.byID[layer]
	if a == nil || a.away {
		return
	}
	p := s.Painter()
	single := as(a)
	for _, f := range frames {
		env, shown := s.surroundings(a, float64(f))
		if !shown {
			continue
		}
		p.graph.Over(dst, p.add(nil, single, env), share)
	}
}

// LoopGap is how badly the last frame of a clip meets the first.
type LoopGap struct {
	Pixels float64 `json:"pixels"` // the farthest that a corner of a layer jumps, pixels of the shape
	Layer  string  `json:"layer"`  // which
	Sudden bool    `json:"sudden"` // it shows at one end alone, or as another opacity
}

// LoopGap compares the last frame with the first.
func (s *Stage) LoopGap() LoopGap {
	out := LoopGap{}
	last := float64(s.clip.Length - 1)
	for _, a := range s.actors {
		if a.kind.Holds {
			continue
		}
		p, on := s.place(a, 0)
		q, still := s.place(a, last)
		on, still = on && p.Opacity > 0.004, still && q.Opacity > 0.004
		if !on && !still {
			continue
		}
		far := 0.0
		sudden := on != still || abs(p.Opacity-q.Opacity) > 0.004
		if on != still {
			// It appears or is gone all at once: as far as it is large.
			if !on {
				p = q
			}
			if !seen(p, s) {
				continue
			}
			far = alike.Hypot(p.W, p.H) * s.scale
		} else {
			for i := range p.Corners {
				far = max(far, alike.Hypot(p.Corners[i][0]-q.Corners[i][0], p.Corners[i][1]-q.Corners[i][1])*s.scale)
			}
		}
		if far > out.Pixels || sudden && out.Layer == "" {
			out = LoopGap{Pixels: far, Layer: a.layer.ID, Sudden: sudden}
		}
	}
	return out
}

// seen tells whether a layer lies in the frame at all.
func seen(p Place, s *Stage) bool {
	w, h := s.Extent()
	b := p.Box()
	return b.X1 > -w/2 && b.X0 < w/2 && b.Y1 > -h/2 && b.Y0 < h/2 && p.W > 0 && p.H > 0
}
