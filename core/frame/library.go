// Package frame draws one frame of a clip: it samples the motion, arranges the
// layers, and paints them. A frame depends on nothing but the clip, the shape
// and the frame number; all that is kept between frames is only kept for speed.
package frame

import (
	"container/list"
	"sync"

	"billow/core/cube"
	"billow/core/graph"
	"billow/core/paint"
	"billow/core/words"
)

// Library holds what clips are made of (fonts, decoded pictures) and what was
// made from it (set words, rasters, blurred shadows). It is safe for
// concurrent use.
type Library struct {
	Fonts *words.Fonts
	// File reads a small file by its hash: a person's own font, or a table of colours; nil has none.
	File func(hash string) ([]byte, error)

	mu       sync.Mutex
	sources  map[string]Source
	tables   map[string]*cube.Table // nil is one that could not be read
	made     map[graph.Key]*list.Element
	recent   *list.List // of *product, the most recently used first
	bytes    int
	limit    int
	failed   error // why something could not be read
	failures int
}

type product struct {
	key   graph.Key
	value any
	bytes int
}

// NewLibrary keeps at most limit bytes of what can be made again.
func NewLibrary(fonts *words.Fonts, limit int) *Library {
	return &Library{
		Fonts: fonts, sources: map[string]Source{}, tables: map[string]*cube.Table{},
		made: map[graph.Key]*list.Element{}, recent: list.New(), limit: limit,
	}
}

// Retry lets fonts and tables of colours that could not be read be tried again, and forgets what
// was made meanwhile. It tells whether there were any.
func (l *Library) Retry() bool {
	if !l.forgetLostTables() && !l.Fonts.Lost() {
		return false
	}
	l.Fonts.Retry()
	l.mu.Lock()
	defer l.mu.Unlock()
	l.made, l.recent, l.bytes = map[graph.Key]*list.Element{}, list.New(), 0
	return true
}

// Kept finds a sheet, or makes and keeps it.
func (l *Library) Kept(key graph.Key, draw func() *paint.Sheet) *paint.Sheet {
	return cached(l, key, (*paint.Sheet).Bytes, draw)
}

// cached finds what was made under a key, or makes it. Two goroutines may make
// the same thing at once; the first one's is kept.
func cached[T any](l *Library, key graph.Key, size func(T) int, build func() T) T {
	l.mu.Lock()
	if e, ok := l.made[key]; ok {
		defer l.mu.Unlock()
		l.recent.MoveToFront(e)
		p := e.Value.(*product)
		v := p.value.(T)
		l.sized(p, size(v)) // a picture may have got smaller copies
		return v
	}
	l.mu.Unlock()
	v := build()
	l.mu.Lock()
	defer l.mu.Unlock()
	if e, ok := l.made[key]; ok {
		return e.Value.(*product).value.(T)
	}
	p := &product{key, v, 0}
	l.made[key] = l.recent.PushFront(p)
	l.sized(p, size(v))
	return v
}

// sized notes how much memory something takes, and forgets what was not used for
// longest where that is too much.
func (l *Library) sized(p *product, bytes int) {
	l.bytes += bytes - p.bytes
	p.bytes = bytes
	for l.bytes > l.limit && l.recent.Len() > 1 {
		old := l.recent.Remove(l.recent.Back()).(*product)
		delete(l.made, old.key)
		l.bytes -= old.bytes
	}
}
