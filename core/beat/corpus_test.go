package beat_test

import (
	"fmt"
	"math"
	"slices"
	"sort"
	"strings"
	"sync"
	"testing"

	"billow/cmd/hear/corpus"
	"billow/core/beat"
	"billow/core/clip"
	"billow/core/timing"
)

// A result is how well one tune was heard.
type result struct {
	corpus.Tune
	found                      *clip.Sound
	f, free, downs, cmlt, amlt float64
	offered                    float64 // the bars of the best of the other counts
	bias                       float64
	met                        bool
}

// results hears tunes that none of the weights was fitted on: a third of the steady ones
// is played on instruments that the fit never saw.
var results = sync.OnceValue(func() []result {
	makers := slices.Concat(corpus.Steady(2, false, 7), corpus.Steady(1, true, 9), corpus.Beatless(7), corpus.Beatless(8))
	out := make([]result, len(makers))
	var all sync.WaitGroup
	for half := range 2 {
		all.Go(func() {
			for i := half; i < len(makers); i += 2 {
				out[i] = heard(makers[i]())
			}
		})
	}
	all.Wait()
	return out
})

func heard(t corpus.Tune) result {
	r := result{Tune: t, found: beat.Find(t.Mono)}
	r.Mono = nil
	if !t.Steady || !r.found.Steady {
		return r
	}
	if err := r.found.Tempo.Check(); err != nil {
		panic(err) // no clip could have it
	}
	beats := r.found.Tempo.Beats
	r.f, r.free = corpus.F(beats, t.Beats), corpus.Best(corpus.F, beats, t.Beats)
	r.cmlt, r.amlt = corpus.Continuity(beats, t.Beats), corpus.Best(corpus.Continuity, beats, t.Beats)
	r.downs = corpus.F(downbeats(r.found.Tempo), t.Downs())
	for _, o := range r.found.Others {
		r.offered = max(r.offered, corpus.F(downbeats(o), t.Downs()))
	}
	r.bias, r.met = corpus.Bias(beats, t.Beats)
	return r
}

// downbeats is when the bars of a map begin.
func downbeats(t timing.Tempo) (out []float64) {
	for i := range t.Beats {
		if bar := t.BarAt(float64(i - t.Zero)); math.Abs(bar-math.Round(bar)) < 1e-6 {
			out = append(out, t.Beats[i])
		}
	}
	return out
}

// TestTunesAreCounted prints what was found of each tune and holds the means.
func TestTunesAreCounted(t *testing.T) {
	var table strings.Builder
	var f, free, downs, bias, n float64
	for _, r := range results() {
		if !r.Steady {
			continue
		}
		held := ""
		if r.Held {
			held = "held"
		}
		fmt.Fprintf(&table, "%-34s %-4s F %.2f  level free %.2f  CMLt %.2f  AMLt %.2f  bars %.2f  late by %5.1f ms  %6.1f BPM of %d  sure %.2f %.2f %.2f\n", r.Name, held,
			r.f, r.free, r.cmlt, r.amlt, r.downs, 1000*r.bias, r.found.Tempo.BPM, r.found.Tempo.PerBar, r.found.Sure.Beat, r.found.Sure.Tempo, r.found.Sure.Bars)
		f, free, downs, n = f+r.f, free+r.free, downs+r.downs, n+1
		if r.met {
			bias += r.bias
		}
	}
	t.Logf("\n%s\nmean of %.0f: F %.3f, level free %.3f, bars %.3f, late by %.1f ms", table.String(), n, f/n, free/n, downs/n, 1000*bias/n)
	for _, m := range []struct {
		what        string
		mean, least float64
	}{{"beats", f / n, 0.95}, {"beats at any level", free / n, 0.98}, {"bars", downs / n, 0.9}} {
		if m.mean < m.least {
			t.Errorf("%s are found with %.3f, less than %.3f", m.what, m.mean, m.least)
		}
	}
	if late := bias / n; math.Abs(late) > 0.003 {
		t.Errorf("beats lie %.1f ms late on the whole", 1000*late)
	}
}

func TestWhatHasNoBeatIsNotSteady(t *testing.T) {
	for _, r := range results() {
		if !r.Steady && r.found.Steady {
			t.Errorf("%s has a beat of %.1f, %.0f%% sure", r.Name, r.found.Tempo.BPM, 100*r.found.Sure.Beat)
		}
	}
}

// TestWhatIsSaidSurelyIsRight: of what is said with nine of ten or more, nine of ten are
// right.
func TestWhatIsSaidSurelyIsRight(t *testing.T) {
	var tempo, bars []bool
	for _, r := range results() {
		if !r.Steady || !r.found.Steady {
			continue
		}
		if r.found.Sure.Tempo >= 0.9 {
			tempo = append(tempo, r.f > 0.85)
			if r.found.Sure.Bars >= 0.9 {
				bars = append(bars, r.downs > 0.8)
			}
		}
	}
	for what, said := range map[string][]bool{"a tempo": tempo, "bars": bars} {
		right := 0
		for _, ok := range said {
			if ok {
				right++
			}
		}
		t.Logf("%s: said surely of %d tunes, right of %d", what, len(said), right)
		if len(said) < 15 || float64(right) < 0.9*float64(len(said)) {
			t.Errorf("of %d times that %s was said surely, %d were right", len(said), what, right)
		}
	}
}

// TestWhatIsRightIsOffered: where beats or bars are wrong, most often one of the other counts has them right.
func TestWhatIsRightIsOffered(t *testing.T) {
	wrong, offered := 0, 0
	for _, r := range results() {
		if !r.Steady || !r.found.Steady || r.downs > 0.8 {
			continue
		}
		wrong++
		if r.offered > 0.8 {
			offered++
		}
		t.Logf("%s: bars %.2f, of the other counts %.2f", r.Name, r.downs, r.offered)
	}
	if 2*offered < wrong {
		t.Errorf("of %d tunes that are counted wrongly, the right count is offered for %d", wrong, offered)
	}
}

// TestHitsOfDrumsAreWhereTheySound: accents of a plain drum pattern lie on its sounds.
func TestHitsOfDrumsAreWhereTheySound(t *testing.T) {
	tune := corpus.Steady(1, false, 7)[2]() // rock: something begins on each eighth
	grid := corpus.Finer(tune.Beats, 4)
	s := beat.Find(tune.Mono)
	var off []float64
	for _, h := range s.Hits {
		i := sort.SearchFloat64s(grid, h.At)
		near := math.Inf(1)
		for _, k := range []int{i - 1, i} {
			if k >= 0 && k < len(grid) && math.Abs(h.At-grid[k]) < math.Abs(near) {
				near = h.At - grid[k]
			}
		}
		off = append(off, near)
	}
	sort.Float64s(off)
	if len(off) < 50 {
		t.Fatalf("only %d hits were found", len(off))
	}
	if m := off[len(off)/2]; math.Abs(m) > 0.004 {
		t.Errorf("hits lie %.1f ms late in the middle of all", 1000*m)
	}
	if a, b := off[len(off)/20], off[len(off)*19/20]; a < -0.025 || b > 0.025 {
		t.Errorf("hits lie between %.0f and %.0f ms off", 1000*a, 1000*b)
	}
}
