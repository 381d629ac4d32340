package frame

import (
	"math"
	"slices"

	"billow/core/clip"
	"billow/core/layout"
	"billow/core/paint"
)

// stroke is one thing that is painted on a frame: a picture, a picture that
// moves while the shutter is open, or a group that is drawn as a whole.
type stroke struct {
	picture *paint.Pyramid
	at      paint.Affine
	moved   []paint.Affine
	whole   *gathered
	opacity float64
	blend   paint.Blend
}

// gathered is a group drawn on a sheet of its own first.
type gathered struct {
	inside  []stroke
	matte   []stroke      // whose alpha it is cut to
	matted  bool          // whether matte counts, which may be empty
	within  [4][2]float64 // corners in pixels that it is cut to
	bounded bool
	radius  float64 // of those corners, pixels
	blur    float64 // standard deviation, pixels
	shadow  fallen
}

// fallen is the shadow of a whole.
type fallen struct {
	dx, dy, sigma, opacity float64 // pixels; 0..1
	pixel                  uint32
}

// same tells whether two strokes paint the same.
func (s *stroke) same(o *stroke) bool {
	if s.picture != o.picture || s.at != o.at || s.opacity != o.opacity || s.blend != o.blend || !slices.Equal(s.moved, o.moved) {
		return false
	}
	if s.whole == nil || o.whole == nil {
		return s.whole == o.whole
	}
	a, b := s.whole, o.whole
	return a.matted == b.matted && a.bounded == b.bounded && a.within == b.within && a.radius == b.radius && a.blur == b.blur &&
		a.shadow == b.shadow && sameAll(a.inside, b.inside) && sameAll(a.matte, b.matte)
}

func sameAll(a, b []stroke) bool {
	return slices.EqualFunc(a, b, func(x, y stroke) bool { return x.same(&y) })
}

// strokes is what is painted on a frame, from the back to the front.
func (s *Stage) strokes(frame int, out []stroke) []stroke {
	for _, a := range s.top {
		out = s.add(out, a, whole(float64(frame)))
	}
	return out
}

// add appends the strokes of an actor that shows.
func (s *Stage) add(out []stroke, a *actor, env around) []stroke {
	if !a.on(env.frame) {
		return out
	}
	if a.layer.Kind == clip.KindGroup {
		return s.addGroup(out, a, env)
	}
	p := s.pose(a, env)
	if p.Opacity == 0 || p.M.Det() == 0 {
		return out
	}
	sp, slid := s.picture(a, env.frame)
	poses := s.exposures(a, env)
	if !p.Cast.None() && a.layer.Backdrop == nil {
		soft := s.shadow(sp, p.Cast.Sigma, paint.Premultiplied(s.clip.Light.Colour))
		st := s.stroke(soft, slid, p.M, poses, p.Cast.DX, p.Cast.DY)
		st.opacity = p.Opacity * p.Cast.Opacity
		out = append(out, st)
	}
	st := s.stroke(sp, slid, p.M, poses, 0, 0)
	st.opacity, st.blend = p.Opacity, paint.BlendNamed(a.layer.Blend)
	return append(out, st)
}

// stroke is a sprite at a pose, or at several while the shutter is open.
func (s *Stage) stroke(sp *sprite, slid [2]float64, m paint.Affine, poses []paint.Affine, dx, dy float64) stroke {
	st := stroke{picture: sp.Pyramid, at: s.matrix(sp, slid, m, dx, dy)}
	for _, p := range poses {
		st.moved = append(st.moved, s.matrix(sp, slid, p, dx, dy))
	}
	return st
}

// matrix maps pixels of a sprite to pixels of the frame.
func (s *Stage) matrix(sp *sprite, slid [2]float64, m paint.Affine, dx, dy float64) paint.Affine {
	k := 1 / sp.perUnit
	return paint.Scale(k, k).
		Then(paint.Translate(sp.x0+slid[0], sp.y0+slid[1])).
		Then(m).
		Then(paint.Translate(dx, dy)).
		Then(s.toPixels())
}

// toPixels maps units about the frame's centre to pixels.
func (s *Stage) toPixels() paint.Affine {
	return paint.Scale(s.scale, s.scale).Then(paint.Translate(float64(s.W)/2, float64(s.H)/2))
}

// exposure is how many pixels may lie between two of the places that a moving
// thing is seen at while the shutter is open.
const exposure = 2

