package clip

import (
	"math"
	"testing"

	"billow/core/timing"
)

// clockAt is a clock of 30 frames a second and 120 beats a minute.
func clockAt() timing.Clock {
	return timing.Clock{Rate: 30, Tempo: timing.Even(120)}
}

// told is where a course is after so many seconds: the second of the footage, or of both that are
// mixed with the share of the first.
func told(t *testing.T, r *Running, seconds, after float64) (float64, float64, float64) {
	t.Helper()
	c := CourseOf(r, seconds, clockAt(), 0)
	spots, n := c.At(after)
	if n == 1 {
		return spots[0].Seconds, 0, 1
	}
	if math.Abs(spots[0].Share+spots[1].Share-1) > 1e-9 {
		t.Errorf("shares of %v and %v", spots[0].Share, spots[1].Share)
	}
	return spots[0].Seconds, spots[1].Seconds, spots[0].Share
}

func TestFootageRunsAsItIsSet(t *testing.T) {
	for _, c := range []struct {
		says  string
		runs  *Running
		after float64
		want  float64
	}{
		{"as it is", nil, 1.5, 1.5},
		{"and stays at its end", nil, 9, 4},
		{"and at its beginning", nil, -1, 0},
		{"from a place", &Running{From: 1}, 1.5, 2.5},
		{"up to a place", &Running{From: 1, To: 2}, 1.5, 2},
		{"twice as fast", &Running{Speed: 200}, 1.5, 3},
		{"ten times as slow", &Running{Speed: 10}, 1.5, 0.15},
		{"backwards", &Running{Reverse: true}, 1, 3},
		{"a part backwards", &Running{From: 1, To: 3, Reverse: true}, 0.5, 2.5},
		{"round and round", &Running{Again: "loop"}, 9, 1},
		{"a part round and round", &Running{From: 1, To: 2, Again: "loop"}, 2.25, 1.25},
		{"to and fro, there", &Running{Again: "swing"}, 3, 3},
		{"to and fro, back", &Running{Again: "swing"}, 5, 3},
		{"to and fro, there again", &Running{Again: "swing"}, 9, 1},
		{"fro and to", &Running{Again: "swing", Reverse: true}, 5, 1},
		// 120 beats a minute: two bars of four are four seconds, so two seconds take twice as long.
		{"two seconds in two bars", &Running{From: 1, To: 3, Beats: 8}, 2, 2},
		{"beats before speed", &Running{Beats: 4, Speed: 50}, 1, 2},
		{"until it freezes", &Running{Freeze: &timing.Moment{Frames: 30}}, 3, 1},
		{"longer than it is", &Running{From: 3, To: 9}, 3, 4},
		{"behind its end", &Running{From: 9}, 0, 3.98},
	} {
		if got, _, _ := told(t, c.runs, 4, c.after); math.Abs(got-c.want) > 1e-9 {
			t.Errorf("%s: after %v s it shows second %v, want %v", c.says, c.after, got, c.want)
		}
	}
}

// The end of a loop goes over into its beginning: at the seam's end only the beginning shows.
func TestTheSeamOfALoopIsMixed(t *testing.T) {
	r := &Running{Again: "loop", Seam: 1}
	// It begins again a second before its end.
	for after, want := range map[float64][3]float64{2.9: {2.9, 0, 1}, 3.25: {0.25, 3.25, 0.25}, 3.75: {0.75, 3.75, 0.75}, 4: {1, 0, 1}, 5.5: {2.5, 0, 1}, 6.5: {0.5, 3.5, 0.5}} {
		a, b, share := told(t, r, 4, after)
		if math.Abs(a-want[0]) > 1e-9 || math.Abs(b-want[1]) > 1e-9 || math.Abs(share-want[2]) > 1e-9 {
			t.Errorf("after %v s it shows %v and %v, %v of the first; want %v", after, a, b, share, want)
		}
	}
	// Twice as fast a second of the seam is two of the footage, and never more than half of it.
	if a, b, share := told(t, &Running{Again: "loop", Seam: 1, Speed: 200}, 4, 1.5); a != 1 || b != 3 || share != 0.5 {
		t.Errorf("at double speed it shows %v and %v, %v of the first", a, b, share)
	}
}

func TestWhatFootageCannotDoIsRefused(t *testing.T) {
	for field, r := range map[string]Running{
		"runs.speed": {Speed: 5}, "runs.to": {From: 2, To: 1}, "runs.again": {Again: "round"}, "runs.from": {From: -1},
		"runs.seam": {Seam: math.NaN()}, "runs.beats": {Beats: -4},
	} {
		if f, ok := r.check("runs").(*FieldError); !ok || f.Field != field {
			t.Errorf("%s: %v", field, r.check("runs"))
		}
	}
	if err := (&Running{From: 1, To: 1.5, Speed: 800, Beats: 4, Again: "swing", Seam: 2}).check("runs"); err != nil {
		t.Error(err)
	}
}
