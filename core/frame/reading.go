package frame

import (
	"billow/core/words"
)

// thereFrom is the opacity, percent, from which words count as there.
const thereFrom = 95

// Reading is how many seconds a layer's words need to be read, and for how many they stand
// there as a whole; both are 0 for what is not read, as words that run on.
func (s *Stage) Reading(layer string) (needs, has float64) {
	a := s.byID[layer]
	if a == nil || a.layer.Words == nil || a.layer.Repeat != nil || a.layer.Hidden {
		return 0, 0
	}
	needs = words.ReadingTime(words.Said(a.layer.Words, s.clip.SubjectOf(a.layer)))
	from, to := a.from, a.to
	if _, end, ok := s.Passage(layer, false); ok {
		from = max(from, end)
	}
	if begin, _, ok := s.Passage(layer, true); ok {
		to = min(to, begin)
	}
	for _, p := range []int{opacity, reveal} {
		if a.curves[p] == nil {
			continue
		}
		for from < to && a.number(p, float64(from)) < thereFrom {
			from++
		}
		for to > from && a.number(p, float64(to-1)) < thereFrom {
			to--
		}
	}
	return needs, float64(max(to-from, 0)) / float64(s.clip.Rate)
}