// exposures is the places of a moving thing while the shutter is open, around
// the frame; none when it moves less than a pixel.
func (s *Stage) exposures(a *actor, env around) []paint.Affine {
	angle := max(a.layer.Shutter, env.shutter)
	if angle == 0 || a.layer.Stepping != nil {
		return nil
	}
	open := angle / 360
	// Half a frame may lie outside the layer's own time.
	first := max(env.outer-open/2, 0)
	last := first + open
	far := 0.0
	before := s.poseAt(a, first)
	for i := 1; i <= 4; i++ {
		m := s.poseAt(a, first+(last-first)*float64(i)/4)
		far += s.apart(a, before, m)
		before = m
	}
	if far < 1 {
		return nil
	}
	n := min(int(math.Ceil(far/exposure))+1, paint.MostSamples)
	out := make([]paint.Affine, n)
	for i := range out {
		out[i] = s.poseAt(a, first+open*(float64(i)+0.5)/float64(n))
	}
	return out
}

// poseAt is an actor's mapping to the frame at a time of the clip.
func (s *Stage) poseAt(a *actor, frame float64) paint.Affine {
	env, _ := s.surroundings(a, frame)
	return s.local(a, env).M.Then(env.m)
}

// apart is how far the farthest corner of a layer moves between two mappings,
// in pixels.
func (s *Stage) apart(a *actor, m, n paint.Affine) float64 {
	far := 0.0
	for _, c := range corners {
		x0, y0 := m.Apply(c[0]*a.w, c[1]*a.h)
		x1, y1 := n.Apply(c[0]*a.w, c[1]*a.h)
		far = max(far, math.Hypot(x1-x0, y1-y0)*s.scale)
	}
	return far
}

// corners of a layer as shares of its size, clockwise from the upper left one.
var corners = [4][2]float64{{-0.5, -0.5}, {0.5, -0.5}, {0.5, 0.5}, {-0.5, 0.5}}

// addGroup draws what is in a group straight onto the frame where it can, and
// as a whole where opacity, blending, a clip or a shadow of its own ask for it.
func (s *Stage) addGroup(out []stroke, a *actor, env around) []stroke {
	p := s.pose(a, env)
	in := s.inside(a, env)
	if p.Opacity == 0 || p.M.Det() == 0 {
		return out
	}
	k, slid := s.lookAt(a, env.frame)
	by := a.layer.Inside.Clip
	blend := paint.BlendNamed(a.layer.Blend)
	cut := by != "" || !k.edge.none()
	if p.Opacity == 1 && blend == paint.Normal && !cut && k.blur == 0 && p.Cast.None() {
		for _, child := range a.children {
			out = s.add(out, child, in)
		}
		return out
	}
	if slid != [2]float64{} {
		in.m = paint.Translate(slid[0], slid[1]).Then(in.m)
	}
	_, size := spread(p.M)
	g := &gathered{blur: k.blur * size * s.scale}
	for _, child := range a.children {
		if child.layer.ID == by {
			g.matte = s.add(nil, shadowless(child), in)
			continue
		}
		g.inside = s.add(g.inside, child, in)
	}
	g.matted = by != "" && by != "bounds"
	if g.bounded = by == "bounds" || !k.edge.none(); g.bounded {
		g.radius = k.edge.corner * size * s.scale
		m := paint.Translate(slid[0], slid[1]).Then(p.M).Then(s.toPixels())
		for i, c := range corners {
			x := [2]float64{(-0.5 + k.edge.cut[0]) * a.w, (0.5 - k.edge.cut[2]) * a.w}
			y := [2]float64{(-0.5 + k.edge.cut[1]) * a.h, (0.5 - k.edge.cut[3]) * a.h}
			g.within[i][0], g.within[i][1] = m.Apply(x[int(c[0]+0.5)], y[int(c[1]+0.5)])
		}
	}
	if !p.Cast.None() {
		g.shadow = fallen{
			p.Cast.DX * s.scale, p.Cast.DY * s.scale, p.Cast.Sigma * size * s.scale, p.Cast.Opacity,
			paint.Premultiplied(s.clip.Light.Colour),
		}
	}
	return append(out, stroke{whole: g, opacity: p.Opacity, blend: blend})
}

// shadowless is an actor that cuts others and so casts no shadow.
func shadowless(a *actor) *actor {
	l := *a.layer
	l.Shadow = &clip.Shadow{None: true}
	out := &actor{
		layer: &l, parent: a.parent, children: a.children, leader: a.leader, from: a.from, to: a.to, rest: a.rest,
		gx: a.gx, gy: a.gy, cx: a.cx, cy: a.cy, w: a.w, h: a.h, base: a.base, curves: a.curves, largest: a.largest, still: a.still,
	}
	return out
}

// Extent is the stage's shape in units.
func (s *Stage) Extent() (w, h float64) { return layout.Extent(s.shape) }
