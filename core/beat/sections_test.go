package beat_test

import (
	"fmt"
	"math"
	"math/rand"
	"slices"
	"strings"
	"testing"

	"billow/cmd/hear/corpus"
	"billow/core/beat"
	"billow/core/clip"
)

// kindAt is the kind of the section that sounds at a time.
func kindAt[S any](all []S, at float64, of func(S) (float64, string)) string {
	kind := ""
	for _, s := range all {
		if from, k := of(s); from <= at+1e-3 {
			kind = k
		}
	}
	return kind
}

// TestTunesHaveSections plays arranged tunes whose sections are known: what is called what,
// second by second, and whether borders stand on the very bars.
func TestTunesHaveSections(t *testing.T) {
	var table strings.Builder
	right, of, met, borders, found := 0.0, 0.0, 0.0, 0.0, 0.0
	for _, make := range slices.Concat(corpus.Arranged(2, false, 3), corpus.Arranged(1, true, 4)) {
		tune := make()
		s := beat.Find(tune.Mono)
		if !s.Steady {
			t.Errorf("%s has no beat", tune.Name)
			continue
		}
		said := ""
		for _, p := range s.Sections {
			said += fmt.Sprintf(" %.1f %s", p.At, p.Kind)
		}
		ok, n := 0.0, 0.0
		for at := 0.5; at < s.Seconds-1; at += 0.25 {
			n++
			is := kindAt(s.Sections, at, func(p clip.Section) (float64, string) { return p.At, p.Kind })
			if is == kindAt(tune.Parts, at, func(p corpus.Part) (float64, string) { return p.At, p.Kind }) {
				ok++
			}
		}
		hits := 0.0
		for _, p := range tune.Parts[1:] {
			if slices.ContainsFunc(s.Sections, func(s clip.Section) bool { return math.Abs(s.At-p.At) < 0.1 }) {
				hits++
			}
		}
		right, of, met, borders, found = right+ok, of+n, met+hits, borders+float64(len(tune.Parts)-1), found+float64(len(s.Sections)-1)
		fmt.Fprintf(&table, "%.2f  %.0f of %d borders  %s:%s\n", ok/n, hits, len(tune.Parts)-1, tune.Name, said)
		for _, p := range s.Sections[1:] {
			if bar := s.Tempo.BarAt(s.Tempo.Beat(p.At)); math.Abs(bar-math.Round(bar)) > 0.01 {
				t.Errorf("%s: a section begins in bar %.2f", tune.Name, bar)
			}
		}
	}
	t.Logf("\n%s\n%.3f of the time is called right, %.0f of %.0f borders are found, with %.0f said", table.String(), right/of, met, borders, found)
	if right/of < 0.85 || met/borders < 0.8 || met/found < 0.75 {
		t.Error("sections are not told as they are")
	}
}

// TestARiseIsOneHit: noise that swells by 30 decibels within two seconds, from the third on,
// upon a beat, is one rise with its length, and no rise without it.
func TestARiseIsOneHit(t *testing.T) {
	for _, swells := range []bool{true, false} {
		rng := rand.New(rand.NewSource(1))
		mono := make([]float32, 8*beat.Rate)
		for i := range mono {
			at := float64(i) / beat.Rate
			level := 0.003
			if swells && at >= 3 && at < 5 {
				level = 0.003 * math.Pow(10, 1.5*(at-3)/2)
			}
			mono[i] = float32(level * rng.NormFloat64())
			if beat := math.Mod(at, 0.5); beat < 0.1 {
				mono[i] += float32(0.15 * math.Exp(-30*beat) * math.Sin(2*math.Pi*70*beat))
			}
		}
		var rises []clip.Hit
		for _, h := range beat.Find(mono).Hits {
			if h.Kind == "rise" {
				rises = append(rises, h)
			}
		}
		switch {
		case !swells && len(rises) > 0:
			t.Errorf("nothing rises, and it hears %v", rises)
		case swells && (len(rises) != 1 || math.Abs(rises[0].At-3) > 0.4 || math.Abs(rises[0].At+rises[0].Lasts-5) > 0.2):
			t.Errorf("what swells from 3 to 5 s is heard as %v", rises)
		}
	}
}

// TestHitsThatComeInEachBarAreTold: drums that are the same in each bar, and one crash.
func TestHitsThatComeInEachBarAreTold(t *testing.T) {
	rng := rand.New(rand.NewSource(2))
	mono := make([]float32, 24*beat.Rate)
	sound := func(at, length float64, f func(t float64) float64) {
		for i := range int(length * beat.Rate) {
			mono[int(at*beat.Rate)+i] += float32(f(float64(i) / beat.Rate))
		}
	}
	for n := range 44 { // 120 beats a minute from 0.25 s on
		at := 0.25 + 0.5*float64(n)
		if n%2 == 0 {
			sound(at, 0.2, func(t float64) float64 { return 0.6 * math.Exp(-20*t) * math.Sin(2*math.Pi*60*t) })
		} else {
			sound(at, 0.15, func(t float64) float64 { return 0.3 * math.Exp(-30*t) * rng.NormFloat64() })
		}
	}
	const crash = 0.25 + 0.5*18.5
	sound(crash, 1, func(t float64) float64 { return 0.5 * math.Exp(-5*t) * rng.NormFloat64() })
	var of, same float64
	for _, h := range beat.Find(mono).Hits {
		if math.Abs(h.At-crash) < 0.05 {
			if h.Again {
				t.Error("a single crash is said to come again in each bar")
			}
			continue
		}
		if h.Kind != "rise" {
			of++
			if h.Again {
				same++
			}
		}
	}
	if of < 35 || same < 0.85*of {
		t.Errorf("%.0f of %.0f hits are said to come again; all do", same, of)
	}
}
