package edit

import (
	"slices"
	"strings"

	"billow/core/clip"
	"billow/core/naming"
)

// BringPictures makes pictures known to the clip and gives each to the product that its file is
// named after: by its name, its ID, what it awaits or one of its own fields, as its number. Those of which no
// product can be told stay among the props.
type BringPictures struct {
	Typed
	Props []clip.Prop `json:"props"`
}

func (b *BringPictures) apply(c *clip.Clip) error {
	c.Products = slices.Clone(c.Products)
	for _, prop := range b.Props {
		if prop.Picture == nil {
			return clip.Fault("props", "%q is no picture", prop.Name)
		}
		// One that is there keeps the ID that layers know.
		id := prop.ID
		if i := slices.IndexFunc(c.Props, func(p clip.Prop) bool { return p.Hash == prop.Hash }); i >= 0 {
			id = c.Props[i].ID
		} else if err := (&AddProp{Prop: prop}).apply(c); err != nil {
			return err
		}
		if p := namedAfter(c, prop.Name); p != nil {
			p.Prop, p.Awaits = id, ""
		}
	}
	return nil
}

// namedAfter is the one product after which a file is named; nil where there is none, or where
// there are several.
func namedAfter(c *clip.Clip, file string) *clip.Product {
	want := naming.Bare(file)
	if want == "" {
		return nil
	}
	var same, within []*clip.Product
	for i := range c.Products {
		p := &c.Products[i]
		names := []string{p.Name, p.ID, p.Awaits}
		for _, says := range p.Fields {
			names = append(names, says)
		}
		switch fits(want, names) {
		case 2:
			same = append(same, p)
		case 1:
			within = append(within, p)
		}
	}
	switch {
	case len(same) == 1:
		return same[0]
	case len(same) == 0 && len(within) == 1:
		return within[0]
	}
	return nil
}

// fits is 2 where a file is called as one of some names is, 1 where it has one of them among its
// words, as mug-blue-front has "blue mug" not, but "mug blue".
func fits(file string, names []string) (how int) {
	for _, name := range names {
		bare := naming.Bare(name)
		switch {
		case bare == "":
		case bare == file:
			return 2
		case len(bare) > 2 && strings.Contains("-"+file+"-", "-"+bare+"-"):
			how = 1
		}
	}
	return how
}
