package edit

import (
	"math"
	"slices"

	"billow/core/clip"
	"billow/core/colour"
	"billow/core/moves"
	"billow/core/timing"
)

// GroupLayers puts layers into a new group, where the frontmost of them was.
type GroupLayers struct {
	Typed
	Layers []string `json:"layers"`
	ID     string   `json:"id"`
	Name   string   `json:"name"`
}

func (g *GroupLayers) apply(c *clip.Clip) error {
	_, err := gather(c, g.Layers, g.ID, g.Name)
	return err
}

func gather(c *clip.Clip, layers []string, id, name string) (*clip.Layer, error) {
	if len(layers) == 0 {
		return nil, clip.Fault("layers", "choose the layers that belong together first")
	}
	if c.Layer(id) != nil {
		return nil, clip.Fault("id", "there is a layer %q already", id)
	}
	first, err := find(c, layers[0])
	if err != nil {
		return nil, err
	}
	group := clip.NewGroup(id, name)
	group.Group = first.Group
	at := 0
	for _, in := range layers {
		l, err := find(c, in)
		if err != nil {
			return nil, err
		}
		if l.Group != group.Group {
			return nil, clip.Fault("layers", "%q and %q are in different groups; bring them into one first", first.Name, l.Name)
		}
		at = max(at, slices.IndexFunc(c.Layers, func(l clip.Layer) bool { return l.ID == in }))
		moves.Forget(c.Own(l.Group), in)
		l.Group = id
	}
	c.Layers = slices.Insert(c.Layers, at+1, group)
	return c.Own(id), nil
}

// Ungroup takes a group away and leaves its layers where it is.
type Ungroup struct {
	Typed
	Layer string `json:"layer"`
}

func (u *Ungroup) apply(c *clip.Clip) error {
	g, err := find(c, u.Layer)
	if err != nil {
		return err
	}
	if g.Kind != clip.KindGroup {
		return clip.Fault("layer", "%q is not a group", g.Name)
	}
	outer := g.Group
	for _, id := range c.Children(u.Layer) {
		c.Own(id).Group = outer
	}
	c.Layers = slices.DeleteFunc(c.Layers, func(l clip.Layer) bool { return l.ID == u.Layer })
	return forget(c, map[string]bool{u.Layer: true})
}

// IntoGroup moves layers into a group or a scene, or out of all of them: over all
// scenes, or beneath them.
type IntoGroup struct {
	Typed
	Layers  []string `json:"layers"`
	Group   string   `json:"group"`
	Beneath bool     `json:"beneath,omitempty"`
}

func (g *IntoGroup) apply(c *clip.Clip) error {
	if g.Group != "" {
		into, err := find(c, g.Group)
		if err != nil {
			return err
		}
		if !into.Is().Holds {
			return clip.Fault("group", "%q is not a group", into.Name)
		}
	}
	for _, id := range g.Layers {
		l, err := find(c, id)
		if err != nil {
			return err
		}
		if l.Group == g.Group && g.Group != "" {
			continue
		}
		if was := c.Own(l.Group); was != nil {
			moves.Forget(was, id)
			if err := moves.RewriteLineup(c, was); err != nil {
				return err
			}
		}
		enter(c, id, g.Group)
		if g.Group == "" {
			overScenes(c, id, g.Beneath)
		}
	}
	return nil
}

// enter puts a layer into a group or a scene, or out of all. Between scenes it
// keeps its times within the scene; between a scene and the clip it stays where
// it is in time as far as that goes.
func enter(c *clip.Clip, id, group string) {
	l := c.Own(id)
	was, wasIn := c.SceneOf(l)
	from := c.ClockOf(l)
	l.Group = group
	now, in := c.SceneOf(l)
	if wasIn && in || !wasIn && !in {
		return
	}
	rebase := func(to timing.Clock) {
		for i := range c.Layers {
			if l := &c.Layers[i]; l.ID == id || c.Within(l, id) {
				c.Own(l.ID).Rebase(from, to)
			}
		}
	}
	clock := now.Clock(c)
	if !in {
		rebase(c.Clock())
		if l.To == nil && was.To < c.Length {
			end := timing.At(was.To)
			l.To = &end
		}
		settleLayer(c, l, span{c.Clock(), 0, c.Length})
		return
	}
	begin, end := from.Frame(l.From), c.Length
	if l.To != nil {
		end = from.Frame(*l.To)
	}
	if begin >= now.To || end <= now.From { // it begins with the scene instead
		from.Start, from.First = begin, c.Clock().Next(begin)
	}
	rebase(clock)
	if l.To != nil && clock.Frame(*l.To) >= now.To {
		l.To = nil
	}
	if l.From = clock.At(max(clock.Frame(l.From), now.From)); l.To != nil && clock.Frame(*l.To) <= clock.Frame(l.From) {
		l.To = nil
	}
}

// overScenes moves a layer in the list in front of all scenes, or behind them.
func overScenes(c *clip.Clip, id string, beneath bool) {
	i := slices.IndexFunc(c.Layers, func(l clip.Layer) bool { return l.ID == id })
	l := c.Layers[i]
	c.Layers = slices.Delete(c.Layers, i, i+1)
	if beneath {
		at := slices.IndexFunc(c.Layers, func(l clip.Layer) bool { return l.Kind == clip.KindScene })
		c.Layers = slices.Insert(c.Layers, max(at, 0), l)
		return
	}
	c.Layers = slices.Insert(c.Layers, sceneAt(c, "")+1, l)
}

