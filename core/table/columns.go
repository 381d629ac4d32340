package table

import (
	"strings"

	"billow/core/clip"
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

// slug makes a name of letters, digits and hyphens; "" where nothing is left or where it is taken.
func slug(s string) string {
	var b strings.Builder
	for _, r := range strings.ToLower(s) {
		if part, found := folded[r]; found {
			b.WriteString(part)
			continue
		}
		switch {
		case r >= 'a' && r <= 'z' || r >= '0' && r <= '9' || r == '_':
			b.WriteRune(r)
		case b.Len() > 0 && !strings.HasSuffix(b.String(), "-"):
			b.WriteByte('-')
		}
	}
	out := b.String()
	if len(out) > 60 {
		out = out[:60]
	}
	if out = strings.Trim(out, "-"); out == "" || clip.CheckField(out) != nil {
		return ""
	}
	return out
}

// folded are letters that are written with plain ones in names of files and fields.
var folded = map[rune]string{
	'ä': "ae", 'ö': "oe", 'ü': "ue", 'ß': "ss", 'å': "aa", 'ø': "oe", 'æ': "ae", 'é': "e", 'è': "e", 'ê': "e", 'ë': "e", 'á': "a", 'à': "a", 'â': "a", 'ã': "a",
	'í': "i", 'ì': "i", 'î': "i", 'ó': "o", 'ò': "o", 'ô': "o", 'õ': "o", 'ú': "u", 'ù': "u", 'û': "u", 'ç': "c", 'ñ': "n", 'ł': "l", 'ż': "z", 'ź': "z", 'ś': "s", 'ć': "c", 'ń': "n", 'ą': "a", 'ę': "e",
	'č': "c", 'š': "s", 'ž': "z", 'ř': "r", 'ý': "y", 'ě': "e", 'ů': "u",
}
