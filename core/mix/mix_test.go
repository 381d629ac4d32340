package mix

import (
	"math"
	"testing"

	"billow/core/clip"
	"billow/core/motion"
	"billow/core/timing"
)

func withTune(frames int, tune clip.SoundTrack) *clip.Clip {
	tall, _ := clip.StandardShape("tall")
	c := clip.New("x", tall, 30, frames)
	c.Loudness = 0
	c.Props = []clip.Prop{{ID: "tune", Kind: clip.KindTune, Sound: &clip.Sound{Seconds: 20}}}
	tune.Prop = "tune"
	c.SetTune(&tune)
	return c
}

// level is a tune at a constant level, which shows gains directly.
func level(seconds float64, v float32) func(*clip.Prop) []float32 {
	out := make([]float32, 2*int(seconds*Rate))
	for i := range out {
		out[i] = v
	}
	return func(*clip.Prop) []float32 { return out }
}

func TestTheSoundLastsExactlyAsLongAsTheClip(t *testing.T) {
	for frames, want := range map[int]int{30: 48000, 1: 1600, 361: 577600} {
		if got, _ := Mix(withTune(frames, clip.SoundTrack{}), level(20, 0.5)); len(got) != 2*want {
			t.Errorf("%d frames give %d samples, want %d", frames, len(got)/2, want)
		}
	}
}

func TestGainAndFades(t *testing.T) {
	out, _ := Mix(withTune(90, clip.SoundTrack{Gain: -6.0206, FadeIn: 30, FadeOut: 30}), level(20, 0.5))
	at := func(seconds float64) float64 { return float64(out[2*int(seconds*Rate)]) }
	// -6.02 dB is a half; the fades are quarters of a sine.
	for seconds, want := range map[float64]float64{0: 0, 0.5: 0.25 * math.Sqrt2 / 2, 1.5: 0.25, 2.5: 0.25 * math.Sqrt2 / 2} {
		if math.Abs(at(seconds)-want) > 1e-3 {
			t.Errorf("at %g s the level is %.4f, want %.4f", seconds, at(seconds), want)
		}
	}
	if last := out[len(out)-1]; last != 0 {
		t.Errorf("the last sample is %g", last)
	}
}

func TestATuneThatIsTooShortEndsInSilence(t *testing.T) {
	out, _ := Mix(withTune(90, clip.SoundTrack{}), level(1, 0.5))
	if out[2*Rate/2] != 0.5 || out[2*Rate*2] != 0 {
		t.Errorf("at 0.5 s %g, at 2 s %g", out[Rate], out[4*Rate])
	}
	if out, _ := Mix(withTune(90, clip.SoundTrack{Trim: 5}), level(1, 0.5)); out[0] != 0 {
		t.Error("a tune that is over already sounds")
	}
}

func TestTracksSoundTogether(t *testing.T) {
	c := withTune(90, clip.SoundTrack{})
	c.Props = append(c.Props, clip.Prop{ID: "horn", Kind: clip.KindTune, Sound: &clip.Sound{Seconds: 20}})
	// From the second second on, for half a second: frames 30 to 45.
	c.Sounds = append(c.Sounds, clip.SoundTrack{ID: "horn", Prop: "horn", At: timing.OnBeat(2), Trim: 1, Length: 15, Gain: -6.0206})
	horn := level(20, 0.5)(nil)
	for i := range 2 * Rate { // its first second is silent
		horn[i] = 0
	}
	out, _ := Mix(c, func(p *clip.Prop) []float32 {
		if p.ID == "horn" {
			return horn
		}
		return level(20, 0.25)(nil)
	})
	for second, want := range map[float64]float32{0.5: 0.25, 0.99: 0.25, 1.25: 0.5, 1.51: 0.25, 2.5: 0.25} {
		if got := out[2*int(second*Rate)]; math.Abs(float64(got-want)) > 1e-4 {
			t.Errorf("at %g s the level is %g, want %g", second, got, want)
		}
	}
	// Cuts through a sound do not click: half-way through 5 ms it is at sin 45°.
	if got, want := out[2*(Rate+guard/2)], 0.25+0.25*math.Sqrt2/2; math.Abs(float64(got)-want) > 1e-3 {
		t.Errorf("2.5 ms after its beginning the level is %g, want %g", got, want)
	}
}

func TestTheGainHasKeys(t *testing.T) {
	key := func(frame int, gain float64) motion.Key {
		return motion.Key{At: timing.At(frame), Value: []float64{gain}, Ease: motion.Ease{Kind: motion.Linear}}
	}
	c := withTune(90, clip.SoundTrack{Gain: 6.0206, Keys: motion.Track{key(30, 0), key(60, -20)}})
	out, _ := Mix(c, level(20, 0.25))
	// Decibels are even: -10 dB half-way, a factor of 0.3162.
	for second, want := range map[float64]float64{0.5: 0.5, 1: 0.5, 1.5: 0.5 * 0.31623, 2.5: 0.05} {
		if got := float64(out[2*int(second*Rate)]); math.Abs(got-want) > 1e-4 {
			t.Errorf("at %g s the level is %g, want %g", second, got, want)
		}
	}
}
