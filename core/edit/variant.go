package edit

import (
	"encoding/json"
	"slices"

	"billow/core/clip"
)

// SetVariants says of which products, shapes and languages variants are made, and how their files
// are called. What is not given stays.
type SetVariants struct {
	Typed
	Products  *[]string `json:"products,omitempty"`
	Shapes    *[]string `json:"shapes,omitempty"`
	Languages *[]string `json:"languages,omitempty"`
	Files     *string   `json:"files,omitempty"`
}

func (s *SetVariants) apply(c *clip.Clip) error {
	v := variants(c)
	if s.Products != nil {
		v.Products = *s.Products
	}
	if s.Shapes != nil {
		v.Shapes = *s.Shapes
	}
	if s.Languages != nil {
		v.Languages = *s.Languages
	}
	if s.Files != nil {
		v.Files = *s.Files
	}
	return nil
}

func variants(c *clip.Clip) *clip.Variants {
	if c.Variants == nil {
		c.Variants = &clip.Variants{Products: []string{}}
	}
	return c.Variants
}

// Adjust changes one variant by itself: the command is applied to it whenever it is made, on top of
// what all variants have.
type Adjust struct {
	Typed
	clip.Variant
	Command json.RawMessage `json:"command" ts:"Command"`
}

func (a *Adjust) apply(c *clip.Clip) error {
	if err := ofOne(a.Command); err != nil {
		return err
	}
	variant, _, err := Variant(c, a.Variant)
	if err != nil {
		return err
	}
	if _, err := Apply(variant, a.Command); err != nil {
		return err
	}
	v := variants(c)
	x := v.Cell(a.Variant.ID())
	if x == nil {
		v.Cells = append(v.Cells, clip.Cell{ID: a.Variant.ID(), Variant: a.Variant})
		x = &v.Cells[len(v.Cells)-1]
	}
	if n := len(x.Commands); n > 0 && covers(a.Command, x.Commands[n-1]) {
		x.Commands[n-1] = a.Command
		return nil
	}
	if len(x.Commands) == clip.MaxCellCommands {
		return clip.Fault("command", "this variant was adjusted in %d steps, which is the most: let it be like the others again first, or change what all have", len(x.Commands))
	}
	x.Commands = append(x.Commands, a.Command)
	return nil
}

// ofAll are commands that change what all variants have.
var ofAll = []string{"undo", "adjust", "likeOthers", "setVariants", "setRange", "setProduct", "bringPictures", "setClip", "setTune", "cutTune", "setTempo", "recut"}

// ofOne refuses commands that one variant cannot differ by.
func ofOne(raw json.RawMessage) error {
	var t struct {
		Typed
		Commands []json.RawMessage `json:"commands"`
	}
	if err := json.Unmarshal(raw, &t); err != nil {
		return clip.Fault("command", "this is not a command: %v", err)
	}
	if slices.Contains(ofAll, t.Type) {
		return clip.Fault("command", "%s belongs to all variants: change it in the clip itself", Describe(raw))
	}
	for _, inner := range t.Commands {
		if err := ofOne(inner); err != nil {
			return err
		}
	}
	return nil
}

// covers tells whether a command sets all that another one of its kind has set, so that the
// other one is not needed.
func covers(next, last json.RawMessage) bool {
	var a, b map[string]any
	if json.Unmarshal(next, &a) != nil || json.Unmarshal(last, &b) != nil || a["type"] != b["type"] {
		return false
	}
	switch a["type"] {
	case "setLayer", "setRest":
		return a["layer"] == b["layer"] && a["shape"] == b["shape"] && within(b["set"], a["set"])
	}
	return false
}

// within tells whether all fields of an object are those of another, too.
func within(inner, outer any) bool {
	a, isObject := inner.(map[string]any)
	if !isObject {
		return true
	}
	b, isObject := outer.(map[string]any)
	if !isObject {
		return false
	}
	for name, v := range a {
		other, has := b[name]
		if !has || !within(v, other) {
			return false
		}
	}
	return true
}

// LikeOthers lets a variant be what the others are again.
type LikeOthers struct {
	Typed
	clip.Variant
}

func (l *LikeOthers) apply(c *clip.Clip) error {
	if c.Variants.Cell(l.Variant.ID()) == nil {
		return clip.Fault("variant", "this variant was not adjusted")
	}
	v := variants(c)
	v.Cells = slices.DeleteFunc(v.Cells, func(x clip.Cell) bool { return x.ID == l.Variant.ID() })
	return nil
}

// Variant is the clip of one variant: with its product and its language, and as it was adjusted.
// problems tell what of that no longer fits the clip and was left out.
func Variant(c *clip.Clip, ref clip.Variant) (out *clip.Clip, problems []string, err error) {
	if c.Product(ref.Product) == nil {
		return nil, nil, clip.Fault("product", "there is no product %q", ref.Product)
	}
	shape, err := c.Shape(ref.Shape)
	if err != nil || shape.ID != ref.Shape {
		return nil, nil, clip.Fault("shape", "the clip has no shape %q", ref.Shape)
	}
	out = c.Showing(ref.Product, ref.Language)
	if x := c.Variants.Cell(ref.ID()); x != nil {
		for _, raw := range x.Commands {
			next, err := Apply(out, raw)
			if err != nil {
				problems = append(problems, Describe(raw)+": "+reason(err))
				continue
			}
			out = next
		}
	}
	return out, problems, nil
}

func reason(err error) string {
	if f, is := err.(*clip.FieldError); is {
		return f.Reason
	}
	return err.Error()
}
