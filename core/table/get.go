package table

import (
	"fmt"
	"strings"

	"billow/core/clip"
	"billow/core/offer"
)

// Get is what a product has in a column, as it is written there; props finds a picture's name.
func Get(p *clip.Product, column string, picture func(id string) string) string {
	field, language, spoken := strings.Cut(column, "@")
	if spoken {
		return p.Spoken[language][field]
	}
	switch field {
	case "prop":
		if p.Prop == "" {
			return p.Awaits
		}
		return picture(p.Prop)
	}
	if s := text(p, field); s != nil {
		return *s
	}
	return p.Fields[field]
}

// text is a field that every product has and that is text.
func text(p *clip.Product, field string) *string {
	switch field {
	case "name":
		return &p.Name
	case "first":
		return &p.First
	case "second":
		return &p.Second
	case "line":
		return &p.Line
	case "price":
		return &p.Price
	case "oldPrice":
		return &p.OldPrice
	case "lowest":
		return &p.Lowest
	case "currency":
		return &p.Currency
	case "percent":
		return &p.Percent
	case "quote":
		return &p.Quote
	case "deal":
		return &p.Deal
	case "contents":
		return &p.Contents
	case "web":
		return &p.Web
	}
	return nil
}

// money tells whether a field is an amount.
func money(field string) bool { return field == "price" || field == "oldPrice" || field == "lowest" }

// put writes a cell into a product. point is the separator of decimals of the table, 0 where it is
// not known; picture finds the picture of a name. One that is not there is awaited.
func put(p *clip.Product, column, cell string, point byte, picture func(name string) (id string, found bool)) error {
	field, language, spoken := strings.Cut(column, "@")
	if spoken {
		return putSpoken(p, field, language, cell)
	}
	switch {
	case field == "prop":
		if cell == "" {
			return nil // most tables say nothing of pictures that are there
		}
		p.Prop, p.Awaits = "", ""
		if id, found := picture(cell); found {
			p.Prop = id
		} else {
			p.Awaits = cell
		}
	case money(field):
		amount, currency, err := offer.Read(amountName(field), cell, p.Currency, point)
		if err != nil {
			return err
		}
		if field != "price" && currency != p.Currency {
			return fmt.Errorf("%s is in %s, and the price is in %s", cell, currency, p.Currency)
		}
		*text(p, field), p.Currency = amount, currency
	case field == "currency":
		p.Currency = strings.ToUpper(cell)
	case field == "percent":
		p.Percent = strings.TrimSpace(strings.Trim(cell, "%-−– \u00a0"))
	case field == "quote":
		p.Quote = strings.ToLower(cell)
	case text(p, field) != nil:
		*text(p, field) = cell
	default:
		return putOwn(p, field, cell)
	}
	return nil
}

func amountName(field string) string {
	switch field {
	case "oldPrice":
		return "old price"
	case "lowest":
		return "lowest price"
	}
	return "price"
}

func putOwn(p *clip.Product, field, cell string) error {
	if err := clip.CheckField(field); err != nil {
		return err
	}
	fields := map[string]string{}
	for k, v := range p.Fields {
		fields[k] = v
	}
	fields[field] = cell
	if cell == "" {
		delete(fields, field)
	}
	p.Fields = fields
	if len(fields) == 0 {
		p.Fields = nil
	}
	return nil
}

func putSpoken(p *clip.Product, field, language, cell string) error {
	spoken := map[string]map[string]string{}
	for l, texts := range p.Spoken {
		spoken[l] = map[string]string{}
		for k, v := range texts {
			spoken[l][k] = v
		}
	}
	if spoken[language] == nil {
		spoken[language] = map[string]string{}
	}
	if spoken[language][field] = cell; cell == "" {
		delete(spoken[language], field)
	}
	if len(spoken[language]) == 0 {
		delete(spoken, language)
	}
	p.Spoken = spoken
	if len(spoken) == 0 {
		p.Spoken = nil
	}
	return nil
}
