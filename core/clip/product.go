package clip

import (
	"fmt"
	"slices"
	"unicode/utf8"

	"billow/core/offer"
)

// Product is one of the range: a name, prices, a picture and fields of its own.
type Product struct {
	ID       string            `json:"id"`
	Name     string            `json:"name"`
	Price    string            `json:"price"`            // decimal, such as "34.90"
	OldPrice string            `json:"oldPrice"`         // decimal, or empty
	Currency string            `json:"currency"`         // ISO 4217
	Prop     string            `json:"prop,omitempty"`   // its cut-out
	Fields   map[string]string `json:"fields,omitempty"` // what else words can show of it, by name
}

// ProductSlot stands for the product of the scene in which a layer is, or of the clip:
// words show what it is called and costs, cut-outs its picture. Choosing another
// product for the scene changes all of them together.
const ProductSlot = "@product"

// ProductOf is the product that a layer shows, or nil.
func (c *Clip) ProductOf(l *Layer) *Product {
	id := ""
	switch {
	case l.Words != nil:
		id = l.Words.Product
	case l.Cutout != nil:
		id = l.Cutout.Prop // a picture by itself is of no product
		if id != ProductSlot {
			return nil
		}
	}
	if id != ProductSlot {
		return c.Product(id)
	}
	if p, ok := c.SceneOf(l); ok {
		if id := c.Layer(p.ID).Scene.Product; id != "" {
			return c.Product(id)
		}
	}
	return c.Product(c.Shown)
}

// Subject is what words speak of: a product, in the form of a language.
type Subject struct {
	*Product
	Language string `json:"language"`
}

// SubjectOf is what a layer's words speak of, or nil.
func (c *Clip) SubjectOf(l *Layer) *Subject {
	if p := c.ProductOf(l); p != nil {
		return &Subject{p, c.Language}
	}
	return nil
}

// PictureOf is the picture that a cut-out shows; nil while its slot is empty.
func (c *Clip) PictureOf(l *Layer) *Prop {
	id := l.Cutout.Prop
	if id == ProductSlot {
		p := c.ProductOf(l)
		if p == nil {
			return nil
		}
		id = p.Prop
	}
	return c.Prop(id)
}

// hasProduct tells whether a reference to a product leads somewhere: to one that
// is there, to the slot where that is allowed, or nowhere on purpose.
func (c *Clip) hasProduct(id string, slot bool) bool {
	return id == "" || slot && id == ProductSlot || c.Product(id) != nil
}

func (c *Clip) validateProduct(field string, p *Product) error {
	if _, err := offer.New(p.Price, p.OldPrice, p.Currency); err != nil {
		return Fault(field, "%v", err)
	}
	if p.Prop != "" && (c.Prop(p.Prop) == nil || c.Prop(p.Prop).Kind != KindCutout) {
		return Fault(field+".prop", "there is no picture %q", p.Prop)
	}
	if len(p.Fields) > 40 {
		return Fault(field+".fields", "a product has at most 40 fields of its own")
	}
	for name, text := range p.Fields {
		if offer.Reserved(name) || validID("", name) != nil {
			return Fault(field+".fields", "a field's name has letters, digits, - or _, and is not one that every product has: %q is none", name)
		}
		if utf8.RuneCountInString(text) > 200 {
			return Fault(fmt.Sprintf("%s.fields.%s", field, name), "what a field says has at most 200 letters")
		}
	}
	return nil
}

// SpeaksOf tells whether words show the product of which a cut-out is the picture.
func (c *Clip) SpeaksOf(words, cutout *Layer) bool {
	if words.Words == nil || cutout.Cutout == nil {
		return false
	}
	p := c.ProductOf(words)
	return p != nil && p.Prop != "" && p.Prop == cutout.Cutout.Prop
}

// Unsure lists the words of a group's line-up that come with a product of which they
// do not speak: they were paired with it by their order.
func (c *Clip) Unsure(group *Layer) []string {
	out := []string{}
	for _, it := range group.Lineup.Items {
		cutout := c.Layer(it.Layer)
		if cutout.Cutout == nil || !slices.ContainsFunc(c.Products, func(p Product) bool { return p.Prop != "" && p.Prop == cutout.Cutout.Prop }) {
			continue
		}
		for _, w := range it.With {
			if !c.SpeaksOf(c.Layer(w), cutout) {
				out = append(out, w)
			}
		}
	}
	return out
}
