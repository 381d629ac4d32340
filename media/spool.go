package media

import (
	"crypto/sha256"
	"encoding/hex"
	"errors"
	"fmt"
	"io"
	"os"
	"path/filepath"
)

// Spool is a file that is being brought in: on disk, since it may be large,
// and without a name, so that nothing is left of it when it is closed or when
// Billow is killed.
type Spool struct {
	*os.File
	Bytes int64
	Hash  string // SHA-256 of its bytes, hexadecimal

	// Coarse is the coarse copy of a large picture, a PNG, once it was examined.
	Coarse []byte
}

// ErrTooLarge says that a file has more bytes than are taken.
var ErrTooLarge = errors.New("it is too large")

// NewSpool reads at most so many bytes; more give ErrTooLarge. It stands at its
// start then.
func NewSpool(r io.Reader, most int64) (*Spool, error) {
	f, err := Nameless()
	if err != nil {
		return nil, err
	}
	sum := sha256.New()
	n, err := io.Copy(io.MultiWriter(f, sum), io.LimitReader(r, most+1))
	if err == nil && n > most {
		err = ErrTooLarge
	}
	if err == nil {
		_, err = f.Seek(0, io.SeekStart)
	}
	if err != nil {
		f.Close()
		return nil, err
	}
	return &Spool{File: f, Bytes: n, Hash: hex.EncodeToString(sum.Sum(nil))}, nil
}

// Spooled is a spool of a file that is there; it owns the file then.
func Spooled(f *os.File) (*Spool, error) {
	if _, err := f.Seek(0, io.SeekStart); err != nil {
		return nil, err
	}
	sum := sha256.New()
	n, err := io.Copy(sum, f)
	if err == nil {
		_, err = f.Seek(0, io.SeekStart)
	}
	return &Spool{File: f, Bytes: n, Hash: hex.EncodeToString(sum.Sum(nil))}, err
}

// Head is the beginning of the file.
func (s *Spool) Head() []byte {
	b := make([]byte, 64)
	n, _ := s.ReadAt(b, 0) // a short file has a short head
	return b[:n]
}

// Again is a reader from the start on.
func (s *Spool) Again() io.ReadSeeker { return io.NewSectionReader(s.File, 0, s.Bytes) }

// Nameless opens a file that has no name.
func Nameless() (*os.File, error) {
	f, err := os.CreateTemp("", "billow-*")
	if err != nil {
		return nil, fmt.Errorf("no temporary file can be made in %s: %w", filepath.Clean(os.TempDir()), err)
	}
	return f, os.Remove(f.Name())
}
