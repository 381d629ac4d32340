package edit

import (
	"math"

	"billow/core/clip"
	"billow/core/timing"
)

// SetTempo corrects the clip's tempo where it was found wrongly: one of a new
// count, twice or half as many beats, other bars, or where a bar begins. What is
// bound to beats stays at its time when only the beats' numbers change.
type SetTempo struct {
	Typed
	BPM    *float64 `json:"bpm,omitempty"`    // beats a minute; beat 0 stays where it is
	Times  float64  `json:"times,omitempty"`  // 2 or 0.5 times as many beats
	PerBar int      `json:"perBar,omitempty"` // beats in a bar
	BarAt  *int     `json:"barAt,omitempty"`  // frame
}

func (s *SetTempo) apply(c *clip.Clip) error {
	t := c.Tempo
	switch {
	case s.BPM != nil:
		t = t.At(*s.BPM)
	case s.Times == 2:
		t = t.Doubled()
		return renumber(c, t, func(b float64) float64 { return 2 * b }, 2)
	case s.Times == 0.5:
		t = t.Halved()
		return renumber(c, t, func(b float64) float64 { return b / 2 }, 0.5)
	case s.PerBar != 0:
		t.PerBar = s.PerBar
		return renumber(c, t, func(b float64) float64 { return b }, 1)
	case s.BarAt != nil:
		if *s.BarAt < 0 || *s.BarAt >= c.Length {
			return clip.Fault("barAt", "frame %d lies outside the clip", *s.BarAt)
		}
		var gone int
		t, gone = t.WithBarAt(c.Rate.Seconds(*s.BarAt))
		return renumber(c, t, func(b float64) float64 { return b - float64(gone) }, 1)
	default:
		return clip.Fault("times", "a tempo is corrected by a count, by 2 or 0.5 times as many beats, by the beats of a bar or by where one begins")
	}
	return setTempo(c, t)
}

// setTempo puts another tempo under the clip and lets everything settle.
func setTempo(c *clip.Clip, t timing.Tempo) error {
	if err := t.Check(); err != nil {
		return clip.Fault("tempo", "%v", err)
	}
	past := beyond(c)
	c.Tempo = t
	settle(c, past)
	return nil
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
	return nil
}

// endBeat is the beat with which a scene ends that is counted in beats or bars.
func endBeat(c *clip.Clip, p clip.Playing) float64 {
	if s := p.Length; s.Bars == 0 {
		return p.First + s.Beats
	}
	return p.EndBar(c) * float64(c.Tempo.PerBar)
}

// setBeats lets a scene end with a beat of the clip; in bars when that is asked
// for and the beat begins one.
func setBeats(c *clip.Clip, p clip.Playing, end float64, bars bool) {
	own := c.Own(p.ID)
	own.Scene.Lasts(clip.Scene{Beats: end - p.First})
	bar := float64(c.Tempo.PerBar)
	if n := end/bar - math.Round(p.First/bar); bars && math.Mod(end, bar) == 0 && n > 0 {
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
