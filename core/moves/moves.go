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

// recipes write the keys of each kind of moves. Each has a file of its own.
var recipes = map[string]func(w *writer){}

// Default is a move as a person would want it to begin.
func Default(kind string) clip.Move {
	k, _ := clip.MoveNamed(kind)
	m := clip.Move{Kind: kind, Strength: 100, Length: k.Length, Side: k.Side, Turn: k.Turn}
	if kind == clip.MoveOnHits {
		m.Hits = &clip.OnHits{Does: clip.HitSwell, HitChoice: clip.HitChoice{Least: 0.5}}
	}
	return m
}

// Draft is a new move for a layer at a moment: an entrance lands there where
// there is room before it, anything else begins there, and it ends with the
// layer at the latest.
func Draft(c *clip.Clip, l *clip.Layer, kind string, at timing.Moment) clip.Move {
	m := Default(kind)
	m.At = at
	if kind == "unfurl" && l.Reveal != nil {
		m.Side = l.Reveal.Side // as it was chosen by hand
	}
	from, to := c.Span(l)
	if kind == clip.MoveOnHits {
		m.At = c.ClockOf(l).At(from)
		if r := c.Range; r != nil { // what is looped
			first, last := max(from, c.Clock().Frame(r.In)), min(to, c.Clock().Frame(r.Out))
			if first < last-1 {
				m.At, m.Length = c.ClockOf(l).At(first), last-1-first
			}
		}
		return m
	}
	f := c.ClockOf(l).Frame(at)
	if k, _ := clip.MoveNamed(kind); k.Enters {
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
	chosen := easedByHand(l)
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
	letGo(l)
	chosen.again(l)
	return nil
}

// letGo lets a value move on to a key that was set by hand after a move has ended,
// where the move's last key would hold and the value jump.
func letGo(l *clip.Layer) {
	for _, t := range l.Tracks {
		for i := range t {
			if i+1 < len(t) && t[i].Move != "" && t[i+1].Move == "" && t[i].Ease.Kind == motion.Hold && !slices.Equal(t[i].Value, t[i+1].Value) {
				t[i].Ease = soft
			}
		}
	}
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
	kind, _ := clip.MoveNamed(m.Kind)
	w.move = m
	w.begin, w.end = w.span(m)
	b, e := w.clock.Frame(w.begin), w.clock.Frame(w.end)
	field := "moves[" + m.ID + "]"
	if first, last := w.clip.Reach(w.layer); b < first || e >= last {
		return clip.Fault(field, "%s would go from frame %d to %d, outside the clip's %d frames; begin it elsewhere or make it shorter", kind.Name, b, e, w.clip.Length)
	}
	if e <= b {
		return clip.Fault(field, "%s has no time: it begins at frame %d and would end at %d", kind.Name, b, e)
	}
	if err := m.CheckHits(w.clip, field+".hits"); err != nil {
		return err
	}
	recipes[m.Kind](w)
	return nil
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
