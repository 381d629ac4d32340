package media

import (
	"bytes"
	"fmt"
	"math"
	"math/rand"
	"os"
	"os/exec"
	"path/filepath"
	"regexp"
	"strconv"
	"testing"

	"billow/core/loud"
)

// signals are twenty sounds of several kinds: tones, noise, bursts, clicks, music-like
// and nearly silent ones, of one or both channels.
func signals() (out [][]float32) {
	rng := rand.New(rand.NewSource(7))
	for k := range 20 {
		seconds := 4 + rng.Intn(9)
		f, level, pan := 30*math.Pow(2, 9*rng.Float64()), math.Pow(10, -(3+30*rng.Float64())/20), rng.Float64()
		pulse := 0.3 + rng.Float64()
		s := make([]float32, 2*seconds*loud.Rate)
		for i := 0; i < len(s); i += 2 {
			t := float64(i/2) / loud.Rate
			v := 0.0
			switch k % 5 {
			case 0:
				v = math.Sin(2 * math.Pi * f * t)
			case 1:
				v = 0.3 * rng.NormFloat64()
			case 2:
				v = 0.5 * rng.NormFloat64() * math.Exp(-12*math.Mod(t, pulse))
			case 3:
				for n := 1.0; n < 7; n++ {
					v += 0.4 / n * math.Sin(2*math.Pi*110*n*(1+0.5*math.Floor(2*t))*t)
				}
			case 4:
				if v = math.Sin(2*math.Pi*11025.7*t + 1); math.Mod(t, 3) > 2 {
					v = 0
				}
			}
			// What is cut off has peaks of its own, of which ffmpeg does not read the last.
			v = min(max(v*level, -1), 1) * min(1, t/0.05, (float64(seconds)-t)/0.05)
			s[i], s[i+1] = float32(v*math.Cos(pan)), float32(v*math.Sin(pan))
		}
		out = append(out, s)
	}
	return out
}

// TestLoudnessAgreesWithFFmpeg reads signals with its filter ebur128: loudness to 0.1 LU,
// range to 0.2 LU and true peaks to 0.2 dB; it prints tenths.
func TestLoudnessAgreesWithFFmpeg(t *testing.T) {
	number := func(text []byte, name string) float64 {
		m := regexp.MustCompile(name+`:\s+(-?[0-9.]+|-?inf)`).FindAllSubmatch(text, -1)
		if m == nil {
			t.Fatalf("ffmpeg says nothing of %s", name)
		}
		v, _ := strconv.ParseFloat(string(m[len(m)-1][1]), 64)
		return v
	}
	dir := t.TempDir()
	for k, s := range signals() {
		file := filepath.Join(dir, fmt.Sprint(k))
		var raw bytes.Buffer
		for _, v := range s {
			b := math.Float32bits(v)
			raw.Write([]byte{byte(b), byte(b >> 8), byte(b >> 16), byte(b >> 24)})
		}
		if err := os.WriteFile(file, raw.Bytes(), 0o600); err != nil {
			t.Fatal(err)
		}
		said, err := exec.Command("ffmpeg", "-hide_banner", "-nostats", "-f", "f32le", "-ar", "48000", "-ac", "2", "-i", file,
			"-af", "ebur128=peak=true", "-f", "null", "-").CombinedOutput()
		if err != nil {
			t.Fatalf("ffmpeg: %v\n%s", err, said)
		}
		m := loud.NewMeter()
		m.Add(s)
		for _, c := range []struct {
			name      string
			got, near float64
		}{{"I", m.Integrated(), 0.1}, {"LRA", m.Range(), 0.2}, {"Peak", loud.TruePeak(s), 0.2}} {
			want := number(said, c.name)
			if math.Abs(c.got-want) > c.near+0.05 {
				t.Errorf("signal %d: %s is %.2f, ffmpeg says %.1f", k, c.name, c.got, want)
			}
		}
	}
}
