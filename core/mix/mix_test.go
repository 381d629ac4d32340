package mix

import (
	"math"
	"testing"

	"billow/core/clip"
)

func withTune(frames int, tune clip.Tune) *clip.Clip {
	tall, _ := clip.StandardShape("tall")
	c := clip.New("x", tall, 30, frames)
	c.Tune = &tune
	return c
}

// level is a tune at a constant level, which shows gains directly.
func level(seconds float64, v float32) []float32 {
	out := make([]float32, 2*int(seconds*Rate))
	for i := range out {
		out[i] = v
	}
	return out
}

func TestTheSoundLastsExactlyAsLongAsTheClip(t *testing.T) {
	for frames, want := range map[int]int{30: 48000, 1: 1600, 361: 577600} {
		if got := len(Mix(withTune(frames, clip.Tune{}), level(20, 0.5))); got != 2*want {
			t.Errorf("%d frames give %d samples, want %d", frames, got/2, want)
		}
	}
}

func TestGainAndFades(t *testing.T) {
	out := Mix(withTune(90, clip.Tune{Gain: -6.0206, FadeIn: 30, FadeOut: 30}), level(20, 0.5))
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
	out := Mix(withTune(90, clip.Tune{}), level(1, 0.5))
	if out[2*Rate/2] != 0.5 || out[2*Rate*2] != 0 {
		t.Errorf("at 0.5 s %g, at 2 s %g", out[Rate], out[4*Rate])
	}
	if out := Mix(withTune(90, clip.Tune{Start: 5}), level(1, 0.5)); out[0] != 0 {
		t.Error("a tune that is over already sounds")
	}
}

func TestTooLoudIsHeldAtFullScale(t *testing.T) {
	for _, v := range Mix(withTune(30, clip.Tune{Gain: 12}), level(20, -0.9)) {
		if v < -1 || v > 1 {
			t.Fatalf("a sample is %g", v)
		}
	}
}
