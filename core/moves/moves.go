// Package moves writes ready motions as ordinary keys, relative to rest. The
// keys bear the ID of their move, so that writing again replaces just them and
// leaves what was made by hand alone.
package moves

import (
	"fmt"
	"slices"
	"sort"

	"billow/core/clip"
	"billow/core/motion"
	"billow/core/timing"
)

// Default is a move as a person would want it to begin.
func Default(kind string) clip.Move {
	m := clip.Move{Kind: kind, Strength: 100}
	switch kind {
	case "gust":
		m.Length, m.Side, m.Turn = 16, "right", 24
	case "settle":
		m.Length, m.Side, m.Turn = 12, "above", 5
	case "swell":
		m.Length = 15
	case "flutter":
		m.Length, m.Turn = 60, 14
	case "waft":
		m.Side, m.Turn = "above", 3
	case "unfurl":
		m.Length, m.Side = 14, "below"
	case "lull":
		m.Length = 60
	case "whisk":
		m.Length, m.Side, m.Turn = 12, "left", -18
	}
	return m
}

// Draft is a new move for a layer at a moment: an entrance lands there where
// there is room before it, anything else begins there, and it ends with the
// layer at the latest.
func Draft(c *clip.Clip, l *clip.Layer, kind string, at timing.Moment) clip.Move {
	m := Default(kind)
	m.At = at
	from, to := c.Span(l)
	f := c.ClockOf(l).Frame(at)
	switch kind {
	case "gust", "settle", "swell", "unfurl":
		m.Lands = f-from >= m.Length
	}
	if room := to - 1 - f; !m.Lands && m.Length > room && room > 0 {
		m.Length = room
	}
	return m
}

// Easings of the recipes.
var (
	arrive = motion.Ease{Kind: motion.Bezier, X1: 0.12, Y1: 0.8, X2: 0.2, Y2: 1}
	leave  = motion.Ease{Kind: motion.Bezier, X1: 0.6, Y1: 0, X2: 0.9, Y2: 0.3}
	fall   = motion.Ease{Kind: motion.Bezier, X1: 0.5, Y1: 0, X2: 0.85, Y2: 0.55}
	rise   = motion.Ease{Kind: motion.Bezier, X1: 0.2, Y1: 0.5, X2: 0.5, Y2: 1}
	soft   = motion.Ease{Kind: motion.InOut}
	even   = motion.Ease{Kind: motion.Linear}
	hold   = motion.Ease{Kind: motion.Hold}
)

// Rewrite takes away all keys that moves wrote on a layer and writes those of
// its moves again, in order of time.
func Rewrite(c *clip.Clip, l *clip.Layer) error {
	Erase(l, func(id string) bool { return id != lineupID })
	w := &writer{clip: c, layer: l, clock: c.ClockOf(l)}
	w.from, w.to = c.Span(l)
	list := slices.Clone(l.Moves)
	sort.SliceStable(list, func(i, j int) bool { return w.start(list[i]) < w.start(list[j]) })
	for _, m := range list {
		if err := w.write(m); err != nil {
			return err
		}
	}
	return nil
}

// Erase takes away the keys of the moves that gone names.
func Erase(l *clip.Layer, gone func(id string) bool) {
	for name, t := range l.Tracks {
		t = slices.DeleteFunc(t, func(k motion.Key) bool { return k.Move != "" && gone(k.Move) })
		if l.Tracks[name] = t; len(t) == 0 {
			delete(l.Tracks, name)
		}
	}
}

// Span is the frames on which a move of a layer begins and lands.
func Span(c *clip.Clip, l *clip.Layer, m clip.Move) (from, to int) {
	w := &writer{clip: c, layer: l, clock: c.ClockOf(l)}
	w.from, w.to = c.Span(l)
	begin, end := w.span(m)
	return w.clock.Frame(begin), w.clock.Frame(end)
}

// writer writes the keys of one move after another.
type writer struct {
	clip     *clip.Clip
	layer    *clip.Layer
	clock    timing.Clock
	from, to int // of the layer
	move     clip.Move
	begin    timing.Moment
	end      timing.Moment
}

// start is the frame on which a move begins.
func (w *writer) start(m clip.Move) int {
	begin, _ := w.span(m)
	return w.clock.Frame(begin)
}

// span is when a move begins and when it lands. What is counted in beats, or
// begins on one, stays bound to beats. A length of 0 goes on until the layer's
// last frame.
func (w *writer) span(m clip.Move) (begin, end timing.Moment) {
	later := func(at timing.Moment, sign int) timing.Moment {
		if m.Beats == 0 {
			return at.Plus(sign * m.Length)
		}
		if !at.OnBeat {
			at = w.clock.OnBeat(w.clock.Beat(w.clock.Frame(at)))
		}
		at.Beat += float64(sign) * m.Beats
		return at
	}
	if m.Lands && (m.Length > 0 || m.Beats > 0) {
		return later(m.At, -1), m.At
	}
	if m.Length == 0 && m.Beats == 0 {
		end = w.clock.At(w.to - 1)
		if w.layer.To != nil {
			end = w.layer.To.Plus(-1)
		}
		return m.At, end
	}
	return m.At, later(m.At, 1)
}

