package timing

import (
	"errors"
	"fmt"
	"math"
	"sort"
)

// LeastTaps is how many taps tell a tempo.
const LeastTaps = 4

// Tapped is the tempo at which someone tapped along, at increasing seconds. Of the counts
// that were heard in the music it is the one that goes with the taps, since hands are
// late or early and it is not; where none does, it is the even count that fits the taps
// best, by least squares, whose first bar of perBar beats begins with the first tap. Taps
// that were left out do not matter.
func Tapped(taps []float64, perBar int, heard []Tempo) (Tempo, error) {
	if len(taps) < LeastTaps {
		return Tempo{}, fmt.Errorf("%d taps tell a tempo, not %d", LeastTaps, len(taps))
	}
	for i, t := range taps {
		if !(math.Abs(t) < 1e5) || i > 0 && !(t > taps[i-1]) {
			return Tempo{}, fmt.Errorf("tap %d is not later than the one before it", i+1)
		}
	}
	first, period, off := fitted(taps)
	if off > 0.15*period {
		return Tempo{}, errors.New("the taps are too uneven to tell a tempo; tap on each beat, for a bar or two")
	}
	even := Tempo{BPM: 60 / period, First: first, PerBar: perBar}
	if err := even.Check(); err != nil {
		return Tempo{}, err
	}
	best, least := even, 0.2
	for _, t := range heard {
		if o := apart(taps, t, period); o < least {
			best, least = t, o
		}
	}
	return best, nil
}

// fitted is the even beat through taps: when the first one is, its period, and the root
// of the mean square by which taps are off it, in seconds.
func fitted(taps []float64) (first, period, off float64) {
	gaps := make([]float64, len(taps)-1)
	for i := range gaps {
		gaps[i] = taps[i+1] - taps[i]
	}
	sort.Float64s(gaps)
	period = gaps[len(gaps)/2]
	number := make([]float64, len(taps))
	for i := 1; i < len(taps); i++ {
		number[i] = number[i-1] + max(1, math.Round((taps[i]-taps[i-1])/period))
	}
	var n, sx, sy, sxx, sxy float64
	for i, x := range number {
		n, sx, sy, sxx, sxy = n+1, sx+x, sy+taps[i], sxx+x*x, sxy+x*taps[i]
	}
	period = (n*sxy - sx*sy) / (n*sxx - sx*sx)
	first = (sy - period*sx) / n
	for i, x := range number {
		d := taps[i] - first - period*x
		off += d * d / n
	}
	return first, period, math.Sqrt(off)
}

// apart is how far taps lie from the beats of a count, as a share of a beat, in the mean;
// 1 when it has another tempo.
func apart(taps []float64, t Tempo, period float64) float64 {
	from, to := t.Beat(taps[0]), t.Beat(taps[len(taps)-1])
	beats := (taps[len(taps)-1] - taps[0]) / period
	if math.Abs((to-from)/beats-1) > 0.08 {
		return 1
	}
	sum := 0.0
	for _, tap := range taps {
		b := t.Beat(tap)
		sum += math.Abs(b - math.Round(b))
	}
	return sum / float64(len(taps))
}
