package export

import (
	"bufio"
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"log/slog"
	"os"
	"os/exec"
	"runtime/debug"
	"strings"
	"sync"
	"syscall"
	"time"

	"billow/core/clip"
	"billow/core/frame"
	"billow/media"
	"billow/store"
)

// Drawing runs in a process of its own with a limit on its memory: what goes
// wrong there, too much memory or a mistake of ours, fails one picture or one
// part of an export and nothing else. The process is this program again.

// Job is what such a process draws: all of a shape as MP4 with its poster
// frame, or one frame alone.
type Job struct {
	Database string          `json:"database"`
	Clip     json.RawMessage `json:"clip"`
	Shape    string          `json:"shape"`
	Video    bool            `json:"video"`
	Quick    bool            `json:"quick"`
	W        int             `json:"w"` // of the still
	H        int             `json:"h"`
	Memory   int64           `json:"memory"` // bytes
}

// report is a line that the process writes.
type report struct {
	Done   int    `json:"done,omitempty"` // frames
	Failed string `json:"failed,omitempty"`
	Final  bool   `json:"final,omitempty"` // trying again would change nothing
	Whole  bool   `json:"whole,omitempty"`
}

const askedFor = "BILLOW_DRAWS"

// DrawIfAsked draws and ends the process if it was started for that. Programs
// that export call it first of all.
func DrawIfAsked() {
	switch os.Getenv(askedFor) {
	case "":
		return
	case "posters":
		if err := drawPosters(); err != nil {
			fmt.Fprintln(os.Stderr, err)
			os.Exit(1)
		}
		os.Exit(0)
	}
	var j Job
	err := json.NewDecoder(os.Stdin).Decode(&j)
	if err == nil {
		limitMemory(j.Memory)
		// People who edit come first. That it cannot be so is no reason to fail.
		_ = syscall.Setpriority(syscall.PRIO_PROCESS, 0, 5)
		err = j.draw()
	}
	say := report{Whole: err == nil}
	if err != nil {
		var fault *clip.FieldError
		var missing *media.MissingError
		say.Failed, say.Final = reason(err), errors.As(err, &fault) || errors.As(err, &missing)
	}
	_ = json.NewEncoder(os.Stdout).Encode(say) // without a reader there is nothing left to say
	os.Exit(0)
}

// reason puts a failure into words for a person.
func reason(err error) string {
	if store.Full(err) {
		return "the disk is full; free some space and export again"
	}
	return err.Error()
}

// limitMemory lets the process fail rather than the machine. The collector
// keeps well below. The runtime has reserved addresses that it does not use;
// they come on top.
func limitMemory(bytes int64) {
	debug.SetMemoryLimit(bytes * 3 / 4)
	var pages int64
	b, err := os.ReadFile("/proc/self/statm")
	if err == nil {
		_, err = fmt.Sscan(string(b), &pages)
	}
	if err == nil {
		most := uint64(pages*int64(os.Getpagesize()) + bytes)
		// The encoder, which it starts, sets its own.
		err = syscall.Setrlimit(syscall.RLIMIT_AS, &syscall.Rlimit{Cur: most, Max: 64 << 30})
	}
	if err != nil {
		slog.Warn("the memory for drawing cannot be limited", "error", err)
	}
	// Where the machine itself runs out, this process goes first.
	_ = os.WriteFile("/proc/self/oom_score_adj", []byte("800"), 0)
}

func (j *Job) draw() error {
	ctx := context.Background()
	s, err := store.Connect(ctx, j.Database)
	if err != nil {
		return err
	}
	defer s.Close()
	c, err := clip.Parse(j.Clip)
	if err != nil {
		return err
	}
	shape, err := c.Shape(j.Shape)
	if err != nil {
		return err
	}
	lib := Library()
	if j.Video {
		if err := j.video(ctx, c, shape, lib, s); err != nil {
			return err
		}
	}
	still, err := Still(ctx, c, shape, j.W, j.H, frame.PosterFrame(c, lib), lib, s.Open)
	if err != nil {
		return err
	}
	png, err := media.EncodePNG(still)
	if err != nil {
		return err
	}
	_, err = os.NewFile(4, "still").Write(png)
	return err
}

func (j *Job) video(ctx context.Context, c *clip.Clip, shape clip.Shape, lib *frame.Library, s *store.Store) error {
	out := json.NewEncoder(os.Stdout)
	last := time.Now()
	f, err := MP4(ctx, c, shape, lib, s.Open, j.Quick, func(n int) {
		if time.Since(last) > 100*time.Millisecond {
			last = time.Now()
			_ = out.Encode(report{Done: n}) // it is only for show
		}
	})
	if err != nil {
		return err
	}
	defer f.Close()
	_, err = io.Copy(os.NewFile(3, "video"), f)
	return err
}

// Drawer starts processes that draw.
type Drawer struct {
	Program string        // "" is this program
	Memory  int64         // bytes that one may take; 0 is a quarter of the machine's, at least 1 GB
	Silence time.Duration // after which one counts as hanging; 0 is five minutes
}

// Drawn are the files that were drawn; they have no names and are to be closed.
type Drawn struct {
	Video *media.Spool // nil for a still
	Still *media.Spool
}

