package moves

import (
	"slices"

	"billow/core/clip"
	"billow/core/motion"
	"billow/core/timing"
)

// lineupID is the move that the keys of a line-up bear.
const lineupID = "lineup"

// SideBySide is the usual stage: the next product waits small, turned and faint
// on one side, the hero is large and upright, the last one leaves on the other.
func SideBySide() *clip.Lineup {
	return &clip.Lineup{
		Slots: []clip.Slot{
			{Name: "Waiting", X: 430, Y: 40, Size: 45, Turn: 14, Opacity: 45},
			{Name: "Hero", Size: 100, Opacity: 100},
			{Name: "Gone", X: -430, Y: 40, Size: 45, Turn: -14, Opacity: 45},
		},
		Hero: 1, Stay: 75, Change: 15,
	}
}

// ThroughAWindow is a stage seen through a hole so wide: products come from one
// side of it, stand in it, and go on to the other.
func ThroughAWindow(hole float64) *clip.Lineup {
	d := hole * 1.15
	return &clip.Lineup{
		Slots: []clip.Slot{
			{Name: "Before", X: d, Size: 100, Turn: 8, Opacity: 100},
			{Name: "In the window", Size: 100, Opacity: 100},
			{Name: "Past", X: -d, Size: 100, Turn: -8, Opacity: 100},
		},
		Hero: 1, Stay: 60, Change: 14,
	}
}

// written are the properties of which a line-up writes keys.
var written = []string{clip.Position, clip.Scale, clip.Rotation, clip.Opacity}

// ByHand counts the keys of the products of a group's line-up that were set by hand:
// they stay, whatever the line-up says.
func ByHand(c *clip.Clip, group *clip.Layer) int {
	n := 0
	for _, it := range group.Lineup.Items {
		for _, name := range written {
			for _, k := range c.Layer(it.Layer).Tracks[name] {
				if k.Move == "" {
					n++
				}
			}
		}
	}
	return n
}

// ForgetByHand takes those keys away.
func ForgetByHand(c *clip.Clip, group *clip.Layer) {
	if group.Lineup == nil {
		return
	}
	for _, it := range group.Lineup.Items {
		l := c.Own(it.Layer)
		for _, name := range written {
			t := slices.DeleteFunc(l.Tracks[name], func(k motion.Key) bool { return k.Move == "" })
			if l.Tracks[name] = t; len(t) == 0 {
				delete(l.Tracks, name)
			}
		}
	}
}

// Waiting counts the products of a group's line-up for which there is no hit.
func Waiting(c *clip.Clip, group *clip.Layer) int {
	if group.Lineup.On == nil {
		return 0
	}
	s := stageOf(c, group)
	if s.times() != nil {
		return 0 // validation says it
	}
	return max(0, len(group.Lineup.Items)-len(s.arrived))
}

// RewriteLineup writes the keys of all layers of a group's line-up again.
func RewriteLineup(c *clip.Clip, group *clip.Layer) error {
	chosen := map[string]eases{}
	for _, id := range c.Children(group.ID) {
		l := c.Own(id)
		chosen[id] = easedByHand(l)
		Erase(l, func(id string) bool { return id == lineupID })
	}
	u := group.Lineup
	if u == nil || len(u.Items) == 0 {
		return nil
	}
	s := stageOf(c, group)
	if err := s.times(); err != nil {
		return err
	}
	for i, it := range u.Items {
		s.product(c.Own(it.Layer), i)
		for _, id := range it.With {
			s.companion(c.Own(id), i)
		}
	}
	for id, e := range chosen {
		e.again(c.Own(id))
	}
	return nil
}

// stage knows when what happens in a line-up.
type stage struct {
	clip    *clip.Clip
	lineup  *clip.Lineup
	clock   timing.Clock
	from    int // frames of the clip in which all has to happen, to not included
	to      int
	arrived []timing.Moment // of each product in the hero's slot, and the end of the last
	began   []timing.Moment // when the change towards it begins
}

func stageOf(c *clip.Clip, group *clip.Layer) stage {
	s := stage{clip: c, lineup: group.Lineup, clock: c.ClockOf(group), from: 0, to: c.Length}
	if p, ok := c.SceneOf(group); ok {
		s.from, s.to = p.From, p.To
	}
	return s
}

