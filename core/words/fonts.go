// Package words sets text: markup, shaping, line breaking and the plates behind
// words. Its results are outlines in units, which draw sharply at any size.
package words

import (
	"bytes"
	"fmt"
	"sync"

	"github.com/go-text/typesetting/font"
)

// Fonts is a set of fonts by name. It is safe for concurrent use.
type Fonts struct {
	mu    sync.Mutex
	faces map[string]*font.Face
	order []string
}

// NewFonts is an empty set.
func NewFonts() *Fonts { return &Fonts{faces: map[string]*font.Face{}} }

// Add reads a TrueType or OpenType font.
func (f *Fonts) Add(name string, ttf []byte) error {
	face, err := font.ParseTTF(bytes.NewReader(ttf))
	if err != nil {
		return fmt.Errorf("the font %s cannot be read: %w", name, err)
	}
	f.mu.Lock()
	defer f.mu.Unlock()
	f.faces[name] = face
	f.order = append(f.order, name)
	return nil
}

// fallback resolves letters to the wanted face, or to the first other one that
// has them.
type fallback struct {
	fonts *Fonts
	want  *font.Face
}

func (b fallback) ResolveFace(r rune) *font.Face {
	if _, ok := b.want.NominalGlyph(r); ok {
		return b.want
	}
	for _, name := range b.fonts.order {
		if _, ok := b.fonts.faces[name].NominalGlyph(r); ok {
			return b.fonts.faces[name]
		}
	}
	return b.want
}
