package hardship

import (
	"bytes"
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"net"
	"net/http"
	"os"
	"os/exec"
	"path/filepath"
	"strconv"
	"strings"
	"sync"
	"syscall"
	"time"

	"billow/store"
)

// Billow is the real program, serving as a process of its own.
type Billow struct {
	URL     string
	Data    string
	Args    []string // further ones of "billow serve"
	Env     []string
	binary  string
	address string
	mu      sync.Mutex
	cmd     *exec.Cmd
	ended   chan struct{}
	log     bytes.Buffer
}

// Build makes the program, with the page or without it.
func Build(ctx context.Context) (binary string, remove func(), err error) {
	dir, err := os.MkdirTemp("", "billow-hardship-")
	if err != nil {
		return "", nil, err
	}
	binary = filepath.Join(dir, "billow")
	if out, err := exec.CommandContext(ctx, "go", "build", "-o", binary, "billow/cmd/billow").CombinedOutput(); err != nil {
		return "", nil, fmt.Errorf("%w: %s", err, out)
	}
	return binary, func() { _ = os.RemoveAll(dir) }, nil
}

// NewBillow prepares a server on a data folder.
func NewBillow(binary, data string, args ...string) (*Billow, error) {
	l, err := net.Listen("tcp", "127.0.0.1:0")
	if err != nil {
		return nil, err
	}
	defer l.Close()
	return &Billow{URL: "http://" + l.Addr().String(), Data: data, Args: args, binary: binary, address: l.Addr().String()}, nil
}

// Start starts it and waits until it answers.
func (b *Billow) Start(ctx context.Context) error {
	cmd := exec.Command(b.binary, append([]string{"serve", "--listen", b.address, "--data", b.Data}, b.Args...)...)
	cmd.Env = append(os.Environ(), b.Env...)
	b.log.Reset()
	cmd.Stdout, cmd.Stderr = &b.log, &b.log
	if err := cmd.Start(); err != nil {
		return err
	}
	ended := make(chan struct{})
	go func() { _ = cmd.Wait(); close(ended) }() // how it ended is in its log
	b.mu.Lock()
	b.cmd, b.ended = cmd, ended
	b.mu.Unlock()
	ctx, cancel := context.WithTimeout(ctx, time.Minute)
	defer cancel()
	tick := time.NewTicker(20 * time.Millisecond)
	defer tick.Stop()
	for {
		select {
		case <-ended:
			return fmt.Errorf("it ended at once: %s", b.log.String())
		case <-ctx.Done():
			return errors.New("it does not answer")
		case <-tick.C:
		}
		if answer, err := http.Get(b.URL + "/healthz"); err == nil {
			answer.Body.Close()
			return nil
		}
	}
}

// running starts a server in a folder of its own, with a clip that has a card
// to push about. end stops it and removes the folder.
func running(ctx context.Context, binary string, env []string, args ...string) (b *Billow, clip string, end func(), err error) {
	data, err := os.MkdirTemp("", "billow-hard-")
	if err != nil {
		return nil, "", nil, err
	}
	if b, err = NewBillow(binary, data, args...); err != nil {
		return nil, "", nil, err
	}
	b.Env = env
	end = func() { _ = os.RemoveAll(data) }
	if err = b.Start(ctx); err == nil {
		end = func() { _, _ = b.Stop(); _ = os.RemoveAll(data) }
		clip, err = b.newClip(ctx)
	}
	if err != nil {
		end()
	}
	return b, clip, end, err
}

// Pid is the number of its process.
func (b *Billow) Pid() int {
	b.mu.Lock()
	defer b.mu.Unlock()
	return b.cmd.Process.Pid
}

// Kill ends it without a chance to do anything.
func (b *Billow) Kill() {
	b.mu.Lock()
	cmd, ended := b.cmd, b.ended
	b.mu.Unlock()
	_ = cmd.Process.Kill() // that it has ended already is as well
	<-ended
}

