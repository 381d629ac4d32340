package edit

import (
	"slices"

	"billow/core/clip"
	"billow/core/timing"
)

// SetSound lays a sound under the clip beside the tune, changes it, or takes it away. Of the
// tune it changes how it sounds: what is heard of it, and how it is counted, have commands of their own.
type SetSound struct {
	Typed
	ID    string           `json:"id"`
	Sound *clip.SoundTrack `json:"sound"` // nil takes it away
}

func (s *SetSound) apply(c *clip.Clip) error {
	if s.ID == clip.TuneID {
		return s.applyToTune(c)
	}
	at := slices.IndexFunc(c.Sounds, func(t clip.SoundTrack) bool { return t.ID == s.ID })
	switch {
	case s.Sound == nil && at < 0:
		return clip.Fault("id", "there is no sound %q", s.ID)
	case s.Sound == nil:
		c.Sounds = slices.Delete(c.Sounds, at, at+1)
		return nil
	}
	next := *s.Sound
	next.ID, next.Keys = s.ID, next.Keys.Clone()
	if at < 0 {
		c.Sounds = append(c.Sounds, next)
	} else {
		c.Sounds[at] = next
	}
	return nil
}

// applyToTune changes how the tune sounds.
func (s *SetSound) applyToTune(c *clip.Clip) error {
	was := c.Tune()
	if was == nil || s.Sound == nil {
		return clip.Fault("id", "the tune is laid, and taken away, by itself")
	}
	next := *s.Sound
	next.ID, next.Keys = s.ID, next.Keys.Clone()
	next.Prop, next.At, next.Length = was.Prop, was.At, was.Length
	next.Trim, next.Parts, next.Tail, next.Count, next.Kept = was.Trim, was.Parts, was.Tail, was.Count, was.Kept
	c.SetTune(&next)
	return nil
}

// HearFootage lays the sound of a layer's footage under it: from the part on that is seen first, beginning
// with the layer and ending with it. Prop is that sound, which may be new to the clip.
type HearFootage struct {
	Typed
	Layer string    `json:"layer"`
	Prop  clip.Prop `json:"prop"`
}

func (h *HearFootage) apply(c *clip.Clip) error {
	l, err := find(c, h.Layer)
	if err != nil {
		return err
	}
	if l.Cutout == nil {
		return clip.Fault("layer", "%s shows no footage", l.Name)
	}
	film := c.Prop(l.Cutout.Prop)
	if film == nil || film.Footage == nil || film.Footage.Sound == "" || film.Footage.Sound != h.Prop.Hash || h.Prop.Sound == nil {
		return clip.Fault("prop", "this is not the sound of %s", l.Name)
	}
	prop := h.Prop
	if at := slices.IndexFunc(c.Props, func(p clip.Prop) bool { return p.Hash == prop.Hash && p.Sound != nil }); at >= 0 {
		prop = c.Props[at]
	} else if err := (&AddProp{Prop: prop}).apply(c); err != nil {
		return err
	}
	from, to := c.Span(l)
	begins := max(from, 0)
	track := clip.SoundTrack{Prop: prop.ID, At: timing.At(begins), FadeOut: 3}
	if r := l.Cutout.Runs; r != nil {
		track.Trim = min(r.From, max(0, prop.Sound.Seconds-0.5))
	}
	track.Trim = min(track.Trim+float64(begins-from)/float64(c.Rate), max(0, prop.Sound.Seconds-0.5))
	if long := (prop.Sound.Seconds - track.Trim) * float64(c.Rate); to < c.Length && float64(to-begins) < long {
		track.Length = to - begins
	}
	return (&SetSound{ID: SoundOf(l), Sound: &track}).apply(c)
}

// SoundOf is the ID of the sound of a layer's footage.
func SoundOf(l *clip.Layer) string { return soundID(l.ID) }

func soundID(of string) string {
	id := "sound-" + of
	return id[:min(len(id), 64)]
}
