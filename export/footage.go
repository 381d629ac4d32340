package export

import (
	"context"
	"errors"
	"io"

	"billow/bundle"
	"billow/core/clip"
	"billow/core/footage"
	"billow/core/frame"
	"billow/media"
)

// loadFootage makes moving pictures known, which are read while they are drawn.
func loadFootage(ctx context.Context, p *clip.Prop, lib *frame.Library, files Files) error {
	// They are read after this has returned, for as long as the library has them.
	at, err := anywhere(context.WithoutCancel(ctx), p, files)
	if err != nil {
		return err
	}
	f, err := media.OpenFilm(at)
	if err != nil {
		return err
	}
	if !p.Footage.Alpha {
		f.Opaque()
	}
	lib.AddSource(p.Hash, footage.NewReel(f, media.Part(at)))
	return nil
}

// anywhere is a prop's file for reading at any place.
func anywhere(ctx context.Context, p *clip.Prop, files Files) (io.ReaderAt, error) {
	r, err := files(ctx, p.Hash)
	if err != nil {
		return nil, errors.Join(errors.New("its file is missing"), err)
	}
	if s, ok := r.(io.ReadSeeker); ok {
		return media.Anywhere(s), nil
	}
	defer r.Close()
	return media.NewSpool(r, bundle.MaxFile) // without a name: it goes with what reads it
}
