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
	Name   *string        `json:"name"`
	Shapes []clip.Shape   `json:"shapes"`
	Rate   *timing.Rate   `json:"rate"`
	Length *int           `json:"length"` // frames at the new rate
	Poster *timing.Moment `json:"poster"`
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

// retime counts every moment of the clip at another rate.
func retime(c *clip.Clip, rate timing.Rate) {
	c.OwnAll()
	from := c.Rate
	frames := func(f int) int { return rate.Frame(from.Seconds(f)) }
	moment := func(m *timing.Moment) { m.Frames = frames(m.Frames) }
	c.Rate, c.Length = rate, frames(c.Length)
	moment(&c.Poster)
	if c.Tune != nil {
		c.Tune.FadeIn, c.Tune.FadeOut = frames(c.Tune.FadeIn), frames(c.Tune.FadeOut)
	}
	for i := range c.Scenes {
		moment(&c.Scenes[i].At)
	}
	for i := range c.Markers {
		moment(&c.Markers[i].At)
	}
	if c.Range != nil {
		moment(&c.Range.In)
		moment(&c.Range.Out)
	}
	for _, t := range c.Light.Tracks {
		for k := range t {
			moment(&t[k].At)
		}
	}
	for i := range c.Layers {
		l := &c.Layers[i]
		retimeLayer(l, frames)
		moment(&l.From)
		if l.To != nil {
			moment(l.To)
		}
		for _, t := range l.Tracks {
			for k := range t {
				moment(&t[k].At)
			}
		}
	}
}

// retimeLayer counts a layer's lengths of time at another rate.
func retimeLayer(l *clip.Layer, frames func(int) int) {
	for i := range l.Moves {
		m := &l.Moves[i]
		m.At.Frames, m.Length = frames(m.At.Frames), frames(m.Length)
	}
	if in := l.Inside; in != nil {
		in.Offset, in.Repeat = frames(in.Offset), frames(in.Repeat)
		if in.Freeze != nil {
			*in.Freeze = frames(*in.Freeze)
		}
	}
	if u := l.Lineup; u != nil {
		u.Start.Frames, u.Stay, u.Change = frames(u.Start.Frames), frames(u.Stay), frames(u.Change)
	}
	for _, k := range l.Tracks[clip.Time] {
		k.Value[0] = float64(frames(int(k.Value[0])))
	}
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
	Set json.RawMessage `json:"set"`
}

func (s *SetLight) apply(c *clip.Clip) error { return clip.DecodeStrict(s.Set, &c.Light) }

// SetTempo gives the clip a tempo map by hand.
type SetTempo struct {
	Typed
	Tempo timing.Tempo `json:"tempo"`
}

func (s *SetTempo) apply(c *clip.Clip) error {
	return setTempo(c, s.Tempo)
}

func setTempo(c *clip.Clip, t timing.Tempo) error {
	if err := t.Check(); err != nil {
		return clip.Fault("tempo", "%v", err)
	}
	c.Tempo = t
	settle(c)
	return nil
}

// SetTune lays a tune under the clip, changes its settings, or takes it away.
// The clip's tempo follows the tune where a beat was found in it, so that what
// is bound to beats moves along.
type SetTune struct {
	Typed
	Tune *clip.Tune `json:"tune"`
}

func (s *SetTune) apply(c *clip.Clip) error {
	c.Tune = s.Tune
	if s.Tune == nil {
		return nil
	}
	p := c.Prop(s.Tune.Prop)
	if p == nil || p.Sound == nil {
		return clip.Fault("tune.prop", "there is no tune %q", s.Tune.Prop)
	}
	if p.Sound.Steady {
		return setTempo(c, p.Sound.Tempo.Shifted(-s.Tune.Start))
	}
	return nil
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
