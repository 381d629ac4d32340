// Package look has named looks: the effects that give a layer, a scene or a whole clip one mood.
package look

import (
	"slices"
	"strings"
	"unicode/utf8"

	"billow/core/clip"
	"billow/core/effect"
)

// Look is effects under a name.
type Look struct {
	ID     string               `json:"id"`
	Name   string               `json:"name"`
	Values map[string][]float64 `json:"values"`          // of properties of effects; those that are missing are neutral
	Table  *clip.Prop           `json:"table,omitempty"` // the table of colours that it uses
}

// Check reports the first thing that is wrong with a look, as a *clip.FieldError, or nil.
func (l *Look) Check() error {
	switch {
	case strings.TrimSpace(l.Name) == "":
		return clip.Fault("name", "a look needs a name")
	case utf8.RuneCountInString(l.Name) > 60:
		return clip.Fault("name", "the name of a look has at most 60 letters")
	case len(l.Values) == 0:
		return clip.Fault("values", "this look changes nothing")
	}
	for name, v := range l.Values {
		if !Has(name) {
			return clip.Fault("values."+name, "%q is not of an effect", name)
		}
		if err := clip.CheckValue("values."+name, name, v); err != nil {
			return err
		}
	}
	if l.Table != nil && (l.Table.Kind != clip.KindTable || l.Table.Table == nil) {
		return clip.Fault("table", "%q is no table of colours", l.Table.Name)
	}
	return nil
}

// Has tells whether a property belongs to a look. What takes a screen out of a picture belongs to the
// picture.
func Has(property string) bool { return slices.Contains(properties, property) }

// properties are those of all effects that are offered.
var properties = func() (out []string) {
	for _, e := range effect.All {
		if e.Title == "" {
			continue
		}
		for _, p := range e.Properties {
			out = append(out, p.Name)
		}
	}
	return out
}()

// Properties are those that belong to a look, in the order in which they are drawn.
func Properties() []string { return slices.Clone(properties) }
