package e2e

import (
	"fmt"
	"math"
	"strings"
	"testing"

	"billow/core/motion"
	"billow/core/timing"
)

// TestEasingsAgreeWithTheBrowser samples easings at 50 points and asks the
// browser's own animation for the same: its curves, its steps, and its linear()
// with stops, which here is a track of linear keys.
func TestEasingsAgreeWithTheBrowser(t *testing.T) {
	u := visit(t, "/")
	list := append([]struct {
		css  string
		ease motion.Ease
	}{{"steps(5, jump-end)", motion.Ease{Kind: motion.Steps, Count: 5}}}, easings...)
	for _, e := range list {
		u.compare(e.css, e.ease.At)
	}
	stops := [][2]float64{{0, 0}, {20, 0.35}, {55, 1.2}, {70, 0.9}, {100, 1}}
	var css []string
	var track motion.Track
	for _, s := range stops {
		css = append(css, fmt.Sprintf("%g %g%%", s[1], s[0]))
		track = append(track, motion.Key{At: timing.At(int(s[0]) * 10), Value: []float64{s[1]}, Ease: motion.Ease{Kind: motion.Linear}})
	}
	curve := motion.NewCurve(track, 1, false, timing.Clock{Rate: 30, Tempo: timing.Even(120)})
	u.compare("linear("+strings.Join(css, ", ")+")", func(at float64) float64 { return curve.At(at*1000, 0) })
}

// compare asks the browser for the progress of an animation with an easing.
func (u *user) compare(css string, ours func(at float64) float64) {
	u.t.Helper()
	const points = 50
	r, err := u.page.Eval(`(css, n) => {
		const box = document.createElement('div')
		document.body.append(box)
		const a = box.animate({ opacity: [0, 1] }, { duration: 1000, easing: css, fill: 'both' })
		a.pause()
		const out = []
		for (let i = 0; i < n; i++) {
			a.currentTime = (1000 * (i + 0.5)) / n
			out.push(a.effect.getComputedTiming().progress)
		}
		box.remove()
		return out
	}`, css, points)
	u.must("asking the browser for "+css, err)
	for i := range points {
		at := (float64(i) + 0.5) / points
		want := r.Value.Get(fmt.Sprint(i)).Num()
		if got := ours(at); math.Abs(got-want) > 1e-3 {
			u.t.Errorf("%s at %g is %.5f, the browser says %.5f", css, at, got, want)
		}
	}
}
