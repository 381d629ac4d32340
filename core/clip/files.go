package clip

import (
	"fmt"
	"strconv"
	"strings"

	"billow/core/naming"
)

// FileNames are how the files of variants are called, without their endings, each once: as the
// variants say, with the names of fields in braces filled in. Fields are in the clip's own
// language, so that what is of one product stands together.
func (c *Clip) FileNames(refs []Variant) []string {
	pattern := FileNames
	if c.Variants != nil && c.Variants.Files != "" {
		pattern = c.Variants.Files
	}
	out := make([]string, len(refs))
	taken := map[string]bool{}
	products := map[string]*Product{}
	for i := range c.Products {
		products[c.Products[i].ID] = &c.Products[i]
	}
	for i, r := range refs {
		p := products[r.Product]
		if p == nil {
			p = &Product{}
		}
		name := fileName(pattern, p, r)
		// Where nothing tells languages apart, the name does.
		if r.Language != "" && !strings.Contains(pattern, "{language}") {
			name += "-" + naming.Slug(r.Language)
		}
		out[i] = name
		for n := 2; taken[out[i]]; n++ {
			out[i] = fmt.Sprintf("%s-%d", name, n)
		}
		taken[out[i]] = true
	}
	return out
}

func fileName(pattern string, p *Product, r Variant) string {
	var b strings.Builder
	rest := pattern
	for {
		before, after, found := strings.Cut(rest, "{")
		b.WriteString(before)
		if !found {
			break
		}
		name, behind, closed := strings.Cut(after, "}")
		if !closed {
			break
		}
		b.WriteString(part(p.named(name, r)))
		rest = behind
	}
	out := strings.Trim(strings.Map(func(r rune) rune {
		if strings.ContainsRune(`/\:*?"<>|`, r) || r < ' ' {
			return -1
		}
		return r
	}, b.String()), ". -")
	if out == "" {
		return "variant"
	}
	return out
}

// part is a field's text as a part of a file's name.
func part(s string) string {
	if slug := naming.Slug(s); slug != "" {
		return slug
	}
	runes := []rune(strings.Join(strings.Fields(s), "-"))
	return string(runes[:min(len(runes), 40)])
}

// named is what a name in braces stands for in the name of a file.
func (p *Product) named(name string, r Variant) string {
	switch name {
	case "shape":
		return r.Shape
	case "language":
		return r.Language
	case "id":
		return p.ID
	case "price":
		return strings.ReplaceAll(p.Price, ".", "-")
	case "old":
		return strings.ReplaceAll(p.OldPrice, ".", "-")
	case "currency":
		return p.Currency
	}
	s, _ := p.Says(name)
	return s
}

// ContentsColumns head the table of what is in a set of files of variants.
var ContentsColumns = []string{"file", "product", "price", "old price", "currency", "shape", "language", "width", "height", "seconds", "state"}

// Contents is the row of a variant in that table; state says whether it is there, or why not.
func (c *Clip) Contents(r Variant, file, state string) []string {
	var p Product
	if is := c.Product(r.Product); is != nil {
		p = *is
	}
	if r.Language != "" && r.Language != c.Language {
		p.speak(r.Language)
	}
	s, _ := c.Shape(r.Shape) // none of a shape that has gone since
	language := r.Language
	if language == "" {
		language = c.Language
	}
	seconds := strconv.FormatFloat(float64(c.Length)/float64(c.Rate), 'f', 2, 64)
	return []string{file, p.Name, p.Price, p.OldPrice, p.Currency, r.Shape, language, strconv.Itoa(s.W), strconv.Itoa(s.H), seconds, state}
}

// ReadVariant reads the ID of a variant.
func ReadVariant(id string) (r Variant, is bool) {
	f := strings.Split(id, ".")
	if len(f) < 2 || len(f) > 3 {
		return Variant{}, false
	}
	r.Product, r.Shape = f[0], f[1]
	if len(f) == 3 {
		r.Language = f[2]
	}
	return r, true
}
