package store

import (
	"context"
	"sync"
)

// turns lets one at a time through for each name.
type turns struct {
	mu sync.Mutex
	of map[string]*turn
}

type turn struct {
	token   chan struct{}
	waiting int
}

// wait waits for the turn of a name; free gives it to the next.
func (t *turns) wait(ctx context.Context, name string) (free func(), err error) {
	t.mu.Lock()
	if t.of == nil {
		t.of = map[string]*turn{}
	}
	own, ok := t.of[name]
	if !ok {
		own = &turn{token: make(chan struct{}, 1)}
		t.of[name] = own
	}
	own.waiting++
	t.mu.Unlock()
	leave := func() {
		t.mu.Lock()
		if own.waiting--; own.waiting == 0 {
			delete(t.of, name)
		}
		t.mu.Unlock()
	}
	select {
	case own.token <- struct{}{}:
		return func() { <-own.token; leave() }, nil
	case <-ctx.Done():
		leave()
		return nil, ctx.Err()
	}
}
