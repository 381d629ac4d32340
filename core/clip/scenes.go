package clip

import (
	"fmt"
	"math"

	"billow/core/timing"
)

// Playing is when a scene plays.
type Playing struct {
	ID, Name string
	Length   Scene
	From, To int     // frames of the clip, To not included
	First    float64 // the beat of the clip that is its beat 0: the first that does not lie before it
}

// Clock is the clock of what lies in the scene.
func (p Playing) Clock(c *Clip) timing.Clock {
	return timing.Clock{Rate: c.Rate, Tempo: c.Tempo, Start: p.From, First: p.First}
}

// EndBar is the bar of the clip, counted from 0, with which a scene of so many
// bars ends: it ends on a downbeat, also when it does not begin on one.
func (p Playing) EndBar(c *Clip) float64 {
	return math.Round(c.Tempo.BarAt(p.First)) + p.Length.Bars
}

// Scenes are the clip's scenes in the order in which they play.
func (c *Clip) Scenes() []Playing {
	var out []Playing
	at := 0
	for i := range c.Layers {
		if l := &c.Layers[i]; l.Scene != nil && l.Kind == KindScene {
			p := c.playing(l, at)
			out = append(out, p)
			at = p.To
		}
	}
	return out
}

// playing is when a scene plays that begins on a frame.
func (c *Clip) playing(l *Layer, from int) Playing {
	clock := timing.Clock{Rate: c.Rate, Tempo: c.Tempo}
	s := l.Scene
	p := Playing{ID: l.ID, Name: l.Name, Length: *s, From: from, To: from, First: clock.Next(from)}
	switch {
	case s.tooLong(): // it will be refused
	case s.Frames > 0:
		p.To = from + s.Frames
	case s.Bars > 0:
		p.To = clock.Frame(timing.OnBeat(c.Tempo.Downbeat(p.EndBar(c))))
	case s.Beats > 0:
		p.To = clock.Frame(timing.OnBeat(p.First + s.Beats))
	}
	return p
}

// SceneAt is the scene that plays on a frame: the last one after its end.
func (c *Clip) SceneAt(frame int) Playing {
	var out Playing
	for _, p := range c.Scenes() {
		if out.ID == "" || p.From <= frame {
			out = p
		}
	}
	return out
}

// SceneOf is the scene in which a layer lies, or that it is; ok is false for
// layers over or beneath all scenes.
func (c *Clip) SceneOf(l *Layer) (p Playing, ok bool) {
	for depth := 0; l != nil && depth <= MaxDepth+1; depth++ {
		if l.Scene != nil {
			for _, p := range c.Scenes() {
				if p.ID == l.ID {
					return p, true
				}
			}
		}
		if l.Group == "" {
			break
		}
		l = c.Layer(l.Group)
	}
	return Playing{}, false
}

// Clock resolves the moments of the clip itself and of layers over or beneath
// all scenes.
func (c *Clip) Clock() timing.Clock { return timing.Clock{Rate: c.Rate, Tempo: c.Tempo} }

// ClockOf resolves the moments of a layer; nil is the clip's own.
func (c *Clip) ClockOf(l *Layer) timing.Clock {
	if p, ok := c.SceneOf(l); ok {
		return p.Clock(c)
	}
	return c.Clock()
}

// Span is the frames of the clip on which a layer shows: from, up to but not
// including to.
func (c *Clip) Span(l *Layer) (from, to int) {
	_, from, to = c.Timed(l)
	return from, to
}

// Timed is ClockOf and Span, for those who ask for both of many layers.
func (c *Clip) Timed(l *Layer) (clock timing.Clock, from, to int) {
	clock, to = c.Clock(), c.Length
	if p, ok := c.SceneOf(l); ok {
		if clock, to = p.Clock(c), p.To; p.ID == l.ID {
			return clock, p.From, p.To
		}
	}
	if l.To != nil {
		to = clock.Frame(*l.To)
	}
	return clock, clock.Frame(l.From), to
}

// Reach is the frames of the clip on which the moments of a layer may lie, to
// not included. What is in a scene may lie beyond its ends, where it does not
// show, so that a scene that is made shorter loses nothing.
func (c *Clip) Reach(l *Layer) (from, to int) {
	if p, ok := c.SceneOf(l); ok {
		longest := MaxSeconds * int(c.Rate)
		return p.From - longest, p.From + longest
	}
	return 0, c.Length
}

// Fit makes the clip as long as its scenes last together.
func (c *Clip) Fit() {
	if list := c.Scenes(); len(list) > 0 {
		c.Length = list[len(list)-1].To
	}
}

// Rebase counts the moments of a layer by another clock, so that they stay on
// the same frames of the clip.
func (l *Layer) Rebase(from, to timing.Clock) {
	l.Walk(Visitor{
		Moment: func(m *timing.Moment) { *m = to.Own(from.Whole(*m)) },
		Inner:  func(v *float64) { *v += float64(from.Start - to.Start) },
		Still:  func(n *int) { *n += from.Start - to.Start },
	})
	if l.Stepping != nil {
		l.Stepping.Phase += to.Start - from.Start
	}
}

// FreeSceneName is a name for another scene: "Scene 3".
func (c *Clip) FreeSceneName() string {
	for n := len(c.Scenes()) + 1; ; n++ {
		name, taken := fmt.Sprintf("Scene %d", n), false
		for _, p := range c.Scenes() {
			taken = taken || p.Name == name
		}
		if !taken {
			return name
		}
	}
}

// validateScenes checks that scenes follow each other and lie together, with
// what is over them in front and what is beneath them behind.
func (c *Clip) validateScenes() error {
	list := c.Scenes()
	if len(list) == 0 {
		return Fault("layers", "a clip needs at least one scene")
	}
	for _, p := range list {
		field := "layers[" + p.ID + "].scene"
		if p.To <= p.From {
			return Fault(field, "the scene %q would have no time; make it longer", p.Name)
		}
		if p.To > MaxSeconds*int(c.Rate) {
			return Fault(field, "a clip lasts at most %d seconds; with the scene %q it would be longer", MaxSeconds, p.Name)
		}
	}
	first, last := -1, -1
	for i := range c.Layers {
		if c.Layers[i].Kind == KindScene {
			if first < 0 {
				first = i
			}
			last = i
		}
	}
	for i := first; i <= last; i++ {
		if l := &c.Layers[i]; l.Group == "" && l.Kind != KindScene {
			return Fault("layers["+l.ID+"]", "%q would lie between two scenes; put it into a scene, or over or beneath all of them", l.Name)
		}
	}
	return nil
}
