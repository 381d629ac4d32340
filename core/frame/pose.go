package frame

import (
	"math"

	"billow/core/alike"
	"billow/core/clip"
	"billow/core/light"
	"billow/core/paint"
)

// Properties in the order of clip.AllProperties.
const (
	position = iota
	xAxis
	yAxis
	scale
	rotation
	opacity
	lift
	secondShadow
	contact
	reflection
	reflectionLength
	reflectionBlur
	below
	skew
	mirror
	pivot
	depth
	crop
	corner
	outline
	drawStart
	drawEnd
	dashShift
	cornersApart
	inner
	begin
	sweep
	wave
	waveLong
	waveShift
	edgeOffset
	letterSpacing
	arch
	along
	reveal
	fillColour
	emphasisColour
	plateColour
	outlineColour
	fillAngle
	fillCentre
	fillReach
	fillFlat
	gapApart
	patternApart
	aside
	moved
	eachTurn
	eachSize
	wallColour
	groundColour
	lightColour
	horizon
	horizonSoft
	glow
	glowAt
	glowReach
	zoom
	pan
	tint
	tintColour
	grainStrength
	open
	openTurn
	openAt
	time
	properties // those of effects follow
)

// neutral is every property as it is without keys and values of its own.
var neutral = func() [][4]float64 {
	out := make([][4]float64, len(clip.AllProperties))
	for i, p := range clip.AllProperties {
		for d := range p.Dims {
			out[i][d] = p.Neutral
		}
		copy(out[i][:], p.Usual)
	}
	return out
}()

// propertyIndex finds the place of a property by its name.
var propertyIndex = func() map[string]int {
	out := map[string]int{}
	for i, p := range clip.AllProperties {
		out[p.Name] = i
	}
	return out
}()

// Pose is how a layer stands at one moment.
type Pose struct {
	M           paint.Affine // from the layer's own units, about its centre, to units about the frame's
	Opacity     float64      // 0..1
	Cast        light.Cast   // in units of the frame
	Turn        float64      // degrees clockwise, groups not counted
	Position    [2]float64   // relative to rest, without wander and stepping
	Perspective float64      // factor by which its depth makes it smaller
}

// value is a property at a frame. Keys replace the layer's own value, but for
// those that the rest has, which come on top of it.
func (a *actor) value(p int, frame float64) [4]float64 {
	if c := a.curves[p]; c != nil {
		v := c.Sample(frame)
		if p == opacity {
			v[0] *= a.base[opacity][0] / 100
		}
		return v
	}
	return a.base[p]
}

// number is the first number of value.
func (a *actor) number(p int, frame float64) float64 { return a.value(p, frame)[0] }

// held is the frame whose picture shows, with the irregularity of its step.
func (s *Stage) held(a *actor, frame float64) (at, turn, dx, dy float64) {
	st := a.layer.Stepping
	if st == nil {
		return frame, 0, 0, 0
	}
	start := float64(a.clock.Start) // steps count from the scene's beginning
	at, step := st.Hold(frame-start, int(s.clip.Rate))
	turn, dx, dy = st.Irregular(step)
	return at + start, turn, dx, dy
}

// gesture is what a layer's motion adds to its rest on a frame.
type gesture struct {
	x, y   float64
	sx, sy float64 // factors
	turn   float64
	plain  [2]float64
}

func (s *Stage) gesture(a *actor, frame float64) gesture {
	at, turn, dx, dy := s.held(a, frame)
	pos, sc := a.value(position, at), a.value(scale, at)
	pos[0] += a.number(xAxis, at)
	pos[1] += a.number(yAxis, at)
	g := gesture{
		x: pos[0] + dx, y: pos[1] + dy, sx: max(0, sc[0]/100), sy: max(0, sc[1]/100),
		turn: a.number(rotation, at) + turn, plain: [2]float64{pos[0], pos[1]},
	}
	if w := a.layer.Wander; w != nil {
		rate := float64(s.clip.Rate)
		// Nothing at both ends means on the first and on the last frame.
		d := w.At((at-float64(a.from))/rate, float64(a.to-1-a.from)/rate)
		g.x, g.y, g.turn = g.x+d.X, g.y+d.Y, g.turn+d.Turn
		g.sx, g.sy = g.sx*(1+d.Size/100), g.sy*(1+d.Size/100)
	}
	return g
}

// pivotAt is the pivot in the layer's own units.
func (a *actor) pivotAt(frame float64) (x, y float64) {
	v := a.value(pivot, frame)
	return v[0] / 100 * a.w, v[1] / 100 * a.h
}

// local is an actor's pose in the space of its group; the mapping of env is not
// in it.
func (s *Stage) local(a *actor, env around) Pose {
	g := s.gesture(a, env.frame)
	at, _, _, _ := s.held(a, env.frame)
	px, py := a.pivotAt(at)
	turn := a.rest.Turn + g.turn
	m := paint.Translate(-px, -py).Then(a.about(g, at)).Then(paint.Translate(px+a.cx+g.x, py+a.cy+g.y))
	if a.leader != nil {
		step := at - env.frame // what is stepped is carried in steps, too
		m = m.Then(s.carry(a, around{frame: at, outer: env.outer + step}).as(a.layer.Follow))
	}
	return Pose{M: m, Opacity: min(max(a.number(opacity, at)/100, 0), 1), Turn: turn, Position: g.plain}
}

// deep is how deep an actor lies in what surrounds it.
func (s *Stage) deep(a *actor, env around) float64 {
	at, _, _, _ := s.held(a, env.frame)
	return env.depth + a.number(depth, at)
}

