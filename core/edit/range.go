package edit

import (
	"slices"

	"billow/core/clip"
	"billow/core/offer"
)

// SetProduct adds a product or changes the one with the same ID. Amounts may be written as people
// write them, as "1.299,00 €".
type SetProduct struct {
	Typed
	Product clip.Product `json:"product"`
}

func (s *SetProduct) apply(c *clip.Clip) error { return setProduct(c, s.Product) }

// SetRange changes several products at once: those with an ID that is there are changed, others are
// added behind them, and some are taken away. Props are those that products show and the clip does
// not have.
type SetRange struct {
	Typed
	Props    []clip.Prop    `json:"props,omitempty"`
	Products []clip.Product `json:"products,omitempty"`
	Remove   []string       `json:"remove,omitempty"`
}

func (s *SetRange) apply(c *clip.Clip) error {
	if n := len(c.Products) + len(s.Products) - len(s.Remove); n > clip.MaxProducts {
		return clip.Fault("products", "a range has at most %d products, and this would be %d", clip.MaxProducts, n)
	}
	for _, p := range s.Props {
		if err := (&AddProp{Prop: p}).apply(c); err != nil {
			return err
		}
	}
	gone := map[string]bool{}
	for _, id := range s.Remove {
		p := c.Product(id)
		if p == nil {
			return clip.Fault("remove", "there is no product %q", id)
		}
		if err := unused(c, p); err != nil {
			return err
		}
		gone[id] = true
	}
	c.Products = slices.DeleteFunc(slices.Clone(c.Products), func(p clip.Product) bool { return gone[p.ID] })
	at := map[string]int{}
	for i, p := range c.Products {
		at[p.ID] = i
	}
	for _, p := range s.Products {
		i, has := at[p.ID]
		var was *clip.Product
		if has {
			was = &c.Products[i]
		}
		if err := typed(&p, was); err != nil {
			return err
		}
		if has {
			c.Products[i] = p
			continue
		}
		at[p.ID] = len(c.Products)
		c.Products = append(c.Products, p)
	}
	return nil
}

// unused refuses to take away a product that something shows.
func unused(c *clip.Clip, p *clip.Product) error {
	shows := ""
	if c.Shown == p.ID {
		shows = "the clip"
	}
	for i := range c.Layers {
		l := &c.Layers[i]
		if l.Words != nil && l.Words.Product == p.ID || l.Scene != nil && l.Scene.Product == p.ID {
			shows = l.Name
		}
	}
	if shows != "" {
		return clip.Fault("remove", "%s is shown by %s: choose another product there first", p.Name, shows)
	}
	return nil
}

func setProduct(c *clip.Clip, p clip.Product) error {
	was := c.Product(p.ID)
	if err := typed(&p, was); err != nil {
		return err
	}
	if was != nil {
		*was = p
		return nil
	}
	if len(c.Products) >= clip.MaxProducts {
		return clip.Fault("products", "a range has at most %d products", clip.MaxProducts)
	}
	c.Products = append(c.Products, p)
	return nil
}

// typed reads amounts as they are typed, and refuses those with more decimals than their currency
// has. What a product had before it may keep.
func typed(now, before *clip.Product) error {
	for _, field := range []string{"price", "oldPrice", "lowest"} {
		amount, what := amountOf(now, field)
		was := ""
		if before != nil {
			p, _ := amountOf(before, field)
			was = *p
		}
		if *amount == was {
			if before != nil && before.Currency == now.Currency {
				continue
			}
			if err := offer.Exact(what, *amount, now.Currency); err != nil {
				return clip.Fault(field, "%v", err)
			}
			continue
		}
		read, currency, err := offer.Read(what, *amount, now.Currency, 0)
		if err != nil {
			return clip.Fault(field, "%v", err)
		}
		switch {
		case field == "price":
			now.Currency = currency
		case currency != now.Currency:
			return clip.Fault(field, "the %s %s is in %s, and the price is in %s", what, *amount, currency, now.Currency)
		}
		*amount = read
	}
	return nil
}

// amountOf is an amount of a product, and what it is called.
func amountOf(p *clip.Product, field string) (amount *string, what string) {
	switch field {
	case "price":
		return &p.Price, "price"
	case "oldPrice":
		return &p.OldPrice, "old price"
	}
	return &p.Lowest, "lowest price"
}
