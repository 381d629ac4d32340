package edit

import (
	"math"

	"billow/core/clip"
	"billow/core/timing"
)

// SetTempo corrects the clip's tempo where it was found wrongly: one of a new
// count, another way to count the tune, one that was tapped, twice or half as many
// beats, other bars, where a bar begins, or where a beat lies. What is bound to beats
// stays at its time when only the beats are counted otherwise. The correction is kept with
// the tune, whatever of it the clip plays.
type SetTempo struct {
	Typed
	BPM    *float64  `json:"bpm,omitempty"`    // beats a minute; beat 0 stays where it is
	Other  *int      `json:"other,omitempty"`  // one of the other ways to count the tune, from 0; -1 is the first of all
	Taps   []float64 `json:"taps,omitempty"`   // frames at which someone tapped along; fractions count
	Times  float64   `json:"times,omitempty"`  // 2 or 0.5 times as many beats
	PerBar int       `json:"perBar,omitempty"` // beats in a bar
	BarAt  *int      `json:"barAt,omitempty"`  // frame
	Bar    *float64  `json:"bar,omitempty"`    // second of the tune, or of the clip without one, at which a bar begins
	Tapped []float64 `json:"tapped,omitempty"` // seconds of the tune at which someone tapped along
	Even   bool      `json:"even,omitempty"`   // one even count through all of it
	Drag   *Drag     `json:"drag,omitempty"`   // a beat that lies elsewhere; its neighbours follow
	Kept   *bool     `json:"kept,omitempty"`   // whether the count of the tune is kept from being corrected
}

// Drag moves a beat.
type Drag struct {
	Second float64 `json:"second"` // of the tune, or of the clip without one, near which the beat lies
	To     float64 `json:"to"`     // second at which it is to lie
}

func (s *SetTempo) apply(c *clip.Clip) error {
	n := countOf(c)
	if n.track != nil {
		if s.Kept != nil {
			next := *n.track
			next.Kept = *s.Kept
			c.SetTune(&next)
			return nil
		}
		if n.track.Kept {
			return clip.Fault("kept", "the beats of %q are locked; unlock them to correct them", c.Prop(n.track.Prop).Name)
		}
	}
	next, err := s.corrected(c, n)
	if err != nil {
		return err
	}
	if err := next.Check(); err != nil {
		return clip.Fault("tempo", "%v", err)
	}
	next = keepCount(c, next)
	if s.BPM != nil {
		return setTempo(c, next)
	}
	return recount(c, next)
}

// corrected is a count after the correction.
func (s *SetTempo) corrected(c *clip.Clip, n count) (timing.Tempo, error) {
	switch {
	case s.BPM != nil:
		return n.At(*s.BPM), nil
	case s.Other != nil:
		return n.other(*s.Other)
	case len(s.Taps) > 0:
		taps := make([]float64, len(s.Taps))
		for i, f := range s.Taps {
			taps[i] = n.second(c, f)
		}
		return n.tapped(c, taps)
	case len(s.Tapped) > 0:
		return n.tapped(c, s.Tapped)
	case s.Times == 2:
		return n.Doubled(), nil
	case s.Times == 0.5:
		return n.Halved(), nil
	case s.PerBar != 0:
		t := n.Tempo
		t.PerBar, t.Metres = s.PerBar, nil
		return t, nil
	case s.BarAt != nil:
		if *s.BarAt < 0 || *s.BarAt >= c.Length {
			return n.Tempo, clip.Fault("barAt", "frame %d lies outside the clip", *s.BarAt)
		}
		t, _ := n.WithBarAt(n.second(c, float64(*s.BarAt)))
		return t, nil
	case s.Bar != nil:
		if !(*s.Bar >= 0 && *s.Bar < 36000) {
			return n.Tempo, clip.Fault("bar", "a bar does not begin at %g seconds", *s.Bar)
		}
		t, _ := n.WithBarAt(*s.Bar)
		return t, nil
	case s.Even:
		return n.Evened(), nil
	case s.Drag != nil:
		t, err := n.dragged(c, *s.Drag)
		if err != nil {
			return t, clip.Fault("drag", "%v", err)
		}
		return t, nil
	}
	return n.Tempo, clip.Fault("times", "a tempo is corrected by a count, by another way to count the tune, by taps, by 2 or 0.5 times as many beats, by the beats of a bar, by where one begins, or by a beat that is dragged")
}

