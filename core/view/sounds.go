package view

import (
	"math"
	"sort"

	"billow/core/clip"
)

// Sound is a sound beside the tune, as it lies in the clip.
type Sound struct {
	ID     string  `json:"id"`
	Name   string  `json:"name"`
	From   int     `json:"from"` // frame
	To     int     `json:"to"`   // the frame after its last one
	When   string  `json:"when"`
	Muted  bool    `json:"muted"`
	Silent bool    `json:"silent"` // it is not heard: muted, or others are heard alone
	Wave   []Level `json:"wave"`
	Gain   []Gain  `json:"gain"` // its keys
}

// Gain is a key of a sound's gain.
type Gain struct {
	Frame    int     `json:"frame"`
	Decibels float64 `json:"decibels"` // that are added
}

// sounds are the tune, and those beside it in the order in which they begin.
func (v *View) sounds(c *clip.Clip) {
	v.Sounds = []Sound{}
	for i := range c.Sounds {
		if s := soundOf(c, &c.Sounds[i]); s.ID == clip.TuneID {
			s.Wave = []Level{}
			v.Tune = &s
		} else {
			v.Sounds = append(v.Sounds, s)
		}
	}
	sort.SliceStable(v.Sounds, func(i, j int) bool { return v.Sounds[i].From < v.Sounds[j].From })
}

func soundOf(c *clip.Clip, t *clip.SoundTrack) Sound {
	clock, p := c.Clock(), c.Prop(t.Prop)
	from := clock.Frame(t.At)
	to := from + int(math.Ceil(t.Seconds(p.Sound)*float64(c.Rate)))
	if t.Length > 0 {
		to = min(to, from+t.Length)
	}
	to = max(from+1, min(to, c.Length))
	s := Sound{ID: t.ID, Name: p.Name, From: from, To: to, When: clock.Text(t.At), Muted: t.Muted, Silent: !c.Audible(t), Wave: waveOf(c, t, to), Gain: []Gain{}}
	for _, k := range t.Keys {
		s.Gain = append(s.Gain, Gain{clock.Frame(k.At), k.Value[0]})
	}
	return s
}

// waveOf is how loud a track is until a frame, at each twentieth of a second of its sound.
func waveOf(c *clip.Clip, t *clip.SoundTrack, end int) []Level {
	out := []Level{}
	s := c.Prop(t.Prop).Sound
	begin := float64(c.Clock().Frame(t.At))
	for i, l := range s.Levels {
		t.Heard(s, float64(i)/20, func(at float64) {
			if f := begin + at*float64(c.Rate); f < float64(end) {
				out = append(out, Level{f, float64(l) / 255})
			}
		})
	}
	sort.SliceStable(out, func(i, j int) bool { return out[i].Frame < out[j].Frame })
	return out
}
