package export

import (
	"bufio"
	"context"
	"encoding/json"
	"errors"
	"io"
	"log/slog"
	"os"
	"os/exec"
	"sync"
	"syscall"
	"time"

	"billow/core/clip"
	"billow/core/preflight"
)

// Posters draws posters of variants, many of them one after another, in a process that stays for a
// while, since starting one and reading fonts and pictures takes longer than drawing. It has a
// limit on its memory as all that draw have.
type Posters struct {
	Drawer   *Drawer
	Database string
	Idle     time.Duration // after which the process ends; 0 is a minute

	mu      sync.Mutex
	process *posterProcess
}

// PosterJob is a poster that is wanted.
type PosterJob struct {
	Key  string // names the clip: the same key is the same clip
	Clip func() []byte
	clip.Variant
	At   int // the frame
	Side int // pixels of the longer side; 0 only looks the variant over
}

// Poster is one that was drawn, or what was found when looking the variant over.
type Poster struct {
	JPEG     []byte
	Findings []preflight.Finding
}

// Draw draws a poster.
func (p *Posters) Draw(ctx context.Context, j PosterJob) (Poster, error) {
	for try := 0; ; try++ {
		process, err := p.running()
		if err != nil {
			return Poster{}, err
		}
		out, err := process.ask(ctx, j)
		// A process that ended, as one does that was idle, is begun again once.
		if errors.Is(err, errEnded) && try == 0 && ctx.Err() == nil {
			continue
		}
		return out, err
	}
}

// Close ends the process.
func (p *Posters) Close() {
	p.mu.Lock()
	defer p.mu.Unlock()
	if p.process != nil {
		p.process.end()
	}
}

func (p *Posters) running() (*posterProcess, error) {
	p.mu.Lock()
	defer p.mu.Unlock()
	if p.process != nil && !p.process.over() {
		return p.process, nil
	}
	var err error
	p.process, err = p.start()
	return p.process, err
}

func (p *Posters) start() (*posterProcess, error) {
	program := p.Drawer.Program
	if program == "" {
		var err error
		if program, err = os.Executable(); err != nil {
			return nil, err
		}
	}
	cmd := exec.Command(program)
	cmd.Env = append(os.Environ(), askedFor+"=posters")
	cmd.SysProcAttr = &syscall.SysProcAttr{Pdeathsig: syscall.SIGKILL}
	in, err := cmd.StdinPipe()
	if err != nil {
		return nil, err
	}
	out, err := cmd.StdoutPipe()
	if err != nil {
		return nil, err
	}
	q := &posterProcess{in: in, waiting: map[int]chan posterAnswer{}, ended: make(chan struct{}), idle: p.Idle, end: func() { in.Close() }}
	if q.idle == 0 {
		q.idle = time.Minute
	}
	cmd.Stderr = &q.says
	if err := cmd.Start(); err != nil {
		return nil, err
	}
	hello := posterHello{Database: p.Database, Memory: p.Drawer.memory()}
	if err := json.NewEncoder(in).Encode(hello); err != nil {
		return nil, err
	}
	go func() {
		q.listen(out)
		err := cmd.Wait()
		if text := q.says.String(); err != nil && text != "" {
			slog.Error("the process that draws posters ended", "error", err, "says", text)
		}
	}()
	q.rest = time.AfterFunc(q.idle, q.end)
	return q, nil
}

type posterHello struct {
	Database string `json:"database"`
	Memory   int64  `json:"memory"`
}

type posterRequest struct {
	N    int             `json:"n"`
	Key  string          `json:"key"`
	Clip json.RawMessage `json:"clip,omitempty"` // the first time that the key is used
	clip.Variant
	At   int `json:"at"`
	Side int `json:"side"`
}

type posterAnswer struct {
	N        int                 `json:"n"`
	Bytes    int                 `json:"bytes"`
	Failed   string              `json:"failed,omitempty"`
	Findings []preflight.Finding `json:"findings,omitempty"`
	jpeg     []byte
}

var errEnded = errors.New("the process that draws posters ended")

type posterProcess struct {
	says  ending
	rest  *time.Timer
	idle  time.Duration
	end   func()
	ended chan struct{}

	mu      sync.Mutex
	in      io.Writer
	n       int
	knows   string // the clip that it has
	waiting map[int]chan posterAnswer
}

func (q *posterProcess) over() bool {
	select {
	case <-q.ended:
		return true
	default:
		return false
	}
}

func (q *posterProcess) ask(ctx context.Context, j PosterJob) (Poster, error) {
	q.rest.Reset(q.idle)
	answer := make(chan posterAnswer, 1)
	if err := q.send(j, answer); err != nil {
		return Poster{}, errEnded
	}
	select {
	case a := <-answer:
		if a.Failed != "" {
			return Poster{}, errors.New(a.Failed)
		}
		return Poster{a.jpeg, a.Findings}, nil
	case <-q.ended:
		return Poster{}, errEnded
	case <-ctx.Done():
		return Poster{}, ctx.Err()
	}
}

func (q *posterProcess) send(j PosterJob, answer chan posterAnswer) error {
	q.mu.Lock()
	defer q.mu.Unlock()
	q.n++
	r := posterRequest{N: q.n, Key: j.Key, Variant: j.Variant, At: j.At, Side: j.Side}
	if q.knows != j.Key {
		r.Clip, q.knows = j.Clip(), j.Key
	}
	q.waiting[q.n] = answer
	return json.NewEncoder(q.in).Encode(r)
}

// listen gives answers to those who wait for them, until the process ends.
func (q *posterProcess) listen(out io.Reader) {
	defer close(q.ended)
	defer q.end()
	r := bufio.NewReader(out)
	for {
		line, err := r.ReadBytes('\n')
		if err != nil {
			return
		}
		var a posterAnswer
		if json.Unmarshal(line, &a) != nil || a.Bytes < 0 || a.Bytes > 16<<20 {
			return
		}
		a.jpeg = make([]byte, a.Bytes)
		if _, err := io.ReadFull(r, a.jpeg); err != nil {
			return
		}
		q.mu.Lock()
		to := q.waiting[a.N]
		delete(q.waiting, a.N)
		q.mu.Unlock()
		if to != nil {
			to <- a
		}
	}
}
