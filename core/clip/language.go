package clip

import (
	"maps"
	"strings"

	"billow/core/offer"
)

// speak lets all be said in a language, where it is said what that is.
func (c *Clip) speak(language string) {
	c.Language = language
	for i := range c.Products {
		c.Products[i].speak(language)
	}
	for i := range c.Layers {
		if w := c.Layers[i].Words; w != nil {
			if text, _ := in(w.Texts, language); text != "" {
				c.Own(c.Layers[i].ID).Words.Text = text
			}
		}
	}
}

// Turn gives a clip another language of its own: texts and products become what they are called
// there, and what they were becomes their translation, so that it can be turned back.
func (c *Clip) Turn(language string) {
	from, to := tongue(c.Language), tongue(language)
	c.Language = language
	if from == to {
		return
	}
	for i := range c.Layers {
		w := c.Layers[i].Words
		if w == nil {
			continue
		}
		if text, key := in(w.Texts, to); text != "" {
			w = c.Own(c.Layers[i].ID).Words
			w.Texts = maps.Clone(w.Texts)
			delete(w.Texts, key)
			w.Texts[from], w.Text = w.Text, text
		}
	}
	for i := range c.Products {
		c.Products[i].turn(from, to)
	}
	if c.Variants == nil {
		return
	}
	for i, l := range c.Variants.Languages {
		switch l {
		case "":
			c.Variants.Languages[i] = from
		case to:
			c.Variants.Languages[i] = ""
		}
	}
}

// tongue is a language; none is English.
func tongue(language string) string {
	if language == "" {
		return offer.English
	}
	return language
}

// in is what is said in a language, or in the one that it is a form of, and under which it is found.
func in[T any](texts map[string]T, language string) (t T, key string) {
	if t, has := texts[language]; has {
		return t, language
	}
	base, _, _ := strings.Cut(language, "-")
	return texts[base], base
}

func (p *Product) speak(language string) {
	texts, _ := in(p.Spoken, language)
	if texts["name"] != "" { // halves of a name in one language are not those of it in another
		p.First, p.Second = "", ""
	}
	p.Fields = maps.Clone(p.Fields)
	for name, text := range texts {
		p.call(name, text)
	}
}

// turn is speak that keeps what was there.
func (p *Product) turn(from, to string) {
	texts, key := in(p.Spoken, to)
	if len(texts) == 0 {
		return
	}
	was := map[string]string{}
	if texts["name"] != "" && p.First+p.Second != "" {
		was["first"], was["second"] = p.First, p.Second
	}
	for name := range texts {
		if name == "first" || name == "second" {
			continue
		}
		if says, _ := p.Says(name); says != "" {
			was[name] = says
		}
	}
	p.speak(to)
	p.Spoken = maps.Clone(p.Spoken)
	delete(p.Spoken, key)
	p.Spoken[from] = was
}

// call gives a field of what a product is called its text.
func (p *Product) call(field, text string) {
	switch field {
	case "name":
		p.Name = text
	case "first":
		p.First = text
	case "second":
		p.Second = text
	case "line":
		p.Line = text
	case "web":
		p.Web = text
	default:
		if p.Fields == nil {
			p.Fields = map[string]string{}
		}
		p.Fields[field] = text
	}
}
