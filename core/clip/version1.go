package clip

import "billow/core/timing"

// version1 is a document of version 1: its length was a number of frames, and
// scenes were names of sections.
type version1 struct {
	Version  int           `json:"version"`
	Name     string        `json:"name"`
	Shapes   []Shape       `json:"shapes"`
	Rate     timing.Rate   `json:"rate"`
	Length   int           `json:"length"`
	Tempo    timing.Tempo  `json:"tempo"`
	Light    Light         `json:"light"`
	Tune     *tune1        `json:"tune,omitempty"`
	Props    []Prop        `json:"props"`
	Products []Product     `json:"products"`
	Layers   []Layer       `json:"layers"`
	Poster   timing.Moment `json:"poster"`
	Scenes   []Mark        `json:"scenes,omitempty"`
	Markers  []Mark        `json:"markers,omitempty"`
	Range    *Range        `json:"range,omitempty"`
}

// tune1 is the tune of version 1, which began with the clip.
type tune1 struct {
	Prop    string  `json:"prop"`
	Start   float64 `json:"start"` // seconds of the tune at which the clip begins
	Gain    float64 `json:"gain"`
	FadeIn  int     `json:"fadeIn"`
	FadeOut int     `json:"fadeOut"`
}

// upgraded is the clip as a document of today, in which every frame is the same
// picture: one scene, or one for each section. A layer that shows in one section
// alone goes into its scene, as far as what lies over and beneath it allows.
func (v *version1) upgraded() (*Clip, error) {
	c := &Clip{
		Version: Version, Name: v.Name, Shapes: v.Shapes, Rate: v.Rate, Length: v.Length, Tempo: v.Tempo, Light: v.Light,
		Props: v.Props, Products: v.Products, Layers: v.Layers, Poster: picked(v.Poster), Markers: v.Markers, Range: v.Range,
	}
	if t := v.Tune; t != nil {
		c.SetTune(&SoundTrack{Prop: t.Prop, Trim: t.Start, Gain: t.Gain, FadeIn: t.FadeIn, FadeOut: t.FadeOut})
	}
	if err := v.check(c); err != nil {
		return nil, err
	}
	scenes := v.scenes(c)
	top, from, to := c.mostWithin(scenes)
	var out []Layer
	for n, i := range top {
		if n == from {
			out = append(out, placed(scenes)...)
		}
		out = append(out, c.Layers[i])
		if n >= from && n < to {
			l := &out[len(out)-1]
			l.Group = sectionOf(c, scenes, l).ID
		}
	}
	if from == len(top) {
		out = append(out, placed(scenes)...)
	}
	for i := range c.Layers {
		if c.Layers[i].Group != "" {
			out = append(out, c.Layers[i])
		}
	}
	length := c.Length
	c.Layers = out
	c.Fit()
	for i := range c.Layers {
		c.enter(&c.Layers[i], length)
	}
	return c, nil
}

// check refuses what could not be upgraded.
func (v *version1) check(c *Clip) error {
	if !c.Rate.Valid() {
		return Fault("rate", "a clip has 24, 25, 30, 50 or 60 frames a second, not %d", c.Rate)
	}
	if err := c.Tempo.Check(); err != nil {
		return Fault("tempo", "%v", err)
	}
	if v.Length < 1 || v.Length > MaxSeconds*int(c.Rate) {
		return Fault("length", "a clip lasts at least one frame and at most %d seconds", MaxSeconds)
	}
	last := -1
	for _, m := range v.Scenes {
		f := c.Clock().Frame(m.At)
		if f <= last || f >= v.Length {
			return Fault("scenes", "%q lies outside the clip, or not later than the scene before it", m.Name)
		}
		last = f
	}
	if len(v.Layers) > MaxLayers {
		return Fault("layers", "a clip has at most %d layers", MaxLayers)
	}
	for i := range v.Layers {
		if v.Layers[i].Kind == KindScene {
			return Fault("layers", "a clip of version 1 has no layers of the kind %q", KindScene)
		}
	}
	return nil
}

// scenes are a scene for each section. Where sections begin on beats, scenes
// are counted in beats, so that they go on following the tune.
func (v *version1) scenes(c *Clip) []Playing {
	marks := v.Scenes
	if len(marks) == 0 || c.Clock().Frame(marks[0].At) > 0 {
		marks = append([]Mark{{Name: "Scene 1"}}, marks...)
	}
	var out []Playing
	at := 0
	for i, m := range marks {
		l := NewScene(c.FreeID("scene"), m.Name, Scene{Frames: v.Length - at})
		if i+1 < len(marks) {
			next := marks[i+1].At
			l.Scene.Frames = c.Clock().Frame(next) - at
			if beats := next.Beat - c.Clock().Next(at); next.OnBeat && next.Frames == 0 && beats > 0 {
				*l.Scene = Scene{Beats: beats}
			}
		}
		c.Layers = append(c.Layers, l) // for FreeID
		p := c.playing(&l, at)
		out = append(out, p)
		at = p.To
	}
	c.Layers = c.Layers[:len(c.Layers)-len(marks)]
	return out
}

func placed(scenes []Playing) []Layer {
	var out []Layer
	for _, p := range scenes {
		out = append(out, NewScene(p.ID, p.Name, p.Length))
	}
	return out
}

// sectionOf is the scene in which a layer of the clip itself shows from its
// beginning to its end.
func sectionOf(c *Clip, scenes []Playing, l *Layer) Playing {
	from, to := c.Span(l)
	for _, p := range scenes {
		if from >= p.From && to <= p.To {
			return p
		}
	}
	return Playing{}
}

// mostWithin finds the places in the list of the layers in no group, and the
// longest stretch of them that can go into scenes.
func (c *Clip) mostWithin(scenes []Playing) (top []int, from, to int) {
	start := 0
	for i := range c.Layers {
		l := &c.Layers[i]
		if l.Group != "" {
			continue
		}
		top = append(top, i)
		if sectionOf(c, scenes, l).ID == "" {
			start = len(top)
		} else if len(top)-start > to-from {
			from, to = start, len(top)
		}
	}
	if to == from {
		return top, len(top), len(top)
	}
	return top, from, to
}

// enter counts a layer's moments from the beginning of its scene. What lasted
// until the clip's end lasts that long again, if its scene ends earlier.
func (c *Clip) enter(l *Layer, length int) {
	p, ok := c.SceneOf(l)
	if !ok || l.Kind == KindScene {
		return
	}
	clock := c.Clock()
	switch {
	case l.Group != p.ID && l.To == nil && p.To != length:
		end := timing.At(length)
		l.To = &end
	case l.Group == p.ID && l.To != nil && clock.Frame(*l.To) == p.To:
		l.To = nil
	}
	l.Rebase(clock, p.Clock(c))
}

// picked is a poster frame that someone has picked; the first one was there before.
func picked(m timing.Moment) *timing.Moment {
	if m == (timing.Moment{}) {
		return nil
	}
	return &m
}
