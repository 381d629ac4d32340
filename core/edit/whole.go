package edit

import (
	"encoding/json"

	"billow/core/clip"
	"billow/core/timing"
)

// SetClip changes the clip's name, shapes, rate, length or poster frame. A new
// rate keeps every time in seconds as nearly as whole frames allow.
type SetClip struct {
	Typed
	Name   *string        `json:"name,omitempty"`
	Shapes []clip.Shape   `json:"shapes,omitempty"`
	Rate   *timing.Rate   `json:"rate,omitempty"`
	Length *int           `json:"length,omitempty"` // frames at the new rate
	Poster *timing.Moment `json:"poster,omitempty"`
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
		retime(c, *s.Rate)
		settle(c)
	}
	if s.Poster != nil {
		c.Poster = *s.Poster
	}
	if s.Length != nil {
		return setLength(c, *s.Length)
	}
	return nil
}

// setLength makes the clip longer or shorter. Layers that reached the end are
// cut to it; keys beyond it are left for Validate to report, since dropping
// them would lose work.
func setLength(c *clip.Clip, length int) error {
	c.Length = length
	c.OwnAll()
	for i := range c.Layers {
		l := &c.Layers[i]
		from, to := c.Span(l)
		if from >= length && length > 0 {
			return clip.Fault("length", "%q begins at %s, after the new end; move or delete it first", l.Name, c.Rate.Timecode(from))
		}
		if to >= length {
			l.To = nil
		}
	}
	if t := c.Tune; t != nil {
		t.FadeIn, t.FadeOut = min(t.FadeIn, length), min(t.FadeOut, length)
	}
	if c.Range != nil && c.Clock().Frame(c.Range.Out) > length {
		c.Range = nil
	}
	if c.Clock().Frame(c.Poster) >= length {
		c.Poster = timing.At(max(0, length-1))
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
	Tune *clip.Tune `json:"tune"`
}

func (s *SetTune) apply(c *clip.Clip) error {
	was := c.Tune
	c.Tune = s.Tune
	if s.Tune == nil {
		return nil
	}
	p := c.Prop(s.Tune.Prop)
	if p == nil || p.Sound == nil {
		return clip.Fault("tune.prop", "there is no tune %q", s.Tune.Prop)
	}
	switch same := was != nil && was.Prop == s.Tune.Prop; {
	case !p.Sound.Steady || same && was.Start == s.Tune.Start:
		return nil
	case same:
		return setTempo(c, c.Tempo.Shifted(was.Start-s.Tune.Start))
	}
	return setTempo(c, p.Sound.Tempo.Shifted(-s.Tune.Start))
}

// AddProp makes a file known to the clip. A prop with the same ID is replaced.
type AddProp struct {
	Typed
	Prop clip.Prop `json:"prop"`
}

func (a *AddProp) apply(c *clip.Clip) error {
	if p := c.Prop(a.Prop.ID); p != nil {
		*p = a.Prop
		return nil
	}
	c.Props = append(c.Props, a.Prop)
	return nil
}

// SetProduct adds a product or changes the one with the same ID.
type SetProduct struct {
	Typed
	Product clip.Product `json:"product"`
}

func (s *SetProduct) apply(c *clip.Clip) error {
	if p := c.Product(s.Product.ID); p != nil {
		*p = s.Product
		return nil
	}
	c.Products = append(c.Products, s.Product)
	return nil
}
