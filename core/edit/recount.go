package edit

import (
	"math"

	"billow/core/clip"
	"billow/core/timing"
)

// recount counts the clip's time otherwise. What is bound to beats stays at its time, so
// that it may lie between them then.
func recount(c *clip.Clip, t timing.Tempo) error {
	was := c.Tempo
	return renumber(c, t, func(b float64) float64 {
		const places = 1e6 // a beat's millionth is far below a frame
		return math.Round(t.Beat(was.Seconds(b))*places) / places
	}, t.BPM/was.BPM)
}

// A count is how the beats of a clip lie: in the seconds of its tune, where there is one.
type count struct {
	timing.Tempo
	track *clip.SoundTrack // nil without a tune
	sound *clip.Sound
}

// countOf is the count that corrections begin with.
func countOf(c *clip.Clip) count {
	t := c.Tune()
	if t == nil {
		return count{Tempo: c.Tempo}
	}
	return count{c.TuneCount(), t, c.Prop(t.Prop).Sound}
}

// second is that of the tune, or of the clip without one, on a frame; fractions count.
func (n count) second(c *clip.Clip, frame float64) float64 {
	at := frame * c.Rate.Seconds(1)
	if n.track == nil {
		return at
	}
	return n.track.InSound(n.sound, at)
}

// heard are the ways to count the tune as they were heard, the likeliest first.
func (n count) heard() []timing.Tempo {
	if n.track == nil || !n.sound.Steady {
		return nil
	}
	return append([]timing.Tempo{n.sound.Tempo}, n.sound.Others...)
}

// other is one of the other ways to count the tune, or, for -1, the likeliest.
func (n count) other(i int) (timing.Tempo, error) {
	all := n.heard()
	if i < -1 || i >= len(all)-1 {
		return timing.Tempo{}, clip.Fault("other", "there is no other way to count this tune with the number %d", i)
	}
	return all[i+1], nil
}

// tapped is the way to count the tune that someone has tapped, in its seconds, or an even
// count where none goes with the taps.
func (n count) tapped(c *clip.Clip, taps []float64) (timing.Tempo, error) {
	heard := n.heard()
	for _, t := range n.heard() {
		next := t // every other beat may be those that bars begin with, or the others
		next.Zero = min(t.Zero+1, max(0, len(t.Beats)-1))
		heard = append(heard, t.Halved(), next.Halved(), t.Doubled())
	}
	t, err := timing.Tapped(taps, c.Tempo.PerBar, heard)
	if err != nil {
		return t, clip.Fault("taps", "%v", err)
	}
	return t, nil
}

// keepCount lets the clip's tune be counted so, and gives what the clip's beats are then.
func keepCount(c *clip.Clip, t timing.Tempo) timing.Tempo {
	tune := c.Tune()
	if tune == nil {
		return t
	}
	next := *tune
	next.Count = &t
	c.SetTune(&next)
	return next.Counted(t)
}
