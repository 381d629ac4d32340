package clip

import (
	"encoding/json"
	"fmt"
	"slices"
	"strings"
	"unicode/utf8"

	"billow/core/offer"
)

// Variants are the same clip for many products, shapes and languages.
type Variants struct {
	Products  []string `json:"products"`            // in their order
	Shapes    []string `json:"shapes,omitempty"`    // none is all of the clip's
	Languages []string `json:"languages,omitempty"` // none is the clip's own
	Files     string   `json:"files,omitempty"`     // how files are called, with names in braces; none is FileNames
	Cells     []Cell   `json:"cells,omitempty"`     // those that were adjusted by themselves
}

// Cell is a variant that differs from what the others are made of.
type Cell struct {
	ID string `json:"id"` // of its Variant
	Variant
	Commands []json.RawMessage `json:"commands" ts:"Command[]"` // what was changed, in order
}

// Variant names a variant.
type Variant struct {
	Product  string `json:"product"`
	Shape    string `json:"shape"`
	Language string `json:"language,omitempty"` // none is the clip's own
}

// ID is that of the variant's cell.
func (r Variant) ID() string {
	if r.Language == "" {
		return r.Product + "." + r.Shape
	}
	return r.Product + "." + r.Shape + "." + r.Language
}

// FileNames is how files are called where nothing is said.
const FileNames = "{name}-{shape}"

// Limits of what is adjusted.
const (
	MaxCells        = 4000
	MaxCellCommands = 200
)

// Cell finds what was adjusted of a variant, or nil.
func (v *Variants) Cell(id string) *Cell {
	if v == nil {
		return nil
	}
	for i := range v.Cells {
		if v.Cells[i].ID == id {
			return &v.Cells[i]
		}
	}
	return nil
}

// Own makes a copy that can be changed without the one it was made from.
func (v *Variants) own() *Variants {
	if v == nil {
		return nil
	}
	out := *v
	out.Products, out.Shapes, out.Languages, out.Cells = slices.Clone(v.Products), slices.Clone(v.Shapes), slices.Clone(v.Languages), slices.Clone(v.Cells)
	for i := range out.Cells {
		out.Cells[i].Commands = slices.Clone(out.Cells[i].Commands)
	}
	return &out
}

// Settle takes out of the variants what the clip no longer has: products, shapes.
func (c *Clip) Settle() {
	v := c.Variants
	if v == nil {
		return
	}
	has := c.hasProducts()
	noProduct := func(id string) bool { return !has[id] }
	noShape := func(id string) bool { return !slices.ContainsFunc(c.Shapes, func(s Shape) bool { return s.ID == id }) }
	v.Products = slices.DeleteFunc(v.Products, noProduct)
	v.Shapes = slices.DeleteFunc(v.Shapes, noShape)
	v.Cells = slices.DeleteFunc(v.Cells, func(x Cell) bool { return noProduct(x.Product) || noShape(x.Shape) })
}

func (c *Clip) hasProducts() map[string]bool {
	has := make(map[string]bool, len(c.Products))
	for i := range c.Products {
		has[c.Products[i].ID] = true
	}
	return has
}

// EachVariant are all variants, product by product, and of each the languages and then the shapes.
func (c *Clip) EachVariant() (out []Variant) {
	v := c.Variants
	if v == nil {
		return nil
	}
	shapes, languages := v.Shapes, v.Languages
	if len(shapes) == 0 {
		for _, s := range c.Shapes {
			shapes = append(shapes, s.ID)
		}
	}
	if len(languages) == 0 {
		languages = []string{""}
	}
	for _, p := range v.Products {
		for _, l := range languages {
			for _, s := range shapes {
				out = append(out, Variant{p, s, l})
			}
		}
	}
	return out
}

func (c *Clip) validateVariants() error {
	v := c.Variants
	if v == nil {
		return nil
	}
	has := c.hasProducts()
	if err := firstError(
		unlike("variants.products", v.Products, func(id string) bool { return has[id] }, "product"),
		unlike("variants.shapes", v.Shapes, func(id string) bool { s, err := c.Shape(id); return err == nil && s.ID == id && id != "" }, "shape"),
		unlike("variants.languages", v.Languages, func(id string) bool { return id == "" || offer.Known(id) }, "language"),
	); err != nil {
		return err
	}
	if utf8.RuneCountInString(v.Files) > 120 || strings.ContainsAny(v.Files, "/\\\n\x00") {
		return Fault("variants.files", "the names of files have at most 120 letters and no / or \\")
	}
	if len(v.Cells) > MaxCells {
		return Fault("variants.cells", "at most %d variants are adjusted by themselves", MaxCells)
	}
	for i, x := range v.Cells {
		field := fmt.Sprintf("variants.cells[%d]", i)
		_, err := c.Shape(x.Shape)
		switch {
		case x.ID != x.Variant.ID() || v.Cell(x.ID) != &v.Cells[i]:
			return Fault(field+".id", "the variant %q is there twice, or is called otherwise than what it is of", x.ID)
		case !has[x.Product] || err != nil || x.Language != "" && !offer.Known(x.Language):
			return Fault(field, "there is no variant %q", x.ID)
		case len(x.Commands) == 0 || len(x.Commands) > MaxCellCommands:
			return Fault(field+".commands", "a variant is adjusted in 1 to %d steps", MaxCellCommands)
		}
	}
	return nil
}

func unlike(field string, ids []string, known func(string) bool, what string) error {
	seen := map[string]bool{}
	for _, id := range ids {
		if seen[id] || !known(id) {
			return Fault(field, "there is no %s %q, or it is named twice", what, id)
		}
		seen[id] = true
	}
	return nil
}

// SlotProduct is the product that the slots of a clip show: of the clip, or else of the first scene
// that has one.
func (c *Clip) SlotProduct() string {
	if c.Shown != "" {
		return c.Shown
	}
	for i := range c.Layers {
		if s := c.Layers[i].Scene; s != nil && s.Product != "" {
			return s.Product
		}
	}
	return ""
}

// Showing is the clip with another product in its slots, in another language: texts and products are
// called what they are called there, where that is said. Other products than those that can be
// seen are left out, as are the variants.
func (c *Clip) Showing(product, language string) *Clip {
	out := c.Copy()
	out.Variants = nil
	if product != "" {
		slot := c.SlotProduct()
		for i := range c.Layers {
			if s := c.Layers[i].Scene; s != nil && s.Product != "" && s.Product == slot {
				out.Own(c.Layers[i].ID).Scene.Product = product
			}
		}
		out.Shown = product
	}
	if language != "" && language != c.Language {
		out.speak(language)
	}
	seen := map[string]bool{out.Shown: true}
	for i := range out.Layers {
		if w := out.Layers[i].Words; w != nil {
			seen[w.Product] = true
		}
		if s := out.Layers[i].Scene; s != nil {
			seen[s.Product] = true
		}
	}
	out.Products = slices.DeleteFunc(out.Products, func(p Product) bool { return !seen[p.ID] })
	return out
}
