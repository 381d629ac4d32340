package frame

import "billow/core/words"

// Fitted is how large a layer's words are set to fit their box, in percent of their size, and
// whether they do fit it.
func (s *Stage) Fitted(layer string) (percent float64, fits bool) {
	a := s.byID[layer]
	if a == nil || a.layer.Words == nil {
		return 100, true
	}
	w := s.wordedPlain(a)
	return words.Fitting(s.lib.Fonts, w.words, s.clip.SubjectOf(a.layer), w.at)
}
