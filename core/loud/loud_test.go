package loud

import (
	"math"
	"math/rand"
	"testing"
)

// A part is a tone of a level, in decibels of full scale, that lasts so many seconds.
type part struct{ level, seconds float64 }

// tone is parts one after the other at 1 kHz in both channels, without a break.
func tone(parts ...part) (out []float32) {
	n := 0
	for _, p := range parts {
		for range int(math.Round(p.seconds * Rate)) {
			v := float32(math.Pow(10, p.level/20) * math.Sin(2*math.Pi*1000*float64(n)/Rate))
			out = append(out, v, v)
			n++
		}
	}
	return out
}

func again(n int, parts ...part) (out []part) {
	for range n {
		out = append(out, parts...)
	}
	return out
}

func read(stereo []float32) *Meter {
	m := NewMeter()
	for len(stereo) > 0 { // in pieces of odd lengths, as it comes
		n := min(len(stereo), 2*7919)
		m.Add(stereo[:n])
		stereo = stereo[n:]
	}
	return m
}

// TestLoudnessIsThatOfTheStandard has the cases for two channels of EBU Tech 3341 (2016),
// table 1, each to 0.1 LU.
func TestLoudnessIsThatOfTheStandard(t *testing.T) {
	for name, c := range map[string]struct {
		parts []part
		want  float64
	}{
		"1": {[]part{{-23, 20}}, -23},
		"2": {[]part{{-33, 20}}, -33},
		"3": {[]part{{-36, 10}, {-23, 60}, {-36, 10}}, -23},
		"4": {[]part{{-72, 10}, {-36, 10}, {-23, 60}, {-36, 10}, {-72, 10}}, -23},
		"5": {[]part{{-26, 20}, {-20, 20.1}, {-26, 20}}, -23},
	} {
		if got := read(tone(c.parts...)).Integrated(); math.Abs(got-c.want) > 0.1 {
			t.Errorf("case %s: %.2f LUFS, want %.2f", name, got, c.want)
		}
	}
	// Cases 9 and 12: readings that stay at -23 while what is read changes within them.
	for _, v := range read(tone(again(5, part{-20, 1.34}, part{-30, 1.66})...)).ShortTerm() {
		if math.Abs(v+23) > 0.1 {
			t.Fatalf("a short-term reading is %.2f LUFS, want -23", v)
		}
	}
	for _, v := range read(tone(again(25, part{-20, 0.18}, part{-30, 0.22})...)).Momentary()[7:] {
		if math.Abs(v+23) > 0.1 {
			t.Fatalf("a momentary reading is %.2f LUFS, want -23", v)
		}
	}
	if got := read(make([]float32, 4*Rate)).Integrated(); !math.IsInf(got, -1) {
		t.Errorf("silence is %v LUFS loud", got)
	}
	if got := NewMeter().Integrated(); !math.IsInf(got, -1) {
		t.Errorf("nothing is %v LUFS loud", got)
	}
}

// TestLoudnessRangeIsThatOfTheStandard has the synthetic cases of EBU Tech 3342 (2016),
// table 1, each to 1 LU.
func TestLoudnessRangeIsThatOfTheStandard(t *testing.T) {
	for name, c := range map[string]struct {
		parts []part
		want  float64
	}{
		"1": {[]part{{-20, 20}, {-30, 20}}, 10},
		"2": {[]part{{-20, 20}, {-15, 20}}, 5},
		"3": {[]part{{-40, 20}, {-20, 20}}, 20},
		"4": {[]part{{-50, 20}, {-35, 20}, {-20, 20}, {-35, 20}, {-50, 20}}, 15},
	} {
		if got := read(tone(c.parts...)).Range(); math.Abs(got-c.want) > 1 {
			t.Errorf("case %s: %.2f LU, want %.2f", name, got, c.want)
		}
	}
}

// wave is a tone with a phase, in degrees, at a share of the sampling rate; it comes and
// goes slowly, so that its ends have no peaks of their own.
func wave(share, phase, amplitude float64) (out []float32) {
	const n = Rate
	for i := range n {
		e := min(1, float64(i)/4800, float64(n-1-i)/4800)
		v := float32(amplitude * e * math.Sin(2*math.Pi*share*float64(i)+phase*math.Pi/180))
		out = append(out, v, v)
	}
	return out
}

// TestTruePeaksAreThoseOfTheStandard has cases 15 to 19 of EBU Tech 3341, each from 0.4
// dB below to 0.2 dB above.
func TestTruePeaksAreThoseOfTheStandard(t *testing.T) {
	for name, c := range map[string]struct{ share, phase, amplitude, want float64 }{
		"15": {1.0 / 4, 0, 0.5, -6},
		"16": {1.0 / 4, 45, 0.5, -6},
		"17": {1.0 / 6, 60, 0.5, -6},
		"18": {1.0 / 8, 67.5, 0.5, -6},
		"19": {1.0 / 4, 45, 1.41, 3},
	} {
		if got := TruePeak(wave(c.share, c.phase, c.amplitude)); got < c.want-0.4 || got > c.want+0.2 {
			t.Errorf("case %s: %.2f dB, want %.1f", name, got, c.want)
		}
	}
	if got := TruePeak(make([]float32, 100)); !math.IsInf(got, -1) {
		t.Errorf("the peak of silence is %v", got)
	}
}

