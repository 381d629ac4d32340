// Package mix makes the sound of a clip: tracks trimmed, levelled and faded, one
// over the other.
package mix

import (
	"math"

	"billow/core/clip"
	"billow/core/motion"
)

// Rate is the sampling rate of all mixed sound, in Hz; it has two channels.
const Rate = 48000

// Samples is the exact number of samples a channel that a clip lasts.
func Samples(c *clip.Clip) int { return c.Length * Rate / int(c.Rate) }

// Mix is the sound of a clip as interleaved stereo, as loud as the clip wants it, and how
// loud that is. source gives the whole sound of a prop, interleaved stereo at Rate;
// without sounds there is silence.
func Mix(c *clip.Clip, source func(*clip.Prop) []float32) ([]float32, Reading) {
	out := make([]float32, 2*Samples(c))
	each(c, source, func(*clip.SoundTrack) []float32 { return out })
	return out, Master(out, c.Loudness)
}

// A Stem is one sound of a clip by itself, interleaved stereo, as long as the clip.
type Stem struct {
	Name    string
	Samples []float32
}

// Stems are the sounds that are heard in a clip, each as loud as it lies there and as softly as it ducks: added
// they are its sound before Master.
func Stems(c *clip.Clip, source func(*clip.Prop) []float32) (out []Stem) {
	each(c, source, func(t *clip.SoundTrack) []float32 {
		out = append(out, Stem{c.Prop(t.Prop).Name, make([]float32, 2*Samples(c))})
		return out[len(out)-1].Samples
	})
	return out
}

// each adds every sound that is heard to what into gives for it.
func each(c *clip.Clip, source func(*clip.Prop) []float32, into func(*clip.SoundTrack) []float32) {
	softer := ducking(c, source)
	for i := range c.Sounds {
		switch t := &c.Sounds[i]; {
		case !c.Audible(t):
		case t.ID == clip.TuneID:
			add(c, into(t), t, source(c.Prop(t.Prop)), softer)
		default:
			add(c, into(t), t, source(c.Prop(t.Prop)), nil)
		}
	}
}

// sides are the factors of left and right: what is panned to one side is as loud there as
// it was, and softer on the other by a quarter of a cosine.
func sides(pan float64) (left, right float64) {
	off := math.Cos(math.Abs(pan) / 100 * math.Pi / 2)
	if pan > 0 {
		return off, 1
	}
	return 1, off
}

// gains is the factor of a track at each sample of the clip.
func gains(c *clip.Clip, t *clip.SoundTrack) func(sample int) float64 {
	still := math.Pow(10, t.Gain/20)
	if len(t.Keys) == 0 {
		return func(int) float64 { return still }
	}
	curve := motion.NewCurve(t.Keys, 1, false, c.Clock())
	return func(sample int) float64 {
		return still * math.Pow(10, curve.At(float64(sample)*float64(c.Rate)/Rate, 0)/20)
	}
}