// times works out all changes; the error says when they do not fit. Those for which there is no hit do
// not come about.
func (s *stage) times() error {
	u := s.lineup
	at := u.Start
	// A start that is counted in frames stays where it is; the changes after it are
	// counted from the beat nearest to it.
	whole := at
	if u.Beats > 0 && !at.OnBeat {
		whole = s.clock.Nearest(s.clock.Frame(at))
	}
	changes := len(u.Items)
	if u.Leaves {
		changes++
	}
	var hits []clip.Struck
	if u.On != nil {
		hits = s.clip.Struck(u.On, s.clock.Frame(at)+s.change(at)+1, s.to, s.change(at)+1)
		changes = min(changes, len(hits)+1)
	}
	for i := range changes {
		switch {
		case i == 0:
		case u.On != nil:
			at = s.clock.Own(hits[i-1].At)
		case u.Beats > 0:
			at = whole
			at.Beat += float64(i) * u.Beats
		default:
			at = at.Plus(u.Stay)
		}
		began := at.Plus(-u.Change)
		if u.Bars > 0 {
			began = at
			if !began.OnBeat {
				began = s.clock.OnBeat(s.clock.Beat(s.clock.Frame(began)))
			}
			t := s.clock.Tempo
			began.Beat = t.Downbeat(t.BarAt(began.Beat) - u.Bars)
		}
		if u.On != nil && i > 0 && s.clock.Frame(began) < s.clock.Frame(s.arrived[i-1]) {
			began = s.arrived[i-1] // bars are not all as long
		}
		s.arrived, s.began = append(s.arrived, at), append(s.began, began)
		f := s.clock.Frame(at)
		if i == len(u.Items) && f >= s.to {
			return clip.Fault("lineup.leaves", "the last product would have left at frame %d, outside the %d frames that there are; let each stay for a shorter time, or make the scene longer", f, s.to-s.from)
		}
		if f < s.from || f >= s.to {
			return clip.Fault("lineup", "product %d of %d would arrive at frame %d, outside the %d frames that there are; let each stay for a shorter time, or make the scene longer", i+1, len(u.Items), f, s.to-s.from)
		}
		if i > 0 && s.clock.Frame(began) < s.clock.Frame(s.arrived[i-1]) {
			return clip.Fault("lineup", "a change takes longer than a product stays: product %d would go before it has arrived", i)
		}
		if s.clock.Frame(began) >= f {
			return clip.Fault("lineup.change", "a change takes at least one frame")
		}
	}
	return nil
}

// change is how many frames a change takes that ends with a moment.
func (s *stage) change(at timing.Moment) int {
	if s.lineup.Bars == 0 {
		return s.lineup.Change
	}
	t := s.clock.Tempo
	end := s.clock.Frame(at)
	return end - s.clock.Frame(s.clock.OnBeat(t.Downbeat(t.BarAt(s.clock.Beat(end))-s.lineup.Bars)))
}

// slotOf is where product i stands while product now is shown, or a slot with
// no opacity where it is not on the stage.
func (s *stage) slotOf(i, now int) clip.Slot {
	n := s.lineup.Hero + now - i
	slot := s.lineup.Slots[min(max(n, 0), len(s.lineup.Slots)-1)]
	if n < 0 || n >= len(s.lineup.Slots) {
		slot.Opacity = 0
	}
	return slot
}

// product writes the way of one product through the slots.
func (s *stage) product(l *clip.Layer, i int) {
	last := clip.Slot{}
	for now := range s.arrived {
		slot := s.slotOf(i, now)
		if now == 0 {
			s.slot(l, s.first(), hold, slot)
		} else if slot != last {
			s.slot(l, s.began[now], s.ease(), last)
			s.slot(l, s.arrived[now], hold, slot)
		}
		last = slot
	}
}

// ease is how products go from one slot to the next.
func (s *stage) ease() motion.Ease {
	if e := s.lineup.Ease; e != nil {
		return *e
	}
	return soft
}

// first is the beginning of the clip: the first product stands there already.
func (s *stage) first() timing.Moment { return timing.At(0) }

func (s *stage) slot(l *clip.Layer, at timing.Moment, ease motion.Ease, slot clip.Slot) {
	w := &writer{clip: s.clip, layer: l, clock: s.clock, move: clip.Move{ID: lineupID}}
	w.put(clip.Position, at, ease, slot.X, slot.Y)
	w.put(clip.Scale, at, ease, slot.Size)
	w.put(clip.Rotation, at, ease, slot.Turn)
	w.put(clip.Opacity, at, ease, slot.Opacity)
}

// companion shows what belongs to product i while it is the hero: it begins to
// go on the frame on which the product does and has come when that has arrived.
// What goes has faded half-way, where what comes begins, so that words do not
// show through each other.
func (s *stage) companion(l *clip.Layer, i int) {
	w := &writer{clip: s.clip, layer: l, clock: s.clock, move: clip.Move{ID: lineupID}}
	if i == 0 {
		w.put(clip.Opacity, s.first(), hold, 100)
	} else {
		w.put(clip.Opacity, s.first(), hold, 0)
		w.put(clip.Opacity, s.halfway(i), soft, 0)
		w.put(clip.Opacity, s.arrived[i], hold, 100)
	}
	if i+1 < len(s.arrived) {
		w.put(clip.Opacity, s.began[i+1], soft, 100)
		w.put(clip.Opacity, s.halfway(i+1), hold, 0)
	}
}

// halfway is the middle of the change towards product i.
func (s *stage) halfway(i int) timing.Moment {
	return s.arrived[i].Plus(-(s.clock.Frame(s.arrived[i]) - s.clock.Frame(s.began[i])) / 2)
}

// Forget takes a layer out of the line-up that it is in, if it is in one.
func Forget(group *clip.Layer, layer string) {
	if group == nil || group.Lineup == nil {
		return
	}
	u := group.Lineup
	u.Items = slices.DeleteFunc(u.Items, func(it clip.Item) bool { return it.Layer == layer })
	for i := range u.Items {
		u.Items[i].With = slices.DeleteFunc(u.Items[i].With, func(id string) bool { return id == layer })
	}
}
