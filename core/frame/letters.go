package frame

import (
	"billow/core/paint"
	"billow/core/words"
)

// Caret is a place between two letters: a line from its head to its foot, and the
// same line where the letter behind it ends. Units from the frame's centre.
type Caret struct {
	Line int        `json:"line"`
	Head [2]float64 `json:"head"`
	Foot [2]float64 `json:"foot"`
	To   Edge       `json:"to"`
}

// Edge is a line from its head to its foot.
type Edge struct {
	Head [2]float64 `json:"head"`
	Foot [2]float64 `json:"foot"`
}

// Carets are the places between the letters of a layer's words on a frame, one
// more than there are letters; none when it has no words or is not on.
func (s *Stage) Carets(layer string, frame int) []Caret {
	out := []Caret{}
	a := s.byID[layer]
	if a == nil || a.layer.Words == nil {
		return out
	}
	env, shown := s.surroundings(a, float64(frame))
	if !shown || !a.on(env.frame) {
		return out
	}
	m := s.pose(a, env).M
	at := func(p [2]float64) [2]float64 {
		x, y := m.Apply(p[0], p[1])
		return [2]float64{x, y}
	}
	k, _ := s.lookAt(a, env)
	held, _, _, _ := s.held(a, env.frame)
	w := s.wordedAt(a, k, held)
	if a.layer.Words.Stands() != 0 {
		m = paint.Translate(spreads(a, w.words, s.blockOf(a, w)), 0).Then(m)
	}
	for _, c := range words.Carets(s.lib.Fonts, w.words, s.clip.SubjectOf(a.layer), w.at) {
		out = append(out, Caret{c.Line, at(c.From[0]), at(c.From[1]), Edge{at(c.To[0]), at(c.To[1])}})
	}
	return out
}
