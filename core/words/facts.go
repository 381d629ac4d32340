package words

import (
	"bytes"
	"encoding/binary"
	"slices"

	"billow/core/clip"

	"github.com/go-text/typesetting/font"
	"github.com/go-text/typesetting/font/opentype"
)

// Facts is what a font can do beside drawing its letters.
type Facts struct {
	Axes     []FontAxis `json:"axes"`
	Features []string   `json:"features"` // tags of OpenType, in order
}

// FontAxis is an axis of a variable font.
type FontAxis struct {
	Tag   string  `json:"tag"` // of OpenType, as wght
	Name  string  `json:"name"`
	Least float64 `json:"least"`
	Most  float64 `json:"most"`
	Usual float64 `json:"usual"`
}

// factsOf reads what a font can do. What cannot be read it cannot do.
func factsOf(ttf []byte, face *font.Face) Facts {
	f := Facts{Axes: []FontAxis{}, Features: []string{}}
	for _, g := range face.Font.GSUB.Features {
		f.Features = append(f.Features, g.Tag.String())
	}
	slices.Sort(f.Features)
	f.Features = slices.Compact(f.Features)
	loader, err := opentype.NewLoader(bytes.NewReader(ttf))
	if err != nil {
		return f
	}
	raw, err := loader.RawTable(opentype.MustNewTag("fvar"))
	if err != nil {
		return f
	}
	names, _ := loader.RawTable(opentype.MustNewTag("name"))
	f.Axes = append(f.Axes, axesOf(raw, names)...)
	return f
}

// axesOf reads the axes of a table fvar (OpenType 1.9).
func axesOf(fvar []byte, names []byte) (out []FontAxis) {
	if len(fvar) < 16 {
		return nil
	}
	at, count, size := int(binary.BigEndian.Uint16(fvar[4:])), int(binary.BigEndian.Uint16(fvar[8:])), int(binary.BigEndian.Uint16(fvar[10:]))
	for ; count > 0 && size >= 20 && at+size <= len(fvar); count, at = count-1, at+size {
		fixed := func(i int) float64 { return float64(int32(binary.BigEndian.Uint32(fvar[at+i:]))) / 65536 }
		a := FontAxis{Tag: string(fvar[at : at+4]), Least: fixed(4), Usual: fixed(8), Most: fixed(12)}
		if a.Name = clip.AxisNames[a.Tag]; a.Name == "" {
			a.Name = nameIn(names, binary.BigEndian.Uint16(fvar[at+18:]))
		}
		if a.Name == "" {
			a.Name = a.Tag
		}
		out = append(out, a)
	}
	return out
}

// Facts is what a font can do; it is read for that if need be. ok is false when there is no
// such font, or it cannot be had now.
func (f *Fonts) Facts(name string) (facts Facts, ok bool) {
	f.mu.Lock()
	defer f.mu.Unlock()
	one := f.named[name]
	if one == nil || !f.load(one) {
		return facts, false
	}
	return one.facts, true
}
