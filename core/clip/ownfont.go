package clip

import "slices"

// OwnFont is what a person's own font says of itself.
type OwnFont struct {
	Family    string `json:"family"`
	Style     string `json:"style"`     // as Bold Italic
	Embedding string `json:"embedding"` // what its maker allows: one of Embeddings
	Letters   int    `json:"letters"`   // how many it has
}

// Embeddings are what makers of fonts allow, after fsType of OpenType: anything, editing,
// showing and printing, or nothing without their leave.
var Embeddings = []string{"installable", "editable", "preview", "restricted"}

// OwnFontID is the name by which words and brands know a font with a hash.
func OwnFontID(hash string) string { return "font-" + hash[:min(12, len(hash))] }

// hasFont tells whether words can be set in a font.
func (c *Clip) hasFont(id string) bool {
	if slices.Contains(Fonts, id) {
		return true
	}
	p := c.Prop(id)
	return p != nil && p.Font != nil
}

// IsOwnFont tells whether a name may be one of a person's own font.
func IsOwnFont(id string) bool {
	return len(id) == len("font-")+12 && id[:5] == "font-" && isHex(id[5:])
}

func isHex(s string) bool {
	for _, r := range s {
		if (r < '0' || r > '9') && (r < 'a' || r > 'f') {
			return false
		}
	}
	return true
}

// eachFont visits the names of all fonts of words.
func (w *Words) eachFont(visit func(font *string)) {
	visit(&w.Font)
	visit(&w.EmphasisFont)
	for i := range w.Accents {
		visit(&w.Accents[i].Font)
	}
}
