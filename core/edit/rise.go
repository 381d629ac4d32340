package edit

import (
	"slices"

	"billow/core/clip"
)

// RiseBehind lets layers rise from behind another one: they come into a group right over it, which
// is cut to it below its middle and free above that. They pop up behind its rim and overlap its
// upper edge.
type RiseBehind struct {
	Typed
	Layers []string `json:"layers"`
	Behind string   `json:"behind"`
	ID     string   `json:"id"` // of the group
}

func (r *RiseBehind) apply(c *clip.Clip) error {
	behind, err := find(c, r.Behind)
	if err != nil {
		return err
	}
	if slices.Contains(r.Layers, r.Behind) {
		return clip.Fault("behind", "%q cannot rise from behind itself", behind.Name)
	}
	if behind.Is().Holds || behind.Is().Fills {
		return clip.Fault("behind", "layers rise from behind a figure, a cut-out or words; %q is none", behind.Name)
	}
	group, err := gather(c, r.Layers, r.ID, "Behind "+behind.Name)
	if err != nil {
		return err
	}
	if behind = c.Layer(r.Behind); behind.Group != group.Group {
		return clip.Fault("behind", "%q is in another group; bring it there first", behind.Name)
	}
	group.Inside.Clip, group.Inside.Free = r.Behind, true
	// The group and what is in it go right over it.
	var moved []clip.Layer
	c.Layers = slices.DeleteFunc(c.Layers, func(l clip.Layer) bool {
		goes := l.ID == r.ID || l.Group == r.ID
		if goes {
			moved = append(moved, l)
		}
		return goes
	})
	at := slices.IndexFunc(c.Layers, func(l clip.Layer) bool { return l.ID == r.Behind })
	c.Layers = slices.Insert(c.Layers, at+1, moved...)
	return nil
}