// dragged is the count with the beat nearest to a second elsewhere.
func (n count) dragged(c *clip.Clip, d Drag) (timing.Tempo, error) {
	long := c.Rate.Seconds(c.Length)
	if n.sound != nil {
		long = n.sound.Seconds
	}
	t := n.Listed(0, long)
	return t.Dragged(int(math.Round(t.Beat(d.Second))), d.To)
}

// setTempo puts another tempo under the clip and lets everything settle.
func setTempo(c *clip.Clip, t timing.Tempo) error {
	if err := t.Check(); err != nil {
		return clip.Fault("tempo", "%v", err)
	}
	past := beyond(c)
	c.Tempo = t
	settle(c, past)
	return rewriteHits(c)
}

// renumber gives beats other numbers, at a tempo at which they lie where they
// did: what is bound to them gets the new numbers, lengths in beats count so many
// times as many, and scenes end where they ended.
func renumber(c *clip.Clip, t timing.Tempo, number func(float64) float64, times float64) error {
	if err := t.Check(); err != nil {
		return clip.Fault("tempo", "%v", err)
	}
	past := beyond(c)
	var ends []float64
	for _, p := range c.Scenes() {
		ends = append(ends, number(endBeat(c, p)))
	}
	inClipTime(c, func() {
		more := func(n *float64) { *n *= times }
		c.Walk(clip.Visitor{
			Moment: func(m *timing.Moment) {
				if m.OnBeat {
					m.Beat = number(m.Beat)
				}
			},
			Beats: more, Bars: more,
		})
		c.Tempo = t
		for i, end := range ends {
			if p := c.Scenes()[i]; p.Length.Frames == 0 {
				setBeats(c, p, end, p.Length.Bars > 0)
			}
		}
	})
	settle(c, past)
	return rewriteHits(c)
}

// endBeat is the beat with which a scene ends that is counted in beats or bars.
func endBeat(c *clip.Clip, p clip.Playing) float64 {
	if s := p.Length; s.Bars == 0 {
		return p.First + s.Beats
	}
	return c.Tempo.Downbeat(p.EndBar(c))
}

// setBeats lets a scene end with a beat of the clip; in bars when that is asked
// for and the beat begins one.
func setBeats(c *clip.Clip, p clip.Playing, end float64, bars bool) {
	own := c.Own(p.ID)
	own.Scene.Lasts(clip.Scene{Beats: end - p.First})
	last := math.Round(c.Tempo.BarAt(end))
	if n := last - math.Round(c.Tempo.BarAt(p.First)); bars && c.Tempo.Downbeat(last) == end && n > 0 {
		own.Scene.Lasts(clip.Scene{Bars: n})
	}
}

// inClipTime makes a change while all moments are counted as the clip counts
// them, whatever scene they are in.
func inClipTime(c *clip.Clip, change func()) {
	c.OwnAll()
	for i := range c.Layers {
		l := &c.Layers[i]
		l.Rebase(c.ClockOf(l), c.Clock())
	}
	change()
	for i := range c.Layers {
		l := &c.Layers[i]
		l.Rebase(c.Clock(), c.ClockOf(l))
	}
}

// retime counts every moment and length of the clip at another rate.
func retime(c *clip.Clip, rate timing.Rate) {
	was := c.Rate
	frames := func(f int) int { return rate.Frame(was.Seconds(f)) }
	scenes := c.Scenes()
	inClipTime(c, func() {
		c.Walk(clip.Visitor{
			Moment: func(m *timing.Moment) { m.Frames = frames(m.Frames) },
			Frames: func(n *int) { *n = frames(*n) },
			Still:  func(n *int) { *n = frames(*n) },
			Inner:  func(v *float64) { *v = float64(frames(int(*v))) },
		})
		c.Rate = rate
		for i, p := range scenes {
			if now := c.Scenes()[i]; p.Length.Frames > 0 {
				c.Own(p.ID).Scene.Frames = max(1, frames(p.To)-now.From)
			}
		}
	})
}
