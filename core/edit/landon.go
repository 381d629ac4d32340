package edit

import (
	"math"
	"slices"

	"billow/core/clip"
	"billow/core/moves"
	"billow/core/timing"
)

// LandOn lets what shows on one frame show on another one: what is said of layers in time is
// stretched about where they begin. A scene keeps its length, and what is in it is stretched. A
// group goes faster or slower. What happens on hits stays on them.
type LandOn struct {
	Typed
	Layers []string      `json:"layers"` // which may be a scene
	Frame  int           `json:"frame"`  // of the clip: what shows now
	On     timing.Moment `json:"on"`     // of the clip: when it is to show
}

func (o *LandOn) apply(c *clip.Clip) error {
	if len(o.Layers) == 0 {
		return clip.Fault("layers", "choose what is to go faster or slower: layers, a group or a scene")
	}
	c.OwnAll()
	about, err := o.begin(c)
	if err != nil {
		return err
	}
	on := c.Clock().Frame(o.On)
	if o.Frame <= about || on <= about {
		return clip.Fault("frame", "it begins at %s: only what comes after that can land elsewhere, and after that, too", c.Rate.Timecode(about))
	}
	s := stretching{c, o.Frame, on, o.On, about, float64(on-about) / float64(o.Frame-about)}
	past := beyond(c)
	for i := range c.Layers {
		l := &c.Layers[i]
		chosen := slices.Contains(o.Layers, l.ID)
		switch {
		case chosen && l.Kind == clip.KindScene:
			l.Walk(clip.Visitor{Moment: s.moments(c.ClockOf(l))}) // keys of the scene itself
		case chosen || o.inScene(c, l):
			if err := s.layer(l, chosen || ownTime(l)); err != nil {
				return err
			}
		default:
			continue
		}
		_, in := c.SceneOf(l)
		past[l.ID] = past[l.ID] || in // what a scene does not show is not lost
	}
	for i := range c.Layers {
		if g := &c.Layers[i]; g.Lineup != nil && o.inScene(c, g) && !ownTime(g) {
			if err := moves.RewriteLineup(c, g); err != nil {
				return err
			}
		}
	}
	settle(c, past)
	return rewriteHits(c)
}

// begin is the frame of the clip on which the first of the layers begins.
func (o *LandOn) begin(c *clip.Clip) (int, error) {
	about := math.MaxInt
	for _, id := range o.Layers {
		l := c.Layer(id)
		if l == nil {
			return 0, clip.Fault("layers", "there is no layer %q; it may have been deleted", id)
		}
		for g := c.Layer(l.Group); g != nil && g.Inside != nil; g = c.Layer(g.Group) {
			if ownTime(g) {
				return 0, clip.Fault("layers", "%q is in the group %q, which has a time of its own; choose the group", l.Name, g.Name)
			}
			if slices.Contains(o.Layers, g.ID) {
				return 0, clip.Fault("layers", "%q goes with the group %q; choose one of them", l.Name, g.Name)
			}
		}
		from, _ := c.Span(l)
		about = min(about, from)
	}
	return about, nil
}

// inScene tells whether a layer goes with a scene that is chosen; what is in a group that has a time of its own
// goes with that.
func (o *LandOn) inScene(c *clip.Clip, l *clip.Layer) bool {
	for g := c.Layer(l.Group); g != nil; g = c.Layer(g.Group) {
		if slices.Contains(o.Layers, g.ID) {
			return g.Kind == clip.KindScene
		}
		if ownTime(g) {
			return false
		}
	}
	return false
}

// ownTime tells whether the frames of a group's inside are not those of the clip.
func ownTime(g *clip.Layer) bool {
	in := g.Inside
	return in != nil && (in.Offset != 0 || in.Speed != 0 || in.Reverse || in.Freeze != nil || in.Repeat != 0 || len(g.Tracks[clip.Time]) > 0)
}

// stretching is by what factor time becomes longer about a frame of the clip.
type stretching struct {
	c         *clip.Clip
	frame, on int           // of the clip: what shows on frame shows on on
	exactly   timing.Moment // the same as on, as it is said
	about     int
	by        float64
}

func (s stretching) at(frame int) int {
	return s.about + int(math.Round(float64(frame-s.about)*s.by))
}

func (s stretching) frames(n *int) { *n = int(math.Round(float64(*n) * s.by)) }

// moments stretches moments of a clock. What was on a beat and comes to a whole one is on that.
func (s stretching) moments(clock timing.Clock) func(*timing.Moment) {
	return func(m *timing.Moment) {
		was := clock.Frame(*m)
		now := s.at(was)
		beat := s.c.Clock().Nearest(now)
		switch {
		case now == was:
		case now == s.on && was == s.frame:
			*m = clock.Own(s.exactly)
		case m.OnBeat && s.c.Clock().Frame(beat) == now:
			*m = clock.Own(beat)
		default:
			*m = clock.At(now)
		}
	}
}

// layer stretches all of a layer. A group that is to go faster takes its inside along.
func (s stretching) layer(l *clip.Layer, faster bool) error {
	clock := s.c.ClockOf(l)
	kept := l.Clone().Moves
	spans := make([][2]int, len(kept))
	for i, m := range kept {
		spans[i][0], spans[i][1] = moves.Span(s.c, l, m)
	}
	var to *timing.Moment
	if l.Inside != nil && l.Inside.Reverse {
		to = l.To // the inside is counted back from there
	}
	var again int
	if l.Inside != nil {
		again = l.Inside.Repeat // of the inside, whose time is not another one
	}
	more := func(n *float64) { *n *= s.by }
	l.Walk(clip.Visitor{Moment: s.moments(clock), Frames: s.frames, Beats: more, Bars: more})
	for i := range l.Moves {
		m := &l.Moves[i]
		switch {
		case m.Hits != nil:
			*m = kept[i] // it is where the hits are
		case kept[i].Length > 0 || kept[i].Beats > 0:
			m.Beats, m.Length = 0, max(1, s.at(spans[i][1])-s.at(spans[i][0]))
		}
	}
	if l.Inside != nil {
		if l.Inside.Repeat = again; to != nil {
			l.To = to
		}
		if faster {
			s.inside(l)
		}
	}
	s.running(l)
	if len(l.Moves) == 0 {
		return nil
	}
	return moves.Rewrite(s.c, l)
}

// inside lets what is in a group go faster or slower. Keys of its time are stretched already.
func (s stretching) inside(l *clip.Layer) {
	if len(l.Tracks[clip.Time]) > 0 {
		return
	}
	in := l.Inside
	if in.Speed == 0 {
		in.Speed = 1
	}
	in.Speed /= s.by
}

// running lets footage and rows that run go faster or slower.
func (s stretching) running(l *clip.Layer) {
	if l.Repeat != nil && !l.Repeat.ByBar {
		l.Repeat.Speed /= s.by
	}
	if l.Cutout == nil || s.c.Prop(l.Cutout.Prop) == nil || s.c.Prop(l.Cutout.Prop).Footage == nil {
		return
	}
	if l.Cutout.Runs == nil {
		l.Cutout.Runs = &clip.Running{}
	}
	r := l.Cutout.Runs
	if r.Beats > 0 {
		return // which are stretched already
	}
	if r.Speed == 0 {
		r.Speed = 100
	}
	r.Speed /= s.by
}