// write puts the keys of one move.
func (w *writer) write(m clip.Move) error {
	w.move = m
	w.begin, w.end = w.span(m)
	b, e := w.clock.Frame(w.begin), w.clock.Frame(w.end)
	field := "moves[" + m.ID + "]"
	if first, last := w.clip.Reach(w.layer); b < first || e >= last {
		return clip.Fault(field, "%s would go from frame %d to %d, outside the clip's %d frames; begin it elsewhere or make it shorter", title(m.Kind), b, e, w.clip.Length)
	}
	if e <= b {
		return clip.Fault(field, "%s has no time: it begins at frame %d and would end at %d", title(m.Kind), b, e)
	}
	switch m.Kind {
	case "gust":
		w.gust()
	case "settle":
		w.settle()
	case "swell":
		w.swell()
	case "flutter":
		w.flutter()
	case "waft":
		w.waft(w.begin)
	case "unfurl":
		w.put(clip.Revealed, w.begin, arrive, 0)
		w.put(clip.Revealed, w.end, hold, 100)
		side := m.Side
		if !slices.Contains(motion.Sides[:4], side) {
			side = "below"
		}
		slide := w.layer.Reveal == nil || w.layer.Reveal.Slide
		w.layer.Reveal = &clip.Reveal{Side: side, Slide: slide}
	case "lull":
		w.lull()
	case "whisk":
		w.whisk()
	}
	return nil
}

func title(kind string) string { return string(kind[0]-32) + kind[1:] }

// gust flies in from an edge, turned, comes upright and eases to a stop; with a
// drift it goes on slowly from there until the layer leaves.
func (w *writer) gust() {
	m, k := w.move, w.move.Strength/100
	in := arrive
	in.X2 = min(0.95, 0.2/max(k, 0.2))
	if m.Drift != 0 {
		// It arrives at about the speed at which it drifts on, for an entrance
		// of a usual length of way.
		const way = 900
		n, left := w.frames(w.begin, w.end), w.to-1-w.clock.Frame(w.end)
		in.Y2 = 1 - min(0.3, abs(m.Drift)/float64(max(1, left))*float64(n)/way*(1-in.X2))
	}
	if m.Side == "" {
		w.put(clip.Scale, w.begin, in, 0)
		w.put(clip.Scale, w.end, hold, 100)
	} else {
		w.off(w.begin, in, m.Side)
		w.put(clip.Position, w.end, hold, 0, 0)
	}
	if m.Turn != 0 {
		w.put(clip.Rotation, w.begin, in, m.Turn)
		w.put(clip.Rotation, w.end, hold, 0)
	}
	if m.Drift != 0 {
		w.drift(w.end, m.Drift, 0)
	}
}

// drift goes on slowly from a moment until the layer leaves: so many units on
// the axis of the move's side, and a turn.
func (w *writer) drift(from timing.Moment, by, turn float64) {
	last := w.clock.At(w.to - 1)
	if w.layer.To != nil {
		last = w.layer.To.Plus(-1)
	}
	if w.clock.Frame(last) <= w.clock.Frame(from) {
		return
	}
	x, y := motion.SideOf(w.move.Side)
	if x == 0 && y == 0 {
		y = 1
	}
	// An entrance from a side drifts on away from it.
	now := w.value(clip.Position, from)
	w.put(clip.Position, from, even, now...)
	w.put(clip.Position, last, even, now[0]-by*float64(x), now[1]-by*float64(y))
	if turn != 0 {
		now := w.value(clip.Rotation, from)
		w.put(clip.Rotation, from, even, now...)
		w.put(clip.Rotation, last, even, now[0]+turn)
	}
}

// settle drops, hops two frames up and two down with a tilt, and rests.
func (w *writer) settle() {
	k := w.move.Strength / 100
	side := w.move.Side
	if side == "" {
		side = "above"
	}
	w.off(w.begin, fall, side)
	w.put(clip.Position, w.end, rise, 0, 0)
	w.put(clip.Position, w.end.Plus(2), fall, 0, -26*k)
	w.put(clip.Position, w.end.Plus(4), hold, 0, 0)
	if w.move.Turn != 0 {
		w.put(clip.Rotation, w.end, soft, 0)
		w.put(clip.Rotation, w.end.Plus(2), soft, w.move.Turn)
		w.put(clip.Rotation, w.end.Plus(6), hold, 0)
	}
}

