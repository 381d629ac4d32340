package edit

import (
	"reflect"
	"slices"

	"billow/core/clip"
	"billow/core/motion"
	"billow/core/moves"
	"billow/core/timing"
)

// settle brings what a new tempo or rate has pushed out of the clip, or onto or
// past its neighbour, back to the nearest frame where it can be. What was in
// order stays in order, nothing is dropped, and what lies right on a beat is the
// last to give way.
// What lay beyond the ends of its scene before may lie there again.
func settle(c *clip.Clip, beyond map[string]bool) {
	c.OwnAll()
	c.Fit()
	for i := range c.Layers {
		l := &c.Layers[i]
		s := span{clock: c.ClockOf(l)}
		if s.from, s.to = room(c, l); beyond[l.ID] {
			s.from, s.to = c.Reach(l)
		}
		settleLayer(c, l, s)
	}
	settleClip(c)
}

// settleClip settles what is the clip's own.
func settleClip(c *clip.Clip) {
	s := span{c.Clock(), 0, c.Length}
	for _, t := range c.Light.Tracks {
		s.settle(momentsOf(t))
	}
	at := make([]*timing.Moment, len(c.Markers))
	for i := range c.Markers {
		at[i] = &c.Markers[i].At
	}
	s.settle(at)
	for i := range c.Sounds {
		if t := &c.Sounds[i]; t.ID != clip.TuneID {
			s.settle([]*timing.Moment{&t.At})
		}
	}
	if c.Poster != nil {
		s.settle([]*timing.Moment{c.Poster})
	}
	if r := c.Range; r != nil {
		s.longer().settle([]*timing.Moment{&r.In, &r.Out})
	}
}

// beyond is the layers of which something lies beyond the ends of their scene,
// where it does not show.
func beyond(c *clip.Clip) map[string]bool {
	out := map[string]bool{}
	for i := range c.Layers {
		l := &c.Layers[i]
		clock := c.ClockOf(l)
		from, to := room(c, l)
		for _, t := range l.Tracks {
			for _, k := range t {
				f := clock.Frame(k.At)
				out[l.ID] = out[l.ID] || f < from || f >= to
			}
		}
		if begin, end := c.Span(l); begin < from || begin >= to || end > to {
			out[l.ID] = true
		}
	}
	return out
}

// span is the frames of the clip on which moments may lie, to not included.
type span struct {
	clock    timing.Clock
	from, to int
}

func (s span) longer() span {
	s.to++
	return s
}

// settleLayer settles when a layer shows, then its keys. Moves whose keys do not
// fit are written anew, shorter or sooner, so that their settings tell the truth.
func settleLayer(c *clip.Clip, l *clip.Layer, s span) {
	switch {
	case l.Kind == clip.KindScene: // its time follows from its length
	case l.To != nil:
		s.longer().settle([]*timing.Moment{&l.From, l.To})
	default:
		s.settle([]*timing.Moment{&l.From})
	}
	fits := true
	for _, t := range l.Tracks {
		fits = fits && s.inOrder(momentsOf(t))
	}
	if fits {
		return
	}
	if len(l.Moves) > 0 {
		rewriteWithin(c, l, s)
	}
	for _, t := range l.Tracks {
		s.settle(momentsOf(t))
	}
}

// rewriteWithin writes a layer's moves anew within a span, if they can be.
func rewriteWithin(c *clip.Clip, l *clip.Layer, s span) {
	next := l.Clone()
	for i := range next.Moves {
		shorten(c, &next, &next.Moves[i], s)
	}
	if moves.Rewrite(c, &next) == nil {
		*l = next
	}
}

// shorten makes a move begin and end within a span; one that would begin past it comes as much sooner.
// One that was counted in beats is counted in frames then.
func shorten(c *clip.Clip, l *clip.Layer, m *clip.Move, s span) {
	from, to := moves.Span(c, l, *m)
	if late := from - (s.to - 2); late > 0 {
		m.At = s.clock.At(max(s.from, s.clock.Frame(m.At)-late))
		from, to = moves.Span(c, l, *m)
	}
	over := max(s.from-from, to-(s.to-1))
	if over > 0 && to-from > over && (m.Beats > 0 || m.Length > 0) {
		m.Beats, m.Length = 0, to-from-over
	}
}

func momentsOf(t motion.Track) []*timing.Moment {
	out := make([]*timing.Moment, len(t))
	for i := range t {
		out[i] = &t[i].At
	}
	return out
}

// inOrder tells whether moments lie on different frames of a span, one later than
// the other.
func (s span) inOrder(at []*timing.Moment) bool {
	last := s.from - 1
	for _, m := range at {
		f := s.clock.Frame(*m)
		if f <= last || f >= s.to {
			return false
		}
		last = f
	}
	return true
}

// settle moves moments by as few frames as makes them lie in order.
func (s span) settle(at []*timing.Moment) {
	n := len(at)
	if n > s.to-s.from || s.inOrder(at) {
		return
	}
	frames, kept := make([]int, n), make([]bool, n)
	// On a beat stays what leaves room for the others before and after it.
	before, after := -1, s.from-1 // the last one kept, and its frame
	for i, m := range at {
		f := s.clock.Frame(*m)
		frames[i] = f
		if m.OnBeat && m.Frames == 0 && f-after >= i-before && f <= s.to-n+i {
			kept[i], before, after = true, i, f
		}
	}
	for i := range frames {
		if least := s.from; !kept[i] {
			if i > 0 {
				least = frames[i-1] + 1
			}
			frames[i] = max(frames[i], least)
		}
	}
	most := s.to - 1
	for i := n - 1; i >= 0; i-- {
		frames[i] = min(frames[i], most)
		most = frames[i] - 1
	}
	for i, m := range at {
		*m = m.Plus(frames[i] - s.clock.Frame(*m))
	}
}

// Settled names the layers of which something did not fit at a new tempo. What
// settles lies other frames away from its beat than before; that beats have
// other numbers counts for nothing.
func Settled(before, after *clip.Clip) []string {
	var out []string
	if before.Rate != after.Rate || reflect.DeepEqual(before.Tempo, after.Tempo) {
		return out
	}
	for i := range after.Layers {
		l := &after.Layers[i]
		if was := before.Layer(l.ID); was != nil && !slices.Equal(offsets(was), offsets(l)) {
			out = append(out, l.Name)
		}
	}
	return out
}

// offsets is how many frames from their beats, or from the clip's beginning, a
// layer's moments lie.
func offsets(l *clip.Layer) []int {
	var out []int
	onHits := func(id string) bool {
		return slices.ContainsFunc(l.Moves, func(m clip.Move) bool { return m.ID == id && m.Hits != nil })
	}
	if slices.ContainsFunc(l.Moves, func(m clip.Move) bool { return m.Hits != nil }) {
		rest := l.Clone() // what happens on hits is where those are
		moves.Erase(&rest, onHits)
		l = &rest
	}
	l.Walk(clip.Visitor{Moment: func(m *timing.Moment) { out = append(out, m.Frames) }})
	slices.Sort(out) // tracks are walked in no order
	return out
}
