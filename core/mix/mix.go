// Package mix makes the sound of a clip: the tune trimmed, levelled and faded.
package mix

import (
	"math"

	"billow/core/clip"
)

// Rate is the sampling rate of all mixed sound, in Hz; it has two channels.
const Rate = 48000

// Samples is the exact number of samples a channel that a clip lasts.
func Samples(c *clip.Clip) int { return c.Length * Rate / int(c.Rate) }

// guard is a ramp at a cut through a tune, short enough not to be heard as a
// fade and long enough not to click: 5 ms.
const guard = Rate / 200

// Mix is the sound of a clip as interleaved stereo. tune is the whole tune,
// interleaved stereo at Rate; without a tune there is silence. Samples beyond
// full scale are held there.
func Mix(c *clip.Clip, tune []float32) []float32 {
	out := make([]float32, 2*Samples(c))
	if c.Tune == nil {
		return out
	}
	start := int(math.Round(c.Tune.Start * Rate))
	gain := math.Pow(10, c.Tune.Gain/20)
	perFrame := Rate / int(c.Rate)
	fadeIn, fadeOut := c.Tune.FadeIn*perFrame, c.Tune.FadeOut*perFrame
	if start > 0 {
		fadeIn = max(fadeIn, guard)
	}
	total := min(len(out)/2, len(tune)/2-start)
	if total == len(out)/2 {
		fadeOut = max(fadeOut, guard)
	}
	for i := range max(total, 0) {
		g := gain * ramp(i, fadeIn) * ramp(len(out)/2-1-i, fadeOut)
		for ch := range 2 {
			v := float64(tune[2*(start+i)+ch]) * g
			out[2*i+ch] = float32(min(max(v, -1), 1))
		}
	}
	return out
}

// ramp rises from 0 at n = 0 to 1 at n = length as a quarter of a sine, which
// sounds even.
func ramp(n, length int) float64 {
	if n >= length {
		return 1
	}
	return math.Sin(float64(n) / float64(length) * math.Pi / 2)
}
