package words

import (
	"bytes"
	"encoding/binary"
	"errors"
	"fmt"
	"strings"

	"billow/core/clip"

	"github.com/go-text/typesetting/font"
	"github.com/go-text/typesetting/font/opentype"
)

// MaxFont is the largest font that is read, bytes.
const MaxFont = 16 << 20

// leastLetters is how many letters a font has at least that words can be set in.
const leastLetters = 10

// Describe reads a person's own font, TrueType or OpenType, and tells what it is. A font that
// cannot be set is an error that says why; whatever the file holds, it is never a panic.
func Describe(ttf []byte) (d clip.OwnFont, err error) {
	defer func() {
		if recover() != nil {
			err = errors.New("the font is broken: its tables contradict each other")
		}
	}()
	if len(ttf) > MaxFont {
		return d, fmt.Errorf("a font is at most %d MB large", MaxFont>>20)
	}
	if err := listed(ttf); err != nil {
		return d, err
	}
	face, err := font.ParseTTF(bytes.NewReader(ttf))
	if err != nil {
		return d, fmt.Errorf("the font cannot be read (%v)", err)
	}
	loader, err := opentype.NewLoader(bytes.NewReader(ttf))
	if err != nil {
		return d, fmt.Errorf("the font cannot be read (%v)", err)
	}
	covers := coverageOf(face)
	if d.Letters = covers.count(); d.Letters < leastLetters {
		return d, errors.New("the font has hardly any letters")
	}
	if raw, err := loader.RawTable(opentype.MustNewTag("name")); err == nil {
		d.Family, d.Style = named(raw, 16, 1), named(raw, 17, 2)
	}
	if d.Family == "" {
		return d, errors.New("the font does not say its name")
	}
	d.Embedding = "installable"
	if raw, err := loader.RawTable(opentype.MustNewTag("OS/2")); err == nil && len(raw) >= 10 {
		d.Embedding = embedding(binary.BigEndian.Uint16(raw[8:]))
	}
	// Letters have to be drawn, too.
	fonts := NewFonts()
	fonts.add("own", &file{covers: covers, face: face})
	drawn := 0
	for _, run := range sampled(covers) {
		b := Set(fonts, &clip.Words{Text: string(run), Font: "own", LineSpacing: 100}, nil, Setting{Size: 100})
		for _, g := range b.Glyphs {
			if g.To > g.From {
				drawn++
			}
		}
	}
	if drawn == 0 {
		return d, errors.New("the font has letters, but they have no outlines")
	}
	return d, nil
}

// mostTables is how many tables a font has at most; OpenType knows about sixty.
const mostTables = 200

// listed checks the list of a font's tables: each lies within the file, so that nobody makes
// room for gigabytes that are not there.
func listed(ttf []byte) error {
	if len(ttf) < 12 {
		return errors.New("the file is too short for a font")
	}
	count := int(binary.BigEndian.Uint16(ttf[4:]))
	if count == 0 || count > mostTables || len(ttf) < 12+16*count {
		return errors.New("the font's list of tables is broken")
	}
	for i := range count {
		entry := ttf[12+16*i:]
		if offset, length := binary.BigEndian.Uint32(entry[8:]), binary.BigEndian.Uint32(entry[12:]); uint64(offset)+uint64(length) > uint64(len(ttf)) {
			return fmt.Errorf("the font's table %q goes beyond the file's end; the file may be damaged", strings.ToValidUTF8(string(entry[:4]), "?"))
		}
	}
	return nil
}

// named is a name by the first of some numbers under which there is one (OpenType, name).
func named(names []byte, ids ...uint16) string {
	for _, id := range ids {
		text := strings.Map(func(r rune) rune {
			if r < ' ' || r == 0xFFFD {
				return -1
			}
			return r
		}, nameIn(names, id))
		if text = strings.TrimSpace(text); text != "" {
			return string([]rune(text)[:min(len([]rune(text)), 60)])
		}
	}
	return ""
}

// embedding is what the maker of a font allows to be done with it, after fsType of OpenType's
// table OS/2: the least restrictive of the bits counts.
func embedding(fsType uint16) string {
	switch {
	case fsType&0x8 != 0:
		return "editable"
	case fsType&0x4 != 0:
		return "preview"
	case fsType&0x2 != 0:
		return "restricted"
	}
	return "installable"
}

// sampled are some letters of a font: the plain ones that it has, and some others.
func sampled(c Coverage) (out [][]rune) {
	var plain, rest []rune
	for _, r := range "Hamburgefonstiv 0123456789 €&é" {
		if c.Has(r) {
			plain = append(plain, r)
		}
	}
	for r := rune(0x21); r < 0x30000 && len(rest) < 64; r += 1 + r/64 {
		if c.Has(r) {
			rest = append(rest, r)
		}
	}
	return [][]rune{plain, rest}
}

// Own lets words be set in a person's own font, which is read when it is needed and stands in
// for no other.
func (f *Fonts) Own(name string, read func() ([]byte, error)) {
	f.mu.Lock()
	defer f.mu.Unlock()
	if f.named[name] == nil {
		f.named[name] = &file{own: true, read: read}
	}
}

// dropped gives up the own fonts that words are set in, because they cannot be set. It tells
// whether there were any.
func (f *Fonts) dropped(w *clip.Words) bool {
	any := false
	for accent := range MaxAccent + 1 {
		if one := f.named[FontOf(w, accent)]; one != nil && one.own && !one.failed {
			one.face, one.failed, any = nil, true, true
		}
	}
	return any
}

// count is how many letters there are.
func (c Coverage) count() (n int) {
	for i := 0; i+1 < len(c); i += 2 {
		n += int(c[i+1]-c[i]) + 1
	}
	return n
}

// OwnFonts lets a clip's own fonts be used, each read by the hash of its file.
func (f *Fonts) OwnFonts(c *clip.Clip, read func(hash string) ([]byte, error)) {
	for i := range c.Props {
		if p := &c.Props[i]; p.Font != nil {
			f.Own(p.ID, func() ([]byte, error) { return read(p.Hash) })
		}
	}
}
