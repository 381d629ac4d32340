package clip

import (
	"fmt"
	"slices"
	"strings"

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
	Pan     float64       `json:"pan,omitempty"`    // percent, -100 left .. 100 right; the other side becomes softer
	Muted   bool          `json:"muted,omitempty"`
	// FadeInShape and FadeOutShape are how the fades go, as Fades says; "" is even.
	FadeInShape  string `json:"fadeInShape,omitempty"`
	FadeOutShape string `json:"fadeOutShape,omitempty"`
	// Parts are what is heard of the sound, one part after the other, instead of all of it from
	// Trim on. After the last it goes on for Tail seconds, 0..10, and dies away.
	Parts []timing.Part `json:"parts,omitempty"`
	Tail  float64       `json:"tail,omitempty"`
	// Count is how the tune is counted, in its own seconds, where that was corrected.
	// Kept says that it is not to be corrected any more.
	Count *timing.Tempo `json:"count,omitempty"`
	Kept  bool          `json:"kept,omitempty"`
	// Pans is by how many percent the pan has changed at its end, -200..200.
	Pans float64 `json:"pans,omitempty"`
	// With is the move that it comes with: when it begins, how long it lasts and where it is heard follow that.
	With OfMove `json:"with,omitzero"`
	// Solo lets this be heard without the others that have it not.
	Solo bool `json:"solo,omitempty"`
	// Ducks is by how many decibels the tune is softer while this sounds, 0..24, and Duck
	// the seconds in which it becomes so and comes back, 0.05..2; 0 is 0.3.
	Ducks float64 `json:"ducks,omitempty"`
	Duck  float64 `json:"duck,omitempty"`
}

// OfMove is a move of a layer.
type OfMove struct {
	Layer string `json:"layer"`
	Move  string `json:"move"`
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

// Audible tells whether a sound is heard: not muted, and chosen to be heard alone where some are.
func (c *Clip) Audible(t *SoundTrack) bool {
	return !t.Muted && (t.Solo || !slices.ContainsFunc(c.Sounds, func(t SoundTrack) bool { return t.Solo && !t.Muted }))
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
		if w := t.With; w != (OfMove{}) && c.Layer(w.Layer) == nil {
			return Fault(field+".with", "there is no layer %q with a move that it could come with", w.Layer)
		}
		longest := float64(MaxSeconds * 60)
		if err := firstError(
			within(field+".trim", t.Trim, 0, max(0, p.Sound.Seconds-0.5)),
			within(field+".length", float64(t.Length), 0, longest),
			within(field+".gain", t.Gain, -60, 12),
			within(field+".pan", t.Pan, -100, 100),
			within(field+".pans", t.Pans, -200, 200),
			within(field+".ducks", t.Ducks, 0, 24), within(field+".duck", t.Duck, 0, 2),
			fading(field+".fadeInShape", t.FadeInShape), fading(field+".fadeOutShape", t.FadeOutShape),
			t.CheckParts(field, p.Sound),
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

func fading(field, shape string) error {
	if !slices.Contains(Fades.IDs(), shape) {
		return Fault(field, "a fade is %s, not %q", strings.Join(Fades.IDs()[1:], ", "), shape)
	}
	return nil
}
