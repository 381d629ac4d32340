package frame

import (
	"math"

	"billow/core/alike"
	"billow/core/paint"
)

// exposure is how many pixels may lie between two of the places that a moving
// thing is seen at while the shutter is open.
const exposure = 2

// exposures is the places of a moving thing while the shutter is open, around
// the frame; none when it moves less than a pixel. What is repeated runs along its row: to
// the right or, -1, to the left.
func (s *Stage) exposures(a *actor, env around, along float64) []paint.Affine {
	angle := max(a.layer.Shutter, env.shutter)
	if angle == 0 || a.layer.Stepping != nil {
		return nil
	}
	open := angle / 360
	// Half a frame may lie outside the layer's own time.
	first := max(env.outer-open/2, 0)
	last := first + open
	far := 0.0
	now, _ := s.gridAt(a, env.frame)
	poseAt := func(frame float64) paint.Affine {
		m, at := s.poseAt(a, frame)
		if now.run == 0 {
			return m
		}
		then, _ := s.gridAt(a, at)
		return paint.Translate(along*(then.run-now.run), 0).Then(m)
	}
	before := poseAt(first)
	for i := 1; i <= 4; i++ {
		m := poseAt(first + (last-first)*float64(i)/4)
		far += s.apart(a, before, m)
		before = m
	}
	if far < 1 {
		return nil
	}
	n := min(int(math.Ceil(far/exposure))+1, paint.MostSamples)
	out := make([]paint.Affine, n)
	for i := range out {
		out[i] = poseAt(first + open*(float64(i)+0.5)/float64(n))
	}
	return out
}

// poseAt is an actor's mapping to the frame at a time of the clip, and its own frame then.
func (s *Stage) poseAt(a *actor, frame float64) (m paint.Affine, own float64) {
	env, _ := s.surroundings(a, frame)
	m, _ = s.seen(a, env, s.local(a, env).M)
	return m, env.frame
}

// apart is how far the farthest corner of a layer moves between two mappings,
// in pixels.
func (s *Stage) apart(a *actor, m, n paint.Affine) float64 {
	far := 0.0
	for _, c := range corners {
		x0, y0 := m.Apply(c[0]*a.w, c[1]*a.h)
		x1, y1 := n.Apply(c[0]*a.w, c[1]*a.h)
		far = max(far, alike.Hypot(x1-x0, y1-y0)*s.scale)
	}
	return far
}

// corners of a layer as shares of its size, clockwise from the upper left one.
var corners = [4][2]float64{{-0.5, -0.5}, {0.5, -0.5}, {0.5, 0.5}, {-0.5, 0.5}}
