package edit

import (
	"math"
	"slices"

	"billow/core/clip"
	"billow/core/timing"
)

// AddScene puts a new, empty scene after another one.
type AddScene struct {
	Typed
	ID    string     `json:"id"`
	Name  string     `json:"name,omitempty"`  // none is the next number
	After string     `json:"after,omitempty"` // none is at the end
	Scene clip.Scene `json:"scene"`           // its length
}

func (a *AddScene) apply(c *clip.Clip) error {
	if c.Layer(a.ID) != nil {
		return clip.Fault("id", "there is a layer %q already", a.ID)
	}
	before := c.Scenes()
	at := sceneAt(c, a.After)
	if at < 0 {
		return clip.Fault("after", "there is no scene %q; it may have been deleted", a.After)
	}
	name := a.Name
	if name == "" {
		name = c.FreeSceneName()
	}
	c.Layers = slices.Insert(c.Layers, at+1, clip.NewScene(a.ID, name, a.Scene))
	ripple(c, before)
	return nil
}

// sceneAt is the place of a scene in the list of layers, or of the last one; -1
// if there is none.
func sceneAt(c *clip.Clip, id string) int {
	at := -1
	for i := range c.Layers {
		if l := &c.Layers[i]; l.Kind == clip.KindScene && (id == "" || l.ID == id) {
			at = i
		}
	}
	return at
}

// playing finds a scene or reports that it is not there.
func playing(c *clip.Clip, id string) (clip.Playing, error) {
	for _, p := range c.Scenes() {
		if p.ID == id {
			return p, nil
		}
	}
	return clip.Playing{}, clip.Fault("scene", "there is no scene %q; it may have been deleted", id)
}

// MoveScene lets a scene play elsewhere, with all that is in it: before the one
// that has so many scenes before it now, not counting itself.
type MoveScene struct {
	Typed
	Scene string `json:"scene"`
	To    int    `json:"to"`
}

func (m *MoveScene) apply(c *clip.Clip) error {
	if _, err := playing(c, m.Scene); err != nil {
		return err
	}
	var places, order []int // where scenes lie in the list, and which one goes there
	moved := -1
	for i := range c.Layers {
		switch l := &c.Layers[i]; {
		case l.Kind != clip.KindScene:
			continue
		case l.ID == m.Scene:
			moved = i
		default:
			order = append(order, i)
		}
		places = append(places, i)
	}
	order = slices.Insert(order, min(max(m.To, 0), len(order)), moved)
	was := slices.Clone(c.Layers)
	for n, i := range places {
		c.Layers[i] = was[order[n]]
	}
	settleOver(c)
	return nil
}

// TrimScene lets a scene end, or begin, elsewhere; or gives it a length. What is
// cut off stays and shows again when the scene is made longer.
type TrimScene struct {
	Typed
	Scene  string         `json:"scene"`
	To     *timing.Moment `json:"to,omitempty"`     // of the clip: where it ends
	From   *timing.Moment `json:"from,omitempty"`   // of the clip: what of it becomes its beginning
	Length *clip.Scene    `json:"length,omitempty"` // its length instead
	Unit   string         `json:"unit,omitempty"`   // frames, beats or bars: counted so, it lasts as nearly as long as it does
}

func (t *TrimScene) apply(c *clip.Clip) error {
	p, err := playing(c, t.Scene)
	if err != nil {
		return err
	}
	before := c.Scenes()
	switch {
	case t.From != nil:
		if err := trimBeginning(c, p, *t.From); err != nil {
			return err
		}
	case t.To != nil:
		if c.Clock().Frame(*t.To) <= p.From {
			return clip.Fault("to", "the scene %q would end before it begins", p.Name)
		}
		endAt(c, p, *t.To)
	case t.Length != nil:
		c.Own(t.Scene).Scene.Lasts(*t.Length)
	case t.Unit != "":
		if err := countIn(c, p, t.Unit); err != nil {
			return err
		}
	default:
		return clip.Fault("to", "a scene gets another end, another beginning or another length")
	}
	ripple(c, before)
	return nil
}

