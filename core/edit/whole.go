package edit

import (
	"encoding/json"

	"billow/core/clip"
	"billow/core/offer"
	"billow/core/timing"
)

// SetClip changes the clip's name, shapes, rate, length, poster
// frame, product or language. A new
// rate keeps every time in seconds as nearly as whole frames allow.
type SetClip struct {
	Typed
	Name     *string        `json:"name,omitempty"`
	Shapes   []clip.Shape   `json:"shapes,omitempty"`
	Rate     *timing.Rate   `json:"rate,omitempty"`
	Length   *int           `json:"length,omitempty"` // frames at the new rate
	Past     Past           `json:"past,omitempty"`   // what becomes of what lies past the new end
	Poster   *timing.Moment `json:"poster,omitempty"`
	Shown    *string        `json:"shown,omitempty"`    // the product of scenes that have none of their own
	Loudness *float64       `json:"loudness,omitempty"` // LUFS; 0 leaves sounds as loud as they are
	// Language is the one in which it speaks: texts and products turn into it, and money has its form.
	Language *string `json:"language,omitempty"`
}

func (s *SetClip) apply(c *clip.Clip) error {
	if s.Name != nil {
		c.Name = *s.Name
	}
	if s.Shapes != nil {
		c.Shapes = s.Shapes
	}
	if s.Rate != nil && *s.Rate != c.Rate {
		if !s.Rate.Valid() {
			return clip.Fault("rate", "a clip has 24, 25, 30, 50 or 60 frames a second, not %d", *s.Rate)
		}
		past := beyond(c)
		retime(c, *s.Rate)
		settle(c, past)
	}
	if s.Shown != nil {
		c.Shown = *s.Shown
	}
	if s.Loudness != nil {
		c.Loudness = *s.Loudness
	}
	if s.Language != nil {
		if *s.Language != "" && !offer.Known(*s.Language) {
			return clip.Fault("language", "there is no language %q", *s.Language)
		}
		c.Turn(*s.Language)
	}
	if s.Poster != nil {
		c.Poster = s.Poster
	}
	if s.Length != nil {
		return setLength(c, *s.Length, s.Past)
	}
	return nil
}

// SetLight changes some of the light's settings.
type SetLight struct {
	Typed
	Set json.RawMessage `json:"set" ts:"Changed<Light>"`
}

func (s *SetLight) apply(c *clip.Clip) error { return clip.DecodeStrict(s.Set, &c.Light) }

// SetTune lays a tune under the clip, changes its settings, or takes it away.
// The clip's tempo follows the tune where a beat was found in it, so that what
// is bound to beats moves along. A tempo that was corrected stays so while the
// tune is the same.
type SetTune struct {
	Typed
	Tune *Tune `json:"tune"`
	Stay bool  `json:"stay,omitempty"` // what is bound to beats stays at its time
}

// Tune is how a tune lies under the clip: it begins with it.
type Tune struct {
	Prop    string  `json:"prop"`
	Start   float64 `json:"start"`   // seconds of the tune at which the clip begins
	Gain    float64 `json:"gain"`    // decibels, -60..12
	FadeIn  int     `json:"fadeIn"`  // frames
	FadeOut int     `json:"fadeOut"` // frames
}

func (s *SetTune) apply(c *clip.Clip) error {
	var was *clip.SoundTrack
	if t := c.Tune(); t != nil {
		now := *t
		was = &now
	}
	if s.Tune == nil {
		c.SetTune(nil)
		return nil
	}
	next, counted := clip.SoundTrack{}, countOf(c)
	if was != nil && was.Prop == s.Tune.Prop {
		next = *was
	}
	next.Prop, next.Trim, next.Gain, next.FadeIn, next.FadeOut = s.Tune.Prop, s.Tune.Start, s.Tune.Gain, s.Tune.FadeIn, s.Tune.FadeOut
	c.SetTune(&next)
	p := c.Prop(s.Tune.Prop)
	if p == nil || p.Sound == nil {
		return clip.Fault("tune.prop", "there is no tune %q", s.Tune.Prop)
	}
	same := was != nil && was.Prop == s.Tune.Prop
	if same && was.Trim == s.Tune.Start {
		return nil
	}
	next.Parts, next.Tail = nil, 0
	c.SetTune(&next)
	if !p.Sound.Steady && next.Count == nil {
		return rewriteHits(c)
	}
	if !same {
		counted.Tempo = p.Sound.Tempo
	}
	set := setTempo
	if s.Stay {
		set = recount
	}
	return set(c, next.Counted(counted.Tempo))
}

// AddProp makes a file known to the clip. A prop with the same ID is replaced.
type AddProp struct {
	Typed
	Prop clip.Prop `json:"prop"`
}

func (a *AddProp) apply(c *clip.Clip) error {
	if p := c.Prop(a.Prop.ID); p != nil {
		*p = a.Prop
		if t := c.Tune(); t != nil && t.Prop == p.ID && p.Sound != nil {
			return rewriteHits(c)
		}
		return nil
	}
	c.Props = append(c.Props, a.Prop)
	return nil
}