// seen is an actor's mapping to the frame as the camera sees it, and how much
// larger.
func (s *Stage) seen(a *actor, env around, m paint.Affine) (paint.Affine, float64) {
	view, near := s.cameraAt(env.outer).sees(s.deep(a, env))
	return m.Then(env.m).Then(view), near
}

// about is what sizes, leans and turns an actor about its pivot.
func (a *actor) about(g gesture, at float64) paint.Affine {
	size := 1.0
	if a.kind.Holds {
		size = a.rest.Size / 1000
	}
	over := a.value(mirror, at)
	m := paint.Scale(g.sx*size*over[0]/100, g.sy*size*over[1]/100)
	if k := a.number(skew, at); k != 0 {
		m = m.Then(paint.Affine{A: 1, C: -math.Tan(k * math.Pi / 180), D: 1})
	}
	return m.Then(paint.Rotate(a.rest.Turn + g.turn))
}

// around is what surrounds an actor: the time and the space of its groups.
type around struct {
	frame   float64      // of the inside
	outer   float64      // of the clip
	m       paint.Affine // from the inside to the frame, as far as groups have a part in it
	depth   float64      // of the groups together
	shutter float64      // the largest of the groups', degrees
}

func whole(frame float64) around { return around{frame: frame, outer: frame, m: paint.Identity()} }

// inside is what surrounds the layers in a group.
func (s *Stage) inside(a *actor, out around) around {
	in := out
	in.m = paint.Translate(-a.gx, -a.gy).Then(s.local(a, out).M).Then(out.m)
	in.frame = s.timeIn(a, out.frame)
	in.depth = s.deep(a, out)
	in.shutter = max(out.shutter, a.layer.Shutter)
	return in
}

// timeIn is the frame of the inside of a group, with its stepping, on a frame
// outside.
func (s *Stage) timeIn(a *actor, frame float64) float64 {
	at, _, _, _ := s.held(a, frame)
	return a.within(at)
}

// within is the frame of a group's inside on one of its outside.
func (a *actor) within(frame float64) float64 {
	in := a.layer.Inside
	if in == nil {
		return frame // a scene
	}
	start := float64(a.clock.Start)
	if c := a.curves[time]; c != nil {
		return start + c.At(frame, 0)
	}
	if in.Freeze != nil {
		return start + float64(*in.Freeze)
	}
	begin := float64(a.from)
	speed := in.Speed
	if speed == 0 {
		speed = 1
	}
	t := (frame - begin - float64(in.Offset)) * speed
	if in.Reverse {
		t = float64(a.to-1-a.from) - t
	}
	if n := float64(in.Repeat); n > 0 {
		t = math.Mod(t, n)
		if t < 0 {
			t += n
		}
	}
	return begin + t
}

// surroundings walks down from the clip to an actor; shown is false where one
// of its groups does not show.
func (s *Stage) surroundings(a *actor, frame float64) (around, bool) {
	if a.parent == nil {
		return whole(frame), !a.away
	}
	out, shown := s.surroundings(a.parent, frame)
	return s.inside(a.parent, out), shown && a.parent.on(out.frame) && !a.away
}

// on tells whether a layer shows on a frame of its own.
func (a *actor) on(frame float64) bool {
	return frame > float64(a.from)-0.5 && frame < float64(a.to)-0.5
}

// pose is an actor's pose in the frame.
func (s *Stage) pose(a *actor, out around) Pose {
	p := s.local(a, out)
	p.M, p.Perspective = s.seen(a, out, p.M)
	p.Cast = s.cast(a, out.frame, out.outer)
	if !p.Cast.None() {
		_, size := spread(out.m)
		near := size * p.Perspective
		p.Cast.DX, p.Cast.DY = p.Cast.DX*near, p.Cast.DY*near
	}
	return p
}

// spread is by how much a mapping lengthens most, and on the mean.
func spread(m paint.Affine) (most, mean float64) {
	return max(alike.Hypot(m.A, m.B), alike.Hypot(m.C, m.D)), math.Sqrt(abs(m.Det()))
}

// caught lets a pivot catch on the centre and the edges, in percent.
func caught(v float64) float64 {
	for _, line := range [3]float64{-50, 0, 50} {
		if abs(v-line) < 3 {
			return line
		}
	}
	return v
}

// Repivot is where the pivot of a layer lies, in percent of its visible size from
// its centre, when it is put on a point of the frame on some frame, and by how
// much its rest then moves, in the units of its group, so that it stays where it
// is: what turns and sizes it does so about another point. ok is false for a
// layer that is not there or has no size.
func (s *Stage) Repivot(layer string, frame float64, x, y float64) (to, move [2]float64, ok bool) {
	a := s.byID[layer]
	if a == nil || a.w == 0 || a.h == 0 {
		return to, move, false
	}
	env, _ := s.surroundings(a, frame)
	seen, _ := s.seen(a, env, s.local(a, env).M)
	inv, ok := seen.Inverse()
	if !ok {
		return to, move, false
	}
	lx, ly := inv.Apply(x, y)
	to = [2]float64{caught(lx / a.w * 100), caught(ly / a.h * 100)}
	lx, ly = to[0]/100*a.w, to[1]/100*a.h
	// With L what turns and sizes about the pivot p, a point q goes to
	// L(q-p) + p + c; that it stays when p becomes p' asks for c' - c = (L-1)(p'-p).
	at, _, _, _ := s.held(a, env.frame)
	px, py := a.pivotAt(at)
	m := a.about(s.gesture(a, env.frame), at)
	dx, dy := lx-px, ly-py
	move = [2]float64{m.A*dx + m.C*dy - dx, m.B*dx + m.D*dy - dy}
	return to, move, true
}
