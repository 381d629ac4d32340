// Package view describes a clip for the page: rows, beads and strings of the
// Beatline, beats and hits in frames. The page draws it and computes nothing.
package view

import (
	"math"
	"slices"
	"strings"

	"billow/core/clip"
	"billow/core/frame"
	"billow/core/words"
)

// View is what the Beatline shows.
type View struct {
	Length   int       `json:"length"` // frames
	Timecode string    `json:"timecode"`
	Beats    []Beat    `json:"beats"`
	Hits     []Hit     `json:"hits"`
	Sections []Section `json:"sections"` // of the tune
	Tune     *Sound    `json:"tune"`     // how it lies under the clip; how loud it is says Wave
	Wave     []Level   `json:"wave"`
	Scenes   []Scene   `json:"scenes"`
	Markers  []Mark    `json:"markers"`
	Range    *[2]int   `json:"range"`  // frames that are looped, the last not included
	Sounds   []Sound   `json:"sounds"` // beside the tune
	Rows     []Row     `json:"rows"`   // from the front to the back, groups before what is in them
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

// Section is a part of the tune within the clip.
type Section struct {
	Kind string `json:"kind"`
	From int    `json:"from"` // frame
	To   int    `json:"to"`   // not included
}

// Level is the loudness of the tune at a frame, 0..1.
type Level struct {
	Frame float64 `json:"frame"`
	Peak  float64 `json:"peak"`
}

// Scene is when a scene plays.
type Scene struct {
	ID     string  `json:"id"`
	Name   string  `json:"name"`
	From   int     `json:"from"`
	To     int     `json:"to"`     // not included
	Unit   string  `json:"unit"`   // in which its length is counted: frames, beats or bars
	Amount float64 `json:"amount"` // how many of them
	Text   string  `json:"text"`   // its length in words
	Hidden bool    `json:"hidden"`
}

func sceneOf(c *clip.Clip, p clip.Playing) Scene {
	s := p.Length
	out := Scene{
		ID: p.ID, Name: p.Name, From: p.From, To: p.To, Hidden: c.Layer(p.ID).Hidden,
		Unit: "frames", Amount: float64(s.Frames), Text: c.Rate.Timecode(p.To - p.From),
	}
	counted := func(n float64, unit string) {
		out.Unit, out.Amount, out.Text = unit, n, number(n)+" "+unit
		if n == 1 {
			out.Text = "1 " + strings.TrimSuffix(unit, "s")
		}
	}
	switch {
	case s.Bars > 0:
		counted(s.Bars, "bars")
	case s.Beats > 0:
		counted(s.Beats, "beats")
	}
	return out
}

// Mark is a named place.
type Mark struct {
	Name  string `json:"name"`
	Frame int    `json:"frame"`
	When  string `json:"when"`
}

// Of describes a clip as it is on a stage, which says how far "just outside" is.
// Rows of the layers in open are told with all
// their strings and speeds; the others with their first string.
func Of(c *clip.Clip, stage *frame.Stage, open []string) View {
	v := View{
		Length: c.Length, Timecode: c.Rate.Timecode(c.Length),
		Beats: beats(c), Hits: []Hit{}, Sections: []Section{}, Wave: []Level{}, Scenes: []Scene{}, Markers: []Mark{},
	}
	v.sound(c)
	v.sounds(c)
	v.marks(c)
	v.Rows = Rows(c, stage, open, nil)
	return v
}

func beats(c *clip.Clip) []Beat {
	out := []Beat{}
	numbers, frames := c.Clock().BeatFrames(0, c.Length-1)
	for i, n := range numbers {
		bar := int(math.Floor(c.Tempo.BarAt(float64(n)) + 1e-9))
		in := n - int(math.Round(c.Tempo.Downbeat(float64(bar))))
		out = append(out, Beat{n, frames[i], bar + 1, in + 1, in == 0})
	}
	return out
}

func (v *View) sound(c *clip.Clip) {
	t := c.Tune()
	if t == nil {
		return
	}
	for _, h := range c.Hits() {
		v.Hits = append(v.Hits, Hit{h.Frame, h.Strength, h.Kind})
	}
	for _, s := range c.Sections() {
		v.Sections = append(v.Sections, Section(s))
	}
	v.Wave = waveOf(c, t, c.Length)
}

func (v *View) marks(c *clip.Clip) {
	clock := c.Clock()
	for _, p := range c.Scenes() {
		v.Scenes = append(v.Scenes, sceneOf(c, p))
	}
	for _, m := range c.Markers {
		v.Markers = append(v.Markers, Mark{m.Name, clock.Frame(m.At), clock.Text(m.At)})
	}
	if r := c.Range; r != nil {
		v.Range = &[2]int{clock.Frame(r.In), clock.Frame(r.Out)}
	}
}

// Rows describes layers: all of them in the order of the Beatline, or those in
// only.
func Rows(c *clip.Clip, stage *frame.Stage, open, only []string) []Row {
	out := []Row{}
	if len(c.Light.Tracks) > 0 && (only == nil || slices.Contains(only, clip.LightID)) {
		out = append(out, lightRow(c, slices.Contains(open, clip.LightID)))
	}
	byGroup, silent := map[string][]*clip.Layer{}, words.Silent(c)
	for i := len(c.Layers) - 1; i >= 0; i-- {
		l := &c.Layers[i]
		byGroup[l.Group] = append(byGroup[l.Group], l)
	}
	var add func(group string, depth int)
	add = func(group string, depth int) {
		for _, l := range byGroup[group] {
			if only == nil || slices.Contains(only, l.ID) {
				r := row(c, l, depth, stage, slices.Contains(open, l.ID))
				r.LeftOut = r.LeftOut || silent[l.ID]
				out = append(out, r)
			}
			switch k := l.Is(); {
			case k.Plays:
				add(l.ID, depth)
			case k.Holds && depth <= clip.MaxDepth:
				add(l.ID, depth+1)
			}
		}
	}
	add("", 0)
	return out
}