// Stop ends it politely and tells how long that took.
func (b *Billow) Stop() (time.Duration, error) {
	began := time.Now()
	b.mu.Lock()
	cmd, ended := b.cmd, b.ended
	b.mu.Unlock()
	_ = cmd.Process.Signal(syscall.SIGTERM)
	select {
	case <-ended:
		return time.Since(began), nil
	case <-time.After(20 * time.Second):
		b.Kill()
		return time.Since(began), errors.New("it did not end within 20 seconds")
	}
}

// Database is the process of its PostgreSQL.
func (b *Billow) Database() int {
	text, err := os.ReadFile(filepath.Join(b.Data, "postgres", "postmaster.pid"))
	if err != nil {
		return 0
	}
	first, _, _ := strings.Cut(string(text), "\n")
	pid, _ := strconv.Atoi(strings.TrimSpace(first))
	return pid
}

// ask sends a request and reads the answer as JSON.
func (b *Billow) ask(ctx context.Context, method, path string, body io.Reader, into any) (status int, err error) {
	req, err := http.NewRequestWithContext(ctx, method, b.URL+path, body)
	if err != nil {
		return 0, err
	}
	answer, err := client.Do(req)
	if err != nil {
		return 0, err
	}
	defer answer.Body.Close()
	text, err := io.ReadAll(answer.Body)
	if err != nil {
		return answer.StatusCode, err
	}
	if answer.StatusCode >= 300 {
		return answer.StatusCode, fmt.Errorf("%d: %s", answer.StatusCode, text)
	}
	if into == nil || len(text) == 0 {
		return answer.StatusCode, nil
	}
	return answer.StatusCode, json.Unmarshal(text, into)
}

var client = &http.Client{Transport: &http.Transport{MaxIdleConnsPerHost: 200}, Timeout: 10 * time.Minute}

// newClip makes a clip with a card of the ID "shared" in it; it is at revision
// 2 then.
func (b *Billow) newClip(ctx context.Context) (id string, err error) {
	var made struct{ ID string }
	body := `{"name":"Hardship","shape":{"id":"tall","w":360,"h":640},"rate":30,"length":"2s"}`
	if _, err := b.ask(ctx, "POST", "/api/clips", strings.NewReader(body), &made); err != nil {
		return "", err
	}
	first := &editor{b: b, clip: made.ID, revision: 1}
	return made.ID, first.make(ctx, card("shared"))
}

// card is a command that adds a card.
func card(id string) string {
	return `{"type":"addLayer","layer":{"id":"` + id + `","name":"` + id + `","kind":"card","from":0,"to":null,
		"rest":{"pin":"centre","x":0,"y":0,"size":100,"turn":0},"lift":0,"blend":"normal","tracks":{},
		"card":{"form":"disc","aspect":1,"fill":"#dd4f28","outline":"#173f47"}}}`
}

// pushRight moves the shared card by an eighth of a unit: exactly, and often
// before it leaves the stage.
const pushRight = `{"type":"handle","layer":"shared","shape":"tall","frame":0,"target":"rest","dx":0.125}`

// outcome is what a post of commands is answered with.
type outcome struct {
	Revision int
	Results  []struct {
		ID       string
		Revision int
		Refused  *struct{ Message string }
	}
}

// editor makes one command after the other on a clip, as a page does: each is
// sent under its ID until it is acknowledged.
type editor struct {
	b        *Billow
	clip     string
	revision int
}

var errGivenUp = errors.New("given up")

// make sends a command until the server has taken it; until the context ends.
func (e *editor) make(ctx context.Context, command string) error {
	id := store.NewID()
	body := func() string {
		return fmt.Sprintf(`{"after":%d,"commands":[{"id":%q,"command":%s}]}`, e.revision, id, command)
	}
	pause := time.NewTicker(50 * time.Millisecond)
	defer pause.Stop()
	for {
		var out outcome
		status, err := e.b.ask(ctx, "POST", "/api/clips/"+e.clip+"/commands", strings.NewReader(body()), &out)
		switch {
		case err == nil && len(out.Results) == 1 && out.Results[0].Refused == nil:
			e.revision = out.Revision
			return nil
		case err == nil:
			return fmt.Errorf("the command was refused: %+v", out)
		case status >= 400 && status < 500 && status != 408:
			return err
		}
		select {
		case <-pause.C:
		case <-ctx.Done():
			return errGivenUp
		}
	}
}
