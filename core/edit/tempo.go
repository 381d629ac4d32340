package edit

import (
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
		rebind(c, func(b float64) float64 { return 2 * b }, 2)
	case s.Times == 0.5:
		t = t.Halved()
		rebind(c, func(b float64) float64 { return b / 2 }, 0.5)
	case s.PerBar != 0:
		t.PerBar = s.PerBar
	case s.BarAt != nil:
		if *s.BarAt < 0 || *s.BarAt >= c.Length {
			return clip.Fault("barAt", "frame %d lies outside the clip", *s.BarAt)
		}
		var gone int
		t, gone = t.WithBarAt(c.Rate.Seconds(*s.BarAt))
		rebind(c, func(b float64) float64 { return b - float64(gone) }, 1)
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
	c.Tempo = t
	settle(c)
	return nil
}

// rebind gives what is bound to beats other numbers, and counts lengths in so
// many times as many beats.
func rebind(c *clip.Clip, number func(float64) float64, times float64) {
	c.OwnAll()
	more := func(n *float64) { *n *= times }
	c.Walk(clip.Visitor{
		Moment: func(m *timing.Moment) {
			if m.OnBeat {
				m.Beat = number(m.Beat)
			}
		},
		Beats: more, Bars: more,
	})
}

// retime counts every moment and length of the clip at another rate.
func retime(c *clip.Clip, rate timing.Rate) {
	c.OwnAll()
	from := c.Rate
	frames := func(f int) int { return rate.Frame(from.Seconds(f)) }
	c.Rate = rate
	c.Walk(clip.Visitor{
		Moment: func(m *timing.Moment) { m.Frames = frames(m.Frames) },
		Frames: func(n *int) { *n = frames(*n) },
		Inner:  func(v *float64) { *v = float64(frames(int(*v))) },
	})
}
