package edit

import (
	"slices"

	"billow/core/clip"
)

// AddMask puts a mask on a layer, after those that it has: in its middle, smaller than
// it.
type AddMask struct {
	Typed
	Layer string `json:"layer"`
	Form  string `json:"form"`

	Mask *clip.Mask `json:"mask,omitempty"` // of the form path: what was drawn; its number is given
}

func (a *AddMask) apply(c *clip.Clip) error {
	l, err := find(c, a.Layer)
	if err != nil {
		return err
	}
	n := freeNumber(func(n int) bool { return slices.ContainsFunc(l.Masks, func(m clip.Mask) bool { return m.ID == n }) })
	side := l.Rest.Size * 0.7
	if l.Is().Fills || l.Words != nil {
		side = 600
	}
	m := clip.Mask{ID: n, Form: a.Form, W: side, H: side}
	if a.Form == "path" {
		if a.Mask == nil {
			return clip.Fault("mask", "draw in the picture around what the mask is to show")
		}
		m = *a.Mask
		m.ID, m.Form = n, a.Form
	}
	if len(l.Masks) > 0 {
		m.Mode = "add"
	}
	l.Masks = append(l.Masks, m)
	return nil
}

// RemoveMask takes a mask away, with its keys.
type RemoveMask struct {
	Typed
	Layer  string `json:"layer"`
	Number int    `json:"number"`
}

func (r *RemoveMask) apply(c *clip.Clip) error {
	l, err := find(c, r.Layer)
	if err != nil {
		return err
	}
	before := len(l.Masks)
	l.Masks = slices.DeleteFunc(l.Masks, func(m clip.Mask) bool { return m.ID == r.Number })
	if len(l.Masks) == before {
		return clip.Fault("number", "%q has no mask %d", l.Name, r.Number)
	}
	if len(l.Masks) == 0 {
		l.Masks = nil
	}
	drop(l)
	return nil
}