// TestPeaksAreLimitedWithoutHarm pushes noise, tones and clicks far over the ceiling.
func TestPeaksAreLimitedWithoutHarm(t *testing.T) {
	rng := rand.New(rand.NewSource(3))
	noise := make([]float32, 2*Rate)
	clicks := make([]float32, 2*Rate)
	for i := range noise {
		noise[i] = float32(0.5 * rng.NormFloat64())
		if rng.Intn(4000) == 0 {
			clicks[i] = float32(4 * (rng.Float64() - 0.5))
		}
	}
	for name, sound := range map[string][]float32{
		"a tone": wave(1.0/4, 45, 1.9), "noise": noise, "clicks": clicks, "a low tone": wave(50.0/Rate, 0, 3),
	} {
		was := append([]float32(nil), sound...)
		taken, _ := NewLimiter(sound).Limit(sound, 0, -1)
		if got := TruePeak(sound); got > -0.995 || got < -2 {
			t.Errorf("%s reaches %.2f dB, want just below -1", name, got)
		}
		if want := TruePeak(was) + 1; math.Abs(taken-want) > 0.06 {
			t.Errorf("of %s %.2f dB were taken at most, want %.2f", name, taken, want)
		}
		// The gain changes by little from sample to sample: nothing is cut.
		last := 1.0
		for i, v := range was {
			if math.Abs(float64(v)) < 0.05 {
				continue
			}
			g := float64(sound[i]) / float64(v)
			if g > 1.0001 || g < 0 {
				t.Fatalf("sample %d of %s is multiplied by %v", i, name, g)
			}
			if i > 0 && math.Abs(float64(was[i-1])) >= 0.05 && math.Abs(g-last) > 0.03 {
				t.Fatalf("the gain of %s jumps from %.3f to %.3f", name, last, g)
			}
			last = g
		}
	}
	soft := wave(0.01, 0, 0.8)
	was := append([]float32(nil), soft...)
	if taken, _ := NewLimiter(soft).Limit(soft, 0, -1); taken != 0 {
		t.Errorf("%.2f dB were taken of what stays below the ceiling", taken)
	}
	for i := range soft {
		if soft[i] != was[i] {
			t.Fatal("what stays below the ceiling was changed")
		}
	}
}

// TestALimitedToneComesBackEvenly: after one loud moment a tone is as loud as before again
// within half a second, without a step.
func TestALimitedToneComesBackEvenly(t *testing.T) {
	sound := tone(part{-6, 1}, part{6, 0.02}, part{-6, 2})
	NewLimiter(sound).Limit(sound, 0, -1)
	level := func(at float64) float64 {
		most := float32(0)
		for i := int(at * Rate); i < int((at+0.005)*Rate); i++ {
			most = max(most, sound[2*i])
		}
		return 20 * math.Log10(float64(most))
	}
	if got := level(0.97); math.Abs(got+6) > 0.05 {
		t.Errorf("30 ms before, it is at %.2f dB, want -6", got)
	}
	if got := level(1.6); math.Abs(got+6) > 0.1 {
		t.Errorf("0.6 s after, it is at %.2f dB, want -6", got)
	}
	last := level(1.03)
	for at := 1.035; at < 1.6; at += 0.005 {
		now := level(at)
		if now < last-0.05 || now > last+0.4 {
			t.Fatalf("%.0f ms after, it goes from %.2f to %.2f dB", 1000*(at-1), last, now)
		}
		last = now
	}
}

func BenchmarkLimitAMinute(b *testing.B) {
	rng := rand.New(rand.NewSource(1))
	sound := make([]float32, 2*60*Rate)
	for i := range sound {
		sound[i] = float32(0.3 * rng.NormFloat64())
	}
	work := make([]float32, len(sound))
	for b.Loop() {
		copy(work, sound)
		NewLimiter(work).Limit(work, 0, -1)
	}
	b.ReportMetric(60*float64(b.N)/b.Elapsed().Seconds(), "x-real-time")
}

func BenchmarkReadAMinute(b *testing.B) {
	sound := tone(part{-20, 60})
	for b.Loop() {
		m := NewMeter()
		m.Add(sound)
		m.Integrated()
	}
	b.ReportMetric(60*float64(b.N)/b.Elapsed().Seconds(), "x-real-time")
}

// What the limiter takes off the whole is known beforehand to about a tenth of a decibel.
func TestWhatALimiterTakesIsKnownBefore(t *testing.T) {
	rng := rand.New(rand.NewSource(3))
	in := make([]float32, 2*10*Rate)
	for i := range in {
		swing := 0.5 + 0.5*math.Sin(float64(i)/40000) // loud and soft by turns
		in[i] = float32(0.15 * swing * rng.NormFloat64())
	}
	l, out := NewLimiter(in), make([]float32, len(in))
	for _, gain := range []float64{0, 6, 9, 12} {
		whole, most := l.Softer(gain, -1)
		taken, _ := l.Limit(out, gain, -1)
		var was, is float64
		for i, v := range in {
			was += float64(v) * float64(v)
			is += float64(out[i]) * float64(out[i])
		}
		lost := gain - 10*math.Log10(is/was)
		if math.Abs(whole-lost) > 0.12 || math.Abs(most-taken) > 0.5 {
			t.Errorf("at %g dB it loses %.2f dB and %.2f at most; %.2f and %.2f were said", gain, lost, taken, whole, most)
		}
	}
}
