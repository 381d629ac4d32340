package edit

import (
	"strings"

	"billow/core/clip"
)

// TradeProduct makes the clip one for another product: what a product is called,
// costs and looks like is put in the place of one that the clip has. Words that
// show it follow by themselves; the others change where they name it. Cut-outs that
// show its picture show the new one, in a size that agrees (SwapPicture). The
// product keeps its ID, so that nothing loses it.
type TradeProduct struct {
	Typed
	Product string       `json:"product"`        // the one that goes
	For     clip.Product `json:"for"`            // what takes its place; its ID counts for nothing
	Prop    *clip.Prop   `json:"prop,omitempty"` // the picture of the new one, when the clip may not have it yet
}

func (t *TradeProduct) apply(c *clip.Clip) error {
	p := c.Product(t.Product)
	if p == nil {
		return clip.Fault("product", "there is no product %q", t.Product)
	}
	before, next := *p, t.For
	next.ID = before.ID
	if t.Prop != nil {
		next.Prop = broughtIn(c, *t.Prop)
	}
	if next.Prop != "" && c.Prop(next.Prop) == nil {
		return clip.Fault("for.prop", "there is no picture %q", next.Prop)
	}
	*c.Product(t.Product) = next
	for i := range c.Layers {
		l := &c.Layers[i]
		switch {
		case l.Cutout != nil && before.Prop != "" && next.Prop != "" && l.Cutout.Prop == before.Prop:
			swap := SwapPicture{Layer: l.ID, Prop: next.Prop}
			if err := swap.apply(c); err != nil {
				return err
			}
		case l.Words != nil && before.Name != "" && strings.Contains(l.Words.Text, before.Name):
			c.Own(l.ID).Words.Text = strings.ReplaceAll(l.Words.Text, before.Name, next.Name)
		}
		if l := &c.Layers[i]; before.Name != "" && strings.Contains(l.Name, before.Name) {
			c.Own(l.ID).Name = strings.ReplaceAll(l.Name, before.Name, next.Name)
		}
	}
	return nil
}

// broughtIn is the ID of a prop in the clip: of the one that has the same file, or
// of this one, which is added then.
func broughtIn(c *clip.Clip, p clip.Prop) string {
	for i := range c.Props {
		if c.Props[i].Hash == p.Hash {
			return c.Props[i].ID
		}
	}
	if c.Prop(p.ID) != nil && len(p.Hash) >= 16 {
		p.ID = "prop-" + p.Hash[:16]
	}
	c.Props = append(c.Props, p)
	return p.ID
}
