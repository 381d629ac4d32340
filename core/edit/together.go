package edit

import (
	"fmt"
	"slices"

	"billow/core/clip"
	"billow/core/motion"
)

// AddLayers puts layers that belong together in front of all others, the lowest first. They
// speak of each other by IDs of their own: each is given a free one, and the last one, which
// may hold the others, ID. What is in none of them goes into Group.
type AddLayers struct {
	Typed
	Layers []clip.Layer `json:"layers"`
	ID     string       `json:"id"`
	Group  string       `json:"group,omitempty"`
}

func (a *AddLayers) apply(c *clip.Clip) error {
	n := len(a.Layers)
	if n == 0 {
		return clip.Fault("layers", "there is nothing to add")
	}
	if c.Layer(a.ID) != nil {
		return clip.Fault("id", "there is a layer %q already", a.ID)
	}
	renamed := map[string]string{}
	taken := map[string]bool{a.ID: true}
	for i, l := range a.Layers[:n-1] {
		id := ""
		for k := i + 1; id == "" || taken[id] || c.Layer(id) != nil; k += n {
			id = fmt.Sprintf("%s-%d", a.ID, k)
		}
		taken[id], renamed[l.ID] = true, id
	}
	renamed[a.Layers[n-1].ID] = a.ID
	if len(renamed) < n {
		return clip.Fault("layers", "two of the layers have the same id")
	}
	for i := range a.Layers {
		l := &a.Layers[i]
		if l.Tracks == nil {
			l.Tracks = map[string]motion.Track{}
		}
		rename(l, renamed)
		l.ID = renamed[l.ID]
		if l.Group == "" {
			l.Group = a.Group
		}
	}
	c.Layers = slices.Concat(c.Layers, a.Layers)
	return nil
}
