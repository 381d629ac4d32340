package beat

import (
	"math"
	"slices"

	"billow/core/clip"
	"billow/core/timing"
)

// rises are the stretches in which all becomes louder for a second or more, up to a top:
// swells, sweeps and rolls that lead somewhere.
func (e *ear) rises() (out []clip.Hit) {
	const (
		step    = 4   // windows: 46 ms
		least   = 20  // steps: a second, nearly
		dip     = 1.2 // decibels by which it may go down on the way
		height  = 5.0 // decibels of all bands together
		atOnce  = 0.5 // share of the height within a fifth of a second at which it is no rise but a hit
		quickly = 4   // steps
	)
	smooth := make([]float64, e.n/step)
	for i := range smooth {
		n := 0.0
		for w := max(0, (i-2)*step); w < min(e.n, (i+3)*step); w++ {
			smooth[i] += e.loud[w]
			n++
		}
		smooth[i] /= n
	}
	for i := 0; i < len(smooth); {
		low, top := i, i
		for k := i + 1; k < len(smooth) && smooth[k] > smooth[top]-dip; k++ {
			if smooth[k] < smooth[low] && smooth[top]-smooth[low] < dip {
				low, top = k, k
			}
			if smooth[k] > smooth[top] {
				top = k
			}
		}
		h, jump := smooth[top]-smooth[low], 0.0
		for k := low; k+quickly <= top; k++ {
			jump = max(jump, smooth[k+quickly]-smooth[k])
		}
		if top-low >= least && h >= height && jump < atOnce*h {
			out = append(out, clip.Hit{
				At: round(float64(low*step)/frameRate, 1e4), Lasts: round(float64((top-low)*step)/frameRate, 1e4),
				Strength: round(min(1, h/20), 1e3), Kind: "rise",
			})
		}
		i = max(top, i) + 1
	}
	return out
}

// again marks the hits of a steady tune that come at the same place of most bars around
// them, in a way like them.
func again(hits []clip.Hit, t timing.Tempo) {
	const (
		around = 2   // bars on both sides
		most   = 0.6 // share of those bars that have one there
		near   = 0.05
	)
	type spot struct {
		bar int
		in  float64 // beats
	}
	at := make([]spot, len(hits))
	inBar := map[int][]int{} // hits of each bar
	for i, h := range hits {
		beat := t.Beat(h.At)
		bar := math.Floor(t.BarAt(beat) + 0.02)
		at[i] = spot{int(bar), beat - t.Downbeat(bar)}
		inBar[at[i].bar] = append(inBar[at[i].bar], i)
	}
	for i := range hits {
		have, of := 0, 0
		for bar := at[i].bar - around; bar <= at[i].bar+around; bar++ {
			if len(inBar[bar]) == 0 || bar == at[i].bar {
				continue
			}
			of++
			if slices.ContainsFunc(inBar[bar], func(k int) bool {
				return hits[k].Kind == hits[i].Kind && math.Abs(at[k].in-at[i].in) < near+0.03*t.BPM/60
			}) {
				have++
			}
		}
		hits[i].Again = of >= 2 && float64(have) >= most*float64(of)
	}
}
