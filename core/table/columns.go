package table

import (
	"strings"

	"billow/core/clip"
	"billow/core/naming"
	"billow/core/offer"
)

// Field is what a column may hold of a product.
type Field struct {
	ID   string `json:"id"`
	Name string `json:"name"`
	Hint string `json:"hint"` // what to write in it

	also string // how else a column is headed, in small letters, between bars
}

// Fields are those that every product has, in the order in which they are written.
var Fields = []Field{
	{"prop", "Picture", "The name of its file", "picture|image|photo|file|bild|datei|foto|photo|image|imagen|immagine|afbeelding|cutout|cut-out"},
	{"name", "Name", "", "product|title|item|article|produkt|artikel|bezeichnung|nom|produit|nombre|producto|nome|prodotto|naam|produktname|product name"},
	{"first", "First half", "Of the name, where it is parted", "name 1|first|name1|first half of the name"},
	{"second", "Second half", "", "name 2|second|name2|second half of the name"},
	{"line", "Highlight", "What is best about it", "line|highlight|claim|tagline|benefit|slogan|vorteil|usp"},
	{"price", "Price", "", "price now|new price|sale price|now|preis|neuer preis|prix|precio|prezzo|prijs|preço|cena|pris|aktionspreis"},
	{"oldPrice", "Old price", "What it cost before", "was|before|price before|regular price|rrp|list price|oldprice|alter preis|uvp|statt|ancien prix|precio anterior|prezzo precedente|oude prijs|vorher"},
	{"lowest", "Lowest, 30 days", "The lowest price of the last 30 days, which shops in the EU show", "lowest|lowest price|lowest price of the last 30 days|30 day low|niedrigster preis|30-tage-bestpreis|lowest price 30 days"},
	{"currency", "Currency", "Its code, as EUR", "währung|devise|moneda|valuta|moeda|cur|ccy"},
	{"percent", "% off", "Empty: what the prices give", "percent|percent off|discount|off|rabatt|remise|descuento|sconto|korting|%"},
	{"quote", "Meant as", "from or each; empty: as it is", "quote|price type|meant"},
	{"deal", "Deal", "3 for 2, or 2 for 15.00", "offer|multi-buy|multibuy|aktion"},
	{"contents", "Contents", "250 g, 6 × 0.33 l: the base price follows", "content|size|amount|unit|quantity|inhalt|menge|einheit|contenu|contenido|contenuto|inhoud|weight"},
	{"web", "Web address", "", "web|url|link|website|shop|address|internet"},
}

// Separators of a field and a language in a heading, as "Name (de)".
const languageOpens, languageCloses = " (", ")"

// Guess is what a heading stands for: a field, with the language after @ where it is in another one
// ("name@de"); an own field's name; or "" for what cannot be a field's name.
func Guess(heading string) string {
	h := strings.ToLower(strings.TrimSpace(heading))
	if name, rest, found := strings.Cut(h, languageOpens); found && strings.HasSuffix(rest, languageCloses) {
		for _, l := range offer.Languages {
			if strings.EqualFold(l.ID, strings.TrimSuffix(rest, languageCloses)) || strings.EqualFold(l.Name, strings.TrimSuffix(rest, languageCloses)) {
				if f := Guess(name); f != "" {
					return f + "@" + l.ID
				}
			}
		}
	}
	for _, f := range Fields {
		if h == strings.ToLower(f.ID) || h == strings.ToLower(f.Name) {
			return f.ID
		}
	}
	for _, f := range Fields {
		if strings.Contains("|"+f.also+"|", "|"+h+"|") && h != "" {
			return f.ID
		}
	}
	return slug(heading)
}

// Known tells whether a heading is one of a field that every product has.
func Known(heading string) bool {
	f, _, _ := strings.Cut(Guess(heading), "@")
	return isField(f)
}

func isField(id string) bool {
	for _, f := range Fields {
		if f.ID == id {
			return true
		}
	}
	return false
}

// slug makes a field's name of a heading; "" where nothing is left or where it is taken.
func slug(s string) string {
	if out := naming.Slug(s); out != "" && clip.CheckField(out) == nil {
		return out
	}
	return ""
}
