// Package view describes a clip for the page: rows, beads and strings of the
// Beatline, beats and hits in frames. The page draws it and computes nothing.
package view

import (
	"math"

	"billow/core/clip"
	"billow/core/frame"
)

// View is what the Beatline shows.
type View struct {
	Length   int     `json:"length"` // frames
	Timecode string  `json:"timecode"`
	Beats    []Beat  `json:"beats"`
	Hits     []Hit   `json:"hits"`
	Wave     []Level `json:"wave"`
	Rows     []Row   `json:"rows"` // from the front to the back
}

// Beat is a beat of the tempo map within the clip.
type Beat struct {
	Beat  int  `json:"beat"` // counted from 0 at the first downbeat
	Frame int  `json:"frame"`
	Bar   int  `json:"bar"` // counted from 1; 0 and below before the first
	In    int  `json:"in"`  // beat of the bar, from 1
	Down  bool `json:"down"`
}

// Hit is an accent of the tune within the clip.
type Hit struct {
	Frame    int     `json:"frame"`
	Strength float64 `json:"strength"`
	Kind     string  `json:"kind"`
}

// Level is the loudness of the tune at a frame, 0..1.
type Level struct {
	Frame float64 `json:"frame"`
	Peak  float64 `json:"peak"`
}

// Row is one layer.
type Row struct {
	Layer  string   `json:"layer"`
	From   int      `json:"from"`
	To     int      `json:"to"`
	Tracks []Track  `json:"tracks"`
	Differ []string `json:"differ"` // shapes in which it has a rest of its own
	Lacks  string   `json:"lacks"`  // letters that no font has
}

// Track is one property with keys.
type Track struct {
	Property string  `json:"property"`
	Beads    []Bead  `json:"beads"`
	String   []Point `json:"string"` // the real curve, sampled
}

// Bead is a key.
type Bead struct {
	Frame  int     `json:"frame"`
	Height float64 `json:"height"` // of its value within the track's range, 0..1
	OnBeat bool    `json:"onBeat"`
	Off    string  `json:"off"`
	Text   string  `json:"text"` // its value in words
}

// Point is a sample of a string.
type Point struct {
	Frame  float64 `json:"frame"`
	Height float64 `json:"height"`
}

// Of describes a clip in a shape.
func Of(c *clip.Clip, shape clip.Shape, lib *frame.Library) View {
	v := View{
		Length: c.Length, Timecode: c.Rate.Timecode(c.Length),
		Beats: beats(c), Hits: []Hit{}, Wave: []Level{}, Rows: []Row{},
	}
	v.sound(c)
	stage := frame.Arrange(c, shape, lib)
	for i := len(c.Layers) - 1; i >= 0; i-- {
		v.Rows = append(v.Rows, row(c, &c.Layers[i], stage))
	}
	return v
}

func beats(c *clip.Clip) []Beat {
	out := []Beat{}
	numbers, frames := c.Clock().BeatFrames(0, c.Length-1)
	for i, n := range numbers {
		bar := int(math.Floor(float64(n) / float64(c.Tempo.PerBar)))
		in := n - bar*c.Tempo.PerBar
		out = append(out, Beat{n, frames[i], bar + 1, in + 1, in == 0})
	}
	return out
}

func (v *View) sound(c *clip.Clip) {
	if c.Tune == nil {
		return
	}
	s := c.Prop(c.Tune.Prop).Sound
	for _, h := range s.Hits {
		if f := c.Rate.Frame(h.At - c.Tune.Start); f >= 0 && f < c.Length {
			v.Hits = append(v.Hits, Hit{f, h.Strength, h.Kind})
		}
	}
	for i, l := range s.Levels {
		f := (float64(i)/20 - c.Tune.Start) * float64(c.Rate)
		if f >= 0 && f < float64(c.Length) {
			v.Wave = append(v.Wave, Level{f, float64(l) / 255})
		}
	}
}

func row(c *clip.Clip, l *clip.Layer, stage *frame.Stage) Row {
	from, to := c.Span(l)
	r := Row{Layer: l.ID, From: from, To: to, Tracks: []Track{}, Differ: []string{}, Lacks: stage.Missing(l.ID)}
	for _, s := range c.Shapes {
		if _, ok := l.Rests[s.ID]; ok {
			r.Differ = append(r.Differ, s.ID)
		}
	}
	for _, p := range clip.Properties {
		if len(l.Tracks[p]) > 0 {
			r.Tracks = append(r.Tracks, track(c, l, p, stage))
		}
	}
	return r
}

// track samples the value that a person would name: for a position, the axis
// on which it moves farther.
func track(c *clip.Clip, l *clip.Layer, property string, stage *frame.Stage) Track {
	clock, keys := c.Clock(), l.Tracks[property]
	t := Track{Property: property, Beads: []Bead{}, String: []Point{}}
	curve := stage.Curve(l.ID, property)
	if curve == nil { // hidden: as if it stood in the home shape without "just outside"
		curve = frame.PlainCurve(c, l, property)
	}
	first, last := clock.Frame(keys[0].At), clock.Frame(keys[len(keys)-1].At)
	dim, lo, hi := 0, 0.0, 0.0
	for d := range clip.Dims(property) {
		a, b := curve.Range(d, first, last)
		if d == 0 || b-a > hi-lo {
			dim, lo, hi = d, a, b
		}
	}
	height := func(v float64) float64 {
		if hi-lo < 1e-9 {
			return 0.5
		}
		return (v - lo) / (hi - lo)
	}
	for i, k := range keys {
		f := clock.Frame(k.At)
		t.Beads = append(t.Beads, Bead{f, height(curve.At(float64(f), dim)), k.At.OnBeat, k.Off, text(property, curve.Value(i), k.Off)})
	}
	step := max(1, float64(last-first)/2000)
	for f := float64(first); f < float64(last); f += step {
		t.String = append(t.String, Point{f, height(curve.At(f, dim))})
	}
	t.String = append(t.String, Point{float64(last), height(curve.At(float64(last), dim))})
	return t
}