// Close lets go of the files.
func (d *Drawn) Close() {
	for _, s := range []*media.Spool{d.Video, d.Still} {
		if s != nil {
			s.Close()
		}
	}
}

// FinalError is a failure that trying again would not change.
type FinalError struct{ error }

func (e FinalError) Unwrap() error { return e.error }

// Draw runs a job. progress hears how many frames are done.
func (d *Drawer) Draw(ctx context.Context, j Job, progress func(frames int)) (_ *Drawn, err error) {
	j.Memory = d.memory()
	ctx, cancel := context.WithCancelCause(ctx)
	defer cancel(nil)
	program := d.Program
	if program == "" {
		if program, err = os.Executable(); err != nil {
			return nil, err
		}
	}
	var files [2]*os.File // video and still
	defer func() {
		for i, f := range files {
			if f != nil && (err != nil || i == 0 && !j.Video) {
				f.Close()
			}
		}
	}()
	for i := range files {
		if files[i], err = media.Nameless(); err != nil {
			return nil, err
		}
	}
	in, err := json.Marshal(j)
	if err != nil {
		return nil, err
	}
	cmd := exec.CommandContext(ctx, program)
	cmd.Env = append(os.Environ(), askedFor+"=1")
	cmd.SysProcAttr = &syscall.SysProcAttr{Pdeathsig: syscall.SIGKILL}
	cmd.Stdin, cmd.ExtraFiles, cmd.WaitDelay = strings.NewReader(string(in)), files[:], 2*time.Second
	var says ending
	cmd.Stderr = &says
	out, err := cmd.StdoutPipe()
	if err != nil {
		return nil, err
	}
	if err := cmd.Start(); err != nil {
		return nil, err
	}
	last := d.listen(out, progress, cancel)
	ended := cmd.Wait()
	if err := d.judge(ctx, last, ended, &says); err != nil {
		return nil, err
	}
	drawn := &Drawn{}
	if j.Video {
		if drawn.Video, err = media.Spooled(files[0]); err != nil {
			return nil, err
		}
	}
	drawn.Still, err = media.Spooled(files[1])
	return drawn, err
}

func (d *Drawer) memory() int64 {
	if d.Memory > 0 {
		return d.Memory
	}
	return max(1<<30, media.MachineMemory()/4)
}

// listen follows what the process reports and ends it when it falls silent.
func (d *Drawer) listen(out io.Reader, progress func(int), end context.CancelCauseFunc) (last report) {
	silence := d.Silence
	if silence == 0 {
		silence = 5 * time.Minute
	}
	hanging := time.AfterFunc(silence, func() { end(errHangs) })
	defer hanging.Stop()
	for lines := bufio.NewScanner(out); lines.Scan(); {
		hanging.Reset(silence)
		last = report{}
		if json.Unmarshal(lines.Bytes(), &last) == nil && last.Done > 0 {
			progress(last.Done)
		}
	}
	return last
}

var errHangs = errors.New("drawing it got nowhere for minutes and was ended")

// outOfMemory tells whether a process says that it got no more memory. Where Go's own
// collector gets none, it may stumble over that before it can say so.
func outOfMemory(text string) bool {
	collector := strings.Contains(text, "SIGSEGV") && (strings.Contains(text, "runtime/mgc") || strings.Contains(text, "runtime/mheap"))
	return collector || strings.Contains(text, "out of memory") || strings.Contains(text, "cannot allocate memory")
}

// judge says what became of the process, in words for a person.
func (d *Drawer) judge(ctx context.Context, last report, ended error, says *ending) error {
	switch {
	case errors.Is(context.Cause(ctx), errHangs):
		return errHangs
	case ctx.Err() != nil:
		return ctx.Err()
	case ended == nil && last.Whole:
		return nil
	case last.Failed != "" && last.Final:
		return FinalError{errors.New(last.Failed)}
	case last.Failed != "":
		return errors.New(last.Failed)
	}
	slog.Error("drawing failed", "error", ended, "says", says.String())
	text := says.String()
	if outOfMemory(text) {
		return fmt.Errorf("drawing it takes more than %d MB of memory; use smaller pictures, fewer of them, or a smaller shape", d.memory()>>20)
	}
	if strings.Contains(text, "panic:") || strings.Contains(text, "fatal error:") {
		return errors.New("something went wrong in Billow itself while drawing it; its log says more")
	}
	return errors.New("the process that drew it was ended from outside")
}

// ending keeps the beginning and the end of what a process complains about: a
// crash says first why.
type ending struct {
	mu         sync.Mutex
	head, tail []byte
}

func (e *ending) Write(b []byte) (int, error) {
	e.mu.Lock()
	defer e.mu.Unlock()
	n := min(len(b), 2000-len(e.head))
	e.head = append(e.head, b[:n]...)
	e.tail = append(e.tail, b[n:]...)
	e.tail = e.tail[max(0, len(e.tail)-2000):]
	return len(b), nil
}

func (e *ending) String() string {
	e.mu.Lock()
	defer e.mu.Unlock()
	return string(e.head) + string(e.tail)
}
