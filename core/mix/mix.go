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

// guard is a ramp at a cut through a sound, short enough not to be heard as a
// fade and long enough not to click: 5 ms.
const guard = Rate / 200

// Needed is how many seconds of the beginning of a sound a track may need; one
// more than it lasts, so that a sound that goes on is known to.
func Needed(c *clip.Clip, t *clip.SoundTrack) float64 {
	return t.Trim + float64(c.Length)/float64(c.Rate) + 1
}

// Mix is the sound of a clip as interleaved stereo. source gives the whole sound
// of a prop, interleaved stereo at Rate; without sounds there is silence. Samples
// beyond full scale are held there.
func Mix(c *clip.Clip, source func(*clip.Prop) []float32) []float32 {
	out := make([]float32, 2*Samples(c))
	for i := range c.Sounds {
		t := &c.Sounds[i]
		add(c, out, t, source(c.Prop(t.Prop)))
	}
	for i, v := range out {
		out[i] = min(max(v, -1), 1)
	}
	return out
}

// add lays one track over what sounds already.
func add(c *clip.Clip, out []float32, t *clip.SoundTrack, sound []float32) {
	perFrame := Rate / int(c.Rate)
	begin, skip := c.Clock().Frame(t.At)*perFrame, int(math.Round(t.Trim*Rate))
	wanted := len(out)/2 - begin
	if t.Length > 0 {
		wanted = min(wanted, t.Length*perFrame)
	}
	there := min(wanted, len(sound)/2-skip)
	fadeIn, fadeOut := t.FadeIn*perFrame, t.FadeOut*perFrame
	if skip > 0 {
		fadeIn = max(fadeIn, guard)
	}
	if there == wanted {
		fadeOut = max(fadeOut, guard)
	}
	gain := gains(c, t)
	for i := range max(there, 0) {
		g := gain(begin+i) * ramp(i, fadeIn) * ramp(wanted-1-i, fadeOut)
		for ch := range 2 {
			out[2*(begin+i)+ch] += float32(float64(sound[2*(skip+i)+ch]) * g)
		}
	}
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

// ramp rises from 0 at n = 0 to 1 at n = length as a quarter of a sine, which
// sounds even.
func ramp(n, length int) float64 {
	if n >= length {
		return 1
	}
	return math.Sin(float64(n) / float64(length) * math.Pi / 2)
}
