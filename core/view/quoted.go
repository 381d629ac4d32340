package view

import (
	"billow/core/clip"
	"billow/core/offer"
)

// Quoted is what is made of a product's terms.
type Quoted struct {
	ID       string          `json:"id"`
	First    string          `json:"first"`  // halves of its name
	Second   string          `json:"second"` //
	Price    string          `json:"price"`  // as it is written; "" where there is none, and so on
	Percent  string          `json:"percent"`
	Base     string          `json:"base"`
	Mistakes []offer.Mistake `json:"mistakes"`
}

// Quotes are what is made of some products' terms.
func Quotes(c *clip.Clip, ids []string) []Quoted {
	out := []Quoted{}
	wanted := map[string]bool{}
	for _, id := range ids {
		wanted[id] = true
	}
	for i := range c.Products {
		p := &c.Products[i]
		if !wanted[p.ID] {
			continue
		}
		o, err := offer.New(p.Terms())
		if err != nil {
			continue // which no clip holds
		}
		says := func(field string) string {
			parts, _ := o.Field(field, c.Language)
			return offer.Joined(parts)
		}
		v := Quoted{ID: p.ID, Price: says("price"), Percent: says("percent"), Base: says("base"), Mistakes: o.Mistakes()}
		v.First, v.Second = p.Halves()
		if v.Mistakes == nil {
			v.Mistakes = []offer.Mistake{}
		}
		out = append(out, v)
	}
	return out
}

// Filled are what the fields of a product say, those that have something to say.
func Filled(c *clip.Clip, id string) map[string]string {
	out := map[string]string{}
	p := c.Product(id)
	if p == nil {
		return out
	}
	o, err := offer.New(p.Terms())
	if err != nil {
		return out // which no clip holds
	}
	for _, field := range []string{"name", "first", "second", "line", "web"} {
		if says, has := p.Says(field); has {
			out[field] = says
		}
	}
	for _, field := range offer.Fields() {
		if parts, state := o.Field(field, c.Language); state == offer.Filled {
			out[field] = offer.Joined(parts)
		}
	}
	return out
}
