package media

import (
	"bytes"
	"context"
	"errors"
	"fmt"
	"log/slog"
	"os/exec"
	"strconv"
	"strings"
	"syscall"
	"time"
)

// MissingError says that a program is not installed.
type MissingError struct{ Program, Package string }

func (e *MissingError) Error() string {
	return fmt.Sprintf("%s is not installed; on Debian, run: apt-get install %s", e.Program, e.Package)
}

// ErrNoFFmpeg says that ffmpeg is not installed.
var ErrNoFFmpeg = &MissingError{"ffmpeg", "ffmpeg"}

var errNoVips = &MissingError{"vipsthumbnail", "libvips-tools"}

// tool is another program at work: with a limit on its memory, and ended with
// this process. Those that read what was brought in stay out of the way of what
// answers people.
type tool struct {
	*exec.Cmd
	name     string
	problems bytes.Buffer
}

// niceness of a program that reads what was brought in.
const niceness = 10

func newTool(ctx context.Context, missing *MissingError, memory int64, nice int, args ...string) (*tool, error) {
	if _, err := exec.LookPath(missing.Program); err != nil {
		return nil, missing
	}
	limits := []string{"-n", strconv.Itoa(nice), "prlimit", "--core=0", "--as=" + strconv.FormatInt(memory, 10), missing.Program}
	t := &tool{Cmd: exec.CommandContext(ctx, "nice", append(limits, args...)...), name: missing.Program}
	t.SysProcAttr = &syscall.SysProcAttr{Pdeathsig: syscall.SIGKILL}
	t.Stderr = &limited{w: &t.problems, left: 4000}
	t.WaitDelay = 2 * time.Second // what it has started does not hold us up
	return t, nil
}

// explained puts a failure into words for a person: otherwise, unless it is one
// that can be told apart. The program's own words are for the log.
func (t *tool) explained(ctx context.Context, err error, otherwise string) error {
	text := strings.TrimSpace(t.problems.String())
	slog.Warn("a program failed", "program", t.name, "error", err, "says", text)
	var missing *MissingError
	switch {
	case errors.As(err, &missing):
		return err
	case strings.Contains(text, "No space left"), errors.Is(err, syscall.ENOSPC):
		return fmt.Errorf("the disk is full; free some space and try again (%w)", syscall.ENOSPC)
	case errors.Is(ctx.Err(), context.DeadlineExceeded):
		return errors.New("reading it took too long")
	case ctx.Err() != nil:
		return ctx.Err()
	case strings.Contains(text, "Cannot allocate memory"), strings.Contains(text, "out of memory"):
		return errors.New("reading it takes too much memory; save it smaller first")
	}
	return errors.New(otherwise)
}

// limited keeps the first bytes of what a process complains about.
type limited struct {
	w    *bytes.Buffer
	left int
}

func (l *limited) Write(b []byte) (int, error) {
	n := min(len(b), l.left)
	l.left -= n
	_, err := l.w.Write(b[:n])
	return len(b), err
}
