package edit

import (
	"math"

	"billow/core/clip"
	"billow/core/timing"
)

// SpreadOut lets layers begin one after the other on beats: the first on a beat, the others so
// that all have begun within so many beats. Their keys are bound to the beats on which they
// begin.
type SpreadOut struct {
	Typed
	Layers []string `json:"layers"`
	Beat   float64  `json:"beat"`            // of the clip: where the first begins
	Beats  float64  `json:"beats"`           // over which they are spread
	Order  string   `json:"order,omitempty"` // as Stagger has it
}

func (s *SpreadOut) apply(c *clip.Clip) error {
	if len(s.Layers) < 2 {
		return clip.Fault("layers", "choose at least two layers to spread over beats")
	}
	if !(s.Beats > 0 && s.Beats <= 1000) || !(math.Abs(s.Beat) < 1e6) {
		return clip.Fault("beats", "layers are spread over more than 0 and at most 1000 beats")
	}
	if s.Order == "" {
		s.Order = "stack"
	}
	layers, err := (&Stagger{Layers: s.Layers, Order: s.Order}).ordered(c)
	if err != nil {
		return err
	}
	n := ranks(layers, s.Order)
	steps := 0
	for _, k := range n {
		steps = max(steps, k+1)
	}
	each := s.Beats / float64(steps)
	clock := c.Clock()
	for i, l := range layers {
		beat := s.Beat + each*float64(n[i])
		want := clock.Frame(clock.OnBeat(beat))
		begin, end := room(c, l)
		by := want - first(c, l)
		if want < begin || last(c, l)+by >= end {
			return clip.Fault("beats", "%q would move from %s to %s, outside the time that it has; begin elsewhere or spread over fewer beats", l.Name, c.Rate.Timecode(want), c.Rate.Timecode(last(c, l)+by))
		}
		shift(c, l, by)
		own := c.ClockOf(l)
		if l.To != nil {
			to := own.Frame(*l.To) + by
			if l.To = nil; to < end {
				at := own.At(to)
				l.To = &at
			}
		}
		if own.Frame(l.From) < begin {
			l.From = own.At(begin)
		}
		bindTo(l, own, own.OnBeat(beat))
	}
	return nil
}

// bindTo binds all moments of a layer but its end to another moment: they stay on their frames and come along
// when that one moves.
func bindTo(l *clip.Layer, clock timing.Clock, at timing.Moment) {
	end := l.To
	l.To = nil
	l.Walk(clip.Visitor{Moment: func(m *timing.Moment) { *m = at.Plus(clock.Frame(*m) - clock.Frame(at)) }})
	l.To = end
}
