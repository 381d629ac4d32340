package mix

import (
	"math"
	"testing"

	"billow/core/clip"
	"billow/core/timing"
)

// counting is a sound whose level tells which second it is: 0.1 in the first, 0.2 in the next.
func counting(seconds int) func(*clip.Prop) []float32 {
	out := make([]float32, 2*seconds*Rate)
	for i := range out {
		out[i] = 0.1 * float32(1+i/(2*Rate))
	}
	return func(*clip.Prop) []float32 { return out }
}

func near(t *testing.T, out []float32, want map[float64]float64) {
	t.Helper()
	for second, v := range want {
		if got := float64(out[2*int(math.Round(second*Rate))]); math.Abs(got-v) > 2e-3 {
			t.Errorf("at %g s the level is %.4f, want %.4f", second, got, v)
		}
	}
}

// TestPartsAreHeardOneAfterTheOther: the third second, the second one twice, then silence.
func TestPartsAreHeardOneAfterTheOther(t *testing.T) {
	parts := []timing.Part{{From: 2, To: 3}, {From: 1, To: 2}, {From: 1, To: 2}}
	out, _ := Mix(withTune(150, clip.SoundTrack{Trim: 2, Parts: parts}), counting(8))
	near(t, out, map[float64]float64{0.5: 0.3, 0.97: 0.3, 1.001: 0.2, 1.5: 0.2, 2.5: 0.2, 2.97: 0.2, 3.01: 0, 4: 0})
}

// TestAJoinKeepsItsPower: two unlike sounds go over into each other within 15 ms before the join:
// half-way each has the factor √½, so that their power stays.
func TestAJoinKeepsItsPower(t *testing.T) {
	sound := make([]float32, 2*10*Rate)
	for i := range 10 * Rate {
		sound[2*i] = 0.5 // left until the fifth second, then right
		if i >= 5*Rate-join {
			sound[2*i], sound[2*i+1] = 0, 0.5
		}
	}
	parts := []timing.Part{{From: 1, To: 2}, {From: 5, To: 6}}
	out, _ := Mix(withTune(60, clip.SoundTrack{Trim: 1, Parts: parts}), func(*clip.Prop) []float32 { return sound })
	for i := Rate - join; i < Rate+10; i++ {
		l, r := float64(out[2*i]), float64(out[2*i+1])
		if power := math.Sqrt(l*l + r*r); math.Abs(power-0.5) > 0.005 {
			t.Fatalf("%d samples before the join the level is %.4f", Rate-i, power)
		}
	}
	if i := Rate; out[2*i+1] < 0.4999 {
		t.Errorf("what begins at the join is %.4f loud, want 0.5", out[2*i+1])
	}
}

// TestATailDiesAway: after the last part the sound goes on for a second and is a quarter as
// loud half-way (a deep fade falls with the square), and gone at its end.
func TestATailDiesAway(t *testing.T) {
	out, _ := Mix(withTune(120, clip.SoundTrack{Trim: 1, Parts: []timing.Part{{From: 1, To: 2}}, Tail: 1}), level(20, 0.8))
	near(t, out, map[float64]float64{0.9: 0.8, 1.5: 0.2, 1.999: 0, 2.5: 0})
}

// TestFadesHaveShapes: half-way through a fade of a second, each as its closed form says.
func TestFadesHaveShapes(t *testing.T) {
	for shape, want := range map[string]float64{"": math.Sqrt2 / 2, "straight": 0.5, "soft": 0.5, "deep": 0.25} {
		out, _ := Mix(withTune(90, clip.SoundTrack{FadeIn: 30, FadeOut: 30, FadeInShape: shape, FadeOutShape: shape}), level(20, 0.5))
		near(t, out, map[float64]float64{0.5: 0.5 * want, 1.5: 0.5, 2.5: 0.5 * want})
	}
	out, _ := Mix(withTune(90, clip.SoundTrack{FadeIn: 30, FadeInShape: "soft"}), level(20, 0.5))
	near(t, out, map[float64]float64{0.25: 0.25 - math.Sqrt2/8})
}

// TestAFadeEndsWithTheSound: parts that end before the clip fade out where they end.
func TestAFadeEndsWithTheSound(t *testing.T) {
	out, _ := Mix(withTune(150, clip.SoundTrack{Parts: []timing.Part{{From: 0, To: 3}}, FadeOut: 30, FadeOutShape: "straight"}), level(20, 0.8))
	near(t, out, map[float64]float64{1.9: 0.8, 2.5: 0.4, 3.2: 0})
}

func TestOneSoundIsHeardAlone(t *testing.T) {
	c := withTune(60, clip.SoundTrack{})
	c.Sounds = append(c.Sounds, clip.SoundTrack{ID: "bell", Prop: "tune", Gain: -6.0206, Solo: true, Ducks: 12})
	out, _ := Mix(c, level(20, 0.5))
	near(t, out, map[float64]float64{1: 0.25})
	c.Sounds[1].Muted = true // what is muted is not what one wants to hear alone
	out, _ = Mix(c, level(20, 0.5))
	near(t, out, map[float64]float64{1: 0.5})
}

// TestStemsAddUpToTheMix: a tune that ducks under a bell that is panned: sample by sample, without a target.
func TestStemsAddUpToTheMix(t *testing.T) {
	c := withTune(90, clip.SoundTrack{FadeOut: 20, Gain: -12})
	c.Sounds = append(c.Sounds, clip.SoundTrack{ID: "bell", Prop: "tune", At: timing.At(30), Length: 20, Gain: -18, Pan: 40, Ducks: 6})
	source := level(20, 0.3)
	mixed, _ := Mix(c, source)
	stems := Stems(c, source)
	if len(stems) != 2 {
		t.Fatalf("there are %d stems", len(stems))
	}
	for i, v := range mixed {
		if sum := stems[0].Samples[i] + stems[1].Samples[i]; math.Abs(float64(sum-v)) > 1e-6 {
			t.Fatalf("sample %d is %g, the stems add up to %g", i, v, sum)
		}
	}
}