// countIn counts a scene's length in a unit, at least one of it.
func countIn(c *clip.Clip, p clip.Playing, unit string) error {
	beats := max(1, math.Round(c.Clock().Beat(p.To)-p.First))
	length, ok := map[string]clip.Scene{
		"frames": {Frames: p.To - p.From}, "beats": {Beats: beats}, "bars": {Bars: max(1, math.Round(c.Tempo.BarAt(p.First+beats)-c.Tempo.BarAt(p.First)))},
	}[unit]
	if !ok {
		return clip.Fault("unit", "a scene is counted in frames, beats or bars, not in %q", unit)
	}
	c.Own(p.ID).Scene.Lasts(length)
	return nil
}

// endAt lets a scene end at a moment of the clip: on a beat, if that is one.
func endAt(c *clip.Clip, p clip.Playing, to timing.Moment) {
	if to.OnBeat && to.Frames == 0 && to.Beat > p.First {
		setBeats(c, p, to.Beat, p.Length.Beats == 0)
		if now, _ := playing(c, p.ID); now.To == c.Clock().Frame(to) {
			return
		}
	}
	c.Own(p.ID).Scene.Lasts(clip.Scene{Frames: c.Clock().Frame(to) - p.From})
}

// trimBeginning cuts off what comes before a moment of the clip. The scene begins
// on the frame on which it began, with what was to be seen at that moment.
func trimBeginning(c *clip.Clip, p clip.Playing, from timing.Moment) error {
	f := c.Clock().Frame(from)
	if f >= p.To {
		return clip.Fault("from", "nothing of the scene %q would be left", p.Name)
	}
	end := c.Clock().At(p.To - (f - p.From))
	if s := p.Length; s.Frames == 0 && from.OnBeat && from.Frames == 0 && c.Clock().Frame(timing.OnBeat(p.First)) == p.From {
		end = timing.OnBeat(endBeat(c, p) - (from.Beat - p.First))
	}
	// All that is in it is counted from the new beginning.
	cut := p.Clock(c)
	cut.Start, cut.First = f, c.Clock().Next(f)
	for i := range c.Layers {
		l := &c.Layers[i]
		if l.ID == p.ID || c.Within(l, p.ID) {
			own := c.Own(l.ID)
			begin := own.From
			own.Rebase(p.Clock(c), cut)
			if l.ID == p.ID {
				own.From = begin // a scene has no beginning but its own
			}
		}
	}
	endAt(c, p, end)
	return nil
}

// SplitScene ends the scene that plays on a frame there and lets a new one go on
// from there. What shows on both sides is in both of them then, so that every
// frame stays what it was.
type SplitScene struct {
	Typed
	At   timing.Moment `json:"at"` // of the clip
	ID   string        `json:"id"` // of the second scene
	Name string        `json:"name,omitempty"`
}

func (s *SplitScene) apply(c *clip.Clip) error {
	clock := c.Clock()
	f := clock.Frame(s.At)
	p := c.SceneAt(f)
	if f <= p.From || f >= p.To {
		return clip.Fault("at", "a scene is split between its first and its last frame, not at %s", c.Rate.Timecode(f))
	}
	end := timing.At(p.To)
	if p.Length.Frames == 0 {
		end = timing.OnBeat(endBeat(c, p))
	}
	first, name := p.ID, s.Name
	if name == "" {
		name = c.FreeSceneName()
	}
	if err := copyTree(c, first, s.ID); err != nil {
		return err
	}
	c.Own(s.ID).Name = name
	c.Own(first).Scene.Leave = clip.Leave{}
	was := p.Clock(c)
	endAt(c, p, s.At)
	now, err := playing(c, s.ID)
	if err != nil {
		return err
	}
	endAt(c, now, end)
	now, _ = playing(c, s.ID)
	return divide(c, [2]string{first, s.ID}, p.To, was, now)
}

