// Package words sets text: markup, shaping, line breaking and the plates behind
// words. Its results are outlines in units, which draw sharply at any size.
package words

import (
	"bytes"
	"errors"
	"fmt"
	"sync"

	"github.com/go-text/typesetting/font"
)

// Fonts is a set of fonts by name, in the order in which they stand in for each
// other when one lacks a letter. A font is read when it is first needed. It is
// safe for concurrent use.
type Fonts struct {
	mu    sync.Mutex
	fonts []*file
	named map[string]*file
	lost  bool
}

// file is a font that may not have been read yet.
type file struct {
	covers Coverage
	read   func() ([]byte, error)
	face   *font.Face // nil until it is read
	facts  Facts
	failed bool
	own    bool // a person's own, which stands in for no other
}

// NewFonts is an empty set.
func NewFonts() *Fonts { return &Fonts{named: map[string]*file{}} }

// Add reads a TrueType or OpenType font.
func (f *Fonts) Add(name string, ttf []byte) error {
	face, err := font.ParseTTF(bytes.NewReader(ttf))
	if err != nil {
		return fmt.Errorf("the font %s cannot be read: %w", name, err)
	}
	f.add(name, &file{covers: coverageOf(face), face: face, facts: factsOf(ttf, face)})
	return nil
}

// Offer adds a font that has certain letters and is read when it is needed.
func (f *Fonts) Offer(name string, covers Coverage, read func() ([]byte, error)) {
	f.add(name, &file{covers: covers, read: read})
}

func (f *Fonts) add(name string, one *file) {
	f.mu.Lock()
	defer f.mu.Unlock()
	f.fonts = append(f.fonts, one)
	f.named[name] = one
}

// Lost tells whether a font that was needed could not be read, so that another
// one stood in.
func (f *Fonts) Lost() bool {
	f.mu.Lock()
	defer f.mu.Unlock()
	return f.lost
}

// Retry lets fonts that could not be read be tried again. What was set with
// others instead has to be set anew.
func (f *Fonts) Retry() {
	f.mu.Lock()
	defer f.mu.Unlock()
	f.lost = false
	for _, one := range f.named {
		one.failed = false
	}
}

// wanted is the font of a name, or the first one.
func (f *Fonts) wanted(name string) *file {
	if one := f.named[name]; one != nil {
		if one.own && !f.load(one) { // which letters it has is only known now
			f.lost = true
		}
		return one
	}
	return f.fonts[0]
}

// having is the wanted font when it has a letter, or else the first that has.
func (f *Fonts) having(want *file, r rune) *file {
	if want.covers.Has(r) {
		return want
	}
	for _, one := range f.fonts {
		if one.covers.Has(r) {
			return one
		}
	}
	return want
}

// face reads a font if need be. One that cannot be read is stood in for by the
// first that can.
func (f *Fonts) face(one *file) *font.Face {
	if f.load(one) {
		return one.face
	}
	f.lost = true
	for _, other := range f.fonts {
		if f.load(other) {
			return other.face
		}
	}
	return nil
}

func (f *Fonts) load(one *file) bool {
	if one.face == nil && !one.failed {
		one.failed = true
		if ttf, err := one.read(); err == nil {
			one.failed = one.parse(ttf) != nil
		}
	}
	return one.face != nil
}

// parse reads a font; one that is broken is an error, whatever is wrong with it.
func (one *file) parse(ttf []byte) (err error) {
	defer func() {
		if recover() != nil {
			one.face, err = nil, errors.New("the font is broken")
		}
	}()
	if one.own {
		if err := listed(ttf); err != nil {
			return err
		}
	}
	face, err := font.ParseTTF(bytes.NewReader(ttf))
	if err != nil {
		return err
	}
	one.facts = factsOf(ttf, face)
	if one.own {
		one.covers = coverageOf(face)
	}
	one.face = face
	return nil
}
