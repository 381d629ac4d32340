package clip

import (
	"slices"
	"strings"

	"billow/core/wording"
)

// OwnFont is what a person's own font says of itself.
type OwnFont struct {
	Family    string `json:"family"`
	Style     string `json:"style"`     // as Bold Italic
	Embedding string `json:"embedding"` // what its maker allows: one of Embeddings
	Letters   int    `json:"letters"`   // how many it has
}

// Embeddings are what makers of fonts allow, after fsType of OpenType: anything, editing,
// showing and printing, or nothing without their leave.
var Embeddings = wording.List{
	{ID: "installable", Name: "Free", Says: "free to use and to pass on"},
	{ID: "editable", Name: "Editable", Says: "free to use, passed on only with what can be edited"},
	{ID: "preview", Name: "Preview", Says: "free to show, not to pass on"},
	{ID: "restricted", Name: "Restricted", Says: "not to be passed on without its maker’s leave"},
}

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
	hash, ok := strings.CutPrefix(id, "font-")
	return ok && len(hash) == 12 && strings.Trim(hash, "0123456789abcdef") == ""
}

// eachFont visits the names of all fonts of words.
func (w *Words) eachFont(visit func(font *string)) {
	visit(&w.Font)
	visit(&w.EmphasisFont)
	for i := range w.Accents {
		visit(&w.Accents[i].Font)
	}
}
