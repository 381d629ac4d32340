package beat

import (
	"math"
	"math/rand"
	"runtime"
	"runtime/debug"
	"testing"
)

// clicks is a tune of short noise bursts at the given times, louder and with
// a bass drum on every fourth.
func clicks(times []float64, seconds float64) []float32 {
	rng := rand.New(rand.NewSource(1))
	out := make([]float32, int(seconds*Rate))
	for n, at := range times {
		for i := range Rate / 10 {
			k := int(at*Rate) + i
			if k >= len(out) {
				break
			}
			t := float64(i) / Rate
			v := 0.3 * (rng.Float64()*2 - 1) * math.Exp(-t*60)
			if n%4 == 0 {
				v += 0.6 * math.Sin(2*math.Pi*60*t) * math.Exp(-t*15)
			}
			out[k] += float32(v)
		}
	}
	return out
}

func grid(bpm, first, seconds float64) (t []float64) {
	for at := first; at < seconds-0.2; at += 60 / bpm {
		t = append(t, at)
	}
	return t
}

func TestFindsTheBeatsOfEvenClicks(t *testing.T) {
	for _, bpm := range []float64{72, 92, 110, 128, 150} {
		want := grid(bpm, 0.37, 30)
		s := Find(clicks(want, 30))
		if !s.Steady {
			t.Errorf("%g BPM: no beat was found", bpm)
			continue
		}
		if math.Abs(s.Tempo.BPM-bpm) > 0.3 {
			t.Errorf("%g BPM: found %g", bpm, s.Tempo.BPM)
		}
		worst, mean := 0.0, 0.0
		for _, w := range want {
			near := math.Inf(1)
			for _, b := range s.Tempo.Beats {
				if math.Abs(b-w) < math.Abs(near) {
					near = b - w
				}
			}
			worst = max(worst, math.Abs(near))
			mean += near / float64(len(want))
		}
		if worst > 0.015 {
			t.Errorf("%g BPM: a beat lies %.0f ms from where it sounds (mean %.1f ms)", bpm, worst*1000, mean*1000)
		}
		first := s.Tempo.Seconds(0)
		bar := 4 * 60 / bpm
		if off := math.Remainder(first-0.37, bar); math.Abs(off) > 0.03 {
			t.Errorf("%g BPM: the downbeat lies %.0f ms off", bpm, off*1000)
		}
	}
}

func TestSilenceAndNoiseHaveNoBeat(t *testing.T) {
	if s := Find(make([]float32, 10*Rate)); s.Steady || len(s.Hits) > 0 {
		t.Errorf("silence has a beat or hits: %v, %d", s.Steady, len(s.Hits))
	}
	rng := rand.New(rand.NewSource(2))
	noise := make([]float32, 20*Rate)
	for i := range noise {
		noise[i] = float32(rng.NormFloat64() * 0.1)
	}
	if s := Find(noise); s.Steady {
		t.Errorf("noise has a beat of %g", s.Tempo.BPM)
	}
	if s := Find(noise[:Rate]); s.Steady {
		t.Error("one second has a beat")
	}
	if s := Find(nil); s.Steady || s.Seconds != 0 {
		t.Error("nothing has a beat")
	}
}

func TestHitsStandWhereTheySound(t *testing.T) {
	want := []float64{1.0, 2.37, 3.9, 7.25}
	s := Find(clicks(want, 9))
	if len(s.Hits) != len(want) {
		t.Fatalf("found %d hits, want %d: %v", len(s.Hits), len(want), s.Hits)
	}
	for i, h := range s.Hits {
		if math.Abs(h.At-want[i]) > 0.015 {
			t.Errorf("hit %d lies at %.3f, want %.3f", i, h.At, want[i])
		}
	}
}

// TestWhateverIsHeardCanBeUsed: of short, odd and broken sounds something sensible is said,
// and what has a beat has a map that a clip may have.
func TestWhateverIsHeardCanBeUsed(t *testing.T) {
	rng := rand.New(rand.NewSource(4))
	for n := range 60 {
		mono := make([]float32, rng.Intn(9*Rate))
		gap := Rate/8 + rng.Intn(Rate)
		for i := range mono {
			switch n % 5 {
			case 0:
				mono[i] = float32(rng.NormFloat64())
			case 1:
				mono[i] = float32(math.Exp(-float64(i%gap)/400) * rng.NormFloat64())
			case 2:
				if i%gap == 0 {
					mono[i] = 1
				}
			case 3:
				mono[i] = float32(math.Copysign(1, math.Sin(float64(i)/40)))
			case 4:
				mono[i] = float32(1e-6 * rng.NormFloat64())
			}
		}
		s := Find(mono)
		for _, m := range append(s.Others, s.Tempo) {
			if err := m.Check(); err != nil {
				t.Errorf("sound %d of %d samples: %v", n, len(mono), err)
			}
		}
		for _, h := range s.Hits {
			if !(h.At >= 0 && h.At <= s.Seconds+0.1 && h.Strength > 0 && h.Strength <= 1) {
				t.Errorf("sound %d has a hit %+v", n, h)
			}
		}
	}
}

func BenchmarkFindAMinute(b *testing.B) {
	tune := clicks(grid(120, 0.2, 60), 60)
	for b.Loop() {
		Find(tune)
	}
	b.ReportMetric(60*float64(b.N)/b.Elapsed().Seconds(), "x-real-time")
}

// BenchmarkFindTenMinutes tells what memory it takes besides the sound.
func BenchmarkFindTenMinutes(b *testing.B) {
	tune := clicks(grid(120, 0.2, 600), 600)
	var before, after runtime.MemStats
	runtime.GC()
	debug.FreeOSMemory()
	runtime.ReadMemStats(&before)
	for b.Loop() {
		Find(tune)
	}
	runtime.ReadMemStats(&after)
	b.ReportMetric(600*float64(b.N)/b.Elapsed().Seconds(), "x-real-time")
	b.ReportMetric(float64(after.HeapSys-before.HeapInuse)/(1<<20), "MB")
}
