package media

import (
	"math"
	"os"
	"os/exec"
	"path/filepath"
	"strconv"
	"testing"

	"billow/core/mix"
)

// made is a sound file that ffmpeg makes of an expression, one channel after the other.
func made(t *testing.T, rate int, layout, expressions string) []float32 {
	t.Helper()
	file := filepath.Join(t.TempDir(), "a.wav")
	out, err := exec.Command("ffmpeg", "-loglevel", "error", "-f", "lavfi", "-i",
		"aevalsrc="+expressions+":s="+strconv.Itoa(rate)+":c="+layout+":d=2", "-c:a", "pcm_f32le", file).CombinedOutput()
	if err != nil {
		t.Fatalf("ffmpeg: %s", out)
	}
	b, err := os.ReadFile(file)
	if err != nil {
		t.Fatal(err)
	}
	pcm, err := DecodeSound(t.Context(), spool(t, b), MaxSeconds)
	if err != nil {
		t.Fatal(err)
	}
	return pcm
}

// part is how much of a tone one channel has, as its amplitude, in the middle second.
func part(pcm []float32, channel int, hertz float64) float64 {
	var re, im, sum float64
	for i := mix.Rate / 2; i < mix.Rate*3/2; i++ {
		// A Blackman-Harris window keeps other tones 92 dB and more away.
		x := 2 * math.Pi * float64(i-mix.Rate/2) / mix.Rate
		w := 0.35875 - 0.48829*math.Cos(x) + 0.14128*math.Cos(2*x) - 0.01168*math.Cos(3*x)
		sin, cos := math.Sincos(2 * math.Pi * hertz * float64(i) / mix.Rate)
		re, im, sum = re+w*cos*float64(pcm[2*i+channel]), im+w*sin*float64(pcm[2*i+channel]), sum+w
	}
	return 2 * math.Hypot(re, im) / sum
}

// TestOtherRatesComeWithoutImages: tones at other sampling rates come as loud as they were,
// and what would mirror them stays 100 dB below.
func TestOtherRatesComeWithoutImages(t *testing.T) {
	for _, c := range []struct {
		rate          int
		hertz, mirror float64
	}{{8000, 3000, 5000}, {22050, 9000, 13050}, {32000, 13000, 19000}, {44100, 19000, 48000 - 25100}, {96000, 7000, 41000 - 24000}} {
		tone := "0.5*sin(2*PI*" + strconv.FormatFloat(c.hertz, 'f', -1, 64) + "*t)"
		pcm := made(t, c.rate, "stereo", tone+"|"+tone)
		if got := 20 * math.Log10(part(pcm, 0, c.hertz)/0.5); math.Abs(got) > 0.05 {
			t.Errorf("%g Hz at %d are changed by %.2f dB", c.hertz, c.rate, got)
		}
		if got := 20 * math.Log10(part(pcm, 0, c.mirror)/0.5); got > -100 {
			t.Errorf("%g Hz at %d are mirrored at %g Hz with %.1f dB", c.hertz, c.rate, c.mirror, got)
		}
	}
	// A tone that the clip's sound cannot hold is gone and not folded down.
	pcm := made(t, 96000, "stereo", "0.5*sin(2*PI*30000*t)|0.5*sin(2*PI*30000*t)")
	if got := 20 * math.Log10(part(pcm, 0, 18000)/0.5); got > -100 {
		t.Errorf("30 kHz are folded to 18 kHz with %.1f dB", got)
	}
}

// TestManyChannelsBecomeTwo as in ITU-R BS.775-3, table 2: the centre and the surrounds come
// 3 dB softer, each on its side; what is low alone is left out. A single channel comes on
// both sides as it is.
func TestManyChannelsBecomeTwo(t *testing.T) {
	const soft = math.Sqrt2 / 2
	// Each channel has a tone of its own, 200, 300, 400 Hz and so on.
	for layout, want := range map[string][][2]float64{
		"mono":   {{1, 1}},
		"stereo": {{1, 0}, {0, 1}},
		"5.1":    {{1, 0}, {0, 1}, {soft, soft}, {0, 0}, {soft, 0}, {0, soft}},
		"7.1":    {{1, 0}, {0, 1}, {soft, soft}, {0, 0}, {soft, 0}, {0, soft}, {soft, 0}, {0, soft}},
	} {
		expressions := ""
		for k := range want {
			if k > 0 {
				expressions += "|"
			}
			expressions += "0.1*sin(2*PI*" + strconv.Itoa(200+100*k) + "*t)"
		}
		pcm := made(t, 48000, layout, expressions)
		for k, sides := range want {
			for side, w := range sides {
				if got := part(pcm, side, float64(200+100*k)) / 0.1; math.Abs(got-w) > 0.01 {
					t.Errorf("channel %d of %s comes with %.3f on side %d, want %.3f", k, layout, got, side, w)
				}
			}
		}
	}
}
