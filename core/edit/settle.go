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
func settle(c *clip.Clip) {
	c.OwnAll()
	clock := c.Clock()
	for i := range c.Layers {
		settleLayer(c, &c.Layers[i])
	}
	for _, t := range c.Light.Tracks {
		settleMoments(clock, momentsOf(t), c.Length)
	}
	for _, list := range [][]clip.Mark{c.Scenes, c.Markers} {
		at := make([]*timing.Moment, len(list))
		for i := range list {
			at[i] = &list[i].At
		}
		settleMoments(clock, at, c.Length)
	}
	settleMoments(clock, []*timing.Moment{&c.Poster}, c.Length)
	if r := c.Range; r != nil {
		settleMoments(clock, []*timing.Moment{&r.In, &r.Out}, c.Length+1)
	}
}

// settleLayer settles when a layer shows, then its keys. Moves whose keys do not
// fit are written anew, shorter, so that their settings tell the truth.
func settleLayer(c *clip.Clip, l *clip.Layer) {
	clock := c.Clock()
	if l.To != nil {
		settleMoments(clock, []*timing.Moment{&l.From, l.To}, c.Length+1)
	} else {
		settleMoments(clock, []*timing.Moment{&l.From}, c.Length)
	}
	fits := true
	for _, t := range l.Tracks {
		fits = fits && lieInOrder(clock, momentsOf(t), c.Length)
	}
	if fits {
		return
	}
	if len(l.Moves) > 0 {
		next := l.Clone()
		for i := range next.Moves {
			shorten(c, &next, &next.Moves[i])
		}
		if moves.Rewrite(c, &next) == nil {
			*l = next
		}
	}
	for _, t := range l.Tracks {
		settleMoments(clock, momentsOf(t), c.Length)
	}
}

// shorten makes a move begin with the clip at the earliest and end with it at
// the latest. One that was counted in beats is counted in frames then.
func shorten(c *clip.Clip, l *clip.Layer, m *clip.Move) {
	from, to := moves.Span(c, l, *m)
	over := max(-from, to-(c.Length-1))
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

// lieInOrder tells whether moments lie on different frames of a length, one later
// than the other.
func lieInOrder(clock timing.Clock, at []*timing.Moment, length int) bool {
	last := -1
	for _, m := range at {
		f := clock.Frame(*m)
		if f <= last || f >= length {
			return false
		}
		last = f
	}
	return true
}

// settleMoments moves moments by as few frames as makes them lie in order.
func settleMoments(clock timing.Clock, at []*timing.Moment, length int) {
	n := len(at)
	if n > length || lieInOrder(clock, at, length) {
		return
	}
	frames, kept := make([]int, n), make([]bool, n)
	// On a beat stays what leaves room for the others before and after it.
	before, after := -1, -1 // the last one kept, and its frame
	for i, m := range at {
		f := clock.Frame(*m)
		frames[i] = f
		if m.OnBeat && m.Frames == 0 && f-after >= i-before && f <= length-n+i {
			kept[i], before, after = true, i, f
		}
	}
	for i := range frames {
		if least := 0; !kept[i] {
			if i > 0 {
				least = frames[i-1] + 1
			}
			frames[i] = max(frames[i], least)
		}
	}
	most := length - 1
	for i := n - 1; i >= 0; i-- {
		frames[i] = min(frames[i], most)
		most = frames[i] - 1
	}
	for i, m := range at {
		*m = m.Plus(frames[i] - clock.Frame(*m))
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
	l.Walk(clip.Visitor{Moment: func(m *timing.Moment) { out = append(out, m.Frames) }})
	slices.Sort(out) // tracks are walked in no order
	return out
}
