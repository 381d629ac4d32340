package edit

import (
	"math"

	"billow/core/clip"
	"billow/core/timing"
)

// CutTune lets parts of the clip's tune be heard one after the other, and dies away after
// the last of them. The clip's beats are those of the parts then: what is bound to a beat
// goes to that of the same number, or stays at its time.
type CutTune struct {
	Typed
	Parts []timing.Part `json:"parts"`          // none is all of it from its beginning on
	Tail  float64       `json:"tail,omitempty"` // seconds
	Fits  bool          `json:"fits,omitempty"` // the clip becomes as long as what is heard
	Stay  bool          `json:"stay,omitempty"` // what is bound to beats stays at its time
}

func (k *CutTune) apply(c *clip.Clip) error {
	was := c.Tune()
	if was == nil {
		return clip.Fault("parts", "there is no tune under the clip to cut")
	}
	n, next := countOf(c), *was
	next.Parts, next.Tail, next.Trim = k.Parts, k.Tail, 0
	if len(k.Parts) > 0 {
		next.Trim = k.Parts[0].From
	}
	if n.sound.Steady || was.Count != nil {
		next.Count = &n.Tempo
	}
	if err := next.CheckParts("tune", n.sound); err != nil {
		return err
	}
	c.SetTune(&next)
	if next.Count != nil {
		set := setTempo
		if k.Stay {
			set = recount
		}
		if err := set(c, next.Counted(n.Tempo)); err != nil {
			return err
		}
	} else if err := rewriteHits(c); err != nil {
		return err
	}
	if k.Fits {
		long := int(math.Round(next.Seconds(n.sound) * float64(c.Rate)))
		return setLength(c, long, BringIn)
	}
	return nil
}
