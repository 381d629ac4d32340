package media

import (
	"context"
	"errors"
	"fmt"
	"image"
	"path"
	"strings"
	"syscall"
	"unicode"

	"billow/core/clip"
	"billow/core/cube"
)

// Examine tells what a file is and brings it into the form in which it is kept:
// the file itself, or a picture made upright, sRGB and no larger than any
// frame. Both are to be closed. Errors are sentences that name the file; a
// *clip.FieldError is the file's fault.
func Examine(ctx context.Context, name string, s *Spool, limits Limits) (clip.Prop, *Spool, error) {
	p, kept, err := examine(ctx, name, s, limits)
	return p, kept, faulty(ctx, name, err)
}

// faulty names the file in what is its fault.
func faulty(ctx context.Context, name string, err error) error {
	var field *clip.FieldError
	var missing *MissingError
	switch {
	case err == nil, errors.As(err, &field), errors.As(err, &missing), errors.Is(err, ErrBusy), errors.Is(err, syscall.ENOSPC), ctx.Err() != nil:
		return err
	}
	return clip.Fault("file", "%s: %v", name, err)
}

// titled is the name that something gets by that of its file.
func titled(name string) string { return Title(strings.TrimSuffix(name, path.Ext(name))) }

func examine(ctx context.Context, name string, s *Spool, limits Limits) (none clip.Prop, _ *Spool, err error) {
	if s.Bytes == 0 {
		return none, nil, clip.Fault("file", "%s is empty", name)
	}
	id, title := "prop-"+s.Hash[:12], titled(name)
	if isTable(name, s) {
		if s.Bytes > cube.MaxBytes {
			return none, nil, clip.Fault("file", "%s is larger than %d MB", name, cube.MaxBytes>>20)
		}
		p, err := table(id, title, s)
		return p, s, err
	}
	switch what, kind := Kind(s.Head()); what {
	case clip.KindCutout:
		if s.Bytes > limits.PictureBytes {
			return none, nil, clip.Fault("file", "%s is larger than %d MB", name, limits.PictureBytes>>20)
		}
		if kind == svgType {
			made, err := drawn(ctx, s, limits)
			if err != nil {
				return none, nil, err
			}
			p, kept, err := picture(ctx, "prop-"+made.Hash[:12], title, made, limits)
			if err != nil {
				made.Close()
			}
			return p, kept, err
		}
		return picture(ctx, id, title, s, limits)
	case clip.KindTune:
		if s.Bytes > limits.SoundBytes {
			return none, nil, clip.Fault("file", "%s is larger than %d MB", name, limits.SoundBytes>>20)
		}
		p, err := heard(ctx, title, s)
		return p, s, err
	case clip.KindFont:
		return ownFont(ctx, kind, s)
	case clip.KindFootage:
		t, err := takeFootage(ctx, name, s, limits, func(float64) {})
		if err != nil {
			return none, nil, err
		}
		if t.Sound != nil { // what needs it brings it in itself
			t.Sound.Close()
		}
		return t.Prop, t.File, nil
	}
	return none, nil, clip.Fault("file", "%s is neither a picture (PNG, JPEG, WebP, GIF, SVG) nor footage (MP4, MOV, WebM, GIF, WebP) nor a tune (WAV, MP3, OGG, FLAC, M4A) nor a font (TTF, OTF, WOFF2) nor a table of colours (CUBE)", name)
}

// picture reads a picture as it is when it is upright, in sRGB and small enough
// for that, and has it made so otherwise.
func picture(ctx context.Context, id, title string, s *Spool, limits Limits) (none clip.Prop, _ *Spool, err error) {
	size, err := Size(s.Again(), limits)
	if err != nil {
		return none, nil, err
	}
	kept := s
	if t := traitsOf(s.Again()); t.turned || t.profiled || max(size.Width, size.Height) > clip.MaxSide {
		free, err := Take(ctx, vipsMemory/4)
		if err != nil {
			return none, nil, err
		}
		kept, err = upright(ctx, s, limits.PictureBytes)
		free()
		if err != nil {
			return none, nil, err
		}
		if size, err = Size(kept.Again(), limits); err != nil {
			return none, nil, err
		}
		id = "prop-" + kept.Hash[:12]
	}
	p, err := pictureProp(ctx, id, title, kept, size)
	if err != nil && kept != s {
		kept.Close()
	}
	return p, kept, err
}

func pictureProp(ctx context.Context, id, title string, s *Spool, size image.Config) (none clip.Prop, err error) {
	free, err := Take(ctx, Cost(size))
	if err != nil {
		return none, err
	}
	defer free()
	bitmap, err := Picture(s.Again())
	if err != nil {
		return none, err
	}
	visible, ok := bitmap.Visible()
	if !ok {
		return none, ErrNothingVisible
	}
	if _, s.Coarse, err = Coarse(bitmap); err != nil {
		return none, err
	}
	_, kind := Kind(s.Head())
	return clip.Prop{
		ID: id, Name: title, Kind: clip.KindCutout, Hash: s.Hash, Media: kind,
		Picture: &clip.Picture{W: bitmap.W, H: bitmap.H, Visible: visible, Area: rounded(bitmap.Area(visible)), Drawing: described(s)},
	}, nil
}

// Title is what a file's name gives for a name: what can be shown of it, not
// longer than a name may be.
func Title(name string) string {
	shown := strings.Map(func(r rune) rune {
		if unicode.IsControl(r) || r == unicode.ReplacementChar {
			return -1
		}
		return r
	}, strings.ToValidUTF8(name, ""))
	letters := []rune(strings.TrimSpace(shown))
	if len(letters) > 120 {
		letters = append(letters[:119], '…')
	}
	if len(letters) == 0 {
		return "Unnamed"
	}
	return string(letters)
}

// Size is how large a picture is, read from its beginning. One that is larger
// than the limits is an error.
func Size(r interface{ Read([]byte) (int, error) }, limits Limits) (image.Config, error) {
	config, _, err := image.DecodeConfig(r)
	if err != nil {
		return config, fmt.Errorf("it cannot be read as a picture; the file may be damaged")
	}
	if config.Width < 1 || config.Height < 1 || config.Width > limits.Megapixels*1_000_000/config.Height {
		return config, fmt.Errorf("it has %d × %d pixels, more than %d megapixels; make it smaller first",
			config.Width, config.Height, limits.Megapixels)
	}
	return config, nil
}

// Cost is how many bytes it takes at most to decode a picture: eight a pixel
// while it is decoded, and four for what comes of it.
func Cost(size image.Config) int64 { return 12 * int64(size.Width) * int64(size.Height) }
