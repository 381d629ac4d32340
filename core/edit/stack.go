package edit

import (
	"slices"

	"billow/core/clip"
	"billow/core/moves"
)

// RemoveLayer takes a layer away with its keys, a group with all that is in it.
// What followed it or was cut to it stands by itself again.
type RemoveLayer struct {
	Typed
	Layer string `json:"layer"`
}

func (r *RemoveLayer) apply(c *clip.Clip) error {
	l, err := find(c, r.Layer)
	if err != nil {
		return err
	}
	before, plays := c.Scenes(), l.Is().Plays
	if plays && len(before) == 1 {
		return clip.Fault("layer", "%q is the only scene, and a clip needs one", l.Name)
	}
	if err := removeTree(c, r.Layer); err != nil {
		return err
	}
	if plays {
		ripple(c, before)
	}
	return nil
}

// removeTree takes a layer away with all that is in it.
func removeTree(c *clip.Clip, id string) error {
	gone := map[string]bool{id: true}
	for i := range c.Layers {
		if c.Within(&c.Layers[i], id) {
			gone[c.Layers[i].ID] = true
		}
	}
	c.Layers = slices.DeleteFunc(c.Layers, func(l clip.Layer) bool { return gone[l.ID] })
	return forget(c, gone)
}

// forget takes away what is said of layers that are gone.
func forget(c *clip.Clip, gone map[string]bool) error {
	for i := range c.Layers {
		l := &c.Layers[i]
		if l.Follow != nil && gone[l.Follow.Layer] {
			c.Own(l.ID).Follow = nil
		}
		if l.Inside != nil && gone[l.Inside.Clip] {
			c.Own(l.ID).Inside.Clip = ""
		}
		for k, m := range l.Moves {
			if m.Hits != nil && gone[m.Hits.With] {
				c.Own(l.ID).Moves[k].Hits.With = ""
			}
		}
		if l.Gel != nil && gone[l.Gel.Where] {
			c.Own(l.ID).Gel.Where = ""
		}
		if w := l.Words; w != nil && (gone[w.Along] || w.Beside != nil && gone[w.Beside.Layer]) {
			own := c.Own(l.ID).Words
			if gone[own.Along] {
				own.Along = ""
			}
			if own.Beside != nil && gone[own.Beside.Layer] {
				own.Beside = nil
			}
		}
		if l.Lineup != nil {
			own := c.Own(l.ID)
			for id := range gone {
				moves.Forget(own, id)
			}
			if err := moves.RewriteLineup(c, own); err != nil {
				return err
			}
		}
	}
	return nil
}

// CopyLayer puts a copy just in front of a layer; a group is copied with all
// that is in it, and so is a scene, which plays after the first.
type CopyLayer struct {
	Typed
	Layer string `json:"layer"`
	ID    string `json:"id"` // of the copy
}

func (d *CopyLayer) apply(c *clip.Clip) error {
	before := c.Scenes()
	if err := copyTree(c, d.Layer, d.ID); err != nil {
		return err
	}
	if c.Layer(d.ID).Is().Plays {
		ripple(c, before)
	}
	return nil
}

// copyTree copies a layer with all that is in it.
func copyTree(c *clip.Clip, layer, id string) error {
	l, err := find(c, layer)
	if err != nil {
		return err
	}
	if c.Layer(id) != nil {
		return clip.Fault("id", "there is a layer %q already", id)
	}
	twin := l.Clone()
	twin.ID, twin.Name = id, l.Name+" copy"
	renamed := map[string]string{layer: id}
	copies := []clip.Layer{twin}
	for i := range c.Layers {
		if in := &c.Layers[i]; c.Within(in, layer) {
			inner := in.Clone()
			inner.ID = c.FreeID(in.ID)
			for n := 2; slices.ContainsFunc(copies, func(l clip.Layer) bool { return l.ID == inner.ID }); n++ {
				inner.ID = c.FreeID(in.ID + "-" + string(rune('0'+n%10)))
			}
			renamed[in.ID] = inner.ID
			copies = append(copies, inner)
		}
	}
	for i := range copies {
		rename(&copies[i], renamed)
	}
	at := slices.IndexFunc(c.Layers, func(l clip.Layer) bool { return l.ID == layer })
	c.Layers = slices.Insert(c.Layers, at+1, copies...)
	return nil
}

// rename makes a copied layer speak of the other copies.
func rename(l *clip.Layer, names map[string]string) {
	l.Walk(clip.Visitor{Layer: func(id *string) {
		if n, ok := names[*id]; ok {
			*id = n
		}
	}})
}

// StackLayer moves a layer to a place in the stack: just in front of another
// one (and into its group), some steps among those that lie where it lies, or to
// a place counted from the back.
type StackLayer struct {
	Typed
	Layer string `json:"layer"`
	To    int    `json:"to,omitempty"`
	Above string `json:"above,omitempty"`
	Steps int    `json:"steps,omitempty"` // to the front; below 0 to the back; as far as it goes
}

func (s *StackLayer) apply(c *clip.Clip) error {
	l, err := find(c, s.Layer)
	if err != nil {
		return err
	}
	moved := *l
	if s.Above == s.Layer {
		return nil
	}
	if s.Steps != 0 {
		return s.step(c, moved)
	}
	var under *clip.Layer
	if s.Above != "" {
		if under, err = find(c, s.Above); err != nil {
			return err
		}
		if under.Group == s.Layer || c.Within(under, s.Layer) {
			return clip.Fault("above", "the group %q would contain itself", moved.Name)
		}
		if moved.Group != under.Group {
			moves.Forget(c.Own(moved.Group), s.Layer)
			enter(c, s.Layer, under.Group)
			moved = *c.Own(s.Layer)
		}
	}
	c.Layers = slices.DeleteFunc(c.Layers, func(l clip.Layer) bool { return l.ID == s.Layer })
	to := min(max(s.To, 0), len(c.Layers))
	if s.Above != "" {
		to = slices.IndexFunc(c.Layers, func(l clip.Layer) bool { return l.ID == s.Above }) + 1
	}
	c.Layers = slices.Insert(c.Layers, to, moved)
	return nil
}

// step moves the layer among those that lie in the same group; scenes, which play
// one after another, are passed.
func (s *StackLayer) step(c *clip.Clip, moved clip.Layer) error {
	var beside []string
	at := 0
	for i := range c.Layers {
		l := &c.Layers[i]
		if l.ID == moved.ID {
			at = len(beside)
		}
		if l.Group == moved.Group && (!l.Is().Plays || moved.Is().Plays) {
			beside = append(beside, l.ID)
		}
	}
	to := min(max(at+s.Steps, 0), len(beside)-1)
	if to == at {
		return nil
	}
	by := beside[to]
	c.Layers = slices.DeleteFunc(c.Layers, func(l clip.Layer) bool { return l.ID == moved.ID })
	place := slices.IndexFunc(c.Layers, func(l clip.Layer) bool { return l.ID == by })
	if to > at {
		place++
	}
	c.Layers = slices.Insert(c.Layers, place, moved)
	return nil
}
