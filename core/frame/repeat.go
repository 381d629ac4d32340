package frame

import (
	"math"

	"billow/core/graph"
	"billow/core/paint"
)

// grid is where what is repeated stands, in the layer's own units.
type grid struct {
	dx, dy        float64 // from one to the next
	columns, rows int     // 0 is without end
	aside         float64 // by which odd rows are moved
	moved         [2]float64
	run           float64 // by which rows have run to the right
	opposite      bool    // odd rows run to the left
	turn, size    float64 // of each: degrees, a factor
}

// placedCopy is one of what is repeated.
type placedCopy struct {
	m       paint.Affine // in the layer's own units
	against int          // 1 where its row runs to the left as others run to the right
}

// mostCopies is how many are drawn at most; of more, those about the middle.
const (
	mostCopies = 6000
	mostRows   = 75
)

// gridAt is how a layer is repeated on a frame of its own; ok is false for one that is not.
func (s *Stage) gridAt(a *actor, frame float64) (g grid, ok bool) {
	at, turn, dx, dy := s.held(a, frame)
	r := a.layer.Repeat
	switch {
	case a.layer.Pattern != nil:
		apart := a.number(patternApart, at)
		g = grid{dx: apart, dy: apart}
		a.laid(&g, at)
		// It fills the frame in any case; what is uneven about its steps is that of its figures.
		g.turn += turn
		g.moved[0], g.moved[1] = g.moved[0]+dx, g.moved[1]+dy
		return g, true
	case r == nil:
		return g, false
	}
	gap, shrink := a.value(gapApart, at), a.shrink()
	g = grid{dx: a.w + gap[0]*shrink, dy: a.h + gap[1]*shrink, columns: r.Columns, rows: r.Rows, opposite: r.Opposite}
	a.laid(&g, at)
	g.run = s.runAt(a, at, g.dx)
	return g, true
}

// laid takes over how each stands.
func (a *actor) laid(g *grid, at float64) {
	g.dx, g.dy = max(g.dx, 1), max(g.dy, 1)
	g.aside = a.number(aside, at) / 100 * g.dx
	moved := a.value(moved, at)
	g.moved = [2]float64{moved[0] * a.shrink(), moved[1] * a.shrink()}
	g.turn, g.size = a.number(eachTurn, at), max(0, a.number(eachSize, at)/100)
}

// runAt is how far rows have run on a frame since the layer began to show.
func (s *Stage) runAt(a *actor, frame, step float64) float64 {
	r := a.layer.Repeat
	if r == nil || r.Speed == 0 {
		return 0
	}
	rate := float64(s.clip.Rate)
	if !r.ByBar {
		return r.Speed * a.shrink() * (frame - float64(a.from)) / rate
	}
	t := s.clip.Tempo
	return r.Speed * step * (t.BarAt(t.Beat(frame/rate)) - t.BarAt(t.Beat(float64(a.from)/rate)))
}

// copies are those that a box of the layer's own units touches; radius is how far each
// reaches from its middle.
func (g grid) copies(box [4]float64, radius float64) []placedCopy {
	radius *= g.size
	each := paint.Rotate(g.turn).Then(paint.Scale(g.size, g.size))
	j0, j1 := span(g.rows, g.dy, g.moved[1], box[1]-radius, box[3]+radius, mostRows)
	most := mostCopies / max(j1-j0+1, 1)
	var out []placedCopy
	for j := j0; j <= j1; j++ {
		along, against, off := 1.0, 0, g.moved[0]
		if j&1 != 0 {
			off += g.aside
			if g.opposite {
				along, against = -1, 1
			}
		}
		off += along * g.run
		y := (float64(j)-centred(g.rows))*g.dy + g.moved[1]
		i0, i1 := span(g.columns, g.dx, off, box[0]-radius, box[2]+radius, most)
		for i := i0; i <= i1; i++ {
			x := (float64(i)-centred(g.columns))*g.dx + off
			out = append(out, placedCopy{each.Then(paint.Translate(x, y)), against})
		}
	}
	return out
}

// centred is the number of what lies in the middle of so many.
func centred(n int) float64 { return float64(max(n-1, 0)) / 2 }

// span is which of n, or of all numbers, lie between two places: number i lies at i step + off.
func span(n int, step, off, lo, hi float64, most int) (from, to int) {
	off -= centred(n) * step
	whole := func(v float64) int { return int(min(max(v, -1e9), 1e9)) }
	from, to = whole(math.Ceil((lo-off)/step)), whole(math.Floor((hi-off)/step))
	if n > 0 {
		from, to = max(from, 0), min(to, n-1)
	}
	if to-from+1 > most {
		return amid(from, to, most)
	}
	return from, to
}

// amid is so many numbers about the middle of others.
func amid(from, to, n int) (int, int) {
	from += (to - from + 1 - n) / 2
	return from, from + n - 1
}

// within is the box of a layer's own units that the frame, grown by so many units, shows.
func (s *Stage) within(m paint.Affine, grown float64) (box [4]float64, ok bool) {
	inv, ok := m.Inverse()
	if !ok {
		return box, false
	}
	w, h := s.Extent()
	b := bounds(inv, w+2*grown, h+2*grown)
	return [4]float64{b.X0, b.Y0, b.X1, b.Y1}, true
}

// repeated is an actor's picture, how far it is slid, and all places in its own units at which
// it may be seen: one alone of what is not repeated.
func (s *Stage) repeated(a *actor, env around, pose Pose) (pic *graph.Node, slid [2]float64, copies []placedCopy) {
	g, ok := s.gridAt(a, env.frame)
	w, h := a.w, a.h
	if a.layer.Pattern != nil || a.layer.Cutout != nil && a.kind.Fills {
		// Whatever changes a pattern, or tiles, does so to the whole of it.
		k, _ := s.lookAt(a, env)
		switch whole := !k.plain() || s.openedAt(a, env.frame).any(); {
		case whole:
			ok = false
		case a.layer.Pattern != nil:
			pic, w, h = s.patternFigure(a, k, env.frame), g.dx*g.size, g.dx*g.size
			g.size = 1
		default:
			pic, g, ok = s.photoOf(a, env.frame)
			w, h = 2*g.dx, 2*g.dy // their upper left corner is at the point
		}
	}
	if pic == nil {
		pic, slid = s.picture(a, env)
	}
	if !ok {
		return pic, slid, alone
	}
	grown := 2.0
	if c := pose.Cast; !c.None() {
		grown += max(abs(c.DX), abs(c.DY)) + 3*c.Sigma
	}
	box, ok := s.within(pose.M, grown)
	if !ok {
		return pic, slid, nil
	}
	return pic, slid, g.copies(box, math.Sqrt(w*w+h*h)/2+a.rim(env.frame))
}

// onCopy is where a point of the frame is on that of a layer's copies on which it lies, in the
// layer's own units. inv is the inverse of the pose's mapping.
func (s *Stage) onCopy(a *actor, env around, pose Pose, inv paint.Affine, x, y float64) (lx, ly float64) {
	x, y = inv.Apply(x, y)
	g, ok := s.gridAt(a, env.frame)
	if !ok {
		return x, y
	}
	for _, c := range g.copies([4]float64{x, y, x, y}, math.Sqrt(a.w*a.w+a.h*a.h)/2) {
		if back, ok := c.m.Inverse(); ok {
			if lx, ly = back.Apply(x, y); abs(lx) <= a.w/2 && abs(ly) <= a.h/2 {
				return lx, ly
			}
		}
	}
	return math.Inf(1), 0
}

// alone is the one copy of what is not repeated.
var alone = []placedCopy{{m: paint.Identity()}}
