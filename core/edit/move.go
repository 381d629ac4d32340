package edit

import (
	"slices"

	"billow/core/clip"
	"billow/core/moves"
	"billow/core/timing"
)

// SetMove adds a move to a layer, or changes one that it has, and writes its
// keys. Without an ID it takes the place of a move of its kind that goes on at
// the same time, or is a new one.
type SetMove struct {
	Typed
	Layer string         `json:"layer"`
	Move  clip.Move      `json:"move"`
	At    *timing.Moment `json:"at,omitempty"` // moment of the clip, instead of that of the move
}

func (s *SetMove) apply(c *clip.Clip) error {
	l, err := find(c, s.Layer)
	if err != nil {
		return err
	}
	if !slices.Contains(clip.MoveKinds, s.Move.Kind) {
		return clip.Fault("move.kind", "there is no move %q", s.Move.Kind)
	}
	if s.At != nil {
		s.Move.At = c.ClockOf(l).Own(*s.At)
	}
	if s.Move.ID == "" {
		s.Move.ID = sameTime(c, l, s.Move)
	}
	i := slices.IndexFunc(l.Moves, func(m clip.Move) bool { return m.ID == s.Move.ID })
	if i < 0 {
		l.Moves = append(l.Moves, s.Move)
	} else {
		l.Moves[i] = s.Move
	}
	return moves.Rewrite(c, l)
}

// sameTime is the ID of the layer's move of a kind that overlaps another one of
// that kind, or a free ID.
func sameTime(c *clip.Clip, l *clip.Layer, m clip.Move) string {
	from, to := moves.Span(c, l, m)
	for _, have := range l.Moves {
		a, b := moves.Span(c, l, have)
		if have.Kind == m.Kind && a < to && from < b && (m.Hits == nil || m.Hits.Does == have.Hits.Does) {
			return have.ID
		}
	}
	return moves.FreeID(l, m.Kind)
}

// RemoveMove takes a move away with the keys that it wrote.
type RemoveMove struct {
	Typed
	Layer string `json:"layer"`
	ID    string `json:"id"`
}

func (r *RemoveMove) apply(c *clip.Clip) error {
	l, err := find(c, r.Layer)
	if err != nil {
		return err
	}
	n := len(l.Moves)
	l.Moves = slices.DeleteFunc(l.Moves, func(m clip.Move) bool { return m.ID == r.ID })
	if len(l.Moves) == n {
		return clip.Fault("id", "%q has no move %q", l.Name, r.ID)
	}
	moves.Erase(l, func(id string) bool { return id == r.ID })
	return moves.Rewrite(c, l)
}
