package frame

import (
	"math"
	"testing"

	"billow/core/clip"
	"billow/core/timing"
)

// Three words take a second and a half. Of four seconds in which they are on, those count in
// which all of them are there.
func TestWordsHaveTheTimeInWhichTheyStandThere(t *testing.T) {
	for name, x := range map[string]struct {
		set func(l *clip.Layer)
		has float64
	}{
		"all the time": {func(*clip.Layer) {}, 4},
		"coming":       {func(l *clip.Layer) { l.Words.Comes = passage(func(p *clip.Passage) { p.Over, p.Each = 20, 15 }) }, 4 - 45/30.0},
		"going":        {func(l *clip.Layer) { l.Words.Goes = passage(func(p *clip.Passage) { p.At = timing.At(90) }) }, 3},
		"fading in":    {func(l *clip.Layer) { l.Tracks[clip.Opacity] = linear(0, v(0), 20, v(100)) }, 4 - 19/30.0},
		"for a while":  {func(l *clip.Layer) { l.From, l.To = timing.At(30), new(timing.At(60)) }, 1},
	} {
		c, lib := worded(t, "Boil it *anywhere*", x.set)
		stage, err := Prepare(c, c.Shapes[0], 540, 540, lib)
		if err != nil {
			t.Fatal(err)
		}
		if needs, has := stage.Reading("words"); math.Abs(needs-1.5) > 0.001 || math.Abs(has-x.has) > 0.001 {
			t.Errorf("%s: they need %.2f s and have %.2f, want 1.50 and %.2f", name, needs, has, x.has)
		}
	}
}
