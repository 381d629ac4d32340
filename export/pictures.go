package export

import (
	"context"
	"sync"

	"billow/core/clip"
	"billow/core/frame"
)

// pictureShelf keeps decoded pictures while there is room, so that a product's is not decoded anew
// for each of its variants.
type pictureShelf struct {
	most int64 // bytes

	mu    sync.Mutex
	sizes map[string]int64
	used  []string // hashes, the most recently used last
	held  map[string]int
	bytes int64
}

// hold loads what a clip shows and keeps it until done is called.
func (s *pictureShelf) hold(ctx context.Context, c *clip.Clip, lib *frame.Library, files Files) (done func(), err error) {
	var hashes []string
	s.mu.Lock()
	if s.held == nil {
		s.held = map[string]int{}
	}
	for _, p := range c.Needs() {
		if p.Picture != nil {
			hashes = append(hashes, p.Hash)
			s.held[p.Hash]++
		}
	}
	s.mu.Unlock()
	done = func() { s.let(hashes, lib) }
	if err := Load(ctx, c, lib, files); err != nil {
		done()
		return nil, err
	}
	s.mu.Lock()
	for _, p := range c.Needs() {
		if p.Picture == nil {
			continue
		}
		if s.sizes[p.Hash] == 0 {
			s.sizes[p.Hash] = 4 * int64(p.Picture.W) * int64(p.Picture.H) * 4 / 3 // with its smaller copies
			s.bytes += s.sizes[p.Hash]
		}
		for i, hash := range s.used {
			if hash == p.Hash {
				s.used = append(s.used[:i], s.used[i+1:]...)
				break
			}
		}
		s.used = append(s.used, p.Hash)
	}
	s.mu.Unlock()
	return done, nil
}

// let lets go of pictures, and forgets those that were not used for longest where there are too many.
func (s *pictureShelf) let(hashes []string, lib *frame.Library) {
	s.mu.Lock()
	defer s.mu.Unlock()
	for _, hash := range hashes {
		s.held[hash]--
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
		lib.Forget(func(hash string) bool { return !gone[hash] })
	}
}
