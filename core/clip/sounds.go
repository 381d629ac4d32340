package clip

import (
	"fmt"

	"billow/core/motion"
	"billow/core/timing"
)

// SoundTrack is one sound under the clip. The tune is the first of them.
type SoundTrack struct {
	ID      string        `json:"id"`
	Prop    string        `json:"prop"`
	At      timing.Moment `json:"at"`               // of the clip: when it begins to sound
	Trim    float64       `json:"trim"`             // seconds of the sound that are left out at its beginning
	Length  int           `json:"length,omitempty"` // frames that it sounds; 0 until it or the clip ends
	Gain    float64       `json:"gain"`             // decibels, -60..12
	Keys    motion.Track  `json:"keys,omitempty"`   // of the gain: decibels that are added, -60..12
	FadeIn  int           `json:"fadeIn"`           // frames
	FadeOut int           `json:"fadeOut"`          // frames
}

// TuneID is the ID of the track of the tune, by which the tempo goes.
const TuneID = "tune"

// Tune is the tune under the clip, or nil.
func (c *Clip) Tune() *SoundTrack {
	if len(c.Sounds) > 0 && c.Sounds[0].ID == TuneID {
		return &c.Sounds[0]
	}
	return nil
}

// SetTune lays a tune under the clip, or takes it away.
func (c *Clip) SetTune(t *SoundTrack) {
	if c.Tune() != nil {
		c.Sounds = c.Sounds[1:]
	}
	if t != nil {
		t.ID = TuneID
		c.Sounds = append([]SoundTrack{*t}, c.Sounds...)
	}
}

// MaxSounds is how many sounds a clip may have.
const MaxSounds = 100

func (c *Clip) validateSounds() error {
	if len(c.Sounds) > MaxSounds {
		return Fault("sounds", "a clip has at most %d sounds", MaxSounds)
	}
	seen := map[string]bool{}
	for i, t := range c.Sounds {
		field := "sounds[" + t.ID + "]"
		if err := validID(fmt.Sprintf("sounds[%d].id", i), t.ID); err != nil {
			return err
		}
		if seen[t.ID] || t.ID == TuneID && i > 0 {
			return Fault(field+".id", "two sounds have the id %q, or the tune is not the first", t.ID)
		}
		seen[t.ID] = true
		p := c.Prop(t.Prop)
		if p == nil || p.Sound == nil {
			return Fault(field+".prop", "there is no tune %q", t.Prop)
		}
		if f := c.Clock().Frame(t.At); f < 0 || f >= c.Length {
			return Fault(field+".at", "%q would begin to sound at %s, outside the clip", p.Name, c.Rate.Timecode(f))
		}
		longest := float64(MaxSeconds * 60)
		if err := firstError(
			within(field+".trim", t.Trim, 0, max(0, p.Sound.Seconds-0.5)),
			within(field+".length", float64(t.Length), 0, longest),
			within(field+".gain", t.Gain, -60, 12),
			within(field+".fadeIn", float64(t.FadeIn), 0, longest), within(field+".fadeOut", float64(t.FadeOut), 0, longest),
			c.validateGain(field+".keys", t.Keys),
		); err != nil {
			return err
		}
	}
	return nil
}

func (c *Clip) validateGain(field string, keys motion.Track) error {
	last := -1
	for i, k := range keys {
		f := c.Clock().Frame(k.At)
		if f <= last || f >= c.Length || len(k.Value) != 1 || !(k.Value[0] >= -60 && k.Value[0] <= 12) {
			return Fault(keyField(field, i), "a key of the gain has one number from -60 to 12, on a frame of the clip after that of the key before it")
		}
		if err := k.Ease.Check(); err != nil {
			return Fault(keyField(field, i)+".ease", "%v", err)
		}
		last = f
	}
	return nil
}
