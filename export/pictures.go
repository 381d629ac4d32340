package export

import (
	"bytes"
	"context"
	"log/slog"
	"sync"

	"billow/core/clip"
	"billow/core/footage"
	"billow/core/frame"
	"billow/media"

	"golang.org/x/sync/singleflight"
)

// coarseCopies keeps coarse copies of pictures.
type coarseCopies interface {
	Coarse(ctx context.Context, hash string) ([]byte, error)
	KeepCoarse(ctx context.Context, hash string, png []byte) error
}

// pictureShelf keeps decoded pictures while there is room, so that a product's is not decoded anew
// for each of its variants: coarse copies where these have all that is seen.
type pictureShelf struct {
	lib    *frame.Library
	files  Files
	coarse coarseCopies
	most   int64 // bytes

	mu    sync.Mutex
	sizes map[string]int64
	used  []string // hashes, the most recently used last
	held  map[string]int
	bytes int64
	loads singleflight.Group
}

// hold loads what a clip shows, each picture halved at most so often, and keeps it until done is called.
func (s *pictureShelf) hold(ctx context.Context, c *clip.Clip, halvings map[string]int) (done func(), err error) {
	var pictures []*clip.Prop
	s.mu.Lock()
	for _, p := range c.Needs() {
		if p.Picture != nil {
			pictures = append(pictures, p)
			s.held[p.Hash]++
		}
	}
	s.mu.Unlock()
	done = func() { s.let(pictures) }
	for _, p := range pictures {
		// Variants that show the same picture are mostly drawn at once: one of them decodes it.
		for !s.has(p, halvings[p.Hash]) {
			_, err, _ := s.loads.Do(p.Hash, func() (any, error) { return nil, s.load(ctx, p, halvings[p.Hash]) })
			if err != nil {
				done()
				return nil, err
			}
		}
		s.use(p)
	}
	if err := Load(ctx, c, s.lib, s.files); err != nil { // its fonts
		done()
		return nil, err
	}
	return done, nil
}

func (s *pictureShelf) has(p *clip.Prop, halvings int) bool {
	source := s.lib.Source(p.Hash)
	return source != nil && source.Halved() <= halvings
}

// load decodes a picture, or its coarse copy where it may be halved so often. A copy that is not
// there yet, or cannot be read, is made.
func (s *pictureShelf) load(ctx context.Context, p *clip.Prop, halvings int) error {
	n := media.Coarsely(p.Picture.W, p.Picture.H)
	if p.Footage != nil || s.coarse == nil || n == 0 || n > halvings {
		return load(ctx, p, s.lib, s.files)
	}
	if png, err := s.coarse.Coarse(ctx, p.Hash); err == nil && png != nil {
		if b, err := media.Picture(bytes.NewReader(png)); err == nil {
			s.lib.AddHalved(p.Hash, b, n)
			return nil
		}
	}
	whole, err := decoded(ctx, p, s.files)
	if err != nil {
		return err
	}
	b, png, err := media.Coarse(whole)
	if err != nil {
		return err
	}
	s.lib.AddHalved(p.Hash, b, n)
	if err := s.coarse.KeepCoarse(ctx, p.Hash, png); err != nil { // it is made anew the next time
		slog.Warn("a coarse copy cannot be kept", "error", err)
	}
	return nil
}

// use notes that a picture is shown, and how much memory it takes.
func (s *pictureShelf) use(p *clip.Prop) {
	s.mu.Lock()
	defer s.mu.Unlock()
	halved := s.lib.Source(p.Hash).Halved()
	size := 4 * int64(p.Picture.W>>halved) * int64(p.Picture.H>>halved) * 4 / 3 // with its smaller copies
	if p.Footage != nil {
		size = footage.KeptBytes
	}
	s.bytes += size - s.sizes[p.Hash]
	s.sizes[p.Hash] = size
	for i, hash := range s.used {
		if hash == p.Hash {
			s.used = append(s.used[:i], s.used[i+1:]...)
			break
		}
	}
	s.used = append(s.used, p.Hash)
}

// let lets go of pictures, and forgets those that were not used for longest where there are too many.
func (s *pictureShelf) let(pictures []*clip.Prop) {
	s.mu.Lock()
	defer s.mu.Unlock()
	for _, p := range pictures {
		s.held[p.Hash]--
	}
	gone := map[string]bool{}
	for i := 0; i < len(s.used) && s.bytes > s.most; {
		hash := s.used[i]
		if s.held[hash] > 0 {
			i++
			continue
		}
		s.bytes -= s.sizes[hash]
		delete(s.sizes, hash)
		gone[hash] = true
		s.used = append(s.used[:i], s.used[i+1:]...)
	}
	if len(gone) > 0 {
		s.lib.Forget(func(hash string) bool { return !gone[hash] })
	}
}
