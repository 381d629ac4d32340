package edit

import (
	"math"

	"billow/core/clip"
	"billow/core/timing"
)

// FitScenes lets every scene end on the beginning of a bar, or on a beat: the nearest to where it
// ends, with one of them at least in each scene.
type FitScenes struct {
	Typed
	Unit string `json:"unit"` // bars or beats
}

func (f *FitScenes) apply(c *clip.Clip) error {
	at, beat := c.Tempo.BarAt, c.Tempo.Downbeat
	switch f.Unit {
	case "bars":
	case "beats":
		itself := func(n float64) float64 { return n }
		at, beat = itself, itself
	default:
		return clip.Fault("unit", "scenes are fitted to bars or beats, not to %q", f.Unit)
	}
	before := c.Scenes()
	last := math.Inf(-1)
	for _, was := range before {
		p, err := playing(c, was.ID)
		if err != nil {
			return err
		}
		n := math.Round(at(c.Clock().Beat(was.To)))
		for n <= last || c.Clock().Frame(timing.OnBeat(beat(n))) <= p.From {
			n++
		}
		last = n
		endAt(c, p, timing.OnBeat(beat(n)))
	}
	ripple(c, before)
	return nil
}
