package door

import (
	"net/netip"
	"sync"
	"time"
)

// Attempts limits how often someone may try. After a few wrong attempts an
// address waits, each time twice as long.
type Attempts struct {
	mu    sync.Mutex
	wrong map[netip.Prefix]*record
	Now   func() time.Time // nil is time.Now
}

type record struct {
	count int
	until time.Time // before which nothing is tried
	last  time.Time
}

const (
	freeTries   = 5
	firstPause  = 30 * time.Second
	longest     = 15 * time.Minute
	forgotten   = time.Hour
	mostRecords = 10000
)

func (a *Attempts) now() time.Time {
	if a.Now != nil {
		return a.Now()
	}
	return time.Now()
}

// who is what counts as one: an address, or the network that one household has
// in IPv6.
func who(address string) netip.Prefix {
	ip, err := netip.ParseAddr(address)
	if err != nil {
		return netip.Prefix{}
	}
	bits := 32
	if ip = ip.Unmap(); ip.Is6() {
		bits = 64
	}
	p, _ := ip.Prefix(bits) // the length fits the address
	return p
}

// Wait is how long an address has to wait before it may try; 0 is not at all.
func (a *Attempts) Wait(address string) time.Duration {
	a.mu.Lock()
	defer a.mu.Unlock()
	if r := a.wrong[who(address)]; r != nil {
		return max(0, r.until.Sub(a.now()))
	}
	return 0
}

// Wrong notes a wrong attempt.
func (a *Attempts) Wrong(address string) {
	a.mu.Lock()
	defer a.mu.Unlock()
	now := a.now()
	if a.wrong == nil {
		a.wrong = map[netip.Prefix]*record{}
	}
	for p, r := range a.wrong {
		if now.Sub(r.last) > forgotten || len(a.wrong) > mostRecords {
			delete(a.wrong, p)
		}
	}
	r := a.wrong[who(address)]
	if r == nil {
		r = &record{}
		a.wrong[who(address)] = r
	}
	r.count++
	r.last = now
	if over := r.count - freeTries; over >= 0 {
		r.until = now.Add(min(firstPause<<min(over, 10), longest))
	}
}

// Right forgets the wrong attempts of an address.
func (a *Attempts) Right(address string) {
	a.mu.Lock()
	defer a.mu.Unlock()
	delete(a.wrong, who(address))
}
