package mix

import (
	"math"
	"testing"

	"billow/core/clip"
	"billow/core/timing"
)

// withVoice is a clip of four seconds whose tune ducks by so many decibels under a voice
// that is heard from the second 1.5 to 2.5.
func withVoice(ducks, speed float64) (*clip.Clip, func(*clip.Prop) []float32) {
	c := withTune(120, clip.SoundTrack{})
	c.Props = append(c.Props, clip.Prop{ID: "voice", Kind: clip.KindTune, Sound: &clip.Sound{Seconds: 2}})
	c.Sounds = append(c.Sounds, clip.SoundTrack{ID: "voice", Prop: "voice", At: timing.At(30), Ducks: ducks, Duck: speed})
	voice := make([]float32, 2*2*Rate) // silent for half a second, then a tone in the right channel, then silent
	for i := Rate / 2; i < Rate*3/2; i++ {
		voice[2*i+1] = float32(0.1 * math.Sin(2*math.Pi*500*float64(i)/Rate))
	}
	tune := level(20, 0.25)(nil)
	return c, func(p *clip.Prop) []float32 {
		if p.ID == "voice" {
			return voice
		}
		return tune
	}
}

func TestAVoiceDucksTheTune(t *testing.T) {
	c, source := withVoice(12.0412, 0.2) // to a quarter
	out, _ := Mix(c, source)
	left := func(second float64) float64 { return float64(out[2*int(math.Round(second*Rate))]) }
	for second, want := range map[float64]float64{
		0.2: 0.25, 1.2: 0.25, // long before, and while the voice's sound is still silent
		1.5: 0.0625, 2: 0.0625, 2.45: 0.0625, // it is down when the voice begins, and all along
		2.8: 0.25, 3.8: 0.25,
	} {
		if math.Abs(left(second)-want) > 0.002 {
			t.Errorf("at %g s the tune is at %.4f, want %.4f", second, left(second), want)
		}
	}
	// Half of the decibels half-way, without a step.
	if got := left(1.4); math.Abs(got-0.125) > 0.008 {
		t.Errorf("a tenth of a second before the voice the tune is at %.4f, want 0.125", got)
	}
	for s := 1.2; s < 3; s += 0.001 {
		if d := math.Abs(left(s+0.001) - left(s)); d > 0.004 {
			t.Fatalf("at %.3f s the tune jumps by %.4f", s, d)
		}
	}
	// One that is muted ducks nothing and is not heard.
	c.Sounds[1].Muted = true
	out, _ = Mix(c, source)
	for i := range out {
		if i > 2*Rate/4 && i < len(out)-2*Rate/4 && math.Abs(float64(out[i])-0.25) > 1e-6 {
			t.Fatalf("beside a muted voice sample %d is %v", i, out[i])
		}
	}
}

func TestASoundIsPanned(t *testing.T) {
	for pan, want := range map[float64][2]float64{0: {0.5, 0.5}, 100: {0, 0.5}, -100: {0.5, 0}, 50: {0.5 * math.Sqrt2 / 2, 0.5}} {
		for _, keyed := range []bool{false, true} {
			c := withTune(90, clip.SoundTrack{Pan: pan})
			if keyed {
				c.Sounds[0].FadeIn = 60
			}
			out, _ := Mix(c, level(20, 0.5))
			for side, w := range want {
				if got := float64(out[2*int(2.5*Rate)+side]); math.Abs(got-w) > 1e-4 {
					t.Errorf("at %g it is %.4f on side %d, want %.4f", pan, got, side, w)
				}
			}
		}
	}
}
