package hardship

import (
	"context"
	"errors"
	"fmt"
	"io"
	"math/rand/v2"
	"net/http"
	"os"
	"os/exec"
	"path/filepath"
	"strconv"
	"strings"
	"sync"
	"sync/atomic"
	"syscall"
	"time"
)

// Kills is what became of edits and exports while processes were killed.
type Kills struct {
	Rounds                              int
	Server, Database, Drawing, Encoder  int // how often each was killed
	Acknowledged                        int
	Lost, Twice                         int
	Unstarted                           int // starts after a kill that failed
	Exports, Exported, Failed, HalfFile int
	Hanging                             int // exports that never came to an end
	SlowestStart                        time.Duration
	Reasons                             []string // of exports that failed
}

// KillRounds kills processes at random while six people edit one clip and
// exports are made. What was acknowledged must be there once.
func KillRounds(ctx context.Context, binary string, rounds int, seed uint64) (k Kills, err error) {
	b, id, stop, err := running(ctx, binary, nil)
	if err != nil {
		return k, err
	}
	defer stop()
	r := &killing{b: b, clip: id, dice: rand.New(rand.NewPCG(seed, 3)), k: &k}
	editing, end := context.WithCancel(ctx)
	var people sync.WaitGroup
	var wrong atomic.Value
	for range 6 {
		people.Go(func() {
			e := &editor{b: b, clip: id, revision: 2}
			for editing.Err() == nil {
				if err := e.make(ctx, pushRight); err != nil {
					wrong.Store(err)
					return
				}
				r.acknowledged.Add(1)
			}
		})
	}
	for k.Rounds < rounds && err == nil && ctx.Err() == nil {
		err = r.round(ctx)
	}
	end()
	people.Wait()
	if e, ok := wrong.Load().(error); ok && err == nil {
		err = e
	}
	if err == nil {
		err = r.settle(ctx)
	}
	return k, err
}

type killing struct {
	b            *Billow
	clip         string
	dice         *rand.Rand
	k            *Kills
	acknowledged atomic.Int64
	exports      []string
}

// round begins an export now and then, waits a moment and kills something.
func (r *killing) round(ctx context.Context) error {
	if r.k.Rounds%4 == 0 {
		var made struct{ ID string }
		if _, err := r.b.ask(ctx, "POST", "/api/clips/"+r.clip+"/exports", strings.NewReader(`{"shapes":["tall"]}`), &made); err == nil {
			r.exports = append(r.exports, made.ID)
			r.k.Exports++
		}
	}
	select {
	case <-time.After(time.Duration(100+r.dice.IntN(900)) * time.Millisecond):
	case <-ctx.Done():
		return ctx.Err()
	}
	r.k.Rounds++
	switch r.dice.IntN(4) {
	case 0:
		r.k.Database++
		if pid := r.b.Database(); pid > 0 {
			_ = syscall.Kill(pid, syscall.SIGKILL) // it may be starting anew
		}
		return nil
	case 1:
		if killBelow(r.b.Pid(), "ffmpeg") {
			r.k.Encoder++
			return nil
		}
	case 2:
		if killBelow(r.b.Pid(), filepath.Base(r.b.binary)) {
			r.k.Drawing++
			return nil
		}
	}
	r.k.Server++
	r.b.Kill()
	began := time.Now()
	if err := r.b.Start(ctx); err != nil {
		r.k.Unstarted++
		return r.b.Start(ctx)
	}
	r.k.SlowestStart = max(r.k.SlowestStart, time.Since(began))
	return nil
}

// killBelow kills one process of a name among the descendants of another.
func killBelow(pid int, name string) bool {
	for _, child := range children(pid) {
		comm, _ := os.ReadFile(fmt.Sprintf("/proc/%d/comm", child)) // it may just have ended
		if strings.TrimSpace(string(comm)) == name && syscall.Kill(child, syscall.SIGKILL) == nil {
			return true
		}
		if killBelow(child, name) {
			return true
		}
	}
	return false
}

func children(pid int) (out []int) {
	threads, _ := filepath.Glob(fmt.Sprintf("/proc/%d/task/*/children", pid))
	for _, t := range threads {
		b, _ := os.ReadFile(t) // it may just have ended
		for _, f := range strings.Fields(string(b)) {
			if n, err := strconv.Atoi(f); err == nil {
				out = append(out, n)
			}
		}
	}
	return out
}

// settle waits for the exports and counts what there is.
func (r *killing) settle(ctx context.Context) error {
	r.k.Acknowledged = int(r.acknowledged.Load())
	var times, revision int
	if err := r.patiently(ctx, func() (err error) {
		times, revision, err = r.b.pushed(ctx, r.clip)
		return err
	}); err != nil {
		return err
	}
	r.k.Lost, r.k.Twice = max(0, r.k.Acknowledged-times), max(0, times-r.k.Acknowledged)
	if revision != r.k.Acknowledged+2 {
		return fmt.Errorf("the clip is at revision %d after %d edits", revision, r.k.Acknowledged)
	}
	for _, id := range r.exports {
		if err := r.exported(ctx, id); err != nil {
			return err
		}
	}
	return nil
}

// patiently tries something for a while.
func (r *killing) patiently(ctx context.Context, f func() error) (err error) {
	tick := time.NewTicker(100 * time.Millisecond)
	defer tick.Stop()
	for end := time.Now().Add(3 * time.Minute); time.Now().Before(end); {
		if err = f(); err == nil {
			return nil
		}
		select {
		case <-tick.C:
		case <-ctx.Done():
			return ctx.Err()
		}
	}
	return err
}

var errWaiting = errors.New("it is not finished")

// exported waits for an export and looks at its file.
func (r *killing) exported(ctx context.Context, id string) error {
	var state, reason string
	err := r.patiently(ctx, func() error {
		var parts []struct{ Export, State, Error string }
		if _, err := r.b.ask(ctx, "GET", "/api/clips/"+r.clip+"/exports", nil, &parts); err != nil {
			return err
		}
		for _, p := range parts {
			if p.Export == id {
				state, reason = p.State, p.Error
			}
		}
		if state == "waiting" || state == "running" {
			return errWaiting
		}
		return nil
	})
	switch {
	case errors.Is(err, errWaiting):
		r.k.Hanging++
		return nil
	case err != nil:
		return err
	case state != "done":
		r.k.Failed++
		r.k.Reasons = append(r.k.Reasons, reason)
		return nil
	}
	r.k.Exported++
	answer, err := http.Get(r.b.URL + "/api/exports/" + id + "/tall.mp4")
	if err != nil {
		return err
	}
	defer answer.Body.Close()
	file := filepath.Join(r.b.Data, "export.mp4")
	f, err := os.Create(file)
	if err != nil {
		return err
	}
	defer os.Remove(file)
	_, err = io.Copy(f, answer.Body)
	if err := errors.Join(err, f.Close()); err != nil {
		return err
	}
	out, err := exec.CommandContext(ctx, "ffprobe", "-v", "error", "-count_frames", "-select_streams", "v", "-show_entries", "stream=nb_read_frames", "-of", "csv=p=0", file).Output()
	if err != nil || strings.TrimSpace(string(out)) != "60" {
		r.k.HalfFile++
	}
	return nil
}
