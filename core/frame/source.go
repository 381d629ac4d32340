package frame

import (
	"math"

	"billow/core/paint"
)

// Source is a file as it can be drawn: pictures with numbers, of which one has a single one.
type Source interface {
	// Picture is a picture with a share, up to 1, of its detail or a little more, and how many of
	// its pixels lie on one of the file, on each axis.
	Picture(number int, share float64) (picture *paint.Pyramid, k float64, err error)
	// Halved is how often its pictures were halved already: one of their pixels is
	// 2^Halved wide in pixels of the file.
	Halved() int
}

// Moving is a source that moves.
type Moving interface {
	Source
	// At is the picture that shows at a time, in seconds from the source's beginning; before and
	// after all it stays as it begins and ends.
	At(seconds float64) int
	// Begins is when a picture begins, and behind the last one when that ends.
	Begins(number int) float64
	Frames() int
	Seconds() float64
}

// unmoving is a picture.
type unmoving struct {
	picture *paint.Pyramid
	halved  int
}

func (s unmoving) Picture(int, float64) (*paint.Pyramid, float64, error) {
	return s.picture, math.Ldexp(1, -s.halved), nil
}
func (s unmoving) Halved() int { return s.halved }

// AddPicture makes a decoded picture known by the hash of its file.
func (l *Library) AddPicture(hash string, b *paint.Bitmap) { l.AddHalved(hash, b, 0) }

// AddHalved makes a picture known that was halved so often since it was decoded.
func (l *Library) AddHalved(hash string, b *paint.Bitmap, halved int) {
	l.AddSource(hash, unmoving{paint.NewPyramid(b), halved})
}

// AddSource makes a source known by the hash of its file.
func (l *Library) AddSource(hash string, s Source) {
	l.mu.Lock()
	defer l.mu.Unlock()
	l.sources[hash] = s
}

// Forget lets go of all sources but those that keep tells of.
func (l *Library) Forget(keep func(hash string) bool) {
	l.mu.Lock()
	defer l.mu.Unlock()
	for hash := range l.sources {
		if !keep(hash) {
			delete(l.sources, hash)
		}
	}
}

// Source is the source with a hash, or nil.
func (l *Library) Source(hash string) Source {
	l.mu.Lock()
	defer l.mu.Unlock()
	return l.sources[hash]
}

// Failed is why something could not be read since it was asked last, or nil: what was drawn
// meanwhile is not what it should be.
func (l *Library) Failed() error {
	l.mu.Lock()
	defer l.mu.Unlock()
	err := l.failed
	l.failed = nil
	return err
}

// fail notes why something could not be read, and how often that was.
func (l *Library) fail(err error) int {
	l.mu.Lock()
	defer l.mu.Unlock()
	l.failed = err
	l.failures++
	return l.failures
}

// Failed is the library's.
func (s *Stage) Failed() error { return s.lib.Failed() }
