package edit

import (
	"slices"

	"billow/core/clip"
	"billow/core/moves"
)

// ActOnHits lets layers do something at hits of the tune, for as long as the move says. Layers that take turns
// do so in the order in which they are named; what exchanges colours with another layer
// gives that one its own, from when the first of them does until the last does no more.
type ActOnHits struct {
	Typed
	Layers []string  `json:"layers"`
	Move   clip.Move `json:"move"`           // on hits, as the first of the layers has it
	Keep   bool      `json:"keep,omitempty"` // a layer that has this move already keeps the time of it
}

func (a *ActOnHits) apply(c *clip.Clip) error {
	if a.Move.Kind != clip.MoveOnHits || a.Move.Hits == nil {
		return clip.Fault("move", "this is no move on hits")
	}
	if len(a.Layers) == 0 {
		return clip.Fault("layers", "choose the layers that do something on hits")
	}
	first, err := find(c, a.Layers[0])
	if err != nil {
		return err
	}
	a.Move.At = c.ClockOf(first).Whole(a.Move.At)
	for i, id := range a.Layers {
		h := *a.Move.Hits
		if h.Does == clip.HitTurns {
			h.Turn, h.Of = i, len(a.Layers)
		}
		if err := actOnHits(c, id, a.Move, h, a.Keep); err != nil {
			return err
		}
	}
	if with := a.Move.Hits.With; with != "" && a.Move.Hits.Does == clip.HitExchange && !slices.Contains(a.Layers, with) {
		return a.answer(c, with)
	}
	return nil
}

// answer lets a layer with which others exchange colours do so as long as any of them does.
func (a *ActOnHits) answer(c *clip.Clip, with string) error {
	begin, end := c.Length, 0
	for i := range c.Layers {
		l := &c.Layers[i]
		for _, m := range l.Moves {
			if m.Hits != nil && m.Hits.Does == clip.HitExchange && m.Hits.With == with {
				from, to := moves.Span(c, l, m)
				begin, end = min(begin, from), max(end, to)
			}
		}
	}
	h, m := *a.Move.Hits, a.Move
	h.With = a.Layers[0]
	m.ID, m.At, m.Beats, m.Length = "", c.Clock().At(begin), 0, max(1, end-begin)
	l, err := find(c, with)
	if err != nil {
		return err
	}
	if _, last := c.Span(l); end >= last-1 {
		m.Length = 0 // to its end, wherever that comes to be
	}
	for _, has := range l.Moves {
		if has.Hits != nil && has.Hits.Does == clip.HitExchange {
			m.ID = has.ID // what else it does on hits is its own affair
		}
	}
	return actOnHits(c, with, m, h, false)
}

// actOnHits gives one layer the move, within the time that the layer has; with keep it is where the layer has
// that move already.
func actOnHits(c *clip.Clip, layer string, m clip.Move, h clip.OnHits, keep bool) error {
	l, err := find(c, layer)
	if err != nil {
		return err
	}
	if i := slices.IndexFunc(l.Moves, func(has clip.Move) bool { return has.ID == m.ID && has.Hits != nil }); keep && i >= 0 {
		m.At, m.Length, m.Beats = c.ClockOf(l).Whole(l.Moves[i].At), l.Moves[i].Length, l.Moves[i].Beats
	}
	clock := c.Clock()
	begin := clock.Frame(m.At)
	end := begin + m.Length
	if m.Beats > 0 {
		end = clock.Frame(clock.OnBeat(clock.Beat(begin) + m.Beats))
	}
	from, to := c.Span(l)
	m.Hits = &h
	lasts := m.Length > 0 || m.Beats > 0
	if begin < from || lasts && end > to-1 {
		if lasts {
			m.Length, m.Beats = min(end, to-1)-max(begin, from), 0
			if m.Length < 1 {
				return clip.Fault("layers", "%q does not show while this is to happen", l.Name)
			}
		}
		m.At = clock.At(max(begin, from))
	}
	at := m.At
	return (&SetMove{Layer: layer, Move: m, At: &at}).apply(c)
}

// rewriteHits writes what layers do on hits again, and line-ups that go on with them, where the clip has a tune:
// its hits are others, or lie on other beats.
func rewriteHits(c *clip.Clip) error {
	if c.Tune() == nil {
		return nil
	}
	for i := range c.Layers {
		if u := c.Layers[i].Lineup; u != nil && u.On != nil {
			if err := moves.RewriteLineup(c, c.Own(c.Layers[i].ID)); err != nil {
				return err
			}
		}
		if !slices.ContainsFunc(c.Layers[i].Moves, func(m clip.Move) bool { return m.Kind == clip.MoveOnHits }) {
			continue
		}
		// A clip that has become shorter may have no room where its moves were. Nor anywhere: a layer that shows
		// on one frame, say, keeps what it has.
		l := c.Own(c.Layers[i].ID)
		if next := l.Clone(); moves.Rewrite(c, &next) == nil {
			*l = next
			continue
		}
		s := span{clock: c.ClockOf(l)}
		s.from, s.to = c.Span(l)
		rewriteWithin(c, l, s)
	}
	return nil
}
