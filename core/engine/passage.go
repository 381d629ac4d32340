package engine

import (
	"math"

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

// WayOf is a passage of which the ready way is asked.
type WayOf struct {
	Passage clip.Passage `json:"passage"`
	Goes    bool         `json:"goes,omitempty"`
}

// wayOf names the ready way that a passage was made from, "" where there is none.
func wayOf(_ *Engine, in WayOf) (string, error) { return passages.Of(in.Passage, in.Goes), nil }

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
	b := words.Set(e.lib.Fonts, l.Words, e.kept.SubjectOf(l), words.Setting{Size: l.Rest.Size, Width: l.Words.Width, Height: l.Words.BoxHeight()})
	end := func(p *clip.Passage) int {
		_, end := p.Begins(clock, words.Lines(b.Parts(p.Parts())))
		return int(math.Ceil(end))
	}
	has := l.Words.Comes
	if in.Goes {
		has = l.Words.Goes
	}
	if in.Kind == "" && has != nil {
		moved := *has
		moved.At = at()
		return DraftedPassage{moved, begin, end(&moved)}, nil
	}
	count := func(by string) int { return len(b.Parts(by)) }
	p, ok := passages.Named(in.Kind, passages.Text{Lines: count("line"), Words: count("word"), Letters: count("letter")}, int(e.kept.Rate), in.Goes)
	if !ok {
		return out, clip.Fault("kind", "there is no way %q in which words come", in.Kind)
	}
	p.At = at()
	if in.Goes { // they have gone when it ends
		begin = max(to-max(end(&p)-begin, 1), from)
		p.At = at()
	}
	return DraftedPassage{p, begin, end(&p)}, nil
}
