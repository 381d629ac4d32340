package frame

import (
	"math"
	"slices"

	"billow/core/clip"
	"billow/core/words"
)

// passing is how far the parts of words have come, or gone, on a frame.
type passing struct {
	*clip.Passage
	goes   bool
	frame  float64   // of the layer, as it is held
	begins []float64 // the frame on which each part begins
	end    float64   // when the last one has come or gone
}

// Once all has come, a caret blinks for a while longer; seconds.
const (
	caretStays  = 1.2
	caretBlinks = 0.3
)

// passingAt is the passage of a layer's words on one of its frames, of which divide tells
// the parts; ok is false when they stand as they are.
func (s *Stage) passingAt(a *actor, frame float64, divide func(by string) []words.Part) (p passing, ok bool) {
	w := a.layer.Words
	if w == nil || a.layer.Repeat != nil || w.Comes == nil && w.Goes == nil {
		return p, false
	}
	at, _, _, _ := s.held(a, frame)
	if g := w.Goes; g != nil && at >= float64(a.clock.Frame(g.At)) {
		p = passing{Passage: g, goes: true, frame: at}
		p.begin(a, divide(g.Parts()))
		return p, len(p.begins) > 0 // words may have nothing to be seen
	}
	if w.Comes == nil {
		return p, false
	}
	p = passing{Passage: w.Comes, frame: at}
	p.begin(a, divide(w.Comes.Parts()))
	last := p.end
	if p.Caret {
		last += caretStays * float64(s.clip.Rate)
	}
	return p, at < last && len(p.begins) > 0
}

// Passage is from which frame of the clip to which a layer's words come, or go; ok is false
// where they are there at once, or stay.
func (s *Stage) Passage(layer string, goes bool) (from, to int, ok bool) {
	a := s.byID[layer]
	if a == nil || a.layer.Words == nil || a.layer.Repeat != nil {
		return 0, 0, false
	}
	p := passing{Passage: a.layer.Words.Comes}
	if goes {
		p.Passage = a.layer.Words.Goes
	}
	if p.Passage == nil {
		return 0, 0, false
	}
	p.begin(a, s.block(a).Parts(p.Passage.Parts()))
	return a.clock.Frame(p.At), int(math.Ceil(p.end)), true
}

// begin works out when each part begins.
func (p *passing) begin(a *actor, parts []words.Part) {
	p.begins, p.end = p.Begins(a.clock, words.Lines(parts))
}

// there is how much of a part has come: 1 is where it stands, and easings may go beyond;
// shown is false before it begins to come, and once it has gone.
func (p *passing) there(i int) (there float64, shown bool) {
	since := p.frame - p.begins[min(i, len(p.begins)-1)]
	t := 1.0
	if p.Each > 0 {
		t = since / float64(p.Each)
	} else if since < 0 {
		t = -1
	}
	switch {
	case p.goes && t >= 1:
		return 0, false
	case p.goes:
		return 1 - p.Ease.At(max(t, 0)), true
	case t < 0:
		return 0, false
	case t >= 1:
		return 1, true
	}
	return p.Ease.At(t), true
}

// plateTakes is how long a plate that comes or goes with its words takes, in seconds.
const plateTakes = 0.3

// plate is how much of a plate that comes or goes with its words is there, 0..1: it grows
// while the first of them comes, and is gone when the last one is.
func (p *passing) plate(rate float64) float64 {
	since := p.frame - slices.Min(p.begins)
	if p.goes {
		since = p.end - p.frame
	}
	return clamped(since / (plateTakes * rate))
}

// newest is the last part, as they are read, that is shown.
func (p *passing) newest() int {
	newest := -1
	for i := range p.begins {
		if _, shown := p.there(i); shown {
			newest = i
		}
	}
	return newest
}

// caretOn tells whether the caret is seen.
func (p *passing) caretOn(rate float64) bool {
	since := p.frame - p.end
	if !p.Caret || since >= caretStays*rate {
		return false
	}
	return since < 0 || int(since/(caretBlinks*rate))%2 == 1
}

// clamped is a number within 0..1.
func clamped(v float64) float64 { return min(max(v, 0), 1) }
