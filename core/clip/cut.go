package clip

import (
	"fmt"

	"billow/core/timing"
)

// MaxParts is of how many parts a sound may be put together, and MaxTail for how many
// seconds it may die away after them.
const (
	MaxParts = 100
	MaxTail  = 10
)

// A Piece is a part of a sound as it is heard under a clip.
type Piece struct {
	timing.Part
	At float64 // seconds after the track begins
}

// Pieces are what is heard of a sound, one after the other: without parts, all from where
// it is trimmed. The tail goes on after the last of them.
func (t *SoundTrack) Pieces(s *Sound) []Piece {
	if len(t.Parts) == 0 {
		return []Piece{{Part: timing.Part{From: t.Trim, To: max(s.Seconds, t.Trim)}}}
	}
	out, at := make([]Piece, len(t.Parts)), 0.0
	for i, p := range t.Parts {
		out[i] = Piece{p, at}
		at += p.Seconds()
	}
	return out
}

// Seconds is how long a sound is heard, its tail among it.
func (t *SoundTrack) Seconds(s *Sound) float64 {
	pieces := t.Pieces(s)
	last := pieces[len(pieces)-1]
	return last.At + last.Seconds() + min(t.Tail, max(0, s.Seconds-last.To))
}

// Heard calls f for each time at which a second of a sound is heard, in seconds after the
// track begins.
func (t *SoundTrack) Heard(s *Sound, second float64, f func(at float64)) {
	pieces := t.Pieces(s)
	for i, p := range pieces {
		to := p.To
		if i == len(pieces)-1 {
			to += t.Tail
		}
		if second >= p.From && second < to {
			f(p.At + second - p.From)
		}
	}
}

// InSound is which second of a sound is heard so many seconds after the track begins; before
// and after it, which would be.
func (t *SoundTrack) InSound(s *Sound, at float64) float64 {
	pieces := t.Pieces(s)
	now := pieces[0]
	for _, p := range pieces {
		if p.At <= at {
			now = p
		}
	}
	return now.From + at - now.At
}

// Counted is a count of the sound's seconds as the clip has it.
func (t *SoundTrack) Counted(count timing.Tempo) timing.Tempo {
	if len(t.Parts) == 0 {
		return count.Shifted(-t.Trim)
	}
	return count.Cut(t.Parts)
}

// TuneCount is how the clip's tune is counted, in seconds of the tune: as it was corrected,
// or as it was heard. There is a tune.
func (c *Clip) TuneCount() timing.Tempo {
	t := c.Tune()
	switch {
	case t.Count != nil:
		return *t.Count
	case len(t.Parts) > 0:
		return c.Prop(t.Prop).Sound.Tempo
	}
	return c.Tempo.Moved(t.Trim) // which may have been set by hand
}

// CheckParts reports parts that a sound does not have, or a count that is none.
func (t *SoundTrack) CheckParts(field string, s *Sound) error {
	if len(t.Parts) > MaxParts {
		return Fault(field+".parts", "a sound is put together of at most %d parts", MaxParts)
	}
	const shortest, slack = 0.1, 0.01 // seconds
	for i, p := range t.Parts {
		if !(p.From >= 0 && p.To <= s.Seconds+slack && p.Seconds() >= shortest) {
			return Fault(fmt.Sprintf("%s.parts[%d]", field, i), "a part lies within the %.1f seconds of the sound and lasts at least %.1f of them; this one goes from %.2f to %.2f", s.Seconds, shortest, p.From, p.To)
		}
	}
	if len(t.Parts) > 0 && t.Trim != t.Parts[0].From {
		return Fault(field+".trim", "a sound of parts begins where the first of them does, at %.2f seconds", t.Parts[0].From)
	}
	if t.Count != nil {
		if err := t.Count.Check(); err != nil {
			return Fault(field+".count", "%v", err)
		}
	}
	return within(field+".tail", t.Tail, 0, MaxTail)
}
