package server

import (
	"context"
	"sync"
)

// drawn keeps small things that were drawn, and draws one at a time: they are soon
// done.
type drawn struct {
	most  int // bytes that are kept
	mu    sync.Mutex
	made  map[string][]byte
	bytes int
	one   chan struct{}
}

func newDrawn(most int) *drawn { return &drawn{most: most, one: make(chan struct{}, 1)} }

// of finds what was made, or makes it when it is its turn.
func (p *drawn) of(ctx context.Context, tag string, make func() ([]byte, error)) ([]byte, error) {
	if file := p.get(tag); file != nil {
		return file, nil
	}
	select {
	case p.one <- struct{}{}:
		defer func() { <-p.one }()
	case <-ctx.Done():
		return nil, ctx.Err()
	}
	if file := p.get(tag); file != nil {
		return file, nil
	}
	file, err := make()
	if err == nil {
		p.put(tag, file)
	}
	return file, err
}

func (p *drawn) get(tag string) []byte {
	p.mu.Lock()
	defer p.mu.Unlock()
	return p.made[tag]
}

func (p *drawn) put(tag string, file []byte) {
	p.mu.Lock()
	defer p.mu.Unlock()
	if p.made == nil || p.bytes+len(file) > p.most {
		p.made, p.bytes = map[string][]byte{}, 0
	}
	p.made[tag] = file
	p.bytes += len(file)
}
