package edit

import (
	"slices"

	"billow/core/clip"
)

// SetSound lays a sound under the clip beside the tune, changes it, or takes it away.
type SetSound struct {
	Typed
	ID    string           `json:"id"`
	Sound *clip.SoundTrack `json:"sound"` // nil takes it away
}

func (s *SetSound) apply(c *clip.Clip) error {
	if s.ID == clip.TuneID {
		return clip.Fault("id", "the tune is set by itself")
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
