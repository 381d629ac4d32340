package clip

import (
	"fmt"
	"slices"
	"unicode/utf8"

	"billow/core/offer"
)

// Product is one of the range: a name, prices, a picture and fields of its own.
type Product struct {
	ID       string `json:"id"`
	Name     string `json:"name"`
	First    string `json:"first,omitempty"`    // half of the name; none is up to the space nearest to its middle
	Second   string `json:"second,omitempty"`   // the other half
	Line     string `json:"line,omitempty"`     // what is highlighted of it
	Price    string `json:"price"`              // decimal, such as "34.90", or empty while it is not known
	OldPrice string `json:"oldPrice"`           // decimal, or empty
	Lowest   string `json:"lowest,omitempty"`   // the lowest price of the 30 days before it was reduced, decimal
	Percent  string `json:"percent,omitempty"`  // off, whole, typed by hand; none is what the prices give
	Quote    string `json:"quote,omitempty"`    // how the price is meant: from, each, or as it is
	Deal     string `json:"deal,omitempty"`     // as "3 for 2" or "2 for 15.00"
	Contents string `json:"contents,omitempty"` // how much it is, as "250 g"
	Currency string `json:"currency"`           // ISO 4217
	Web      string `json:"web,omitempty"`      // where it is sold
	Prop     string `json:"prop,omitempty"`     // its cut-out
	Awaits   string `json:"awaits,omitempty"`   // the file name of a cut-out that is not there yet

	Fields map[string]string `json:"fields,omitempty"` // what else words can show of it, by name
	// Spoken is what it is called in other languages than the clip's: name, first, second, line, web
	// and its own fields, by language and field.
	Spoken map[string]map[string]string `json:"spoken,omitempty"`
}

// Terms are what it is offered for.
func (p *Product) Terms() offer.Terms {
	return offer.Terms{Price: p.Price, Old: p.OldPrice, Lowest: p.Lowest, Currency: p.Currency, Percent: p.Percent, Quote: p.Quote, Deal: p.Deal, Contents: p.Contents}
}

// Halves are those of its name.
func (p *Product) Halves() (first, second string) {
	if p.First != "" || p.Second != "" {
		return p.First, p.Second
	}
	best := -1
	for i, r := range p.Name {
		if r == ' ' && (best < 0 || abs(2*i-len(p.Name)) < abs(2*best-len(p.Name))) {
			best = i
		}
	}
	if best < 0 {
		return p.Name, ""
	}
	return p.Name[:best], p.Name[best+1:]
}

func abs(n int) int { return max(n, -n) }

// Says is what a field of its text says, and whether it has that field at all.
func (p *Product) Says(field string) (string, bool) {
	switch field {
	case "name":
		return p.Name, true
	case "first":
		first, _ := p.Halves()
		return first, true
	case "second":
		_, second := p.Halves()
		return second, true
	case "line":
		return p.Line, p.Line != ""
	case "web":
		return p.Web, p.Web != ""
	}
	s, has := p.Fields[field]
	return s, has
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

// Follows tells whether a layer shows the product of its scene, or of the clip, whichever that is.
func (l *Layer) Follows() bool {
	return l.Words != nil && l.Words.Product == ProductSlot || l.Cutout != nil && l.Cutout.Prop == ProductSlot
}

// Follows tells whether something in a clip does so.
func (c *Clip) Follows() bool {
	return slices.ContainsFunc(c.Layers, func(l Layer) bool { return l.Follows() })
}

// SpokenOf is the product that something new speaks of which comes on a frame, while a layer is
// chosen or none is: the one that the chosen words show, or else the slot where the scene or the clip
// shows a product, or else the first of all; "" without products.
func (c *Clip) SpokenOf(chosen string, frame int) string {
	l, scene := c.Layer(chosen), c.Layer(c.SceneAt(frame).ID)
	switch {
	case len(c.Products) == 0:
		return ""
	case l != nil && l.Words != nil && l.Words.Product != "":
		return l.Words.Product
	case c.Shown != "" || scene != nil && scene.Scene.Product != "":
		return ProductSlot
	}
	return c.Products[0].ID
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

// CheckProduct tells what is wrong with a product of a clip, whether it has it or not.
func (c *Clip) CheckProduct(p *Product) error {
	if err := firstError(validID("id", p.ID), validName("name", p.Name)); err != nil {
		return err
	}
	return c.validateProduct("product", p)
}

func (c *Clip) validateProduct(field string, p *Product) error {
	if err := validName(field+".name", p.Name); err != nil {
		return err
	}
	if _, err := offer.New(p.Terms()); err != nil {
		return Fault(field, "%v", err)
	}
	if p.Prop != "" {
		if prop := c.Prop(p.Prop); prop == nil || prop.Kind != KindCutout {
			return Fault(field+".prop", "there is no picture %q", p.Prop)
		}
	}
	if len(p.Fields) > MaxFields {
		return Fault(field+".fields", "a product has at most %d fields of its own", MaxFields)
	}
	for name, text := range p.Fields {
		if err := CheckField(name); err != nil {
			return Fault(field+".fields", "%v", err)
		}
		if err := short(fmt.Sprintf("%s.fields.%s", field, name), text); err != nil {
			return err
		}
	}
	if err := firstError(short(field+".first", p.First), short(field+".second", p.Second), short(field+".line", p.Line), short(field+".web", p.Web), short(field+".awaits", p.Awaits)); err != nil {
		return err
	}
	return validateSpoken(field+".spoken", p)
}

// MaxProducts is how many products a range has at most.
const MaxProducts = 5000

// MaxFields is how many fields of its own a product has at most.
const MaxFields = 40

// CheckField tells whether a product may have a field of its own of that name.
func CheckField(name string) error {
	if offer.Reserved(name) || validID("", name) != nil {
		return Fault("fields", "a field's name has letters, digits, - or _, and is not one that every product has: %q is none", name)
	}
	return nil
}

func short(field, text string) error {
	if utf8.RuneCountInString(text) > 200 {
		return Fault(field, "what a field says has at most 200 letters")
	}
	return nil
}

func validateSpoken(field string, p *Product) error {
	for language, texts := range p.Spoken {
		if !offer.Known(language) {
			return Fault(field, "there is no language %q", language)
		}
		for name, text := range texts {
			if _, own := p.Fields[name]; !own && !spokenField(name) {
				return Fault(field, "%q is no field that %s has", name, p.Name)
			}
			if err := short(field+"."+language+"."+name, text); err != nil {
				return err
			}
		}
	}
	return nil
}

func spokenField(name string) bool {
	switch name {
	case "name", "first", "second", "line", "web":
		return true
	}
	return false
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
