package engine

import (
	"billow/core/clip"
	"billow/core/passages"
	"billow/core/timing"
	"billow/core/words"
)

// DraftPassage is what a new passage of words is asked to be.
type DraftPassage struct {
	Layer string `json:"layer"`
	Kind  string `json:"kind"` // none is the one that it has, from the frame on
	Goes  bool   `json:"goes"`
	Frame int    `json:"frame"` // of the clip, where words begin to come
}

// DraftedPassage is a passage and the frames on which it goes on.
type DraftedPassage struct {
	Passage clip.Passage `json:"passage"`
	From    int          `json:"from"`
	To      int          `json:"to"`
}

// draftPassage is a ready way in which a layer's words come, from a frame on, or in which
// they have gone when the layer ends.
func draftPassage(e *Engine, in DraftPassage) (out DraftedPassage, err error) {
	if e.kept == nil {
		return out, errClosed
	}
	l := e.kept.Layer(in.Layer)
	if l == nil || l.Words == nil {
		return out, clip.Fault("layer", "there are no words %q", in.Layer)
	}
	from, to := e.kept.Span(l)
	clock, begin := e.kept.ClockOf(l), min(max(in.Frame, from), max(to-1, from))
	at := func() (m timing.Moment) {
		if m = clock.Nearest(begin); clock.Frame(m) != begin {
			m = clock.At(begin)
		}
		return m
	}
	if has := map[bool]*clip.Passage{false: l.Words.Comes, true: l.Words.Goes}[in.Goes]; in.Kind == "" && has != nil {
		moved := *has
		moved.At = at()
		return DraftedPassage{moved, begin, begin + moved.Each + moved.Over}, nil
	}
	b := words.Set(e.lib.Fonts, l.Words, e.kept.ProductOf(l), l.Rest.Size, l.Words.Width)
	count := func(by string) int { return len(b.Parts(by)) }
	p, ok := passages.Named(in.Kind, passages.Text{Lines: count("line"), Words: count("word"), Letters: count("letter")}, int(e.kept.Rate), in.Goes)
	if !ok {
		return out, clip.Fault("kind", "there is no way %q in which words come", in.Kind)
	}
	long := p.Each + p.Over
	if p.Beats > 0 {
		beats := float64(max(count(p.By)-1, 0)) * p.Beats
		long = p.Each + clock.Frame(clock.OnBeat(clock.Beat(begin)+beats)) - begin
	}
	if in.Goes {
		begin = max(to-max(long, 1), from)
	}
	p.At = at()
	return DraftedPassage{p, begin, begin + long}, nil
}
