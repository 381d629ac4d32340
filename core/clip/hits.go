package clip

import (
	"cmp"
	"math"
	"slices"

	"billow/core/timing"
)

// ClearHit is the strength from which on a hit stands out.
const ClearHit = 0.3

// A HeardHit is a hit of the tune as the clip has it.
type HeardHit struct {
	Hit
	Frame int
}

// Hits are those of the clip's tune that are heard in it, in their order.
func (c *Clip) Hits() []HeardHit {
	t := c.Tune()
	if t == nil {
		return nil
	}
	s := c.Prop(t.Prop).Sound
	var out []HeardHit
	for _, h := range s.Hits {
		t.Heard(s, h.At, func(at float64) {
			if f := c.Rate.Frame(at); f >= 0 && f < c.Length {
				out = append(out, HeardHit{h, f})
			}
		})
	}
	slices.SortStableFunc(out, func(a, b HeardHit) int { return cmp.Compare(a.Frame, b.Frame) })
	return out
}

// MomentOfHit is when a hit is, bound to the music: to the beat, or the quarter or third of one, beside
// which it lies; to a place between beats otherwise.
func (c *Clip) MomentOfHit(frame int) timing.Moment {
	clock := c.Clock()
	beat := clock.Beat(frame)
	for off := range 2 { // frames
		for _, parts := range [...]float64{1, 2, 4, 3} {
			near := math.Round(beat*parts)/parts + 0 // not minus zero
			if m := clock.OnBeat(near); abs(clock.Frame(m)-frame) <= off {
				return m
			}
		}
	}
	return clock.OnBeat(math.Round(beat*1e4) / 1e4)
}

// A HeardSection is a section of the tune as the clip has it.
type HeardSection struct {
	Kind     string
	From, To int // frames; the last not included
}

// Sections are those of the clip's tune that are heard in it, in their order; one may be
// heard in part, or again.
func (c *Clip) Sections() []HeardSection {
	t := c.Tune()
	if t == nil {
		return nil
	}
	s := c.Prop(t.Prop).Sound
	var out []HeardSection
	for _, p := range t.Pieces(s) {
		for i, section := range s.Sections {
			from, to := max(section.At, p.From), p.To
			if i+1 < len(s.Sections) {
				to = min(to, s.Sections[i+1].At)
			}
			first, last := c.Rate.Frame(p.At+from-p.From), min(c.Rate.Frame(p.At+to-p.From), c.Length)
			if first >= last {
				continue
			}
			if n := len(out) - 1; n >= 0 && out[n].Kind == section.Kind && out[n].To == first {
				out[n].To = last
				continue
			}
			out = append(out, HeardSection{section.Kind, first, last})
		}
	}
	return out
}
