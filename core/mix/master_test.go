package mix

import (
	"math"
	"math/rand"
	"testing"

	"billow/core/clip"
	"billow/core/loud"
)

// music is bursts of noise twice a second over a soft tone, whose peaks lie far above its
// loudness.
func music(seconds float64, gain float64) []float32 {
	rng := rand.New(rand.NewSource(5))
	out := make([]float32, 2*int(seconds*Rate))
	for i := 0; i < len(out); i += 2 {
		t := float64(i/2) / Rate
		v := 0.15*math.Sin(2*math.Pi*330*t) + 0.2*rng.NormFloat64()*math.Exp(-math.Mod(t, 0.5)*8)
		out[i], out[i+1] = float32(gain*v), float32(gain*0.8*v)
	}
	return out
}

func TestAClipIsAsLoudAsItShouldBe(t *testing.T) {
	for _, target := range []float64{-14, -16, -23} {
		for _, gain := range []float64{0.02, 0.3, 1.5} {
			sound := music(8, gain)
			got := Master(sound, target)
			if math.Abs(got.Loudness-target) > 0.1 {
				t.Errorf("%g LUFS from a gain of %g: %.2f", target, gain, got.Loudness)
			}
			if peak := loud.TruePeak(sound); peak > -0.95 {
				t.Errorf("%g LUFS from a gain of %g: its peaks reach %.2f dB", target, gain, peak)
			}
		}
	}
}

func TestASoundIsLeftAsItIs(t *testing.T) {
	sound := music(4, 0.1)
	was := append([]float32(nil), sound...)
	Master(sound, 0)
	for i := range was {
		if sound[i] != was[i] {
			t.Fatal("a sound below the ceiling was changed")
		}
	}
	// Six decibels too much are held below the ceiling, though the loudness is left alone.
	c := withTune(90, clip.SoundTrack{Gain: 12})
	out, reading := Mix(c, func(*clip.Prop) []float32 { return music(20, 1) })
	if peak := loud.TruePeak(out); peak > -0.95 || reading.Taken < 6 {
		t.Errorf("peaks reach %.2f dB, taken were %.2f", peak, reading.Taken)
	}
	// What bears no such loudness is not crushed to reach it.
	click := make([]float32, 2*4*Rate)
	click[2*Rate] = 0.5
	if got := Master(click, -9); got.Taken > 40 || math.IsNaN(got.Loudness) {
		t.Errorf("of a click %.1f dB were taken, it is at %.1f LUFS", got.Taken, got.Loudness)
	}
	if got := Master(make([]float32, 2*Rate), -14); !math.IsInf(got.Loudness, -1) || got.Taken != 0 {
		t.Errorf("silence is at %v LUFS", got.Loudness)
	}
}

func BenchmarkMixTenTracks(b *testing.B) {
	c := withTune(60*30, clip.SoundTrack{})
	for i := range 9 {
		t := c.Sounds[0]
		t.ID, t.Gain = string(rune('a'+i)), -20
		c.Sounds = append(c.Sounds, t)
	}
	c.Loudness = -14
	sound := music(62, 0.3)
	for b.Loop() {
		Mix(c, func(*clip.Prop) []float32 { return sound })
	}
	b.ReportMetric(60*float64(b.N)/b.Elapsed().Seconds(), "x-real-time")
}
