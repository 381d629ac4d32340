// Package hardship makes Billow's life hard: it cuts connections, kills
// processes, fills memory and disks, and counts what is lost. Its tests are
// short; cmd/hardship takes longer and prints figures.
package hardship

import (
	"math/rand/v2"
	"net"
	"sync"
	"sync/atomic"
)

// Proxy passes connections on to a server of loopback and cuts them at random.
type Proxy struct {
	Addr string
	Cuts atomic.Int64

	listener net.Listener
	target   string
	risk     atomic.Int64 // in a thousand, of each piece of data
	mu       sync.Mutex
	open     map[net.Conn]bool
	dice     *rand.Rand
}

// NewProxy listens on a free port of loopback in front of a target.
func NewProxy(target string, seed uint64) (*Proxy, error) {
	l, err := net.Listen("tcp", "127.0.0.1:0")
	if err != nil {
		return nil, err
	}
	p := &Proxy{Addr: l.Addr().String(), listener: l, target: target, open: map[net.Conn]bool{}, dice: rand.New(rand.NewPCG(seed, 1))}
	go p.accept()
	return p, nil
}

// Risk sets how likely each piece of data is to be the last of its connection,
// in a thousand. Half of those pieces still arrive: what was asked is done, but
// the answer is lost.
func (p *Proxy) Risk(inThousand int) { p.risk.Store(int64(inThousand)) }

func (p *Proxy) accept() {
	for {
		in, err := p.listener.Accept()
		if err != nil {
			return
		}
		out, err := net.Dial("tcp", p.target)
		if err != nil {
			in.Close()
			continue
		}
		p.mu.Lock()
		p.open[in], p.open[out] = true, true
		p.mu.Unlock()
		cut := sync.OnceFunc(func() {
			in.Close()
			out.Close()
			p.mu.Lock()
			delete(p.open, in)
			delete(p.open, out)
			p.mu.Unlock()
		})
		go p.pass(in, out, cut)
		go p.pass(out, in, cut)
	}
}

func (p *Proxy) pass(from, to net.Conn, cut func()) {
	defer cut()
	buf := make([]byte, 32<<10)
	for {
		n, err := from.Read(buf)
		if err != nil {
			return
		}
		last, arrives := p.roll()
		if last {
			p.Cuts.Add(1)
			if !arrives {
				return
			}
		}
		if _, err := to.Write(buf[:n]); err != nil || last {
			return
		}
	}
}

func (p *Proxy) roll() (last, arrives bool) {
	p.mu.Lock()
	defer p.mu.Unlock()
	return p.dice.Int64N(1000) < p.risk.Load(), p.dice.IntN(2) == 0
}

// Close ends all connections.
func (p *Proxy) Close() {
	p.listener.Close()
	p.mu.Lock()
	defer p.mu.Unlock()
	for c := range p.open {
		c.Close()
	}
}
