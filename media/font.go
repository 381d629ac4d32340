package media

import (
	"context"
	"errors"
	"fmt"
	"io"
	"os"
	"path/filepath"
	"strings"
	"time"

	"billow/core/clip"
	"billow/core/words"
)

var errNoWoff2 = &MissingError{"woff2_decompress", "woff2"}

// fontMemory is how much unpacking a font may take, bytes.
const fontMemory = 512 << 20

// ownFont reads a person's own font. One that is packed (WOFF2) is kept unpacked.
func ownFont(ctx context.Context, kind string, s *Spool) (none clip.Prop, kept *Spool, err error) {
	if s.Bytes > words.MaxFont {
		return none, nil, fmt.Errorf("a font is at most %d MB large", words.MaxFont>>20)
	}
	free, err := Take(ctx, 4*words.MaxFont)
	if err != nil {
		return none, nil, err
	}
	defer free()
	kept = s
	if kind == woff2Type {
		if kept, err = unpackedFont(ctx, s); err != nil {
			return none, nil, err
		}
		_, kind = Kind(kept.Head())
	}
	p, err := fontProp(kind, kept)
	if err != nil {
		if kept != s {
			kept.Close()
		}
		return none, nil, err
	}
	return p, kept, nil
}

func fontProp(kind string, s *Spool) (p clip.Prop, err error) {
	ttf, err := io.ReadAll(s.Again())
	if err != nil {
		return p, err
	}
	font, err := words.Describe(ttf)
	if err != nil {
		return p, err
	}
	name := font.Family
	if font.Style != "" && font.Style != "Regular" {
		name += ", " + strings.ToLower(font.Style)
	}
	return clip.Prop{ID: clip.OwnFontID(s.Hash), Name: name, Kind: clip.KindFont, Hash: s.Hash, Media: kind, Font: &font}, nil
}

// unpackedFont is the font in a file in WOFF2 (W3C), unpacked by Google's own program, which
// runs by itself with limits: a small file may hold a very large one.
func unpackedFont(ctx context.Context, s *Spool) (*Spool, error) {
	ctx, cancel := context.WithTimeout(ctx, 20*time.Second)
	defer cancel()
	dir, err := os.MkdirTemp("", "billow-font-")
	if err != nil {
		return nil, err
	}
	defer os.RemoveAll(dir)
	packed, err := os.Create(filepath.Join(dir, "font.woff2"))
	if err != nil {
		return nil, err
	}
	_, err = io.Copy(packed, s.Again())
	if err = errors.Join(err, packed.Close()); err != nil {
		return nil, err
	}
	t, err := newTool(ctx, errNoWoff2, fontMemory, niceness, packed.Name())
	if err != nil {
		return nil, err
	}
	if err := t.Run(); err != nil {
		return nil, t.explained(ctx, err, "the font cannot be unpacked; the file may be damaged")
	}
	out, err := os.Open(filepath.Join(dir, "font.ttf"))
	if err != nil {
		return nil, errors.New("the font cannot be unpacked; the file may be damaged")
	}
	defer out.Close()
	made, err := NewSpool(out, words.MaxFont)
	if errors.Is(err, ErrTooLarge) {
		return nil, fmt.Errorf("unpacked, the font is larger than %d MB", words.MaxFont>>20)
	}
	if err != nil {
		return nil, err
	}
	if what, _ := Kind(made.Head()); what != clip.KindFont {
		made.Close()
		return nil, errors.New("what is packed in it is no font")
	}
	return made, nil
}