// swell grows past full size, goes a little under, and rests: 15 + 5 + 5 frames.
func (w *writer) swell() {
	k := w.move.Strength / 100
	w.put(clip.Scale, w.begin, arrive, 0)
	w.put(clip.Scale, w.end, soft, 100+18*k)
	w.put(clip.Scale, w.end.Plus(5), soft, max(0, 100-5*k))
	w.put(clip.Scale, w.end.Plus(10), hold, 100)
}

// flutter sways from where it hangs and dies down: a spring, let go at an angle.
func (w *writer) flutter() {
	w.put(clip.Pivot, w.begin, hold, 0, -50)
	bounce := min(0.93, 0.86+0.04*(w.move.Strength/100))
	w.put(clip.Rotation, w.begin, motion.Ease{Kind: motion.Spring, Bounce: bounce}, w.move.Turn)
	w.put(clip.Rotation, w.end, hold, 0)
}

// waft drifts slowly away from a side.
func (w *writer) waft(from timing.Moment) {
	x, y := motion.SideOf(w.move.Side)
	by := 40 * w.move.Strength / 100
	now, turned := w.value(clip.Position, from), w.value(clip.Rotation, from)
	w.put(clip.Position, from, even, now...)
	w.put(clip.Position, w.end, even, now[0]+by*float64(x), now[1]+by*float64(y))
	if w.move.Turn != 0 {
		w.put(clip.Rotation, from, even, turned...)
		w.put(clip.Rotation, w.end, even, turned[0]+w.move.Turn)
	}
}

// lull holds whatever moves at its beginning until its end.
func (w *writer) lull() {
	for _, p := range clip.AllProperties {
		if len(w.layer.Tracks[p.Name]) == 0 || p.Name == clip.Time {
			continue
		}
		now := w.value(p.Name, w.begin)
		w.put(p.Name, w.begin, hold, now...)
		w.put(p.Name, w.end, soft, now...)
	}
}

// whisk leaves fast, from wherever the layer is by then.
func (w *writer) whisk() {
	now := w.value(clip.Position, w.begin)
	out := leave
	out.X1 = min(0.95, 0.6*max(w.move.Strength/100, 0.2))
	w.put(clip.Position, w.begin, out, now...)
	if w.move.Side == "" {
		scale := w.value(clip.Scale, w.begin)
		w.put(clip.Scale, w.begin, out, scale...)
		w.put(clip.Scale, w.end, hold, 0)
	} else {
		w.off(w.end, hold, w.move.Side)
	}
	if w.move.Turn != 0 {
		turned := w.value(clip.Rotation, w.begin)
		w.put(clip.Rotation, w.begin, out, turned...)
		w.put(clip.Rotation, w.end, hold, turned[0]+w.move.Turn)
	}
}

func (w *writer) frames(a, b timing.Moment) int { return w.clock.Frame(b) - w.clock.Frame(a) }

func abs(v float64) float64 { return max(v, -v) }

// value is a property's value of its keys at a moment, or what changes nothing.
func (w *writer) value(property string, at timing.Moment) []float64 {
	t := w.layer.Tracks[property]
	if len(t) == 0 {
		return w.layer.Base(property)
	}
	v := clip.Curve(property, t, w.clock).Sample(float64(w.clock.Frame(at)))
	return slices.Clone(v[:clip.Dims(property)])
}

func (w *writer) put(property string, at timing.Moment, ease motion.Ease, value ...float64) {
	if property == clip.Scale && len(value) == 2 && value[0] == value[1] {
		value = value[:1]
	}
	w.key(property, motion.Key{At: at, Value: value, Ease: ease, Move: w.move.ID})
}

func (w *writer) off(at timing.Moment, ease motion.Ease, side string) {
	w.key(clip.Position, motion.Key{At: at, Value: []float64{0, 0}, Off: side, Ease: ease, Move: w.move.ID})
}

// key adds a key, unless one made by hand is on that frame. On the frame of
// another move's key the value there stays and the string goes on as this move
// wants it: a drift begins where the entrance has landed.
func (w *writer) key(property string, k motion.Key) {
	t := w.layer.Tracks[property]
	f := w.clock.Frame(k.At)
	if first, last := w.clip.Reach(w.layer); f < first || f >= last {
		return
	}
	at := len(t)
	for i := range t {
		have := w.clock.Frame(t[i].At)
		if have == f {
			if t[i].Move == w.move.ID {
				t[i] = k
			} else if t[i].Move != "" {
				t[i].Ease = k.Ease
			}
			return
		}
		if have > f {
			at = i
			break
		}
	}
	w.layer.Tracks[property] = slices.Insert(slices.Clone(t), at, k)
}

// FreeID is an ID for another move of a kind on a layer.
func FreeID(l *clip.Layer, kind string) string {
	for n := 1; ; n++ {
		id := kind
		if n > 1 {
			id = fmt.Sprintf("%s-%d", kind, n)
		}
		if !slices.ContainsFunc(l.Moves, func(m clip.Move) bool { return m.ID == id }) {
			return id
		}
	}
}
