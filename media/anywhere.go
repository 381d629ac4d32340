package media

import (
	"errors"
	"io"
	"sync"
)

// Anywhere reads at any place of a file in which one place is gone to at a time.
func Anywhere(s io.ReadSeeker) io.ReaderAt { return &inTurn{s: s} }

type inTurn struct {
	mu sync.Mutex
	s  io.ReadSeeker
}

func (r *inTurn) ReadAt(b []byte, at int64) (int, error) {
	r.mu.Lock()
	defer r.mu.Unlock()
	if _, err := r.s.Seek(at, io.SeekStart); err != nil {
		return 0, err
	}
	n, err := io.ReadFull(r.s, b)
	if errors.Is(err, io.ErrUnexpectedEOF) {
		err = io.EOF
	}
	return n, err
}
