package frame

import "billow/core/paint"

// Source is a file as it looks in time: a picture is the same at every time,
// footage is not.
type Source interface {
	// At is the picture at a time, in seconds from the source's beginning; before
	// and after it stays as it begins and ends. The number tells the pictures of a
	// source apart: the same number is the same picture.
	At(seconds float64) (picture *paint.Pyramid, number int)
	// Still tells that it is the same at every time.
	Still() bool
	// Halved is how often its pictures were halved already: one of their pixels is
	// 2^Halved wide in pixels of the file.
	Halved() int
}

// unmoving is a picture.
type unmoving struct {
	picture *paint.Pyramid
	halved  int
}

func (s unmoving) At(float64) (*paint.Pyramid, int) { return s.picture, 0 }
func (unmoving) Still() bool                        { return true }
func (s unmoving) Halved() int                      { return s.halved }

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
