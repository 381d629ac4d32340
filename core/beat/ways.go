package beat

import (
	"math"
	"sort"
)

// A Way is one way in which a tune can be counted.
type Way struct {
	Times   float64 // the period, by that of the first pulse found
	Shift   float64 // the share of a beat by which those counted lie after those tracked
	Beats   []float64
	Says    []float64   // what speaks for it, as Weigh takes it
	Marks   [][]float64 // of each beat, as a place in a bar
	Repeats []float64   // how much comes again after the beats of each bar that is tried
}

// octaves is how far the tempo lies from 112 beats a minute.
func (w *Way) octaves() float64 {
	n := len(w.Beats) - 1
	return math.Log2(60 * float64(n) / (w.Beats[n] - w.Beats[0]) / 112)
}

// levels are the periods that are tried, by that of the pulse.
var levels = [...]float64{1, 0.5, 2, 1.0 / 3, 3, 2.0 / 3, 1.5, 0.75, 4.0 / 3, 0.25, 4, 8.0 / 3, 0.375}

const (
	fastest = 215.0 // beats a minute that are counted
	slowest = 50.0
)

// ways are all ways to count a tune whose pulse is known.
func (e *ear) ways(p *pulse) (out []Way) {
	for _, p := range append([]*pulse{p}, p.otherwise()...) {
		for _, times := range levels {
			out = append(out, e.atLevel(p, times)...)
		}
	}
	return out
}

// atLevel is the ways in which the beats have so many times the period of a pulse.
func (e *ear) atLevel(p *pulse, times float64) (out []Way) {
	bpm := 60 * frameRate / (median(p.period) * times)
	if bpm < slowest || bpm > fastest {
		return nil
	}
	tracked := e.exact(track(e.clear[all], p, times))
	if len(tracked) < 5 {
		return nil
	}
	for _, shift := range [...]float64{0, 0.5, 1.0 / 3, 2.0 / 3} {
		if shift != 0 && shift != 0.5 && times != 1 {
			continue
		}
		at := shifted(tracked, shift)
		l := e.lay(at)
		w := Way{Times: times, Shift: shift, Marks: l.marks(), Repeats: l.repeats(), Says: l.says(bpm)}
		for _, t := range at {
			w.Beats = append(w.Beats, t/frameRate)
		}
		out = append(out, w)
	}
	return out
}

// exact refines windows of beats to between them.
func (e *ear) exact(beats []int) []float64 {
	out := make([]float64, len(beats))
	env := e.clear[all]
	for i, t := range beats {
		out[i] = float64(t)
		if t > 0 && t < len(env)-1 {
			out[i] += vertex(env[t-1], env[t], env[t+1])
		}
	}
	return out
}

// shifted is beats moved into the distance to the next one by a share of it.
func shifted(at []float64, share float64) []float64 {
	out := make([]float64, 0, len(at)+1)
	if first := at[0] - (at[1]-at[0])*(1-share); share > 0 && first > 0 {
		out = append(out, first)
	}
	for i := range at[1:] {
		out = append(out, at[i]+share*(at[i+1]-at[i]))
	}
	if share == 0 {
		out = append(out, at[len(at)-1])
	}
	return out
}

func median(v []float64) float64 {
	s := append([]float64(nil), v...)
	sort.Float64s(s)
	return s[len(s)/2]
}

// says is what speaks for and against counting so. All but the tempo lies about -1..1.
func (l *lattice) says(bpm float64) []float64 {
	o := math.Log2(bpm / 112)
	out := []float64{o, o * o, max(0, o-0.4) * max(0, o-0.4), max(0, -o-0.4) * max(0, -o-0.4)}
	for band := range l.bands {
		on, half := l.mean(band, 0, 0, 1), l.mean(band, 6, 0, 1)
		third := (l.mean(band, 4, 0, 1) + l.mean(band, 8, 0, 1)) / 2
		quarter := (l.mean(band, 3, 0, 1) + l.mean(band, 9, 0, 1)) / 2
		even, odd := l.mean(band, 0, 0, 2), l.mean(band, 0, 1, 2)
		halfEven, halfOdd := l.mean(band, 6, 0, 2), l.mean(band, 6, 1, 2)
		out = append(out,
			against(on, half), against(on, third), against(half, third), against(half, quarter),
			math.Abs(against(even, odd)), math.Abs(against(halfEven, halfOdd)))
	}
	for _, d := range []int{6, 8, 12, 18, 24, 36, 48} {
		out = append(out, l.again(all, d))
	}
	out = append(out, l.again(low, 12)-l.again(low, 24), l.again(mid, 12)-l.again(mid, 24), l.again(low, 24)-l.again(low, 48))
	// The backbeat: low on one of two beats, mid or high on the other.
	lowLean := against(l.mean(low, 0, 0, 2), l.mean(low, 0, 1, 2))
	midLean := against(l.mean(mid, 0, 0, 2), l.mean(mid, 0, 1, 2))
	highLean := against(l.mean(high, 0, 0, 2), l.mean(high, 0, 1, 2))
	lowHalf := against(l.mean(low, 0, 0, 1), l.mean(low, 6, 0, 1))
	midHalf := against(l.mean(mid, 0, 0, 1), l.mean(mid, 6, 0, 1))
	highHalf := against(l.mean(high, 0, 0, 1), l.mean(high, 6, 0, 1))
	out = append(out, -lowLean*midLean, -lowLean*highLean, -lowHalf*midHalf, -lowHalf*highHalf)
	// Harmony that changes on every second beat, and hardly on beats between.
	var even, odd, empty float64
	for i := range l.beats {
		if i%2 == 0 {
			even += l.change(i, 1, 0, 24)
		} else {
			odd += l.change(i, 1, 0, 24)
		}
		if l.bands[all][i*parts] < 0.3 {
			empty += 1 / float64(l.beats)
		}
	}
	return append(out, math.Abs(even-odd)/(even+odd+1e-6), (even+odd)/float64(l.beats), empty)
}