// divide leaves in each of two scenes what shows in it. The first has lasted up
// to the frame end; the second is a copy of it, whose moments still count by the
// clock was.
func divide(c *clip.Clip, scenes [2]string, end int, was timing.Clock, now clip.Playing) error {
	named := map[string]bool{} // layers that others speak of
	for i := range c.Layers {
		l := &c.Layers[i]
		if l.Follow != nil {
			named[l.Follow.Layer] = true
		}
		if l.Inside != nil {
			named[l.Inside.Clip] = true
		}
		if l.Gel != nil {
			named[l.Gel.Where] = true
		}
		if w := l.Words; w != nil {
			named[w.Along] = true
			if w.Beside != nil {
				named[w.Beside.Layer] = true
			}
		}
	}
	var gone []string
	for i := range c.Layers {
		first, second := c.Within(&c.Layers[i], scenes[0]), c.Within(&c.Layers[i], scenes[1])
		if !first && !second {
			continue
		}
		own := c.Own(c.Layers[i].ID)
		from, to := was.Frame(own.From), end
		if own.To != nil {
			to = was.Frame(*own.To)
		}
		top := own.Group == scenes[0] || own.Group == scenes[1]
		if top && !named[own.ID] && (first && from >= now.From || second && to <= now.From) {
			gone = append(gone, own.ID)
		}
		// The time in a group, and wandering, are counted from both ends.
		if own.To == nil && (!top || first && (own.Inside != nil || own.Wander != nil)) {
			at := was.At(end)
			own.To = &at
		}
		if second {
			own.Rebase(was, now.Clock(c))
		}
	}
	own := c.Own(scenes[1])
	own.Rebase(was, now.Clock(c))
	own.From = timing.At(0)
	for _, id := range gone {
		if c.Layer(id) == nil {
			continue
		}
		if err := removeTree(c, id); err != nil {
			return err
		}
	}
	return nil
}

// ripple keeps what is the clip's own, and what is over or beneath all scenes,
// at its distance from the scenes over which it was before they changed.
func ripple(c *clip.Clip, before []clip.Playing) {
	c.Fit()
	c.OwnAll()
	clock := c.Clock()
	moved := func(m *timing.Moment) {
		f := clock.Frame(*m)
		was, now := scenesOn(c, before, f)
		if m.OnBeat {
			m.Beat += now.First - was.First
		}
		*m = m.Plus(now.From + min(f-was.From, now.To-now.From) - clock.Frame(*m))
	}
	c.WalkOwn(clip.Visitor{Moment: moved})
	for i := range c.Layers {
		l := &c.Layers[i]
		if _, in := c.SceneOf(l); in {
			continue
		}
		begins := l.From
		l.Walk(clip.Visitor{Moment: moved})
		if clock.Frame(begins) == 0 {
			l.From = begins // what is there from the beginning stays so
		}
	}
	settleOver(c)
}

// settleOver settles what is the clip's own and over or beneath all scenes.
func settleOver(c *clip.Clip) {
	c.Fit()
	for i := range c.Layers {
		if _, in := c.SceneOf(&c.Layers[i]); !in {
			settleLayer(c, c.Own(c.Layers[i].ID), span{c.Clock(), 0, c.Length})
		}
	}
	settleClip(c)
}

// scenesOn is the scene that played on a frame, and when it plays now; where it
// is gone, the next one that is still there, or the clip's end.
func scenesOn(c *clip.Clip, before []clip.Playing, frame int) (was, now clip.Playing) {
	i := 0
	for i+1 < len(before) && before[i+1].From <= frame {
		i++
	}
	was = before[i]
	for k := i; k < len(before); k++ {
		if p, err := playing(c, before[k].ID); err == nil {
			if k > i { // all of a scene that is gone is where the next one begins
				p.To = p.From
			}
			return was, p
		}
	}
	end := clip.Playing{From: c.Length, To: c.Length, First: math.Round(was.First)}
	return was, end
}