// SetLineup changes a group's line-up, or takes it away, and writes the keys of
// all that is in it.
type SetLineup struct {
	Typed
	Layer  string       `json:"layer"`
	Lineup *clip.Lineup `json:"lineup"`
	Anew   bool         `json:"anew,omitempty"` // keys that were set by hand give way
}

func (s *SetLineup) apply(c *clip.Clip) error {
	g, err := find(c, s.Layer)
	if err != nil {
		return err
	}
	g.Lineup = s.Lineup
	if err := c.Validate(); err != nil {
		return err
	}
	if s.Anew {
		moves.ForgetByHand(c, g)
	}
	return moves.RewriteLineup(c, g)
}

// MakeLineup lets layers take turns: it groups them, puts them all on one place
// and gives the group a line-up. Words among them come and go with the product
// that they show (turns). With a window, a card with a round hole is put in front.
type MakeLineup struct {
	Typed
	Layers []string `json:"layers"`
	ID     string   `json:"id"`
	Window bool     `json:"window,omitempty"`
}

func (m *MakeLineup) apply(c *clip.Clip) error {
	var products, words []string
	order := slices.Clone(m.Layers)
	for _, id := range order {
		l, err := find(c, id)
		if err != nil {
			return err
		}
		switch k := l.Is(); {
		case k.Goes:
			words = append(words, id)
		case k.Fills:
			return clip.Fault("layers", "a backdrop cannot take turns; choose products and their words")
		default:
			products = append(products, id)
		}
	}
	if len(products) < 2 {
		return clip.Fault("layers", "a line-up needs at least two products")
	}
	name, lineup := "Line-up", moves.SideBySide()
	if m.Window {
		name = "Behind a window"
	}
	g, err := gather(c, m.Layers, m.ID, name)
	if err != nil {
		return err
	}
	stand := c.Own(products[0]).Rest
	for _, id := range products {
		l := c.Own(id)
		l.Rest.Pin, l.Rest.X, l.Rest.Y = stand.Pin, stand.X, stand.Y
	}
	if m.Window {
		hole := min(900, largest(c, products)*1.2)
		card := windowCard(c, g.ID, stand, hole)
		inOrder(c, g.ID, products, card, words)
		lineup = moves.ThroughAWindow(hole)
	}
	lineup.Items = turns(c, products, words)
	fitTimes(c, g, lineup)
	g = c.Own(m.ID)
	g.Lineup = lineup
	return moves.RewriteLineup(c, g)
}

// turns pairs products with the words that come and go with them: words that show a
// product go with its picture, the others with products in the order in which both
// were chosen. One text for several products stays all the time.
func turns(c *clip.Clip, products, words []string) []clip.Item {
	items := make([]clip.Item, len(products))
	for i, id := range products {
		items[i].Layer = id
	}
	var rest []string
	for _, id := range words {
		if i := slices.IndexFunc(products, func(p string) bool { return c.SpeaksOf(c.Layer(id), c.Layer(p)) }); i >= 0 {
			items[i].With = append(items[i].With, id)
		} else {
			rest = append(rest, id)
		}
	}
	if len(rest) > 1 {
		for i, id := range rest {
			it := &items[i%len(items)]
			it.With = append(it.With, id)
		}
	}
	return items
}

// fitTimes lets the products share the time of a group's scene evenly: by whole
// bars where a bar is short enough, else by frames.
func fitTimes(c *clip.Clip, g *clip.Layer, u *clip.Lineup) {
	from, to := room(c, g)
	length := to - from
	n := len(u.Items)
	u.Start = timing.At(0)
	bar := float64(c.Tempo.PerBar) * 60 / c.Tempo.BPM
	each := float64(length) / float64(c.Rate) / float64(n)
	if bars := math.Floor(each / bar); bars >= 1 {
		u.Start, u.Beats = timing.OnBeat(0), bars*float64(c.Tempo.PerBar)
	}
	u.Stay = max(2, min(u.Stay, length/n))
	u.Change = max(1, min(u.Change, u.Stay/2))
}

func largest(c *clip.Clip, layers []string) float64 {
	size := 0.0
	for _, id := range layers {
		size = max(size, c.Layer(id).Rest.Size)
	}
	return size
}

// windowCard is a card that covers the frame but for a round hole where the
// products stand.
func windowCard(c *clip.Clip, group string, stand clip.Rest, hole float64) clip.Layer {
	card := clip.NewLayer(c.FreeID("card"), "Card with a window", clip.KindCard)
	card.Card = &clip.Card{
		Form: "card", Aspect: 1, Fills: true, Fill: colour.RGB(0x2C7A68), Outline: colour.RGB(0xFCFAF5),
		Hole: &clip.Hole{Form: "disc", Size: hole, Aspect: 1},
	}
	card.Rest = clip.Rest{Pin: stand.Pin, X: stand.X, Y: stand.Y, Size: 1000}
	card.Lift, card.Group = 26, group
	return card
}

// inOrder stacks what is in a group: products at the back, then the card, then
// the words.
func inOrder(c *clip.Clip, group string, products []string, card clip.Layer, words []string) {
	var stack []clip.Layer
	take := func(ids []string) {
		for _, id := range ids {
			stack = append(stack, *c.Layer(id))
		}
	}
	take(products)
	stack = append(stack, card)
	take(words)
	c.Layers = slices.DeleteFunc(c.Layers, func(l clip.Layer) bool { return l.Group == group })
	at := slices.IndexFunc(c.Layers, func(l clip.Layer) bool { return l.ID == group })
	c.Layers = slices.Insert(c.Layers, at, stack...)
}
